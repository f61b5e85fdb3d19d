import { expect, it } from 'vitest'
import { trendAfter, trendFrom, trendSeen } from '#core/stats'
import file from './data/statespace.json'
import { casesOf, excess } from './tolerance'

// NumPy: a level that follows an Ornstein–Uhlenbeck slope and wanders, at five moments, conditioned on its readings by
// their joint covariance; the filter never sees that matrix
it('a level with a damped slope is what the joint normal distribution says of it', () => {
  const noise = { wander: 0.2, slopeSd: 0.3, memory: 6 }
  const readings: [time: number, value: number, sd: number][] = [
    [0, 5, 0.4],
    [1, 5.4, 0.4],
    [3, 5.1, 0.5],
    [4.5, 6.2, 0.4],
    [7, 6.5, 0.3],
  ]
  let belief = trendFrom(5, 0.4, noise)
  let logLikelihood = 0
  readings.slice(1).forEach(([time, value, sd], i) => {
    const before = trendAfter(belief, time - readings[i]![0], noise)
    const seen = trendSeen(before, value, sd)
    logLikelihood -= (seen.surprise ** 2 + Math.log(2 * Math.PI * (before.levelVar + sd ** 2))) / 2
    belief = seen.belief
  })
  expect(logLikelihood).toBeCloseTo(-3.843383805868453, 9)
  const later = trendAfter(belief, 2, noise)
  expect(later.level).toBeCloseTo(6.7445981234229535, 9)
  expect(later.levelVar).toBeCloseTo(0.40497085061986393, 9)
  expect(later.slope).toBeCloseTo(0.11198274738507911, 9)
  expect(later.slopeVar).toBeCloseTo(0.06572324665975915, 9)
  expect(later.cov).toBeCloseTo(0.10800998457163652, 9)
})

// exact Kalman filters, each case with its source; those whose level only wanders
interface Wanders {
  y: (number | null)[]
  m0: number
  P0: number
  a: number
  b: number
  q: number
  r: number
}
it.each(
  casesOf<Wanders, Record<'filtMean' | 'filtVar', number[]> & { logLik: number }>(file, 'linear_gaussian').filter(
    c => c.inputs.a === 1 && c.inputs.b === 0,
  ),
)('a level without a slope: $id', ({ inputs: { y, m0, P0, q, r }, expected, tolerance }) => {
  // a slope that is surely nothing
  const noise = { wander: Math.sqrt(q), slopeSd: 1e-12, memory: 1 }
  let belief = trendFrom(m0, Math.sqrt(P0), noise)
  let log = 0
  for (const [t, value] of y.entries()) {
    if (t > 0) belief = trendAfter(belief, 1, noise)
    const { surprise, belief: after } = trendSeen(belief, value!, Math.sqrt(r))
    log -= (surprise ** 2 + Math.log(2 * Math.PI * (belief.levelVar + r))) / 2
    belief = after
    expect(excess(belief.level, expected.filtMean[t]!, tolerance)).toBe(0)
    expect(excess(belief.levelVar, expected.filtVar[t]!, tolerance)).toBe(0)
  }
  expect(excess(log, expected.logLik, tolerance)).toBe(0)
})
