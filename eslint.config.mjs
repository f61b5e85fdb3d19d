// @ts-check
import withNuxt from './.nuxt/eslint.config.mjs'

const faces = [
  'vue',
  'vue/*',
  'vue-*',
  'pinia',
  '@pinia/*',
  'vuetify',
  'vuetify/*',
  '@vueuse/*',
  'nuxt',
  'nuxt/*',
  '#app',
  '#imports',
  'chart.js',
  'comlink',
  'h3',
]
const storage = ['dexie', 'dexie/*']
const app = ['~/*', '~~/*', '@/*', '**/app/**', '#build/*']
const server = ['**/server/**']
const demo = ['#demo/*', '**/demo/**']

/**
 * One house, three floors; imports only go down.
 * @param {string} why
 * @param {string[]} group
 * @returns {import('eslint').Linter.RulesRecord}
 */
// the patterns are those of .gitignore, where a line that begins with # is a comment: it has to be escaped
const refuse = (why, group) => ({
  'no-restricted-imports': ['error', { patterns: [{ group: group.map(g => g.replace(/^#/, '\\#')), message: why }] }],
})

export default withNuxt(
  { ignores: ['test-results/**', 'playwright-report/**', 'coverage/**', '.output/**'] },
  {
    rules: {
      'no-console': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
    },
  },
  { files: ['scripts/**'], rules: { 'no-console': 'off' } },
  {
    files: ['core/**/*.ts'],
    rules: {
      ...refuse('core/ computes: it knows no interface, no database, no server and no demo.', [
        ...faces,
        ...storage,
        ...app,
        ...server,
        ...demo,
      ]),
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'indexedDB', 'fetch', 'navigator'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is an argument.' },
        { object: 'Date', property: 'now', message: 'Time is an argument.' },
      ],
    },
  },
  {
    files: ['core/records/**', 'core/stats/**', 'core/units/**'],
    rules: refuse('The lowest shelf of core/ imports nothing above it.', [
      ...faces,
      ...storage,
      ...app,
      ...server,
      ...demo,
      '#core/groups*',
      '#core/water*',
      '#core/population*',
      '#core/statements*',
      '#core/care*',
      '#core/formats*',
    ]),
  },
  { files: ['demo/**/*.ts'], rules: refuse('demo/ stands on core/ alone.', [...faces, ...storage, ...app, ...server]) },
  {
    files: ['server/**/*.ts'],
    rules: refuse('server/ stands on core/ and demo/ alone.', [...storage, ...app, 'vue', 'pinia', 'vuetify']),
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: refuse('app/ stands on core/; only app/data opens the database, and only the server makes demo data.', [
      ...storage,
      ...server,
      ...demo,
    ]),
  },
  {
    files: ['app/data/**/*.ts'],
    rules: refuse('app/data holds the database, not the screen.', [
      ...server,
      ...demo,
      'vue',
      'pinia',
      'vuetify',
      'vuetify/*',
      'chart.js',
      'vue-chartjs',
    ]),
  },
)
