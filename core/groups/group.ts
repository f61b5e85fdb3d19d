import { z } from 'zod'
import { Basis, ValueKey } from '#core/records'

const limits = z.tuple([z.number(), z.number()]).refine(([low, high]) => low <= high, 'lower limit first')

/** Any single figure with its basis. */
export const Figure = z.strictObject({ value: z.number(), basis: Basis })
export type Figure = z.infer<typeof Figure>

/** A figure with a standard deviation: a prior for a model. */
export const PriorFigure = z.strictObject({ value: z.number(), sd: z.number().min(0), basis: Basis })

/** Target of one value. `tolerated` is missing where the trade names one range only. */
export const Target = z.strictObject({
  preferred: limits,
  tolerated: limits.optional(),
  aim: z.number().optional(),
  basis: Basis,
}).refine(t => !t.tolerated || (t.tolerated[0] <= t.preferred[0] && t.tolerated[1] >= t.preferred[1]), 'the preferred range lies inside the tolerated one')
export type Target = z.infer<typeof Target>
export const Targets = z.partialRecord(ValueKey, Target)
export type Targets = z.infer<typeof Targets>

/** How many of the animals a way of counting finds: `share` seen of those there, `sdLog` its spread on the log scale. */
export const Detection = z.strictObject({ share: z.number().gt(0).max(1), sdLog: z.number().min(0), basis: Basis })
export type Detection = z.infer<typeof Detection>

/** One set of preferences of keepers. Keepers disagree; the colony chooses. */
export const SchoolOption = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** ranges that replace the group's */
  targets: Targets.optional(),
  /** growth per week that replaces the group's */
  growthPerWeek: PriorFigure.optional(),
  /** share of the net volume changed, and every how many days */
  change: z.strictObject({ share: z.number().min(0).max(1), everyDays: z.number().gt(0) }).optional(),
  basis: Basis,
})
export const schoolKinds = ['temperature', 'hardness', 'waterChange', 'feeding', 'clutches', 'fish', 'start'] as const
export const SchoolKind = z.enum(schoolKinds)
export type SchoolKind = z.infer<typeof SchoolKind>
/** Options of one kind; the first is the default. */
export const School = z.array(SchoolOption).min(1)

/** Defaults about numbers. All rates are per week. */
export const LifeHistory = z.strictObject({
  /** whether the whole cycle closes in the water that the adults live in; without it numbers only fall */
  breedsInPlace: z.boolean(),
  /** growth of a small, well-kept colony, as the natural logarithm of the weekly factor */
  growthPerWeek: PriorFigure,
  /** births and deaths together as a share of the colony: how restless a number is by chance alone */
  turnoverPerWeek: Figure,
  /** animals that a litre of water can carry */
  capacityPerL: Figure,
  lifespanWeeks: Figure,
  /** the fewest that should stay when animals are taken out */
  minimumKeep: Figure,
})
export type LifeHistory = z.infer<typeof LifeHistory>

/** A species group: everything that the app takes for granted about these animals, each figure with its basis. */
export const SpeciesGroup = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** Latin and plain words */
  animals: z.string(),
  /** one animal, several animals */
  animal: z.tuple([z.string(), z.string()]),
  targets: Targets,
  schools: z.partialRecord(SchoolKind, School),
  /** largest change per week that these animals take, in the value's unit */
  largestStepPerWeek: z.partialRecord(ValueKey, Figure),
  stocking: z.strictObject({
    minimumL: Figure,
    starters: Figure,
    /** litres that the advised starters want */
    startersInL: Figure,
    /** as the trade says it */
    advice: z.string(),
  }),
  life: LifeHistory,
  counting: z.strictObject({ allSeen: Detection, atFood: Detection, partOfTank: Detection, estimate: Detection }),
  /** keys of cautions that stand at the step; the words live in app/words */
  cautions: z.array(z.string()),
})
export type SpeciesGroup = z.infer<typeof SpeciesGroup>

/** Checks a group's data when the module loads in tests, and types it when it is written. */
export const defineGroup = (group: SpeciesGroup): SpeciesGroup => group
