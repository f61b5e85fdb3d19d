import { Dexie } from 'dexie'
import { Entry, type EntryKind, subjectOf } from '#core/records'
import type { Revision, UlkinDb } from './database'
import { firstId } from './newId'
import { touchColonies } from './revisions'

/**
 * Writes an entry. Entries are never changed: a correction or a withdrawal is an entry too.
 * @returns new revisions of the colonies of which something else is to be said now
 * @throws ZodError when the entry does not fit its schema, and nothing is written
 */
export async function addEntry(db: UlkinDb, entry: Entry): Promise<Revision[]> {
  const checked = Entry.parse(entry)
  return db.transaction('rw', db.entries, db.colonies, db.revisions, async () => {
    const { colonyId, glassId } = subjectOf(checked)
    const [revised] = await Promise.all([touchColonies(db, { colonyIds: colonyId ? [colonyId] : [], glassIds: glassId ? [glassId] : [] }), db.entries.add(checked)])
    return revised
  })
}

/** All entries of a colony, superseded ones too, by time. */
export const entriesOfColony = (db: UlkinDb, colonyId: string): Promise<Entry[]> =>
  db.entries.where('[colonyId+at]').between([colonyId, Dexie.minKey], [colonyId, Dexie.maxKey]).toArray()

/** All entries of a glass's water, superseded ones too, by time. */
export const entriesOfGlass = (db: UlkinDb, glassId: string): Promise<Entry[]> =>
  db.entries.where('[glassId+at]').between([glassId, Dexie.minKey], [glassId, Dexie.maxKey]).toArray()

/**
 * Entries of some kinds in all rooms that were written since a moment: for what is reckoned across glasses, like the stock
 * on the shelf. Ids begin with the moment of writing, so the index is read from there on.
 */
export const entriesOfKinds = async (db: UlkinDb, kinds: readonly EntryKind[], sinceMs: number): Promise<Entry[]> =>
  (await Promise.all(kinds.map(kind => db.entries.where('[kind+id]').between([kind, firstId(sinceMs)], [kind, Dexie.maxKey]).toArray()))).flat()
