// npm run mutate FOLDER: plants small mistakes in a folder's code one by one and tells which of them its own tests let
// through. No part of CI: a folder takes minutes. What was tried before is remembered in reports/, outside of git.
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { ensureInstalled, ensureTypes, fail, root, run } from './lib/prepare.mjs'

/**
 * Shapes are checked against nothing outside; their tests that need a database lie with the app's. Every reference test
 * passes through them, and would be run for each mistake.
 */
const OF_SHAPES = {
  'core/formats': ['tests/app/{merge,oldVersions}.test.ts'],
  'core/records': ['tests/app/{data,forms,formsOfRecords,kindFields}.test.ts'],
}

/** The tests of a folder: those that mirror it, and what checks it against the outside. */
const testsOf = folder => {
  const [floor, ...rest] = folder.split('/')
  if (floor === 'app') return [`tests/app/**/*.test.ts`]
  return [`tests/unit/${rest.join('/')}/**/*.test.ts`, ...(OF_SHAPES[folder] ?? ['tests/reference/**/*.test.ts'])]
}

const folder = (process.argv[2] ?? '').replace(/\/$/, '')
if (!folder || !existsSync(join(root, folder)))
  fail('Name a folder to plant mistakes in, e.g. “npm run mutate core/records”.')
ensureInstalled()
ensureTypes()
process.env.MUTATE_FOLDER = folder
process.env.MUTATE_TESTS = testsOf(folder).join(';')
run('npx', ['stryker', 'run', 'stryker.config.mjs'])
