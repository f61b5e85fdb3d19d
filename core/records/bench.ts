import { z } from 'zod'
import { Moment } from './id'

/** Two readings of known solutions: what a probe showed, and what was true. */
export const Calibration = z.strictObject({
  at: Moment,
  points: z.array(z.strictObject({ raw: z.number(), truth: z.number() })).length(2),
})
export type Calibration = z.infer<typeof Calibration>

/** What the keeper measures with: steps of scale and jug, and the probe's calibrations. */
export const Bench = z.strictObject({
  /** smallest step of the scale in grams */
  scaleStepG: z.number().gt(0).max(100),
  /** to what the keeper measures water, in litres */
  jugStepL: z.number().gt(0).max(10),
  /** calcium to magnesium by mass that the keeper wants in what is added; the usual one where nothing is said */
  caMgByMass: z.number().min(0.2).max(20).optional(),
  calibrations: z.strictObject({ ph: Calibration.optional(), conductivityUsCm: Calibration.optional() }),
})
export type Bench = z.infer<typeof Bench>
