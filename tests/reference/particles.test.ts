import binomialCdf from '@stdlib/stats-base-dists-binomial-cdf'
import { describe, expect, it } from 'vitest'
import { gather, normalise, systematic } from '../../core/population/particles'
import { binomialFrom, normalFrom, poissonFrom, streamAt, uniformAt } from '#core/stats'
import file from './data/statespace.json'
import { casesOf } from './tolerance'

/**
 * The parts of the particle filter against exact answers: the Kalman filter for a linear Gaussian state, and the
 * forward recursion of a hidden Markov chain for whole animals that are born, die and are seen in part. Each case
 * carries its source.
 */
const SIZE = 20_000
const at = (t: number, i: number, n: number) => uniformAt(streamAt(7, t, i, n))

/** A bootstrap filter made of the app's own parts. */
function filter(
  y: readonly (number | null)[],
  begin: (i: number) => number,
  move: (x: number, t: number, i: number) => number,
  logLik: (y: number, x: number) => number,
) {
  let cloud: Float64Array = Float64Array.from({ length: SIZE }, (_, i) => begin(i))
  const means: number[] = []
  const variances: number[] = []
  let log = 0
  for (const [t, seen] of y.entries()) {
    if (t > 0) cloud = cloud.map((x, i) => move(x, t, i))
    const weights = Float64Array.from(cloud, x => (seen === null ? 0 : logLik(seen, x)))
    log += normalise(weights)
    let mean = 0
    let square = 0
    for (let i = 0; i < SIZE; i++) {
      mean += weights[i]! * cloud[i]!
      square += weights[i]! * cloud[i]! ** 2
    }
    means.push(mean)
    variances.push(square - mean * mean)
    // resampled after every observation, whether it is worth it or not: the answer must be the same
    const taken = new Uint32Array(SIZE)
    const next = new Float64Array(SIZE)
    systematic(weights, at(t, 0, 99), taken)
    gather({ cloud, size: SIZE }, 1, taken, next)
    cloud = next
  }
  return { means, variances, log }
}

describe('linear Gaussian states: the Kalman filter is the exact answer', () => {
  it.each(
    casesOf<
      { y: (number | null)[]; m0: number; P0: number; a: number; b: number; q: number; r: number },
      { filtMean: number[]; filtVar: number[]; logLik: number }
    >(file, 'linear_gaussian'),
  )('$id', ({ inputs: { y, m0, P0, a, b, q, r }, expected }) => {
    const got = filter(
      y,
      i => m0 + Math.sqrt(P0) * normalFrom(at(0, i, 1)),
      (x, t, i) => a * x + b + Math.sqrt(q) * normalFrom(at(t, i, 2)),
      (seen, x) => -0.5 * (Math.log(2 * Math.PI * r) + (seen - x) ** 2 / r),
    )
    for (const [t, mean] of expected.filtMean.entries()) {
      // four standard errors of a mean of so many particles, three times as wide for what resampling adds
      expect(Math.abs(got.means[t]! - mean)).toBeLessThan(12 * Math.sqrt(expected.filtVar[t]! / SIZE))
      expect(Math.abs(got.variances[t]! / expected.filtVar[t]! - 1)).toBeLessThan(0.08)
    }
    expect(Math.abs(got.log - expected.logLik)).toBeLessThan(0.15)
  })
})

describe('animals that are born, die and are seen in part: the forward recursion is the exact answer', () => {
  const logChoose = (n: number, k: number) => {
    let sum = 0
    for (let j = 1; j <= k; j++) sum += Math.log((n - k + j) / j)
    return sum
  }
  it.each(
    casesOf<
      { y: (number | null)[]; lambda0: number; survival: number; recruits: number; detection: number },
      { filtMean: number[]; filtVar: number[]; logLik: number }
    >(file, 'binomial_hmm'),
  )('$id', ({ inputs: { y, lambda0, survival, recruits, detection: p }, expected }) => {
    const got = filter(
      y,
      i => poissonFrom(at(0, i, 1), lambda0),
      (x, t, i) => binomialFrom(at(t, i, 2), x, survival) + poissonFrom(at(t, i, 3), recruits),
      (seen, x) => (seen > x ? -Infinity : logChoose(x, seen) + seen * Math.log(p) + (x - seen) * Math.log1p(-p)),
    )
    for (const [t, mean] of expected.filtMean.entries())
      expect(Math.abs(got.means[t]! - mean)).toBeLessThan(12 * Math.sqrt(expected.filtVar[t]! / SIZE) + 0.04)
    expect(Math.abs(got.log - expected.logLik)).toBeLessThan(0.3)
  })
})

describe('binomial draws against a library’s distribution', () => {
  // the largest gap between the drawn and the true distribution; 1.95/√n is its 0.1 % quantile (Kolmogorov)
  it.each([
    [5, 0.3],
    [20, 0.02],
    [60, 0.5],
    [40, 0.9],
    [200, 0.07],
    [400, 0.5],
    [3000, 0.01],
    [1000, 0.97],
  ])('n = %i, p = %f', (n, p) => {
    const draws = 20_000
    const counts = new Float64Array(n + 1)
    for (let i = 0; i < draws; i++) counts[binomialFrom(at(1, i, n), n, p)]!++
    let sum = 0
    let gap = 0
    for (let k = 0; k <= n; k++) {
      sum += counts[k]! / draws
      gap = Math.max(gap, Math.abs(sum - binomialCdf(k, n, p)))
    }
    expect(gap).toBeLessThan(1.95 / Math.sqrt(draws) + 0.004)
  })
})
