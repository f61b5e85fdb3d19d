import { expose } from 'comlink'
import { colonyStatements } from '#core/statements'
import { openDb, type Summary } from '~/data/database'
import { KEPT_FITS_BYTES, keptFits } from './keptFits'
import { keepSummaries, keptSummaries, statementInputs, type StatementSubject } from '~/data/summaries'

/** Fits are kept, so that a new entry goes on from where the log was. */
const fits = keptFits(KEPT_FITS_BYTES)

/** Colonies that are read, computed and sent together: few at first, so that something is seen soon. */
const PARCEL = 12
const FIRST_PARCEL = 4

/** Which statements are wanted: for which moment, on which calendar day of the keeper's, by which build of the app. */
export interface StatementsWanted {
  subjects: StatementSubject[]
  nowMs: number
  day: string
  build: string
  /** whether kept ones may still hold; not when the log has just changed */
  mayBeKept: boolean
}

/**
 * Statements of colonies: kept ones at once, also those that are out of date, and then new ones for those.
 * @param give called with kept ones, then with parcels of computed ones; each call makes the Room draw anew
 */
async function statementsOf(
  { subjects, nowMs, day, build, mayBeKept }: StatementsWanted,
  give: (summaries: Summary[]) => void,
): Promise<void> {
  const db = openDb()
  const kept = mayBeKept ? await keptSummaries(db, subjects, day, build) : []
  if (kept.length > 0) give(kept.map(k => k.summary))
  const holding = new Set(kept.filter(k => k.holds).map(k => k.summary.colonyId))
  const missing = subjects.filter(s => !holding.has(s.colony.id))
  const parcels = [missing.slice(0, FIRST_PARCEL)]
  for (let i = FIRST_PARCEL; i < missing.length; i += PARCEL) parcels.push(missing.slice(i, i + PARCEL))
  // the database reads the next parcel while this thread computes
  let reading = statementInputs(db, parcels[0]!, nowMs)
  for (const [i, parcel] of parcels.entries()) {
    const inputs = await reading
    if (i + 1 < parcels.length) reading = statementInputs(db, parcels[i + 1]!, nowMs)
    const made = inputs.map((input, k): Summary => {
      const { statements, fit } = colonyStatements(input, fits.get(input.colony.id))
      fits.keep(input.colony.id, fit)
      return { colonyId: input.colony.id, revision: parcel[k]!.revision, day, build, statements }
    })
    give(made)
    // keeping them only spares the next start some work
    await keepSummaries(db, made).catch(() => undefined)
  }
}

const api = { statementsOf }
export type StatementsApi = typeof api
expose(api)
