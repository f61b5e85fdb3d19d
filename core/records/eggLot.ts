import { z } from 'zod'
import { edited } from './editedFields'
import { Id, Moment } from './id'
import { Label } from './label'

/** In what the eggs lie: dried ground of a pool, or eggs alone. */
export const eggForms = ['ground', 'eggs'] as const
export const eggOrigins = ['own', 'bought', 'given', 'collected'] as const
/** Classes of pools by warmth, and by the salt that their water is made of. */
export const poolClasses = ['warm', 'cool', 'cold'] as const
export const cations = ['calcium', 'sodium'] as const

/** Eggs that rest dry: a lot in the egg bank. Batches are begun from it. */
export const EggLot = z
  .strictObject({
    ...edited,
    roomId: Id,
    name: Label,
    groupId: z.string().min(1).max(40),
    form: z.enum(eggForms),
    origin: z.enum(eggOrigins),
    /** since when it is dry */
    drySince: Moment,
    /** where it is kept */
    keptAt: z.string().trim().max(120).optional(),
    class: z.enum(poolClasses),
    cation: z.enum(cations),
    /** the batch that laid it */
    fromColonyId: Id.optional(),
  })
  .refine(l => l.fromColonyId === undefined || l.origin === 'own', {
    path: ['fromColonyId'],
    message: 'only eggs of one’s own come from a batch',
  })
export type EggLot = z.infer<typeof EggLot>
