import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** The tests of the heart alone, for mutations. */
export default defineConfig({
  // The sandbox has no generated tsconfig, and needs none.
  esbuild: { tsconfigRaw: '{}' },
  resolve: { alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)) } },
  test: {
    setupFiles: ['tests/support/seed.ts'],
    // Vessels, portions and strengths are tested beside their plans.
    include: ['core/physics/**/*.test.ts', 'core/pipeline/**/*.test.ts', 'core/plan/**/*.test.ts'],
    exclude: ['core/pipeline/sweep.test.ts'],
    // This property takes minutes in instrumented code.
    testNamePattern: /^(?!.*whatever is thrown at it)/,
    environment: 'node',
    testTimeout: 60000,
  },
})
