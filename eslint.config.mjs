import withNuxt from './.nuxt/eslint.config.mjs'

/** Who may import what: the heart knows nobody; shared knows the heart; server and app know both, never each other. */
const forbid = (files, patterns, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: patterns.map(group => ({ group: [group], message })) }] },
})
const FRAMEWORKS = ['vue', 'vue-*', 'nuxt', 'nuxt/*', '#app', '#app/*', '#imports', '#components', 'pinia', 'h3', '@nuxt/*', '@vueuse/*', '@mikro-orm/*', 'node:*', 'fs', 'path', 'echarts*', 'comlink']

export default withNuxt(
  { ignores: ['.output/**', '.data/**', 'docs/**', 'test-results/**'] },
  forbid(['core/**/*.ts'], [...FRAMEWORKS, '~/*', '~~/*', '**/app/**', '**/server/**', '**/shared/**'], 'core/ knows no interface, framework, database or Node'),
  forbid(['shared/**/*.ts'], [...FRAMEWORKS, '~/*', '**/app/**', '**/server/**'], 'shared/ may use core/ and Yup only'),
  { files: ['core/**/*.test.ts', 'shared/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  forbid(['server/**/*.ts'], ['~/*', '**/app/**', 'vue', 'pinia'], 'server/ may not use app/'),
  forbid(['app/**/*.{ts,vue}'], ['@mikro-orm/*', '**/server/**', 'node:*'], 'app/ reaches the server only over HTTP'),
  { files: ['app/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  { files: ['core/**/*.ts'], ignores: ['core/**/*.test.ts'], rules: { 'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'Date', 'localStorage'], 'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'core/ is deterministic' }] } },
  { files: ['tests/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
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
