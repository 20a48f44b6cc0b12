import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { defineVitestProject } from '@nuxt/test-utils/config'
import { HANGS_MS } from './tests/support/hangs'

const core = fileURLToPath(new URL('./core', import.meta.url))
const alias = { '#core': core }
const limits = { testTimeout: HANGS_MS, hookTimeout: HANGS_MS }

/** Nothing here is about a database that is late: there it is only slow, beside other work. */
const PATIENT = { LUMBIK_PATIENCE: '100' }

/** Puts rows into the core's tables before it is loaded: by itself. The rest keeps nothing, and is loaded once. */
const TABLES = 'core/formula/adding.test.ts'

export default defineConfig({
  test: {
    // Both cores of the machine the tests are run on: one is the default there, and leaves the other idle.
    maxWorkers: 2,
    projects: [
      { resolve: { alias }, test: { name: 'core', ...limits, setupFiles: ['tests/support/seed.ts'], include: ['core/**/*.test.ts', 'shared/**/*.test.ts', 'cli/**/*.test.ts'], exclude: [TABLES], environment: 'node', isolate: false } },
      { resolve: { alias }, test: { name: 'tables', ...limits, setupFiles: ['tests/support/seed.ts'], include: [TABLES], environment: 'node' } },
      { resolve: { alias }, test: { name: 'server', include: ['server/**/*.test.ts'], environment: 'node', env: PATIENT, ...limits } },
      await defineVitestProject({ resolve: { alias }, test: { name: 'app', include: ['app/**/*.test.ts'], ...limits, environment: 'nuxt', environmentOptions: { nuxt: { domEnvironment: 'happy-dom' } } } }),
    ],
  },
})
