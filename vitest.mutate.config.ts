import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const HEART = ['core/physics/**/*.test.ts', 'core/pipeline/**/*.test.ts', 'core/plan/**/*.test.ts']
const isServer = process.env.LUMBIK_MUTATE === 'server'

/** The tests of the heart alone, for mutations; or those of the server's rules. */
export default defineConfig({
  // The sandbox has no generated tsconfig, and needs none.
  esbuild: { tsconfigRaw: '{}' },
  resolve: { alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)) } },
  test: {
    setupFiles: isServer ? [] : ['tests/support/seed.ts'],
    hookTimeout: 60000,
    // Vessels, portions and strengths are tested beside their plans.
    include: isServer ? ['server/domain/**/*.test.ts'] : HEART,
    exclude: ['core/pipeline/sweep.test.ts'],
    // This property takes minutes in instrumented code.
    testNamePattern: /^(?!.*whatever is thrown at it)/,
    environment: 'node',
    testTimeout: 60000,
  },
})
