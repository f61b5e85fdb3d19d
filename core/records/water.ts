import { z } from 'zod'
import { analysisKeys, possibleAnalysis } from './analysisKeys'
import { edited } from './editedFields'
import { FoodKind, FoodUnit } from './food'
import { Id, Moment } from './id'
import { Label } from './label'
import { saltIds } from './saltIds'

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

/** One of the values of an analysis. */
export const AnalysisKey = z.enum(analysisKeys)
export type AnalysisKey = z.infer<typeof AnalysisKey>

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
