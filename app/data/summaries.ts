import type { Room } from '#core/records'
import type { StatementInput } from '#core/statements'
import type { Summary, UlkinDb } from './database'
import { entriesOfColony, entriesOfGlass } from './log'

/** A kept summary, and whether it still holds: same revision, same day. One that does not is better than none until a new one is there. */
export interface KeptSummary { summary: Summary, holds: boolean }

/** Kept statements of colonies, from the same build of the app: another build may say things otherwise. */
export async function keptSummaries(db: UlkinDb, colonyIds: readonly string[], day: string, build: string): Promise<KeptSummary[]> {
  const [kept, revisions] = await Promise.all([db.summaries.bulkGet([...colonyIds]), db.revisions.bulkGet([...colonyIds])])
  return kept.flatMap((summary, i) => (summary?.build === build ? [{ summary, holds: summary.day === day && summary.revision === revisions[i]?.revision }] : []))
}

/**
 * Everything that the statements of some colonies follow from, read by index, with the revision at that moment.
 * One transaction for all: opening one costs more than reading a colony.
 * @returns in the order of the ids, null for a colony that is gone
 */
export async function statementInputs(db: UlkinDb, colonyIds: readonly string[], nowMs: number): Promise<({ input: StatementInput, revision: string } | null)[]> {
  return db.transaction('r', db.rooms, db.glasses, db.colonies, db.entries, db.revisions, async () => {
    const [colonies, revisions, rooms] = await Promise.all([db.colonies.bulkGet([...colonyIds]), db.revisions.bulkGet([...colonyIds]), db.rooms.toArray()])
    const roomById = new Map<string, Room>(rooms.map(r => [r.id, r]))
    const glasses = await db.glasses.bulkGet(colonies.map(c => c?.glassId ?? ''))
    return Promise.all(colonies.map(async (colony, i) => {
      const glass = glasses[i]
      const room = roomById.get(glass?.roomId ?? '')
      if (!colony || !glass || !room) return null
      const [colonyEntries, glassEntries] = await Promise.all([entriesOfColony(db, colony.id), entriesOfGlass(db, glass.id)])
      return { input: { colony, glass, changeWater: room.changeWater, colonyEntries, glassEntries, nowMs }, revision: revisions[i]?.revision ?? '' }
    }))
  })
}

/** Keeps statements for the next start. */
export const keepSummaries = (db: UlkinDb, summaries: readonly Summary[]): Promise<unknown> => db.summaries.bulkPut(summaries)
