import { z } from 'zod'
import { endingReasons } from './endingReasons'
import { Id, Moment } from './id'

/**
 * The version of a record that is edited in place: a number that grows with every edit, and a tail by which versions of
 * the same number are told apart. Sorting revs as text sorts them by number, and every device sorts them alike; clocks
 * differ, so the moment of an edit decides nothing.
 */
export const Rev = z.string().regex(/^\d{6}-[0-9a-f]{8}$/, 'is not a version of a record (like 000001-0a1b2c3d)')
export type Rev = z.infer<typeof Rev>

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
