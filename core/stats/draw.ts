import normalQuantile from '@stdlib/stats-base-dists-normal-quantile'

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
 * Above this variance the normal curve, rounded, stands for binomial and Poisson; below it they are summed up exactly.
 */
const NORMAL_FROM = 12

/**
 * A binomial number: how many of n have luck with chance p.
 * Few are found by summing the chances up (Devroye 1986, Non-Uniform Random Variate Generation, X.4), many by the
 * normal curve.
 * @param u in (0, 1)
 * @param n whole number, zero or more
 * @param p chance, 0 to 1; beyond it is cut
 */
export function binomialFrom(u: number, n: number, p: number): number {
  if (n <= 0 || p <= 0) return 0
  if (p >= 1) return n
  if (p > 0.5) return n - binomialFrom(1 - u, n, 1 - p)
  const mean = n * p
  const variance = mean * (1 - p)
  if (variance > NORMAL_FROM) {
    // third moment by Cornish and Fisher (1938): without it the few extreme draws would lie too evenly
    const z = normalFrom(u)
    const k = Math.floor(mean + Math.sqrt(variance) * z + ((1 - 2 * p) * (z * z - 1)) / 6 + 0.5)
    return k < 0 ? 0 : k > n ? n : k
  }
  const odds = p / (1 - p)
  let chance = Math.exp(n * Math.log1p(-p))
  let sum = chance
  let k = 0
  while (u > sum && k < n) {
    k++
    chance *= (odds * (n - k + 1)) / k
    sum += chance
    // what is left is below the last digit: the sum would never reach u
    if (chance < 1e-17 && k > mean) break
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
  if (mean > NORMAL_FROM) {
    const z = normalFrom(u)
    const k = Math.floor(mean + Math.sqrt(mean) * z + (z * z - 1) / 6 + 0.5)
    return k < 0 ? 0 : k
  }
  let chance = Math.exp(-mean)
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
