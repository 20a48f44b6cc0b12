/**
 * Mutations of the heart (`npm run mutate`) and of the server's rules (`npm run mutate -- server`), by hand. The scores
 * of the last runs stand in docs/mutation.md.
 */
const SERVER = process.env.LUMBIK_MUTATE === 'server'
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.mutate.config.ts' },
  mutate: [
    ...(SERVER ? ['server/domain/**/*.ts'] : ['core/physics/**/*.ts', 'core/pipeline/**/*.ts']), '!**/*.test.ts',
  ],
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  concurrency: SERVER ? 1 : 2,
  timeoutMS: 20000,
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: '.data/mutation.json' },
  tempDirName: '.data/stryker',
}
