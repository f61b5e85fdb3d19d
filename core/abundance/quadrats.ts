import tQuantile from '@stdlib/stats-base-dists-t-quantile'

/** What samples of equal size say of the whole. */
export interface QuadratEstimate {
  number: number
  standardError: number
  interval: [number, number]
  /** variance over mean of the samples: above 1 where animals sit in heaps */ clumping: number
}

/**
 * Number from several samples of equal size (squares, scoops): the mean times how many samples the tank holds.
 * Source: Cochran (1977), Sampling Techniques, ch. 2, with the finite population correction.
 * @param counts of the samples, two or more
 * @param share of the tank that one sample is
 * @throws RangeError for fewer than two samples or samples that are more than the tank
 */
export function quadrats(counts: readonly number[], share: number, level: number): QuadratEstimate {
  const m = counts.length
  if (m < 2) throw new RangeError(`counts must be two or more, got ${m}`)
  if (!(share > 0 && m * share <= 1 + 1e-9))
    throw new RangeError(`share must lie above 0 and all samples within the tank, got ${m} of ${share}`)
  const mean = counts.reduce((a, b) => a + b, 0) / m
  const variance = counts.reduce((s, c) => s + (c - mean) ** 2, 0) / (m - 1)
  const number = mean / share
  const standardError = Math.sqrt((Math.max(0, 1 - m * share) * variance) / m) / share
  const t = tQuantile((1 + level) / 2, m - 1)
  return {
    number,
    standardError,
    interval: [number - t * standardError, number + t * standardError],
    clumping: mean > 0 ? variance / mean : 0,
  }
}
