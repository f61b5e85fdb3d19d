import { z } from 'zod'
import { Heads } from '../colony'
import { Id } from '../id'
import { fits, number, numberOrNone, ofColony, split, splitFits } from './base'

export const CountMethod = z.enum(['allSeen', 'atFood', 'partOfTank', 'estimate'])
export type CountMethod = z.infer<typeof CountMethod>

/** A count. `number` is what was seen; for a part of the tank, `share` says how large the part was. */
export const CountEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('count'),
  number: numberOrNone,
  method: CountMethod,
  share: z.number().gt(0, 'must be above 0').max(1, 'must be 100 % at most').optional(),
  parts: Heads.optional(),
})
  .refine(e => (e.method === 'partOfTank') === (e.share !== undefined), { path: ['share'], message: 'the share of the tank belongs to a count of part of the tank, and is needed there' })
  .refine(fits, splitFits)

/** Animals put in. */
export const AdditionEntry = z.strictObject({ ...ofColony, kind: z.literal('addition'), ...split, origin: z.enum(['bought', 'given', 'ownRoom', 'found']) }).refine(fits, splitFits)

/** Animals taken out alive, or culled humanely. */
export const RemovalEntry = z.strictObject({ ...ofColony, kind: z.literal('removal'), ...split, outlet: z.enum(['sold', 'given', 'fed', 'moved', 'culled']) }).refine(fits, splitFits)

/** Animals found dead. */
export const DeathEntry = z.strictObject({ ...ofColony, kind: z.literal('death'), number, sign: z.enum(['unknown', 'failedMolt', 'jump', 'old', 'eaten']) })

/** Animals carried from one colony to another: one entry that both colonies' numbers follow from. */
export const MoveEntry = z.strictObject({ ...ofColony, kind: z.literal('move'), toColonyId: Id, ...split })
  .refine(fits, splitFits)
  .refine(e => e.colonyId !== e.toColonyId, { path: ['toColonyId'], message: 'animals move to another colony' })

/** A grading session: how many of each grade were seen. What lines make of it comes with the lines. */
export const GradingEntry = z.strictObject({
  ...ofColony,
  kind: z.literal('grading'),
  grades: z.array(z.strictObject({ grade: z.string().trim().min(1).max(12), number: numberOrNone })).min(1, 'needs at least one grade').max(12),
})
