import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { defineVitestProject } from '@nuxt/test-utils/config'

const core = fileURLToPath(new URL('./core', import.meta.url))
const alias = { '#core': core }

export default defineConfig({
  test: {
    projects: [
      { resolve: { alias }, test: { name: 'core', testTimeout: 90000, setupFiles: ['tests/support/seed.ts'], include: ['core/**/*.test.ts', 'shared/**/*.test.ts', 'cli/**/*.test.ts'], environment: 'node' } },
      { resolve: { alias }, test: { name: 'server', include: ['server/**/*.test.ts'], environment: 'node', testTimeout: 90000, hookTimeout: 120000 } },
      await defineVitestProject({ resolve: { alias }, test: { name: 'app', include: ['app/**/*.test.ts'], testTimeout: 60000, hookTimeout: 120000, environment: 'nuxt', environmentOptions: { nuxt: { domEnvironment: 'happy-dom' } } } }),
    ],
  },
})
