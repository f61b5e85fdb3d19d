import { z } from 'zod'
import { Id, Moment } from './id'

/**
 * The version of a record that is edited in place: a number that grows with every edit, and a tail by which versions of
 * the same number are told apart. Sorting revs as text sorts them by number, and every device sorts them alike; clocks
 * differ, so the moment of an edit decides nothing.
 */
export const Rev = z.string().regex(/^\d{6}-[0-9a-f]{8}$/, 'is not a version of a record (like 000001-0a1b2c3d)')
export type Rev = z.infer<typeof Rev>

/**
 * Why something is no longer in use: colonies first, then glasses, then what is put away (racks, rooms, boxes, plans).
 */
export const endingReasons = ['soldOut', 'died', 'merged', 'movedOn', 'emptied', 'left', 'putAway'] as const
export const EndingReason = z.enum(endingReasons)
export type EndingReason = z.infer<typeof EndingReason>

/** That something ended. The record stays, and can be brought back by dropping this field. */
export const Ending = z.strictObject({
  at: Moment,
  why: EndingReason,
  /** the record that it went into, where it was joined to another */
  intoId: Id.optional(),
})
export type Ending = z.infer<typeof Ending>

/** What every record carries that can be edited in place. Versions that were replaced go to the attic. */
export const edited = {
  id: Id,
  /** when it was edited last; shown, and never compared */
  editedAt: Moment,
  rev: Rev,
  /** the version that this one was made from; the first has none */
  basedOn: Rev.optional(),
  ended: Ending.optional(),
}
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
