import { z } from 'zod'
import { Id } from '../id'
import { TestMethod, type ValueKey } from '../valueKey'
import { possibleRange, valueKeys } from '../valueKeys'
import { Water } from '../water'
import { litres, ofGlass } from './base'

const reading = (key: ValueKey) => {
  const [low, high] = possibleRange[key]
  return z.strictObject({
    value: z.number().min(low, `must be ${low} or more`).max(high, `must be ${high} or less`),
    method: TestMethod,
  })
}
/** Readings of one water test: any subset of the values, at least one. The air's humidity is one of them. */
export const Readings = z.strictObject(
  Object.fromEntries(valueKeys.map(k => [k, reading(k).optional()])) as {
    [K in ValueKey]: z.ZodOptional<ReturnType<typeof reading>>
  },
)
export type Readings = z.infer<typeof Readings>

/** A test of the water in a glass. Conductivity is stored compensated to 25 °C. */
export const WaterTestEntry = z
  .strictObject({
    ...ofGlass,
    kind: z.literal('waterTest'),
    readings: Readings,
  })
  .refine(e => Object.values(e.readings).some(r => r !== undefined), {
    path: ['readings'],
    message: 'a water test needs at least one value',
  })

/** What went into a bucket: names are kept, so that the line reads the same when a source is put away. */
const poured = {
  poured: z
    .array(
      z.strictObject({ sourceId: Id.optional(), name: z.string().min(1).max(60), litres: z.number().gt(0).max(5000) }),
    )
    .max(12)
    .optional(),
  weighed: z
    .array(
      z.strictObject({ itemId: Id.optional(), name: z.string().min(1).max(60), grams: z.number().gt(0).max(100_000) }),
    )
    .max(12)
    .optional(),
  /** amounts of the new water, as reckoned when it was poured; missing when nobody knows */
  water: Water.optional(),
}

/** Water taken out and new water put in. As many litres as the glass holds is a first fill. */
export const WaterChangeEntry = z.strictObject({ ...ofGlass, kind: z.literal('waterChange'), litres, ...poured })

/** Evaporated water replaced. */
export const TopUpEntry = z.strictObject({ ...ofGlass, kind: z.literal('topUp'), litres, ...poured })

/** A dose of a medicine, by active substance and by the net litres it was reckoned for. */
export const TreatmentEntry = z.strictObject({
  ...ofGlass,
  kind: z.literal('treatment'),
  substance: z.string().min(1).max(40),
  activeMg: z.number().gt(0).max(1_000_000),
  netL: litres,
})
