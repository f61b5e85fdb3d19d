import { z } from 'zod'
import { edited } from './editedFields'
import { Id, Moment } from './id'
import { Label } from './label'
import { TakeKind } from './scenario'

/** Animals that somebody wants by a day. */
export const Order = z.strictObject({
  ...edited,
  roomId: Id,
  colonyId: Id,
  /** who wants them; initials do */
  who: Label,
  number: z.int('must be a whole number').min(1, 'must be at least 1').max(10_000, 'must be 10 000 at most'),
  of: TakeKind,
  /** the rung that they are to stand on */
  rungId: Id.optional(),
  dueAt: Moment,
  /** for each animal, in the room's currency */
  priceEach: z.number().min(0, 'must be 0 or more').max(10_000, 'must be 10 000 at most').optional(),
  state: z.enum(['open', 'filled', 'dropped']),
})
export type Order = z.infer<typeof Order>
