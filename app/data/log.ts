import { Dexie } from 'dexie'
import { Entry, type EntryKind, logKey, Photo, subjectOf } from '#core/records'
import type { Revision, UlkinDb } from './database'
import { firstId } from './newId'
import { storedPhotos } from './photos'
import { touchColonies } from './revisions'

/**
 * Writes entries as one step: all of them or none. Entries are never changed: a correction or a withdrawal is an entry
 * too.
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
  const locked = ['entries', 'colonies', 'glasses', 'revisions', 'photos']
  return db.transaction('rw', locked, async () => {
    const subjects = checked.map(subjectOf)
    const known = (ids: (string | undefined)[]) => [...new Set(ids.filter(id => id !== undefined))]
    const [revised] = await Promise.all([
      touchColonies(db, {
        colonyIds: known(subjects.flatMap(s => [s.colonyId, s.toColonyId])),
        glassIds: known(subjects.map(s => s.glassId)),
      }),
      db.records('entries').bulkAdd(checked),
      db.records('photos').bulkAdd(storedPhotos(pictures)),
    ])
    return revised
  })
}

/**
 * All entries that name a colony, a glass or an animal, superseded ones too and moves into it, by time.
 * @param from only what happened since this moment
 * @param to only what happened before this one
 */
export const entriesOf = (db: UlkinDb, id: string, from = '', to = '~'): Promise<Entry[]> =>
  db.records('entries').where('keys').between(logKey(id, from), logKey(id, to)).toArray()

/**
 * Entries of some kinds in all rooms that were written since a moment: for what is reckoned across glasses, like the
 * stock on the shelf. Ids begin with the moment of writing, so the index is read from there on.
 */
export const entriesOfKinds = async (db: UlkinDb, kinds: readonly EntryKind[], sinceMs: number): Promise<Entry[]> =>
  (
    await Promise.all(
      kinds.map(kind =>
        db
          .records('entries')
          .where('[kind+id]')
          .between([kind, firstId(sinceMs)], [kind, Dexie.maxKey])
          .toArray(),
      ),
    )
  ).flat()

/**
 * Entries of all rooms that were written since a moment, read once and then only added to: the log never changes, so
 * what was held stays true. A merge that brings older entries in is told by their number, and then all are read anew.
 * @returns a query for `liveQuery`; each holds its own memory
 */
export function entriesSince(db: UlkinDb, sinceMs: number): () => Promise<Entry[]> {
  let held: Entry[] = []
  return async () => {
    const range = () => db.records('entries').where('id').aboveOrEqual(firstId(sinceMs))
    const newest = held.at(-1)
    const [fresh, total] = await Promise.all([
      newest ? db.records('entries').where('id').above(newest.id).toArray() : Promise.resolve([]),
      range().count(),
    ])
    held = held.length + fresh.length === total ? [...held, ...fresh] : await range().toArray()
    return held
  }
}
