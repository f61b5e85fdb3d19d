import { Dexie } from 'dexie'
import { type Entry, type EntryKind, entryKinds, logKey, momentMs } from '#core/records'
import type { UlkinDb } from './database'
import { firstId } from './newId'

/**
 * All entries that name a colony, a glass or an animal, superseded ones too and moves into it, by time.
 * @param from only what happened since this moment
 * @param to only what happened before this one
 */
export const entriesOf = (db: UlkinDb, id: string, from = '', to = '~'): Promise<Entry[]> =>
  db.records('entries').where('keys').between(logKey(id, from), logKey(id, to)).toArray()

/** The entries that name some animals, by the animals. */
export const entriesOfAnimals = async (db: UlkinDb, ids: readonly string[]): Promise<Map<string, Entry[]>> =>
  new Map(await Promise.all(ids.map(async id => [id, await entriesOf(db, id)] as const)))

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

/** How often a kind was written on this device, and when the newest of them happened. */
export interface KindKept {
  kind: EntryKind
  number: number
  lastMs: number
}

/** What the log of all rooms holds, by kind, the most often written first; replaced lines count too. */
export async function kindsKept(db: UlkinDb): Promise<KindKept[]> {
  const kept = await Promise.all(
    (Object.keys(entryKinds) as EntryKind[]).map(async (kind): Promise<KindKept[]> => {
      const of = () => db.records('entries').where('[kind+id]').between([kind, Dexie.minKey], [kind, Dexie.maxKey])
      const [number, last] = await Promise.all([of().count(), of().last()])
      return last ? [{ kind, number, lastMs: momentMs(last.at) }] : []
    }),
  )
  return kept.flat().sort((a, b) => b.number - a.number)
}

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
