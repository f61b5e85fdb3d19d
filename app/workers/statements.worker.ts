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

/** Which statements are wanted: for which moment, on which calendar day of the keeper's, by which build of the app. */
export interface StatementsWanted { colonyIds: string[], nowMs: number, day: string, build: string }

/**
 * Statements of colonies: kept ones where they still hold, computed and kept otherwise.
 * @param give called with the kept ones at once, then with each computed one
 */
async function statementsOf({ colonyIds, nowMs, day, build }: StatementsWanted, give: (summaries: Summary[]) => void): Promise<void> {
  const db = openDb()
  const fresh = await freshSummaries(db, colonyIds, day, build)
  if (fresh.length > 0) give(fresh)
  const known = new Set(fresh.map(s => s.colonyId))
  const made: Summary[] = []
  for (const colonyId of colonyIds) {
    if (known.has(colonyId)) continue
    const read = await statementInput(db, colonyId, nowMs)
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
