import { z } from 'zod'
import { FoodKind } from '../food'
import { Id, Moment } from '../id'
import { base, number, ofGlass } from './base'
import { equipmentParts } from './equipmentParts'

/** What became of food: gone within minutes, within the hour, or some was left. */
export const Eaten = z.enum(['minutes', 'hour', 'leftOver'])
export type Eaten = z.infer<typeof Eaten>

/** Feeding, or a look at what became of the last feeding (then without a food). */
export const FeedingEntry = z
  .strictObject({
    ...ofGlass,
    kind: z.literal('feeding'),
    food: FoodKind.optional(),
    /** the food's box on the shelf, where it has a name of its own */
    foodId: Id.optional(),
    /** portions of the food: pellets of 3 mm, pinches of powder, slices of greens, pieces of protein */
    portions: z.number().gt(0, 'must be above 0').max(1000, 'must be 1000 at most').optional(),
    eaten: Eaten.optional(),
    /** whether what was left has been taken out */
    removed: z.boolean().optional(),
  })
  .refine(e => e.food !== undefined || e.eaten !== undefined || e.removed === true, {
    path: ['food'],
    message: 'say what was fed, or what became of it',
  })
  .refine(e => e.portions === undefined || e.food !== undefined, {
    path: ['portions'],
    message: 'portions belong to a food',
  })

/** Leaves or calcium laid in. Greens are a food: they are fed. */
export const SupplementEntry = z.strictObject({
  ...ofGlass,
  kind: z.literal('supplement'),
  what: z.enum(['leaves', 'calcium']),
  number: number.optional(),
})

/** A look at the equipment: each part as it was found. */
export const EquipmentEntry = z.strictObject({
  ...ofGlass,
  kind: z.literal('equipment'),
  found: z
    .partialRecord(z.enum(equipmentParts), z.enum(['fine', 'mended', 'broken']))
    .refine(p => Object.keys(p).length > 0, 'needs at least one part'),
})

const amount = z.enum(['none', 'some', 'rich'])
/** What grows in the glass: grazers live on it. */
export const GrowthEntry = z
  .strictObject({ ...ofGlass, kind: z.literal('growth'), biofilm: amount.optional(), algae: amount.optional() })
  .refine(e => e.biofilm !== undefined || e.algae !== undefined, { path: ['biofilm'], message: 'say what grows' })

/** Unwanted company. */
export const PestEntry = z.strictObject({
  ...ofGlass,
  kind: z.literal('pest'),
  what: z.enum(['flatworms', 'hydra', 'stringAlgae', 'strangeSnails', 'predatorLarva', 'other']),
  amount: z.enum(['few', 'many']),
})

/** A glass that was looked at on a round, or passed over. Where a round stands follows from these. */
export const VisitEntry = z.strictObject({
  ...ofGlass,
  kind: z.literal('visit'),
  roundId: Id,
  outcome: z.enum(['looked', 'passed']),
  /** what the look took, where it was measured */
  minutes: z.number().gt(0).max(600).optional(),
})

/** Something due that was put off or left out; `key` names the item, `dueAt` the day it was due. */
export const DueMarkEntry = z
  .strictObject({
    ...base,
    kind: z.literal('dueMark'),
    colonyId: Id.optional(),
    glassId: Id.optional(),
    key: z.string().min(1).max(120),
    dueAt: Moment,
    act: z.enum(['snooze', 'skip']),
    /** until when it is put off */
    until: Moment.optional(),
  })
  .refine(e => (e.act === 'snooze') === (e.until !== undefined), {
    path: ['until'],
    message: 'what is put off has a day on which it comes back',
  })
