import { z } from 'zod'
import { edited } from './edited'
import { FoodKind, FoodUnit } from './food'
import { Id, Moment } from './id'
import { Label } from './label'

const amount = z.number().min(0)

/**
 * A water as amounts in one litre. Everything that mixes is additive in these amounts, so blends, changes and recipes
 * are sums. `conductivityOffsetUsCm` is what a meter showed beyond (or under) what the ions explain; it mixes like the
 * rest.
 */
export const Water = z.strictObject({
  caMmolL: amount,
  mgMmolL: amount,
  naMmolL: amount,
  kMmolL: amount,
  clMmolL: amount,
  so4MmolL: amount,
  no3MmolL: amount,
  alkalinityMeqL: amount,
  /** grams of dry sea salt in a litre; its ions are counted in the amounts above too */
  seaSaltGL: amount,
  conductivityOffsetUsCm: z.number(),
})
export type Water = z.infer<typeof Water>

/** Values that a water report or a keeper's kit may give of a source. The unit is part of the name. */
export const analysisKeys = [
  'ghDh',
  'khDh',
  'ph',
  'conductivityUsCm',
  'calciumMgL',
  'magnesiumMgL',
  'sodiumMgL',
  'potassiumMgL',
  'chlorideMgL',
  'sulfateMgL',
  'nitrateMgL',
  'salinityGKg',
  'copperMgL',
] as const
export const AnalysisKey = z.enum(analysisKeys)
export type AnalysisKey = z.infer<typeof AnalysisKey>

/** What such a value can be at all: wider than any drinking or sea water, it catches slips. */
export const possibleAnalysis: Readonly<Record<AnalysisKey, readonly [number, number]>> = {
  ghDh: [0, 500],
  khDh: [0, 60],
  ph: [2, 12],
  conductivityUsCm: [0, 80_000],
  calciumMgL: [0, 2000],
  magnesiumMgL: [0, 2500],
  sodiumMgL: [0, 20_000],
  potassiumMgL: [0, 1000],
  chlorideMgL: [0, 40_000],
  sulfateMgL: [0, 5000],
  nitrateMgL: [0, 500],
  salinityGKg: [0, 60],
  copperMgL: [0, 10],
}

/** A dated analysis of a source: any subset of the values. Nothing in it is derived. */
export const Analysis = z.strictObject({
  at: Moment,
  by: z.enum(['supplier', 'ownTest', 'label', 'assumed']),
  values: z.strictObject(
    Object.fromEntries(
      analysisKeys.map(k => {
        const [low, high] = possibleAnalysis[k]
        return [k, z.number().min(low, `must be ${low} or more`).max(high, `must be ${high} or less`).optional()]
      }),
    ) as Record<AnalysisKey, z.ZodOptional<z.ZodNumber>>,
  ),
})
export type Analysis = z.infer<typeof Analysis>

export const SourceKind = z.enum(['tap', 'pure', 'rain', 'spring', 'distilled', 'seaMix'])
export type SourceKind = z.infer<typeof SourceKind>

/** A water that the keeper has at hand. The newest analysis counts; older ones are kept. */
export const Source = z.strictObject({
  ...edited,
  roomId: Id,
  name: Label,
  kind: SourceKind,
  disinfectant: z.enum(['none', 'chlorine', 'chloramine', 'unknown']),
  analyses: z.array(Analysis).max(200),
})
export type Source = z.infer<typeof Source>

/** The salts that recipes know; their chemistry is in water/chemistry/salts. */
export const saltIds = [
  'calciumCarbonate',
  'calciumSulfateDihydrate',
  'calciumChlorideDihydrate',
  'magnesiumSulfateHeptahydrate',
  'magnesiumChlorideHexahydrate',
  'sodiumBicarbonate',
  'potassiumBicarbonate',
  'sodiumChloride',
  'potassiumSulfate',
  'seaSalt',
] as const
export const SaltId = z.enum(saltIds)
export type SaltId = z.infer<typeof SaltId>

/** What is in a box on the shelf: a salt by name, a mineral mix by what one gram in a litre raises, or a food. */
export const ShelfContent = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('salt'), salt: SaltId }),
  z
    .strictObject({
      by: z.literal('mix'),
      /** raised by one gram in one litre */
      ghDh: z.number().min(0).max(200),
      khDh: z.number().min(0).max(200),
      conductivityUsCm: z.number().min(0).max(5000),
      /** Ca to Mg in its hardness, by mass */
      caMgByMass: z.number().gt(0).max(100),
    })
    .refine(m => m.ghDh > 0 || m.khDh > 0, { path: ['ghDh'], message: 'a mineral mix raises GH or KH' }),
  z.strictObject({ by: z.literal('food'), food: FoodKind, unit: FoodUnit }),
])
export type ShelfContent = z.infer<typeof ShelfContent>

/** What recipes are made from: everything on the shelf but food. */
export type MineralContent = Exclude<ShelfContent, { by: 'food' }>

/** A box on the keeper's shelf, and what is left in it when that is known. */
export const ShelfItem = z.strictObject({
  ...edited,
  roomId: Id,
  name: Label,
  content: ShelfContent,
  stockG: z.number().min(0).max(1_000_000).optional(),
  /** for the whole box, in the room's currency */
  price: z.number().min(0).max(100_000).optional(),
})
export type ShelfItem = z.infer<typeof ShelfItem>

/** Whether a box holds something that recipes are made from. */
export const isMineral = (item: ShelfItem): item is ShelfItem & { content: MineralContent } =>
  item.content.by !== 'food'
