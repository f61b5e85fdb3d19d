import type { StatementInput } from '#core/statements'
import type { Summary, UlkinDb } from './database'
import type { Animal, WaterStay } from '#core/records'
import { deviceZone } from './deviceZone'
import { entriesOf } from './log'

/**
 * A kept summary, and whether it still holds: same revision, same day. One that does not is better than none until a
 * new one is there.
 */
export interface KeptSummary {
  summary: Summary
  holds: boolean
}

/** Kept statements of colonies, from the same build of the app: another build may say things otherwise. */
export async function keptSummaries(
  db: UlkinDb,
  subjects: readonly StatementSubject[],
  day: string,
  build: string,
): Promise<KeptSummary[]> {
  const kept = await db.summaries.bulkGet(subjects.map(s => s.colony.id))
  return kept.flatMap((summary, i) =>
    summary?.build === build
      ? [{ summary, holds: summary.day === day && summary.revision === subjects[i]!.revision }]
      : [],
  )
}

/**
 * A colony with the records that its statements follow from beside the log, as the page has them, and their revision.
 */
export interface StatementSubject extends Pick<StatementInput, 'colony' | 'glass' | 'taughtBy' | 'breeding'> {
  /** followed animals that ever lived in it */
  animals: readonly Animal[]
  /** the waters in which it lived, the present one last */
  waters: readonly WaterStay[]
  revision: string
}

/**
 * Adds the log to what the statements of some colonies follow from; read by index, in one transaction for all: opening
 * one costs more than reading a colony.
 * @param subjects whose entries are wanted
 * @param nowMs the moment for which the statements are to hold
 */
export async function statementInputs(
  db: UlkinDb,
  subjects: readonly StatementSubject[],
  nowMs: number,
): Promise<StatementInput[]> {
  return db.transaction('r', db.table('entries'), () =>
    Promise.all(
      subjects.map(async ({ colony, glass, waters, animals: followed, taughtBy = [], breeding }) => {
        const present = waters.at(-1)!.water
        const animals = await Promise.all(
          followed.map(async animal => ({ animal, entries: await entriesOf(db, animal.id) })),
        )
        const [colonyEntries, glassEntries, ...before] = await Promise.all([
          entriesOf(db, colony.id),
          entriesOf(db, present.id),
          ...waters.slice(0, -1).map(w => entriesOf(db, w.water.id, w.from, w.to)),
        ])
        const earlier = before.map((entries, i) => ({ water: waters[i]!.water, entries }))
        const logged = { colonyEntries, glassEntries, earlier, animals, taughtBy, ...(breeding && { breeding }) }
        return { colony, glass, water: present, ...logged, nowMs, zone: deviceZone() }
      }),
    ),
  )
}

/** Keeps statements for the next start. */
export const keepSummaries = (db: UlkinDb, summaries: readonly Summary[]): Promise<unknown> =>
  db.summaries.bulkPut(summaries)
