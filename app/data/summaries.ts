import type { Summary, UlkinDb } from './database'
import { entriesOfColony, entriesOfGlass } from './log'
import type { StatementInput } from '#core/statements'

/** Kept statements of colonies that still hold: same revision, same day, same build of the app. */
export async function freshSummaries(db: UlkinDb, colonyIds: readonly string[], day: string, build: string): Promise<Summary[]> {
  const [kept, revisions] = await Promise.all([db.summaries.bulkGet([...colonyIds]), db.revisions.bulkGet([...colonyIds])])
  return kept.filter((s, i): s is Summary => s !== undefined && s.day === day && s.build === build && s.revision === revisions[i]?.revision)
}

/**
 * Everything that a colony's statements follow from, read by index, with the revision at that moment.
 * @returns null when the colony is gone
 */
export async function statementInput(db: UlkinDb, colonyId: string, nowMs: number): Promise<{ input: StatementInput, revision: string } | null> {
  return db.transaction('r', db.rooms, db.glasses, db.colonies, db.entries, db.revisions, async () => {
    const colony = await db.colonies.get(colonyId)
    const glass = colony && await db.glasses.get(colony.glassId)
    const room = glass && await db.rooms.get(glass.roomId)
    if (!colony || !glass || !room) return null
    const [colonyEntries, glassEntries, revision] = await Promise.all([entriesOfColony(db, colonyId), entriesOfGlass(db, glass.id), db.revisions.get(colonyId)])
    return { input: { colony, glass, changeWater: room.changeWater, colonyEntries, glassEntries, nowMs }, revision: revision?.revision ?? '' }
  })
}

/** Keeps statements for the next start. */
export const keepSummaries = (db: UlkinDb, summaries: readonly Summary[]): Promise<unknown> => db.summaries.bulkPut(summaries)
