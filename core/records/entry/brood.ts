import { z } from 'zod'
import { Id } from '../id'
import { number, numberOrNone, ofColony } from './base'

/** Berried females seen in the whole glass, or one animal that is followed by its name. */
export const BerriedEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('berried'),
    number: numberOrNone,
    /** females with a saddle: ovaries that will be eggs after the next molt */
    saddle: numberOrNone.optional(),
    /** of the berried ones, those whose eggs show eyes: days before they hatch */
    eyed: numberOrNone.optional(),
    animal: z.string().trim().min(1).max(30).optional(),
  })
  .refine(e => !e.animalIds || e.number === 0 || e.number === e.animalIds.length, {
    path: ['number'],
    message: 'who is named is berried, or is not',
  })
  .refine(e => (e.eyed ?? 0) <= e.number, { path: ['eyed'], message: 'more with eyed eggs than berried' })

/** Jelly masses of snails that were seen; for each there are hidden ones. */
export const EggMassEntry = z.strictObject({ ...ofColony, kind: z.literal('eggMass'), number: numberOrNone })

/** What happens to one clutch: laid begins it, the others name the entry that did. */
export const ClutchEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('clutch'),
    event: z.enum(['laid', 'moved', 'checked', 'hatched', 'lost']),
    clutchId: Id.optional(),
    place: z.enum(['inPlace', 'incubator']).optional(),
    /** how far above the water it was laid, cm */
    aboveCm: z.number().min(0, 'must be 0 cm or more').max(100, 'must be 100 cm at most').optional(),
    /** why it was lost */
    lostTo: z.enum(['drowned', 'dried', 'mould', 'eaten', 'taken']).optional(),
    /** young that came out */
    young: numberOrNone.optional(),
  })
  .refine(e => (e.event === 'laid') === (e.clutchId === undefined), {
    path: ['clutchId'],
    message: 'a laid clutch begins; what follows names it',
  })
  .refine(e => e.lostTo === undefined || e.event === 'lost', {
    path: ['lostTo'],
    message: 'why it was lost belongs to a clutch that was lost',
  })
  .refine(e => e.young === undefined || e.event === 'hatched', {
    path: ['young'],
    message: 'young belong to a clutch that hatched',
  })

/** Young that were seen: a few, many, or a number. */
export const YoungEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('young'),
    amount: z.enum(['few', 'many', 'number']),
    number: number.optional(),
  })
  .refine(e => (e.amount === 'number') === (e.number !== undefined), {
    path: ['number'],
    message: 'a number belongs to “a number”',
  })

const littleOf = { early: numberOrNone, middle: numberOrNone, late: numberOrNone, settled: numberOrNone }
/** How green the water of a tub is, by eye on a drawn scale: 0 is clear, 4 is as green as paint. */
export const greenness = [0, 1, 2, 3, 4] as const

/**
 * A look at a tub of larvae: a sample by stage, how green the water is, or both. `early`, `middle` and `late` are
 * thirds of the way to settling.
 */
export const LarvaeEntry = z
  .strictObject({
    ...ofColony,
    kind: z.literal('larvae'),
    sample: z
      .strictObject(littleOf)
      .refine(s => s.early + s.middle + s.late + s.settled > 0, 'needs at least one animal')
      .optional(),
    /** litres that were looked through, where they were measured */
    sampleL: z.number().min(0.001, 'must be 1 mL or more').max(5000, 'must be 5000 L at most').optional(),
    green: z.literal(greenness).optional(),
  })
  .refine(e => e.sample !== undefined || e.green !== undefined, {
    path: ['sample'],
    message: 'say what the sample held, or how green the water is',
  })
  .refine(e => e.sampleL === undefined || e.sample !== undefined, {
    path: ['sampleL'],
    message: 'litres belong to a sample',
  })

/**
 * Dull animals of a line that were seen and are still in the glass: no grading, since nobody looked at the others.
 */
export const DullEntry = z.strictObject({ ...ofColony, kind: z.literal('dull'), number: numberOrNone })

/** Mating that was seen, in pairs. */
export const MatingEntry = z.strictObject({ ...ofColony, kind: z.literal('mating'), number })
