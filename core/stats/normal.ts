import normalCdf from '@stdlib/stats-base-dists-normal-cdf'
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile'

/**
 * Standard normal quantile.
 * @param p share below, strictly between 0 and 1
 * @returns z so that a share p of a standard normal lies below z
 * @throws RangeError outside (0, 1)
 */
export function zQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`p must lie between 0 and 1, got ${p}`)
  return normalQuantile(p, 0, 1)
}

/**
 * Chance that a normal quantity lies below a bound.
 * @param mean and standard deviation (> 0) of the quantity, in the bound's unit
 */
export const normalBelow = (bound: number, mean: number, sd: number): number => normalCdf(bound, mean, sd)

/** Density of the standard normal. */
export const normalDensity = (z: number): number => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)

/**
 * z that leaves 10 % in each tail: half the width, in standard deviations, of the 80 % "likely range" used on screen.
 */
export const Z80 = /* @__PURE__ */ zQuantile(0.9)

/** z that leaves 25 % in each tail: the inner band of a fan. */
export const Z50 = /* @__PURE__ */ zQuantile(0.75)
