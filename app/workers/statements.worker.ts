import { expose } from 'comlink'
import type { KeptFit } from '#core/population'
import { colonyStatements, firstLook, type StatementInput, teachEachOther } from '#core/statements'
import { openDb, type Summary } from '~/data/database'
import { dropFits, fitsOf, keepFits } from '~/data/fits'
import { keepSummaries, keptSummaries, statementInputs, type StatementSubject } from '~/data/summaries'
import { breathe } from './breathe'
import { KEPT_FITS_BYTES, keptFits } from './keptFits'
import { FEW, gathering, takeNext } from './telling'

/** Fits are kept, so that a new entry goes on from where the log was. */
const fits = keptFits(KEPT_FITS_BYTES)

/** Colonies whose logs are read together; the next are read while these are told. */
const PARCEL = 8

/** Which statements are wanted: for which moment, on which calendar day of the keeper's, by which build of the app. */
export interface StatementsWanted {
  subjects: StatementSubject[]
  nowMs: number
  day: string
  build: string
  /** whether kept ones may still hold; not when the log has just changed */
  mayBeKept: boolean
}

/** A colony whose log was read and whose statements wait to be made. */
interface Waiting {
  colonyId: string
  subject: StatementSubject
  input: StatementInput
  /** where its fit stood when this device told it last */
  kept: KeptFit | undefined
}

let underEyes = ''
/** Tells which colony the keeper looks at: it is told before the others. */
function look(colonyId: string): void {
  underEyes = colonyId
}

/**
 * Statements of colonies: kept ones at once, also those that are out of date; a first look at those of which nothing is
 * kept, where there are many; and then new ones.
 * @param give called with what there is, a few at a time; each call makes the page draw
 */
async function statementsOf(wanted: StatementsWanted, give: (summaries: Summary[]) => void): Promise<void> {
  const { subjects, day, build, mayBeKept } = wanted
  const db = openDb()
  const kept = mayBeKept ? await keptSummaries(db, subjects, day, build) : []
  if (kept.length > 0) give(kept.map(k => k.summary))
  const known = new Set(kept.map(k => k.summary.colonyId))
  const holding = new Set(kept.filter(k => k.holds).map(k => k.summary.colonyId))
  const missing = subjects.filter(s => !holding.has(s.colony.id))
  const unknown = mayBeKept ? missing.filter(s => !known.has(s.colony.id)) : []
  const summary = (subject: StatementSubject, statements: Summary['statements']): Summary => ({
    colonyId: subject.colony.id,
    revision: subject.revision,
    day,
    build,
    statements,
  })

  const looks = gathering(give)
  const waiting: Waiting[] = []
  for await (const parcel of readInParcels(missing, wanted.nowMs))
    for (const one of parcel) {
      waiting.push(one)
      if (unknown.length > FEW && !known.has(one.colonyId)) looks.add(summary(one.subject, firstLook(one.input)))
    }
  looks.flush()
  for (const [nth, input] of teachEachOther(waiting.map(w => w.input)).entries()) waiting[nth]!.input = input

  const made: Summary[] = []
  const whole = gathering<Summary>(some => {
    give(some)
    made.push(...some)
  })
  const stood = new Map<string, KeptFit>()
  while (waiting.length > 0) {
    const { colonyId, subject, input, kept } = takeNext(waiting, underEyes)
    const before = fits.get(colonyId)
    const { statements, fit } = colonyStatements(input, before ?? kept)
    fits.keep(colonyId, fit)
    const next = fit.keep()
    if (next && !sameFit(next, before?.keep() ?? kept)) stood.set(colonyId, next)
    whole.add(summary(subject, statements), colonyId === underEyes || waiting.length === 0)
    // keeping them only spares the next start some work
    if (made.length > 0) {
      await keepSummaries(db, made.splice(0)).catch(() => undefined)
      await keepFits(db, stood).catch(() => undefined)
      stood.clear()
    } else if (waiting.length > 0) await breathe()
  }
  if (mayBeKept) await dropFits(db).catch(() => undefined)
}

/** Whether two fits stand at the same place: what is kept of one need not be written again. */
const sameFit = (a: KeptFit, b: KeptFit | null | undefined): boolean =>
  a.basis === b?.basis && a.checkpoints[0]?.seen === b.checkpoints[0]?.seen

/** The logs of colonies; the database reads the next few while those before are worked on. */
async function* readInParcels(subjects: readonly StatementSubject[], nowMs: number): AsyncGenerator<Waiting[]> {
  const db = openDb()
  const read = (from: number) => statementInputs(db, subjects.slice(from, from + PARCEL), nowMs)
  let reading = read(0)
  for (let from = 0; from < subjects.length; from += PARCEL) {
    const inputs = await reading
    const cold = inputs.map(i => i.colony.id).filter(id => !fits.get(id))
    const kept = await fitsOf(db, cold).catch(() => new Map<string, KeptFit>())
    if (from + PARCEL < subjects.length) reading = read(from + PARCEL)
    yield inputs.map((input, k) => {
      const colonyId = input.colony.id
      return { colonyId, subject: subjects[from + k]!, input, kept: kept.get(colonyId) }
    })
  }
}

const api = { statementsOf, look }
export type StatementsApi = typeof api
expose(api)
