import { quantileSorted, type Ranged } from '#core/stats'

/** Rungs of a generation over possible truths. */
export interface SharesTold {
  /** share on a rung or above it, for each rung; of the lowest it is all */
  upFrom: Ranged[]
  /** mean rung, from 1 */
  meanRung: Ranged
}

/** Middle and likely range (80 %) of values, each as likely as the others. */
export function rangeOf(values: readonly number[]): Ranged {
  const sorted = values.toSorted((a, b) => a - b)
  return { low: quantileSorted(sorted, 0.1), value: quantileSorted(sorted, 0.5), high: quantileSorted(sorted, 0.9) }
}

/** Mean rung, from 1, of animals or shares by rung. */
export const meanRungOf = (rungs: readonly number[]): number =>
  rungs.reduce((sum, n, k) => sum + n * (k + 1), 0) / rungs.reduce((a, b) => a + b, 0)

/** @param draws shares of the rungs, lowest first, in each possible truth */
export const sharesTold = (draws: readonly (readonly number[])[]): SharesTold => ({
  upFrom: (draws[0] ?? []).map((_, k) => rangeOf(draws.map(s => s.slice(k).reduce((a, b) => a + b, 0)))),
  meanRung: rangeOf(draws.map(meanRungOf)),
})
