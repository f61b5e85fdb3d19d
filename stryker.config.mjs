// @ts-check
// Used by `npm run mutate FOLDER` alone; see scripts/mutate.mjs.
const folder = process.env.MUTATE_FOLDER ?? 'core/records'
const name = folder.replaceAll('/', '-')

/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.mutate.config.ts' },
  mutate: [`${folder}/**/*.ts`, `!${folder}/**/index.ts`],
  // the sandbox needs what Nuxt generates
  ignorePatterns: ['!.nuxt', '.output', 'coverage', 'docs', 'public', 'reports', 'test-results'],
  coverageAnalysis: 'perTest',
  concurrency: 2,
  reporters: ['clear-text', 'progress', 'html'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  htmlReporter: { fileName: `reports/mutation-${name}.html` },
  incremental: true,
  incrementalFile: `reports/mutation-${name}.json`,
  tempDirName: '.stryker-tmp',
}
