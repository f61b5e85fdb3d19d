import { Dexie } from 'dexie'
import { Entry, type EntryKind, Photo, subjectOf } from '#core/records'
import type { Revision, UlkinDb } from './database'
import { firstId } from './newId'
import { touchColonies } from './revisions'

/**
 * Writes entries as one step: all of them or none. Entries are never changed: a correction or a withdrawal is an entry too.
 * @returns new revisions of the colonies of which something else is to be said now
 * @throws ZodError when the entry does not fit its schema, and nothing is written
 */
export async function addEntries(
  db: UlkinDb,
  entries: readonly Entry[],
  photos: readonly Photo[] = [],
): Promise<Revision[]> {
  const checked = entries.map(e => Entry.parse(e))
  const pictures = photos.map(p => Photo.parse(p))
  return db.transaction('rw', [db.entries, db.colonies, db.revisions, db.photos], async () => {
    const subjects = checked.map(subjectOf)
    const known = (ids: (string | undefined)[]) => [...new Set(ids.filter(id => id !== undefined))]
    const [revised] = await Promise.all([
      touchColonies(db, {
        colonyIds: known(subjects.flatMap(s => [s.colonyId, s.toColonyId])),
        glassIds: known(subjects.map(s => s.glassId)),
      }),
      db.entries.bulkAdd(checked),
      db.photos.bulkAdd(pictures),
    ])
    return revised
  })
}

/** All entries of a colony, superseded ones too and moves into it, by time. */
export async function entriesOfColony(db: UlkinDb, colonyId: string): Promise<Entry[]> {
  const by = (index: string) =>
    db.entries.where(index).between([colonyId, Dexie.minKey], [colonyId, Dexie.maxKey]).toArray()
  const [own, movedIn] = await Promise.all([by('[colonyId+at]'), by('[toColonyId+at]')])
  return movedIn.length === 0 ? own : [...own, ...movedIn].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
}

/** All entries of a glass's water, superseded ones too, by time. */
export const entriesOfGlass = (db: UlkinDb, glassId: string): Promise<Entry[]> =>
  db.entries.where('[glassId+at]').between([glassId, Dexie.minKey], [glassId, Dexie.maxKey]).toArray()

/**
 * Entries of some kinds in all rooms that were written since a moment: for what is reckoned across glasses, like the stock
 * on the shelf. Ids begin with the moment of writing, so the index is read from there on.
 */
export const entriesOfKinds = async (db: UlkinDb, kinds: readonly EntryKind[], sinceMs: number): Promise<Entry[]> =>
  (
    await Promise.all(
      kinds.map(kind =>
        db.entries
          .where('[kind+id]')
          .between([kind, firstId(sinceMs)], [kind, Dexie.maxKey])
          .toArray(),
      ),
    )
  ).flat()

/**
 * Entries of all rooms that were written since a moment, read once and then only added to: the log never changes, so what
 * was held stays true. A merge that brings older entries in is told by their number, and then all are read anew.
 * @returns a query for `liveQuery`; each holds its own memory
 */
export function entriesSince(db: UlkinDb, sinceMs: number): () => Promise<Entry[]> {
  let held: Entry[] = []
  return async () => {
    const range = () => db.entries.where('id').aboveOrEqual(firstId(sinceMs))
    const newest = held.at(-1)
    const [fresh, total] = await Promise.all([
      newest ? db.entries.where('id').above(newest.id).toArray() : Promise.resolve([]),
      range().count(),
    ])
    held = held.length + fresh.length === total ? [...held, ...fresh] : await range().toArray()
    return held
  }
}

/** The photos of some entries; those that are missing are left out. */
export const photosOf = async (db: UlkinDb, ids: readonly string[]): Promise<Photo[]> =>
  (await db.photos.bulkGet([...ids])).flatMap(p => p ?? [])
