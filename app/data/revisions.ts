import type { Revision, UlkinDb } from './database'
import { newId } from './newId'

/**
 * Marks the statements of colonies, and of all colonies that ever stood in glasses, as out of date. A box shares the
 * water of its host: what happens to the host's water happens to the colonies in its boxes. Call inside the transaction
 * that writes.
 * @returns the new revisions
 */
export async function touchColonies(
  db: UlkinDb,
  { colonyIds = [], glassIds = [] }: { colonyIds?: string[]; glassIds?: string[] },
): Promise<Revision[]> {
  const inGlasses = glassIds.length > 0 ? await coloniesOfWaters(db, glassIds) : []
  const rows: Revision[] = [...new Set([...colonyIds, ...inGlasses])].map(colonyId => ({ colonyId, revision: newId() }))
  await db.revisions.bulkPut(rows)
  return rows
}

/** Colonies that ever stood in some glasses or in boxes that hang in them. */
async function coloniesOfWaters(db: UlkinDb, glassIds: string[]): Promise<string[]> {
  const boxes = await db
    .records('glasses')
    .filter(g => g.hosts?.some(h => glassIds.includes(h.glassId)) ?? false)
    .primaryKeys()
  return db
    .records('colonies')
    .where('keys')
    .anyOf([...glassIds, ...boxes])
    .distinct()
    .primaryKeys()
}

/** Revisions of all colonies: small rows, so that watching them costs nothing. */
export const allRevisions = (db: UlkinDb): Promise<Revision[]> => db.revisions.toArray()
