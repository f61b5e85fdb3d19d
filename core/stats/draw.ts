import normalQuantile from '@stdlib/stats-base-dists-normal-quantile'
import { quickExp, quickLogRest } from './quick'

/**
 * Whole numbers by chance, each from exactly one uniform number, so that streams stay in step (see `stream.ts`) and
 * more chance never means fewer animals: every draw rises with its uniform number.
 */

const CELLS = 4096
/** Normal quantiles at the cell borders; the two ends are found exactly. */
const table = /* @__PURE__ */ (() => {
  const t = new Float64Array(CELLS + 1)
  for (let i = 1; i < CELLS; i++) t[i] = normalQuantile(i / CELLS, 0, 1)
  return t
})()

/**
 * A standard normal number: the quantile of u, by linear interpolation in a table (within 0.0001; the outermost cells
 * are not interpolated).
 * @param u in (0, 1)
 */
export function normalFrom(u: number): number {
  const x = u * CELLS
  const cell = x | 0
  if (cell < 24 || cell >= CELLS - 24) return normalQuantile(u, 0, 1)
  const low = table[cell]!
  return low + (table[cell + 1]! - low) * (x - cell)
}

/**
 * Above this variance the normal curve, rounded, stands for binomial and Poisson (their distribution functions within
 * 0.002, their variances within a hundredth); below it they are summed up exactly.
 */
export const SUMMED_VARIANCE = 6
/** Rounding to whole numbers adds so much variance of its own (Sheppard 1898). */
const ROUNDING_VARIANCE = 1 / 12

/**
 * A binomial number: how many of n have luck with chance p.
 * Few are found by summing the chances up (Devroye 1986, Non-Uniform Random Variate Generation, X.4), many by the
 * normal curve.
 * @param u in (0, 1)
 * @param n whole number, zero or more
 * @param p chance, 0 to 1; beyond it is cut
 */
export function binomialFrom(u: number, n: number, p: number): number {
  // Bernoulli’s inequality: (1 − p)ⁿ ≥ 1 − np, so that most small draws cost no logarithm
  if (u <= 1 - n * p) return 0
  if (p > 0.5) return p < 1 ? n - luckyOf(1 - u, n, 1 - p) : n
  return luckyOf(u, n, p)
}

/** The same for a chance of a half or less. */
function luckyOf(u: number, n: number, p: number): number {
  if (n * p * (1 - p) > SUMMED_VARIANCE) return manyLucky(u, n, p)
  return fewLucky(u, n, p / (1 - p), noneOf(n, p))
}

/** Chance that none of n has luck, for a chance of a half or less. */
export const noneOf = (n: number, p: number): number => quickExp(n * quickLogRest(p))

/**
 * How many of n die under a hazard: a binomial number with chance 1 − e^(−hazard).
 * @param u in (0, 1)
 * @param n whole number, zero or more
 * @param hazard zero or more
 */
export function deathsFrom(u: number, n: number, hazard: number): number {
  const toll = n * hazard
  // e^(−x) ≥ 1 − x: most often nobody dies
  if (u <= 1 - toll) return 0
  const live = quickExp(-hazard)
  if (live < 0.5) return binomialFrom(u, n, 1 - live)
  if (n * (1 - live) * live > SUMMED_VARIANCE) return manyLucky(u, n, 1 - live)
  return fewLucky(u, n, (1 - live) / live, quickExp(-toll))
}

/**
 * By the normal curve, with the third moment of Cornish and Fisher (1938): without it the few extreme draws would lie
 * too evenly.
 */
export function manyLucky(u: number, n: number, p: number): number {
  const mean = n * p
  const z = normalFrom(u)
  const k = Math.floor(mean + Math.sqrt(mean * (1 - p) - ROUNDING_VARIANCE) * z + ((1 - 2 * p) * (z * z - 1)) / 6 + 0.5)
  return k < 0 ? 0 : k > n ? n : k
}

/**
 * By summing up.
 * @param odds p / (1 − p)
 * @param none chance of none
 */
function fewLucky(u: number, n: number, odds: number, none: number): number {
  let chance = none
  let sum = chance
  let k = 0
  while (u > sum && k < n) {
    k++
    chance *= (odds * (n - k + 1)) / k
    sum += chance
    // what is left is below the last digit: the sum would never reach u
    if (chance < 1e-17 && k > n * odds) break
  }
  return k
}

/**
 * A Poisson number.
 * @param u in (0, 1)
 * @param mean zero or more
 */
export function poissonFrom(u: number, mean: number): number {
  if (mean <= 0) return 0
  if (mean > SUMMED_VARIANCE) {
    const z = normalFrom(u)
    const k = Math.floor(mean + Math.sqrt(mean - ROUNDING_VARIANCE) * z + (z * z - 1) / 6 + 0.5)
    return k < 0 ? 0 : k
  }
  let chance = quickExp(-mean)
  let sum = chance
  let k = 0
  while (u > sum) {
    k++
    chance *= mean / k
    sum += chance
    if (chance < 1e-17 && k > mean) break
  }
  return k
}
