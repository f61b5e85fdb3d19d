import type { Calibration } from '#core/records'

/** What a probe's two-point calibration comes to. */
export type CalibrationResult =
  { ok: true; slope: number; offset: number } | { ok: false; issue: 'pointsTooNear' | 'wornOut' }

/**
 * Straight line through two known solutions: truth = offset + slope · raw.
 * A slope outside half to twice means that probe or solution is not what it should be.
 * @param calibration two points
 */
export function calibrationLine({ points: [a, b] }: Pick<Calibration, 'points'>): CalibrationResult {
  const raw = b!.raw - a!.raw
  const truth = b!.truth - a!.truth
  if (Math.abs(truth) < 1e-9 || Math.abs(raw) < 1e-3 * Math.abs(truth)) return { ok: false, issue: 'pointsTooNear' }
  const slope = truth / raw
  if (!(slope > 0.5 && slope < 2)) return { ok: false, issue: 'wornOut' }
  return { ok: true, slope, offset: a!.truth - slope * a!.raw }
}

/** A raw reading after calibration; as it is when there is none or it cannot be used. */
export function calibrated(raw: number, calibration: Calibration | undefined): number {
  if (!calibration) return raw
  const line = calibrationLine(calibration)
  return line.ok ? line.offset + line.slope * raw : raw
}

/** Days after which a probe should see known solutions again (from memory; the maker's sheet comes first). */
export const CALIBRATION_DAYS = 30

/** The last readings of a probe taken together. */
export interface Settled {
  mean: number
  sd: number
  settled: boolean
}

/**
 * Mean of the last readings and whether they have settled: twice their scatter is within what the keeper reads off.
 * @param values newest last; fewer than four have not settled
 * @param near what counts as the same
 * @returns null without readings
 */
export function settledMean(values: readonly number[], near: number): Settled | null {
  if (values.length === 0) return null
  const mean = values.reduce((s, v) => s + v, 0) / values.length
  const sd = values.length > 1 ? Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / (values.length - 1)) : 0
  return { mean, sd, settled: values.length >= 4 && 2 * sd <= near }
}
