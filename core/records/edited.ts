import type { Ending, Rev } from './editedFields'
import type { Id, Moment } from './id'

/** A record that is edited in place: what each carries beside its own. */
export interface Edited {
  id: Id
  editedAt: Moment
  rev: Rev
  basedOn?: Rev | undefined
  ended?: Ending | undefined
}

const HIGHEST = 999_999

/**
 * The version that follows another.
 * @param rev the version before; a record's first version when missing
 * @param tail eight hexadecimal digits that no other device makes at the same time: the end of a new id
 * @throws RangeError when the number of versions is used up
 */
export function nextRev(rev: Rev | undefined, tail: string): Rev {
  const number = rev === undefined ? 1 : Number(rev.slice(0, 6)) + 1
  if (number > HIGHEST) throw new RangeError(`a record has ${HIGHEST} versions at most, got ${number}`)
  return `${String(number).padStart(6, '0')}-${tail.slice(-8)}`
}

/**
 * Stamps of a new record, which its first save keeps.
 * @example { ...begun(newId(), Date.now()), roomId, name: 'Rack 1', kind: 'rack', shelves: 2, order: 0 }
 * @param id of the record; its end is the tail of the first version
 * @param nowMs moment of making
 */
export const begun = (id: Id, nowMs: number): Pick<Edited, 'id' | 'editedAt' | 'rev'> => ({
  id,
  editedAt: new Date(nowMs).toISOString(),
  rev: nextRev(undefined, id),
})

/** Whether a record is in use: neither ended nor put away. */
export const inUse = (record: Pick<Edited, 'ended'>): boolean => record.ended === undefined
