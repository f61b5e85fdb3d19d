import type { KeptFit } from '#core/population'
import type { UlkinDb } from './database'

/** Fits lie among what the device remembers: they follow from the log, and are in no backup. */
const PREFIX = 'fit:'
const idOf = (colonyId: string) => `${PREFIX}${colonyId}`

/** Where the fits of colonies stood when they were told last, so that a new day goes on from there. */
export async function fitsOf(db: UlkinDb, colonyIds: readonly string[]): Promise<Map<string, KeptFit>> {
  const rows = await db.kept.bulkGet(colonyIds.map(idOf))
  return new Map(rows.flatMap((row, i) => (row ? [[colonyIds[i]!, row.value as KeptFit]] : [])))
}

/** Keeps fits for the next start. */
export const keepFits = (db: UlkinDb, fits: ReadonlyMap<string, KeptFit>): Promise<unknown> =>
  db.kept.bulkPut([...fits].map(([colonyId, value]) => ({ id: idOf(colonyId), value, turn: 0 })))

/** Lets the fits go of colonies that are no longer on this device. */
export async function dropFits(db: UlkinDb): Promise<void> {
  const here = new Set(await db.records('colonies').toCollection().primaryKeys())
  await db.kept
    .where('id')
    .startsWith(PREFIX)
    .filter(row => !here.has(row.id.slice(PREFIX.length)))
    .delete()
}
