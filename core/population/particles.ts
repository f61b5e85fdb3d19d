import { quantileSorted } from '#core/stats'

/**
 * The parts of a particle filter that know nothing of animals: weights, resampling, and parameters that are learnt.
 * A cloud is `rows` blocks of `size` numbers (see `stages.ts`); log weights are one number for each particle.
 */

/** Many possible colonies: rows of `stages.ts`, `size` of them. */
export interface Particles {
  cloud: Float64Array
  size: number
}
/** The same with what they are worth so far, as logarithms. */
export interface WeighedParticles extends Particles {
  logWeights: Float64Array
}

/**
 * Turns log weights into weights that sum to 1.
 * @param logWeights changed in place to hold the weights
 * @returns logarithm of the mean weight: what the observations since the last call were worth
 */
export function normalise(logWeights: Float64Array): number {
  let best = -Infinity
  for (const l of logWeights) if (l > best) best = l
  if (best === -Infinity) {
    logWeights.fill(1 / logWeights.length)
    return -Infinity
  }
  let sum = 0
  for (let i = 0; i < logWeights.length; i++) {
    logWeights[i] = Math.exp(logWeights[i]! - best)
    sum += logWeights[i]!
  }
  for (let i = 0; i < logWeights.length; i++) logWeights[i] = logWeights[i]! / sum
  return best + Math.log(sum / logWeights.length)
}

/** Effective number of particles: 1/Σw² (Kong, Liu & Wong 1994). */
export function effective(weights: Float64Array): number {
  let squares = 0
  for (const w of weights) squares += w * w
  return 1 / squares
}

/**
 * Systematic resampling: each particle is taken about as often as its weight says, with one random number for all.
 * Source: Kitagawa (1996), J. Comput. Graph. Stat. 5: 1; compared by Douc, Cappé & Moulines (2005).
 * @param weights summing to 1
 * @param u in (0, 1)
 * @param into filled with the indices of the particles taken, rising
 */
export function systematic(weights: Float64Array, u: number, into: Uint32Array): void {
  const step = 1 / into.length
  let sum = weights[0]!
  let from = 0
  for (let i = 0; i < into.length; i++) {
    const at = (i + u) * step
    while (sum < at && from < weights.length - 1) sum += weights[++from]!
    into[i] = from
  }
}

/** Copies particles by index, row by row, from one cloud to another. */
export function gather({ cloud, size }: Particles, rows: number, taken: Uint32Array, into: Float64Array): void {
  const many = taken.length
  for (let row = 0; row < rows; row++) {
    const a = row * size
    const b = row * many
    for (let i = 0; i < many; i++) into[b + i] = cloud[a + taken[i]!]!
  }
}

/** Shrinkage of the kernel: 1 would not move parameters at all (Liu & West's discount of 0.97). */
const KEEP = (3 * 0.97 - 1) / (2 * 0.97)

/**
 * Moves parameters a little after resampling, so that they do not die out: each is drawn towards the mean and spread by
 * a normal kernel, so that mean and covariance stay what they were.
 * Source: Liu & West (2001), in Sequential Monte Carlo Methods in Practice, ch. 10.
 * @param rows of the parameters in the cloud
 * @param normal the z-th standard normal number of a particle
 */
export function refresh(
  { cloud, size }: Particles,
  rows: readonly number[],
  normal: (particle: number, z: number) => number,
): void {
  const k = rows.length
  const means = rows.map(row => mean(cloud, row, size))
  const off = rows.map((row, r) => cloud.subarray(row * size, (row + 1) * size).map(x => x - means[r]!))
  const root = cholesky(off.map(a => off.map(b => meanProduct(a, b))))
  const spread = Math.sqrt(1 - KEEP * KEEP)
  const z = new Float64Array(k)
  for (let i = 0; i < size; i++) {
    for (let r = 0; r < k; r++) z[r] = normal(i, r)
    for (let r = 0; r < k; r++) {
      let jitter = 0
      for (let c = 0; c <= r; c++) jitter += root[r]![c]! * z[c]!
      const place = rows[r]! * size + i
      cloud[place] = means[r]! + KEEP * (cloud[place]! - means[r]!) + spread * jitter
    }
  }
}

function mean(cloud: Float64Array, row: number, size: number): number {
  let sum = 0
  for (let i = row * size; i < (row + 1) * size; i++) sum += cloud[i]!
  return sum / size
}

function meanProduct(a: Float64Array, b: Float64Array): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!
  return sum / a.length
}

/** Lower triangular root of a covariance; a direction without spread stays without. */
function cholesky(c: readonly number[][]): number[][] {
  const root = c.map(row => row.map(() => 0))
  for (let i = 0; i < c.length; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = c[i]![j]!
      for (let k = 0; k < j; k++) sum -= root[i]![k]! * root[j]![k]!
      root[i]![j] = i === j ? Math.sqrt(Math.max(0, sum)) : root[j]![j]! > 1e-12 ? sum / root[j]![j]! : 0
    }
  }
  return root
}

/** Draws so many values by weight, but no more than there are, in rising order: what quantiles are read from. */
export function drawSorted(values: (i: number) => number, weights: Float64Array, many: number): Float64Array {
  const taken = new Uint32Array(Math.min(many, weights.length))
  systematic(weights, 0.5, taken)
  return Float64Array.from(taken, values).sort()
}

/** The 80 % range and the middle of sorted draws. */
export function spread80(sorted: Float64Array): { value: number; low: number; high: number } {
  return { low: quantileSorted(sorted, 0.1), value: quantileSorted(sorted, 0.5), high: quantileSorted(sorted, 0.9) }
}

/** Middle and likely range of a value over so many colonies that are equally likely. */
export const rangeOver = (
  { size }: Pick<Particles, 'size'>,
  value: (i: number) => number,
): { value: number; low: number; high: number } =>
  spread80(Float64Array.from({ length: size }, (_, i) => value(i)).sort())
