/** Mutations of the heart: `npm run mutate`, by hand. The score of the last run stands in docs/mutation.md. */
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.mutate.config.ts' },
  mutate: ['core/physics/**/*.ts', 'core/pipeline/**/*.ts', '!**/*.test.ts'],
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 20000,
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: '.data/mutation.json' },
  tempDirName: '.data/stryker',
}
