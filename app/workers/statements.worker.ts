import { expose } from 'comlink'
import { drawFutureNoise } from '#core/population'
import { colonyStatements } from '#core/statements'
import { seededRandom } from '#core/stats'
import { openDb, type Summary } from '~/data/database'
import { freshSummaries, keepSummaries, statementInput } from '~/data/summaries'

/** Futures that a colony is lived through; the chance of falling under the minimum is then known to about 1.5 %. */
const FUTURES = 400
// one set of draws for all colonies: the same log gives the same answer on every device
const noise = drawFutureNoise(seededRandom(1), FUTURES)

/** Colonies that are read ahead of the one that is computed. */
const AHEAD = 4

/** Which statements are wanted: for which moment, on which calendar day of the keeper's, by which build of the app. */
export interface StatementsWanted {
  colonyIds: string[]
  nowMs: number
  day: string
  build: string
  /** whether kept ones may still hold; not when the log has just changed */
  mayBeKept: boolean
}

/**
 * Statements of colonies: kept ones where they still hold, computed and kept otherwise.
 * @param give called with the kept ones at once, then with each computed one
 */
async function statementsOf({ colonyIds, nowMs, day, build, mayBeKept }: StatementsWanted, give: (summaries: Summary[]) => void): Promise<void> {
  const db = openDb()
  const fresh = mayBeKept ? await freshSummaries(db, colonyIds, day, build) : []
  if (fresh.length > 0) give(fresh)
  const known = new Set(fresh.map(s => s.colonyId))
  const missing = colonyIds.filter(id => !known.has(id))
  // the database reads the next colonies while this thread computes
  const reading = missing.slice(0, AHEAD).map(id => statementInput(db, id, nowMs))
  const made: Summary[] = []
  for (const [i, colonyId] of missing.entries()) {
    const read = await reading[i]
    if (i + AHEAD < missing.length) reading.push(statementInput(db, missing[i + AHEAD]!, nowMs))
    if (!read) continue
    const summary: Summary = { colonyId, revision: read.revision, day, build, statements: colonyStatements(read.input, noise) }
    give([summary])
    made.push(summary)
  }
  if (made.length > 0) await keepSummaries(db, made)
}

const api = { statementsOf }
export type StatementsApi = typeof api
expose(api)
