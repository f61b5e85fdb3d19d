import { type Animal, animalsOf, type Entry, type Id, momentMs } from '#core/records'

/** A stretch of an animal's life in one colony. Moments are milliseconds. */
export interface AnimalStay {
  colonyId: Id
  /** null where nobody wrote down when it came */
  fromMs: number | null
  /** null while it is there */
  toMs: number | null
}

/** Where an animal lived, and how it left. */
export interface Whereabouts {
  stays: AnimalStay[]
  /** null while it lives here */
  left: { how: 'died' | 'removed'; atMs: number; entryId: Id } | null
}

/**
 * Where an animal lived, from the entries that name it: it begins in the colony in which it was first followed, moves
 * carry it on, and a removal or a death ends it. Who is put in again after a removal is back.
 * @param entries standing entries that name it, by time
 */
export function whereabouts(animal: Pick<Animal, 'id' | 'firstColonyId'>, entries: readonly Entry[]): Whereabouts {
  const stays: AnimalStay[] = [{ colonyId: animal.firstColonyId, fromMs: null, toMs: null }]
  let left: Whereabouts['left'] = null
  for (const e of entries) {
    if (!animalsOf(e).includes(animal.id)) continue
    const atMs = momentMs(e.at)
    const open = stays.at(-1)!
    if (e.kind === 'addition' || e.kind === 'move') {
      const colonyId = e.kind === 'move' ? e.toColonyId : e.colonyId
      // what puts it into its first colony tells when it came there
      if (open.colonyId === colonyId && open.fromMs === null && open.toMs === null) open.fromMs = atMs
      else {
        if (open.toMs === null) open.toMs = atMs
        stays.push({ colonyId, fromMs: atMs, toMs: null })
      }
      left = null
    } else if ((e.kind === 'death' || e.kind === 'removal') && !left) {
      open.toMs = atMs
      left = { how: e.kind === 'death' ? 'died' : 'removed', atMs, entryId: e.id }
    }
  }
  return { stays, left }
}

/** The colony in which an animal lived at a moment; null once it had left. */
export function livedIn({ stays }: Whereabouts, atMs: number): Id | null {
  const stay = stays.findLast(s => (s.fromMs ?? -Infinity) <= atMs)
  return stay && (stay.toMs === null || stay.toMs > atMs) ? stay.colonyId : null
}

/** The colony that tells of an animal: the one in which it lives, or lived last. */
export const lastColony = ({ stays }: Whereabouts): Id => stays.at(-1)!.colonyId
