import type { z } from 'zod'
import type { DatabaseTrouble } from '~/data/trouble'

/** What is wrong with the database, and what to do. */
export const databaseTroubleText = (trouble: DatabaseTrouble): string => databaseTroubles[trouble]

const databaseTroubles: Readonly<Record<DatabaseTrouble, string>> = {
  newer:
    'A newer version of Ulkin has written on this device. Everything can be read here, and nothing is saved: ' +
    'load the page again to get the newer version.',
  upgraded:
    'A newer version of Ulkin was opened in another tab. Nothing more is saved here; what was saved is safe. ' +
    'Load this page again to go on.',
  blocked: 'Another tab still holds an older version of Ulkin open. Close it, and this page goes on by itself.',
  failed:
    'This browser does not let Ulkin keep anything: a private window, switched-off storage or a full disk. ' +
    'Nothing can be saved here; open Ulkin in an ordinary window, or make room.',
}

/** Names under which browsers and the database package tell that there is no room. */
const FULL = ['QuotaExceededError', 'NS_ERROR_DOM_QUOTA_REACHED']
/** … and that the database is shut. */
const SHUT = ['DatabaseClosedError', 'InvalidStateError', 'VersionError', 'VersionChangeError']
const NOT_OPEN = ['OpenFailedError', 'MissingAPIError', 'UnknownError', 'SecurityError', 'InvalidAccessError']

const KEPT = 'Nothing was saved, and what you typed still stands here.'

/** Sentence for a save that failed: what was wrong, what was kept, what to do. */
export function saveTroubleText(error: unknown): string {
  const names = namesOf(error)
  const is = (list: readonly string[]) => names.some(n => list.includes(n))
  if (is(FULL)) return `This device has no room left. ${KEPT} Make room on it, then save again.`
  if (is(['ReadOnlyError']))
    return `A newer version of Ulkin has written here. ${KEPT} Note it, then load the page again.`
  if (is(SHUT)) return `The database was closed under this page. ${KEPT} Note it, then load the page again.`
  if (is(NOT_OPEN)) return `This browser does not open its database. ${KEPT} Try an ordinary window of the browser.`
  if (is(['ConstraintError']))
    return `That is saved already, perhaps from another tab. ${KEPT} Load the page to see it.`
  if (isRefusal(error)) return `${issueSentence(error)} ${KEPT}`
  return (
    `It could not be saved, and the browser does not tell why. ${KEPT} Try again; if it stays so, save a ` +
    `backup under Records.`
  )
}

/** Sentence for a read that failed. */
export function readTroubleText(error: unknown): string {
  const shut = namesOf(error).some(n => SHUT.includes(n))
  return shut
    ? 'The database was closed under this page. What was saved is safe; load the page again.'
    : 'Something could not be read from this device. What was saved is safe; load the page again.'
}

/** What a schema throws; known by its issues, since the package comes with the write door. */
const isRefusal = (error: unknown): error is z.ZodError =>
  error instanceof Error && 'issues' in error && Array.isArray(error.issues)

/** The first thing that a schema refuses, as a sentence. */
export function issueSentence({ issues }: z.ZodError): string {
  const [issue] = issues
  const field = issue?.path.findLast(p => typeof p === 'string')
  const named = typeof field === 'string' ? (fieldWord[field] ?? spelled(field)) : 'It'
  return `${named} ${plainMessage(issue?.message ?? 'does not fit')}.`
}

/** Fields that a keeper would not know by their name in the records. */
const fieldWord: Readonly<Record<string, string>> = {
  grossL: 'What the glass holds',
  netL: 'The water in it',
  startedAt: 'The day it began',
  founders: 'The number of starters',
  keepers: 'The initials',
}
const spelled = (field: string) => field.replace(/([A-Z])/g, ' $1').replace(/^./, c => c.toUpperCase())

/** The schemas say what must be in the keeper's words; what a package says by itself is put plainly. */
const plainMessage = (message: string) => (/^(must|has|needs|does|is|a |an )/.test(message) ? message : 'does not fit')

/** Names of an error and of those that caused it. */
function namesOf(error: unknown): string[] {
  const names: string[] = []
  let at: unknown = error
  for (let depth = 0; depth < 5 && typeof at === 'object' && at !== null; depth++) {
    if ('name' in at) names.push(String(at.name))
    at = 'inner' in at && at.inner ? at.inner : 'cause' in at ? at.cause : null
  }
  return names
}
