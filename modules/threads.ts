/** Bundles the worker threads' entry beside the built server: Nitro bundles the server only. */
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'
import { defineNuxtModule } from '@nuxt/kit'

const path = (relative: string) => fileURLToPath(new URL(relative, import.meta.url))

export default defineNuxtModule({
  meta: { name: 'threads' },
  setup(_, nuxt) {
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        await build({
          entryPoints: [path('../server/threads/worker.ts')],
          outfile: `${nitro.options.output.serverDir}/threads/worker.mjs`,
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          alias: { '#core': path('../core') },
          logLevel: 'warning',
          tsconfigRaw: {},
          minifySyntax: true,
          banner: {
            js: 'import { createRequire } from \'node:module\'; const require = createRequire(import.meta.url);',
          },
        })
      })
    })
  },
})
