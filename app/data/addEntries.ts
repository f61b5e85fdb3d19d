import { Entry, Photo, subjectOf } from '#core/records'
import type { Revision, UlkinDb } from './database'
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
