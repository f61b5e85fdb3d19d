import { Z80 } from '#core/stats'
import type { LearntRate } from './habits'

/** One day of a forecast with its 80 % range. */
export interface BandDay {
  day: number
  value: number
  low: number
  high: number
}

/** Spread of a drift that was never learnt, as a share of the value a week (from memory). */
const UNLEARNT_PER_WEEK = 0.03

/**
 * A forecast with its likely range: doubt of the newest reading and doubt of the drift add up as variances, the second
 * growing with time.
 * @param path one value a day, today first, as `forecastBox` gives it
 * @param latestSd standard deviation of the newest reading
 * @param drift the value's learnt drift; undefined where the log did not tell
 * @param everyDays how far apart the points lie
 */
export function forecastBand(
  path: Float64Array,
  latestSd: number,
  drift: LearntRate | undefined,
  everyDays = 7,
): BandDay[] {
  const perWeek = drift ? (drift.high - drift.low) / 2 : Z80 * UNLEARNT_PER_WEEK * Math.abs(path[0] ?? 0)
  const out: BandDay[] = []
  for (let day = 0; day < path.length; day += everyDays) {
    const value = path[day]!
    const half = Math.hypot(Z80 * latestSd, (perWeek * day) / 7)
    out.push({ day, value, low: Math.max(0, value - half), high: value + half })
  }
  return out
}
