import { z } from 'zod'
import { headsTotal } from './headsTotal'
import { edited } from './editedFields'
import { Id, Moment } from './id'
import { Label } from './label'
import { Stays } from './stays'
import { ValueKey } from './valueKey'

/** Numbers by sex and size as a keeper sees them; what is not told apart goes under `unsexed`. */
export const Heads = z.strictObject({
  females: z.int().min(0).max(100_000).default(0),
  males: z.int().min(0).max(100_000).default(0),
  unsexed: z.int().min(0).max(100_000).default(0),
  halfGrown: z.int().min(0).max(100_000).default(0),
  young: z.int().min(0).max(100_000).default(0),
})
export type Heads = z.infer<typeof Heads>

/** A range that the keeper set for one value of one colony. */
export const TargetOverride = z
  .strictObject({
    preferred: z.tuple([z.number(), z.number()]),
    tolerated: z.tuple([z.number(), z.number()]),
  })
  .refine(
    t => t.tolerated[0] <= t.preferred[0] && t.preferred[0] <= t.preferred[1] && t.preferred[1] <= t.tolerated[1],
    { message: 'the preferred range must lie inside the tolerated one, lower limit first' },
  )
export type TargetOverride = z.infer<typeof TargetOverride>

/**
 * How animals are kept together: a colony that breeds, a rearing of larvae or young, or a batch from dry eggs. All
 * three are counted, moved and ended alike; the population model is chosen by the form.
 */
export const ColonyForm = z.enum(['colony', 'rearing', 'batch'])
export type ColonyForm = z.infer<typeof ColonyForm>

/** A colony: one line of one group in one glass. A glass may hold several. Targets and numbers belong to the colony. */
export const Colony = z
  .strictObject({
    ...edited,
    form: ColonyForm,
    /** the glasses in which it stood; a day's water is that of the glass where it stood that day */
    stays: Stays,
    /** the line that it shares with colonies of other glasses */
    lineId: Id.optional(),
    /** the dry eggs that a batch was begun from */
    eggLotId: Id.optional(),
    /**
     * the colony that it was parted from: its first animals are a move in the log of both, and not counted as founders
     */
    fromColonyId: Id.optional(),
    name: Label,
    groupId: z.string().min(1).max(40),
    /** school kind → chosen option; what is missing follows the group's default */
    schools: z.record(z.string(), z.string()),
    startedAt: Moment,
    founders: Heads,
    /** the keeper's own ranges; they replace the group's */
    targets: z.partialRecord(ValueKey, TargetOverride),
    /** the keeper's own life-history figures; they replace the group's */
    life: z.strictObject({
      growthPerWeek: z.number().min(-0.5).max(1).optional(),
      capacityPerL: z.number().gt(0).max(500).optional(),
    }),
    /** number that must stay, whatever is taken out; a group default when missing */
    minimumKeep: z.int().min(0).max(100_000).optional(),
    /** grown females that must stay as well; none are asked for when missing */
    minimumFemales: z.int().min(0).max(100_000).optional(),
    /** chance of falling under what must stay that a take may bring; a tenth when missing */
    allowedRisk: z.number().min(0.01, 'must be 1 % or more').max(0.5, 'must be 50 % at most').optional(),
    /** failed molts in each molt that the keeper accepts; common practice when missing */
    moltLevel: z.number().min(0.005, 'must be 0.5 % or more').max(0.05, 'must be 5 % at most').optional(),
  })
  // dry eggs have not hatched yet, a rearing may wait for its clutch, and a part of another colony comes by a move
  .refine(c => c.form !== 'colony' || c.fromColonyId !== undefined || headsTotal(c.founders) > 0, {
    path: ['founders'],
    message: 'a colony starts with at least one animal',
  })
export type Colony = z.infer<typeof Colony>
