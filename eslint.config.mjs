import { createNodeResolver } from 'eslint-plugin-import-x'
import withNuxt from './.nuxt/eslint.config.mjs'

/** Who may import what: the heart knows nobody; shared knows the heart; server and app know both, never each other. */
const forbid = (files, patterns, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: patterns.map(group => ({ group: [group], message })) }] },
})
const FRAMEWORKS = ['vue', 'vue-*', 'nuxt', 'nuxt/*', '#app', '#app/*', '#imports', '#components', 'pinia', 'h3', '@nuxt/*', '@vueuse/*', '@mikro-orm/*', 'node:*', 'fs', 'path', 'echarts*', 'comlink']

/**
 * The rooms of the heart, from the ground up; each may use what stands before it, none what comes after
 * (docs/architecture.md). Inside physics: matter, geometry, thermal, heat, chill, set, safety, in that order.
 */
const ROOMS = [
  'base', 'physics/matter', 'physics/geometry', 'physics/thermal', 'physics/heat', 'physics/chill', 'physics/set',
  'physics/safety', 'kitchen', 'formula', 'pipeline', 'solve', 'plan', 'plate', 'ledger', 'schedule', 'formats', 'live', 'book', 'plant', 'simulate', 'learn', 'diagnose',
]
const noneAbove = ROOMS.slice(0, -1).map((room, i) => ({
  target: `./core/${room}/**/!(*.test).ts`,
  from: ROOMS.slice(i + 1).map(above => `./core/${above}`),
  message: `core/${room} stands below it (docs/architecture.md)`,
}))

/**
 * What is proved against the simulated kitchen shares tables with it, never a way of computing. The tables: the egg's
 * temperatures; for the composer also a pan's size, what boils, the rule of reductions, how lines are split by steps, the engine's name.
 */
const APART = 'the truth that others are held against may share tables only (docs/architecture.md)'
const apartFrom = (room, tables) => [
  ...['live', 'solve', 'physics/chill'].map(from => ({ from: `./core/${from}` })),
  { from: './core/physics/heat', except: tables.heat },
  { from: './core/pipeline', except: tables.pipeline },
].map(zone => ({ target: `./core/${room}/**/!(*.test).ts`, message: APART, ...zone }))
const apart = [
  ...apartFrom('plant', { heat: ['./egg.ts'], pipeline: [] }),
  ...apartFrom('simulate', { heat: ['./egg.ts', './pot.ts', './reduction.ts'], pipeline: ['./mixPlan.ts', './assessment.ts'] }),
]

const DATA_TABLES = [
  'core/base/ingredients/{table,measures}.ts', 'core/formula/{families,schools}.ts', 'server/database/demo.ts',
  'server/database/migrations/*.ts',
]

export default withNuxt(
  { ignores: ['.output/**', '.data/**', 'docs/**', 'test-results/**'] },
  forbid(['core/**/*.ts'], [...FRAMEWORKS, '~/*', '~~/*', '**/app/**', '**/server/**', '**/shared/**'], 'core/ knows no interface, framework, database or Node'),
  forbid(['shared/**/*.ts'], [...FRAMEWORKS, '~/*', '**/app/**', '**/server/**'], 'shared/ may use core/ and Yup only'),
  { files: ['core/**/*.test.ts', 'shared/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  forbid(['server/**/*.ts'], ['~/*', '**/app/**', 'vue', 'pinia'], 'server/ may not use app/'),
  forbid(['app/**/*.{ts,vue}'], ['@mikro-orm/*', '**/server/**', 'node:*'], 'app/ reaches the server only over HTTP'),
  { files: ['app/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  { files: ['core/**/*.ts'], ignores: ['core/**/*.test.ts'], rules: { 'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'Date', 'localStorage'], 'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'core/ is deterministic' }] } },
  {
    files: ['core/**/*.ts', 'server/**/*.ts', 'shared/**/*.ts'],
    ignores: ['**/*.test.ts'],
    settings: {
      'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts', '.d.ts', '.js'] })],
      'import-x/extensions': ['.ts', '.js'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts'] },
    },
    rules: {
      'import/no-cycle': ['error', { ignoreExternal: true }],
      'import/no-restricted-paths': ['error', { zones: [...noneAbove, ...apart] }],
    },
  },
  { files: ['tests/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
  {
    // Tables of data may run on: one row, one line.
    files: ['{core,shared,server,app,cli,bench,tests,scripts,modules}/**/*.{ts,mjs}'],
    ignores: DATA_TABLES,
    rules: {
      '@stylistic/max-len': ['error', {
        code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true,
      }],
    },
  },
  {
    // A line of a template breaks where a space means nothing; a space that is seen may hold it together to 150.
    files: ['app/**/*.vue'],
    rules: {
      'vue/max-len': ['error', {
        code: 120, template: 150, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true,
        ignoreUrls: true,
      }],
    },
  },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/html-closing-bracket-newline': 'off',
      '@stylistic/max-statements-per-line': 'off',
      '@stylistic/operator-linebreak': 'off',
      '@stylistic/multiline-ternary': 'off',
      '@stylistic/brace-style': 'off',
      '@stylistic/quote-props': 'off',
    },
  },
)
