import { z } from 'zod'
import { Basis, FoodKind, SubstrateKind, ValueKey } from '#core/records'
import { CautionKey } from './cautions'
import { type SchoolId, schoolIds, type SchoolKind as SchoolKindName } from './schoolIds'
import { roundCounters } from './roundCounters'

const limits = z.tuple([z.number(), z.number()]).refine(([low, high]) => low <= high, 'lower limit first')

/** Any single figure with its basis. */
export const Figure = z.strictObject({ value: z.number(), basis: Basis })
export type Figure = z.infer<typeof Figure>

/** A figure with a standard deviation: a prior for a model. */
export const PriorFigure = z.strictObject({ value: z.number(), sd: z.number().min(0), basis: Basis })

/** Target of one value. `tolerated` is missing where the trade names one range only. */
export const Target = z
  .strictObject({
    preferred: limits,
    tolerated: limits.optional(),
    aim: z.number().optional(),
    basis: Basis,
  })
  .refine(
    t => !t.tolerated || (t.tolerated[0] <= t.preferred[0] && t.tolerated[1] >= t.preferred[1]),
    'the preferred range lies inside the tolerated one',
  )
export type Target = z.infer<typeof Target>
export const Targets = z.partialRecord(ValueKey, Target)
export type Targets = z.infer<typeof Targets>

/**
 * How many of the animals a way of counting finds: `share` seen of those there, `sdLog` its spread on the log scale.
 */
export const Detection = z.strictObject({ share: z.number().gt(0).max(1), sdLog: z.number().min(0), basis: Basis })
export type Detection = z.infer<typeof Detection>

/** One set of preferences of keepers. Keepers disagree; the colony chooses. */
export const SchoolOption = z.strictObject({
  id: z.enum(Object.values(schoolIds).flat() as [SchoolId, ...SchoolId[]]),
  name: z.string(),
  /** ranges that replace the group's */
  targets: Targets.optional(),
  /** growth per week that replaces the group's */
  growthPerWeek: PriorFigure.optional(),
  /** share of the net volume changed, and every how many days */
  change: z.strictObject({ share: z.number().min(0).max(1), everyDays: z.number().gt(0) }).optional(),
  /** days between feedings, the portion beside the group's usual one, and weeks in which a new colony gets nothing */
  feed: z
    .strictObject({ everyDays: z.number().gt(0), portion: z.number().gt(0), restWeeks: z.number().min(0).optional() })
    .optional(),
  basis: Basis,
})
export const SchoolKind = z.enum(Object.keys(schoolIds) as [SchoolKindName, ...SchoolKindName[]])
/** Options of one kind; the first is the default. */
export const School = z.array(SchoolOption).min(1)

/** Defaults about numbers. All rates are per week. */
export const LifeHistory = z.strictObject({
  /** whether the whole cycle closes in the water that the adults live in; without it numbers only fall */
  breedsInPlace: z.boolean(),
  /** growth of a small, well-kept colony, as the natural logarithm of the weekly factor */
  growthPerWeek: PriorFigure,
  /** animals that a litre of water can carry */
  capacityPerL: Figure,
  /** the fewest that should stay when animals are taken out */
  minimumKeep: Figure,
})
export type LifeHistory = z.infer<typeof LifeHistory>

/**
 * A life in stages, for the model of numbers. Weeks are those at the middle of the preferred temperature.
 * How many eggs come to be young is not here: the model solves it from the growth per week.
 */
export const Stages = z.strictObject({
  /** days of one step of the model */
  stepDays: z.union([z.literal(1), z.literal(7)]),
  /** carried under the tail, laid as masses and clutches, or resting until the pool falls dry */
  eggs: z.enum(['carried', 'laid', 'resting']),
  first: z.enum(['hatchling', 'larva']),
  eggWeeks: Figure,
  /** from the hatch until they are large enough to be counted */
  firstWeeks: Figure,
  /** from then until they breed */
  youngWeeks: Figure,
  /** mean life once grown */
  adultWeeks: Figure,
  /** share of the young that die in a week */
  youngLoss: Figure,
  /** eggs of one brood, mass or clutch */
  broodSize: Figure,
  /** weeks between two broods, beside the carrying */
  restWeeks: Figure,
  /** females among those that mature; 1 for hermaphrodites and for females that need no male */
  femaleShare: Figure,
  /** factor on the pace of life for ten degrees */
  q10: Figure,
})
export type Stages = z.infer<typeof Stages>

/** How large they are when they hatch, when they breed and at most: shells across, crabs across, crayfish in length. */
export const Sizes = z.strictObject({
  of: z.enum(['shell', 'shellHeight', 'carapace', 'length']),
  hatchMm: Figure,
  breedsMm: Figure,
  mostMm: Figure,
})
export type Sizes = z.infer<typeof Sizes>

/** A range with its basis. */
const ranged = z.strictObject({ range: limits, basis: Basis })

/** How larvae are reared that grow up in the sea, whatever their parents live in. */
export const Larvae = z.strictObject({
  /** molts from the hatch until they settle; missing for larvae that do not molt */
  molts: Figure.optional(),
  /** share of the hatched that lives to settle in a tub */
  survive: Figure,
  /** salinity that they are brought to, g/kg, and within how many hours of the hatch */
  aimGKg: Figure,
  upHours: Figure,
  /** days in which those that have settled go back to fresh water */
  downDays: Figure,
})
export type Larvae = z.infer<typeof Larvae>

