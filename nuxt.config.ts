import { fileURLToPath } from 'node:url'

const core = fileURLToPath(new URL('./core', import.meta.url))

export default defineNuxtConfig({
  modules: ['@nuxt/eslint', '@nuxt/ui', '@pinia/nuxt', '@vueuse/nuxt', 'nuxt-auth-utils', '@vite-pwa/nuxt'],
  $production: { nitro: { entry: fileURLToPath(new URL('./server/entry.ts', import.meta.url)) } },
  // The workspace computes in the browser; pages are rendered there only.
  ssr: false,
  components: [{ path: '~/components', pathPrefix: false }],
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Lumbik',
      htmlAttrs: { lang: 'en-GB' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }, { name: 'description', content: 'Will it set, how sharp, how to cook it, when is it ready.' }],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }, { rel: 'apple-touch-icon', href: '/icon-192.png' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },
  css: ['~/assets/main.css'],
  ui: { fonts: false, colorMode: false },
  spaLoadingTemplate: true,
  runtimeConfig: { session: { name: 'lumbik', maxAge: 60 * 60 * 24 * 30, password: '', cookie: { sameSite: 'strict' } } },
  alias: { '#core': core },
  sourcemap: { client: false, server: false },
  experimental: { entryImportMap: false, emitRouteChunkError: 'manual' },
  compatibilityDate: '2026-01-01',
  nitro: {
    // The heart's tests, benches and commands are typed with the server's code.
    typescript: { tsConfig: { include: ['core', 'tests/support', 'bench', 'cli'].map(of => `../${of}/**/*.ts`) } },
    compressPublicAssets: true,
    alias: { '#core': core },
    errorHandler: fileURLToPath(new URL('./server/error.ts', import.meta.url)),
    // Answers hold a kitchen's own figures; files carry hashes in their names.
    routeRules: {
      '/**': { headers: { 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer', 'x-frame-options': 'DENY', 'cross-origin-opener-policy': 'same-origin', 'cross-origin-resource-policy': 'same-origin' } },
      '/api/**': { headers: { 'content-security-policy': 'default-src \'none\'; frame-ancestors \'none\'', 'cache-control': 'no-store' } },
    },
  },
  vite: {
    worker: { format: 'es' },
    optimizeDeps: { include: ['comlink', 'yup', 'echarts/core', 'echarts/charts', 'echarts/components', 'echarts/renderers', 'vue-echarts', 'pure-rand/distribution/uniformFloat64', 'pure-rand/generator/xoroshiro128plus'] },
  },
  // Browser tests are typed with the app's code.
  typescript: {
    strict: true, tsConfig: { include: ['../tests/*.spec.ts'], compilerOptions: { noUncheckedIndexedAccess: true } },
  },
  telemetry: false,
  hooks: {
    // Each request looks through all of this in the environment: what the session library knows of other people's
    // doors (hundreds of names) is not ours to look for.
    'nitro:config': ({ runtimeConfig }) => {
      for (const of of ['oauth', 'atproto', 'webauthn']) Reflect.deleteProperty(runtimeConfig ?? {}, of)
    },
  },
  // Who is signed in is asked of our own door; only what seals a cookie and hashes a password is the library's.
  auth: { loadStrategy: 'none' },
  eslint: { config: { stylistic: true } },
  icon: { provider: 'iconify', fallbackToApi: false, serverBundle: { collections: ['lucide'] }, clientBundle: { scan: true } },
  // The app's own files are held by the browser; a new build waits for a press.
  pwa: {
    registerType: 'prompt',
    strategies: 'injectManifest',
    srcDir: 'service-worker',
    filename: 'sw.ts',
    injectManifest: { globPatterns: ['**/*.{js,css,svg,woff2,json,png}'], maximumFileSizeToCacheInBytes: 4e6 },
    manifest: {
      name: 'Lumbik', short_name: 'Lumbik', start_url: '/', display: 'standalone', lang: 'en-GB',
      description: 'Will it set, how sharp, how to cook it, when is it ready.',
      theme_color: '#fbf8f0', background_color: '#fbf8f0',
      icons: [
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
      ],
    },
  },
})
