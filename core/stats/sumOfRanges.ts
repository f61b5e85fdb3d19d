import { Z80 } from './normal'

/** A number with its 80 % range. */
export interface Ranged {
  value: number
  low: number
  high: number
}

/**
 * The sum of numbers that are known apart from each other, with its 80 % range: the doubts add as variances, so the
 * range of the sum is narrower than the sum of the ranges. Each number is taken as log-normal with its range, and so is
 * the sum.
 * Source: Fenton (1960), IRE Trans. Commun. Syst. 8: 57, moments of a sum of log-normals.
 * @param parts none gives nothing, exactly
 */
export function sumOfRanges(parts: readonly Ranged[]): Ranged {
  let mean = 0
  let variance = 0
  let exact = 0
  for (const { value, low, high } of parts) {
    // nothing, or a number that is known: no doubt to add
    if (!(low > 0) || high <= low) {
      exact += value
      continue
    }
    const sd = Math.log(high / low) / (2 * Z80)
    const centre = Math.exp(Math.log(value) + (sd * sd) / 2)
    mean += centre
    variance += centre * centre * Math.expm1(sd * sd)
  }
  if (mean === 0) return { value: exact, low: exact, high: exact }
  const sd2 = Math.log1p(variance / (mean * mean))
  const median = mean / Math.exp(sd2 / 2)
  const spread = Math.exp(Z80 * Math.sqrt(sd2))
  return { value: exact + median, low: exact + median / spread, high: exact + median * spread }
}
