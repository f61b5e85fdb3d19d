import tQuantile from '@stdlib/stats-base-dists-t-quantile'

/** One point of a line fit: x and y in any unit, sd the known standard deviation of y (> 0). */
export interface WeightedPoint {
  x: number
  y: number
  sd: number
}

/** A fitted straight line y = intercept + slope · x, with what is needed to state its doubt. */
export interface WeightedLine {
  slope: number
  /** standard error of the slope; never smaller than the known errors of the points allow */
  slopeSe: number
  /** weighted mean of x, where the line is known best */
  centreX: number
  /** value of the line at centreX */
  centreY: number
  /** points used */
  n: number
  /**
   * multiplier for an 80 % interval: Student's t with n − 2 degrees of freedom, capped at 3 for three points or fewer
   */
  t80: number
}

/**
 * Weighted least squares line through readings whose errors are known (weights 1/sd²).
 * The errors are taken as given and stretched only when the points scatter more than they should (reduced chi-square
 * above 1): three readings that happen to lie on a line must not claim a perfect slope.
 * Source: Bevington & Robinson, Data Reduction and Error Analysis, 3rd ed., ch. 6 (from memory).
 * @param points at least two points with at least two different x
 * @returns the line, or null when a slope cannot be found
 * @throws RangeError when a standard deviation is not above zero
 */
export function weightedLine(points: readonly WeightedPoint[]): WeightedLine | null {
  let sumW = 0
  let sumWx = 0
  let sumWy = 0
  for (const { x, y, sd } of points) {
    if (!(sd > 0)) throw new RangeError(`sd of a point must be above 0, got ${sd}`)
    const w = 1 / (sd * sd)
    sumW += w
    sumWx += w * x
    sumWy += w * y
  }
  if (points.length < 2) return null
  const centreX = sumWx / sumW
  const centreY = sumWy / sumW
  // second pass about the mean: one-pass sums cancel badly when x are day numbers far from zero
  let sxx = 0
  let sxy = 0
  for (const { x, y, sd } of points) {
    const w = 1 / (sd * sd)
    sxx += w * (x - centreX) ** 2
    sxy += w * (x - centreX) * (y - centreY)
  }
  if (!(sxx > 0)) return null
  const slope = sxy / sxx
  let chiSquare = 0
  for (const { x, y, sd } of points) chiSquare += ((y - centreY - slope * (x - centreX)) / sd) ** 2
  const freedom = points.length - 2
  const stretch = freedom > 0 ? Math.sqrt(Math.max(1, chiSquare / freedom)) : 1
  return {
    slope,
    slopeSe: stretch / Math.sqrt(sxx),
    centreX,
    centreY,
    n: points.length,
    t80: freedom > 0 ? Math.min(3, tQuantile(0.9, freedom)) : 3,
  }
}
