import { fileURLToPath } from 'node:url'

const core = fileURLToPath(new URL('./core', import.meta.url))

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  modules: ['@nuxt/eslint', '@nuxt/ui', '@pinia/nuxt', '@vueuse/nuxt'],
  telemetry: false,
  devtools: { enabled: false },
  css: ['~/assets/main.css'],
  alias: { '#core': core },
  ui: { fonts: false, colorMode: false },
  icon: { provider: 'iconify', fallbackToApi: false, serverBundle: { collections: ['lucide'] }, clientBundle: { scan: true } },
  app: {
    head: {
      title: 'Lumbik',
      htmlAttrs: { lang: 'en-GB' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }, { name: 'description', content: 'Will it set, how sharp, how to cook it, when is it ready.' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  // The workspace computes in the browser; pages are rendered there only.
  ssr: false,
  spaLoadingTemplate: true,
  sourcemap: { client: false, server: false },
  nitro: { compressPublicAssets: true, alias: { '#core': core } },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  vite: {
    worker: { format: 'es' },
    optimizeDeps: { include: ['comlink', 'yup', 'echarts/core', 'echarts/charts', 'echarts/components', 'echarts/renderers', 'vue-echarts', 'parse-ingredient', 'pure-rand/distribution/uniformFloat64', 'pure-rand/generator/xoroshiro128plus'] },
  },
  eslint: { config: { stylistic: true } },
})