/** Eggs that rest dry, and the pool that wakes them. */
export const DryEggs = z.strictObject({
  /** days from the flood to the hatch */
  hatchDays: ranged,
  /** eggs that a grown female lays in a day */
  eggsPerDay: Figure,
  /** days that the ground takes to dry, and weeks that it rests dry before the next flood */
  dryDays: Figure,
  restWeeks: Figure,
  /** share of the young that grow up in a pool */
  growUp: Figure,
})
export type DryEggs = z.infer<typeof DryEggs>

/** What kind of animal it is: medicines, neighbours and words go by it. */
export const AnimalKind = z.enum(['shrimp', 'snail', 'crayfish', 'crab', 'isopod', 'branchiopod', 'other'])
export type AnimalKind = z.infer<typeof AnimalKind>

/** How a glass for them is set up. */
export const SetUp = z.strictObject({
  /** weeks that the glass is cured before animals come in */
  cureWeeks: ranged,
  substrate: z.strictObject({ kind: SubstrateKind, depthCm: Figure }),
  /** grams of carbonate stone or sand in a litre; missing where none is wanted */
  carbonateGL: ranged.optional(),
  lightHours: ranged,
  /** dried leaves for 20 L at a time */
  leavesPer20L: Figure,
  /** share of the height that is filled */
  fillShare: Figure,
  /** litres an hour through the filter for each litre of the tank */
  turnover: ranged,
  /** filters that are each rated for the volume; one where it is missing */
  filters: Figure.optional(),
  climbs: z.boolean(),
  hides: z.boolean(),
  /** whether they live off biofilm and algae, so that an empty clean tank starves them */
  grazes: z.boolean(),
  femalesPerMale: Figure,
  /** temperature in which new arrivals are settled first, where it differs from the breeding one */
  settleC: Figure.optional(),
})
export type SetUp = z.infer<typeof SetUp>

/** With whom they can live. */
export const Company = z.strictObject({
  kind: AnimalKind,
  /** lines with the same word cross */
  crosses: z.string(),
  /** kinds whose grown animals they kill, and kinds whose young they eat */
  kills: z.array(AnimalKind),
  eatsYoungOf: z.array(AnimalKind),
  /** whether they seize feelers, legs and fins of neighbours */
  nips: z.boolean(),
  /** whether they eat others' food before these come to it */
  takesFood: z.boolean(),
  larvaeNeedSea: z.boolean(),
  basis: Basis,
})
export type Company = z.infer<typeof Company>

/** What the round looks for and the schedule follows. */
export const Care = z.strictObject({
  food: FoodKind,
  /** so many animals, or litres where a portion goes by the water, get one portion */
  portionFor: z.strictObject({ by: z.enum(['animals', 'litres']), value: z.number().gt(0), basis: Basis }),
  /** days between boiled greens, new leaves, new calcium; missing where they want none */
  greensDays: Figure.optional(),
  leavesDays: Figure.optional(),
  calciumDays: Figure.optional(),
  /** weeks between two molts, and days until one is hard again; missing for animals that do not molt */
  molts: z.strictObject({ youngWeeks: Figure, adultWeeks: Figure, softDays: ranged }).optional(),
  /** what tells of young to come; missing where nothing hatches in their water, or where nobody sees it */
  brood: z.strictObject({ sign: z.enum(['berried', 'eggMass', 'clutch']) }).optional(),
  /** whether the parents eat their young, so that these go to a box of their own at once */
  youngApart: z.boolean(),
  counters: z.array(z.enum(roundCounters)).min(1).max(4),
})
export type Care = z.infer<typeof Care>

/** What keepers want of their animals, where one can say. */
export const Wish = z.enum(['breed', 'algae', 'odd'])
export type Wish = z.infer<typeof Wish>

/** What somebody without animals asks first; where no source is named it is common practice or from memory. */
export const AtAGlance = z.strictObject({
  /** in plain words, before the Latin name */
  plainName: z.string(),
  ease: z.enum(['veryEasy', 'easy', 'patient', 'hard']),
  /** years that one lives */
  lifeYears: ranged,
  wishes: z.array(Wish),
  /** what one must know before, in a sentence or two */
  says: z.string(),
  basis: Basis,
})

/** A species group: everything that the app takes for granted about these animals, each figure with its basis. */
export const SpeciesGroup = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** Latin and plain words */
  animals: z.string(),
  /** one animal, several animals */
  animal: z.tuple([z.string(), z.string()]),
  glance: AtAGlance,
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
  setup: SetUp,
  company: Company,
  life: LifeHistory,
  stages: Stages,
  /** missing for animals that nobody measures */
  sizes: Sizes.optional(),
  /** missing where no larvae need the sea */
  larvae: Larvae.optional(),
  /** missing where no eggs rest dry */
  dryEggs: DryEggs.optional(),
  care: Care,
  counting: z.strictObject({
    allSeen: Detection,
    atFood: Detection,
    partOfTank: Detection,
    estimate: Detection,
    /** occupied burrows, of animals that live one in each */
    burrows: Detection.optional(),
  }),
  /** keys of cautions that stand at the step; the words live in app/words */
  cautions: z.array(CautionKey),
})
export type SpeciesGroup = z.infer<typeof SpeciesGroup>
