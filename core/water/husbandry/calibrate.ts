import type { Calibration } from '#core/records'

/** What a probe's two-point calibration comes to. */
export type CalibrationResult = { ok: true, slope: number, offset: number } | { ok: false, issue: 'pointsTooNear' | 'wornOut' }

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
