// @ts-check
import { readdirSync } from 'node:fs'
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
const demo = ['#demo', '#demo/*', '**/demo/**']
/** Folders of core/, each with one public door, its index.ts: `#core/water` leads there, and nothing else leads in. */
const folders = readdirSync(new URL('./core', import.meta.url))
/** The lowest shelf of core/. */
const lowest = ['records', 'stats', 'units']

/**
 * One house, three floors; imports only go down, and into a folder of core/ by its door.
 * @param {string} why
 * @param {string[]} group patterns as in .gitignore, where a line that begins with # is a comment: it has to be escaped
 * @param {string[]} [neighbours] folders of core/ that a relative path must not lead into
 * @returns {import('eslint').Linter.RulesRecord}
 */
const refuse = (why, group, neighbours) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: [
        { group: group.map(g => g.replace(/^#/, '\\#')), message: why },
        { regex: '^#core/[^/]+/', message: 'A folder of core/ is entered by its door: #core/folder.' },
        {
          regex: neighbours ? `^(\\.\\./)+(${neighbours.join('|')})/` : '^(\\.\\./)+core/',
          message: 'A folder of core/ is entered by its door: #core/folder.',
        },
      ],
    },
  ],
})
const ofCore = [...faces, ...storage, ...app, ...server, ...demo]
const coreComputes = 'core/ computes: it knows no interface, no database, no server and no demo.'

export default withNuxt(
  {
    ignores: ['test-results/**', 'playwright-report/**', 'coverage/**', '.output/**', 'reports/**', '.stryker-tmp/**'],
  },
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
    files: ['{app,core,demo,server,scripts}/**/*.{ts,vue,mjs}'],
    rules: {
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'max-params': ['error', 4],
    },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'indexedDB', 'fetch', 'navigator'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is an argument.' },
        { object: 'Date', property: 'now', message: 'Time is an argument.' },
      ],
    },
  },
  ...folders.map(folder => ({
    files: [`core/${folder}/**/*.ts`],
    rules: lowest.includes(folder)
      ? refuse(
          'The lowest shelf of core/ imports nothing above it.',
          [...ofCore, ...folders.filter(f => !lowest.includes(f)).map(f => `#core/${f}`)],
          folders.filter(f => f !== folder),
        )
      : refuse(
          coreComputes,
          ofCore,
          folders.filter(f => f !== folder),
        ),
  })),
  { files: ['demo/**/*.ts'], rules: refuse('demo/ stands on core/ alone.', [...faces, ...storage, ...app, ...server]) },
  {
    files: ['server/**/*.ts'],
    rules: refuse('server/ stands on core/ and demo/ alone.', [...storage, ...app, 'vue', 'pinia', 'vuetify']),
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: refuse('app/ stands on core/; only app/data opens the database, and only one worker makes demo data.', [
      ...storage,
      ...server,
      ...demo,
    ]),
  },
  {
    files: ['app/workers/demo.worker.ts'],
    rules: refuse('This worker makes the demo room, and knows nothing else of the app.', [...storage, ...server]),
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
