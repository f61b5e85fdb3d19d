import { z } from 'zod'
import { Id, Moment } from './id'

/** A time that something spent in a glass; without an end it is still there. */
export const Stay = z.strictObject({ glassId: Id, from: Moment, to: Moment.optional() })
export type Stay = z.infer<typeof Stay>

/** Whether stays follow each other: each ends before the next begins, and only the last may be open. */
const inOrder = (stays: readonly Stay[]): boolean =>
  stays.every((s, i) => {
    const next = stays[i + 1]
    return (s.to === undefined || s.from < s.to) && (!next || (s.to !== undefined && s.to <= next.from))
  })

/** Where something stood over time, oldest first. */
export const Stays = z
  .array(Stay)
  .min(1, 'needs a glass')
  .max(200, 'has 200 moves at most')
  .refine(inOrder, 'must follow each other, oldest first')
