import type { Revision, UlkinDb } from './database'
import { newId } from './newId'

/**
 * Marks the statements of colonies, and of all colonies in glasses, as out of date. Call inside the transaction that writes.
 * @returns the new revisions
 */
export async function touchColonies(
  db: UlkinDb,
  { colonyIds = [], glassIds = [] }: { colonyIds?: string[]; glassIds?: string[] },
): Promise<Revision[]> {
  const inGlasses = glassIds.length > 0 ? await db.colonies.where('glassId').anyOf(glassIds).primaryKeys() : []
  const rows: Revision[] = [...new Set([...colonyIds, ...inGlasses])].map(colonyId => ({ colonyId, revision: newId() }))
  await db.revisions.bulkPut(rows)
  return rows
}

/** Revisions of all colonies: small rows, so that watching them costs nothing. */
export const allRevisions = (db: UlkinDb): Promise<Revision[]> => db.revisions.toArray()
