import { describe, expect, it } from 'vitest'
import { predict, smooth, type State, type Transition, update } from '#core/population'
import file from './data/statespace.json'
import { casesOf, excess } from './tolerance'

/**
 * Linear Gaussian case with one state: x1 ~ N(m0, P0) at the first observation, x_t = a·x + b + w, y = x + v.
 * Source of the values: joint multivariate normal (SciPy) for likelihood and smoothing, R 4.2.2 stats::KalmanRun and
 * KalmanSmooth for filtered and smoothed states.
 */
interface Inputs { y: (number | null)[], m0: number, P0: number, a: number, b: number, q: number, r: number }
interface Expected { predMean: number[], predVar: number[], filtMean: number[], filtVar: number[], smoothMean: number[], smoothVar: number[], logLik: number }

describe('Kalman filter and smoother against R and SciPy', () => {
  it.each(casesOf<Inputs, Expected>(file, 'linear_gaussian'))('$id', ({ inputs: { y, m0, P0, a, b, q, r }, expected, tolerance }) => {
    // the growth is switched off: no spread, no effect on the level
    const t: Transition = { f00: a, f01: 0, f11: 1, b0: b, b1: 0, q00: q, q11: 0 }
    const close = (got: number, want: number) => expect(excess(got, want, tolerance)).toBe(0)
    const predicted: State[] = []
    const filtered: State[] = []
    let logLik = 0
    let state: State = { m0, m1: 0, p00: P0, p01: 0, p11: 0 }
    y.forEach((seen, i) => {
      if (i > 0) state = predict(state, t)
      predicted.push(state)
      if (seen !== null) {
        const step = update(state, seen, r)
        state = step.state
        logLik += step.logLik
      }
      filtered.push(state)
      close(predicted[i]!.m0, expected.predMean[i]!)
      close(predicted[i]!.p00, expected.predVar[i]!)
      close(filtered[i]!.m0, expected.filtMean[i]!)
      close(filtered[i]!.p00, expected.filtVar[i]!)
    })
    close(logLik, expected.logLik)
    let back = filtered.at(-1)!
    for (let i = y.length - 2; i >= 0; i--) {
      back = smooth(filtered[i]!, predicted[i + 1]!, back, t)
      close(back.m0, expected.smoothMean[i]!)
      close(back.p00, expected.smoothVar[i]!)
    }
  })
})

describe('local linear trend against the joint normal distribution', () => {
  it('gives the mean and covariance that conditioning the whole vector gives (textbook formula, computed here with a general solver)', () => {
    const start: State = { m0: 2, m1: 0.1, p00: 0.5, p01: 0.02, p11: 0.09 }
    const t: Transition = { f00: 1, f01: 1, f11: 0.8, b0: 0, b1: 0.01, q00: 0.04, q11: 0.01 }
    const y = [2.3, 2.2, 2.9, 3.1]
    const r = 0.1
    let state = start
    for (const [i, seen] of y.entries()) {
      if (i > 0) state = predict(state, t)
      state = update(state, seen, r).state
    }
    const joint = conditional(start, t, y, r)
    expect(state.m0).toBeCloseTo(joint.m0, 10)
    expect(state.m1).toBeCloseTo(joint.m1, 10)
    expect(state.p00).toBeCloseTo(joint.p00, 10)
    expect(state.p01).toBeCloseTo(joint.p01, 10)
    expect(state.p11).toBeCloseTo(joint.p11, 10)
  })
})

/** The last state given all observations: covariances of the whole vector, then μ + Σ12 Σ22⁻¹ (y − μ2). */
function conditional(start: State, t: Transition, y: readonly number[], r: number): State {
  const F = [[t.f00, t.f01], [0, t.f11]]
  const multiply = (A: number[][], B: number[][]) => A.map(row => B[0]!.map((_, j) => row.reduce((s, a, k) => s + a * B[k]![j]!, 0)))
  const transpose = (A: number[][]) => A[0]!.map((_, j) => A.map(row => row[j]!))
  const means = [[start.m0, start.m1]]
  const covs = [[[start.p00, start.p01], [start.p01, start.p11]]]
  for (let i = 1; i < y.length; i++) {
    const [m0, m1] = means[i - 1]!
    means.push([t.f00 * m0! + t.f01 * m1! + t.b0, t.f11 * m1! + t.b1])
    const P = multiply(multiply(F, covs[i - 1]!), transpose(F))
    P[0]![0]! += t.q00
    P[1]![1]! += t.q11
    covs.push(P)
  }
  /** Cov(x_i, x_j) for i ≤ j is P_i (F')^(j−i) */
  const cross = (i: number, j: number) => {
    let c = covs[i]!
    for (let k = i; k < j; k++) c = multiply(c, transpose(F))
    return c
  }
  const last = y.length - 1
  const S22 = y.map((_, i) => y.map((__, j) => cross(Math.min(i, j), Math.max(i, j))[0]![0]! + (i === j ? r : 0)))
  const S12 = [0, 1].map(s => y.map((_, i) => cross(i, last)[0]![s]!))
  const weights = S12.map(row => solve(S22, row))
  const mean = (s: number) => means[last]![s]! + weights[s]!.reduce((sum, w, i) => sum + w * (y[i]! - means[i]![0]!), 0)
  const cov = (a: number, b: number) => covs[last]![a]![b]! - weights[a]!.reduce((sum, w, i) => sum + w * S12[b]![i]!, 0)
  return { m0: mean(0), m1: mean(1), p00: cov(0, 0), p01: cov(0, 1), p11: cov(1, 1) }
}

/** Gauss–Jordan with pivoting: small, and another way than the filter's. */
function solve(A: readonly number[][], b: readonly number[]): number[] {
  const M = A.map((row, i) => [...row, b[i]!])
  for (let c = 0; c < M.length; c++) {
    const pivot = M.reduce((best, row, i) => (i >= c && Math.abs(row[c]!) > Math.abs(M[best]![c]!) ? i : best), c)
    ;[M[c], M[pivot]] = [M[pivot]!, M[c]!]
    for (let i = 0; i < M.length; i++) {
      if (i === c) continue
      const factor = M[i]![c]! / M[c]![c]!
      for (let k = c; k <= M.length; k++) M[i]![k]! -= factor * M[c]![k]!
    }
  }
  return M.map((row, i) => row[M.length]! / row[i]!)
}
