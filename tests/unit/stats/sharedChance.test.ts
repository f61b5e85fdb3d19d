import { describe, expect, it } from 'vitest'
import {
  binomialFrom,
  binomialShared,
  deathsFrom,
  quickExp,
  quickLogRest,
  seededRandom,
  sharedChance,
} from '#core/stats'

describe('a chance that many share', () => {
  it.each([0, 0.004, 0.06, 0.31, 0.5, 0.72, 0.97, 1])('of %d gives the same number as one of its own', p => {
    const shared = sharedChance(p)
    const random = seededRandom(Math.round(1000 * p))
    for (let n = 0; n <= 240; n++)
      for (const u of [1e-10, random(), random(), random(), 1 - 2e-10])
        expect(binomialShared(shared, u, n), `${u} of ${n}`).toBe(binomialFrom(u, n, p))
  })
  it('remembers what was worked out', () => {
    const shared = sharedChance(0.2)
    binomialShared(shared, 0.4, 30)
    const once = shared.sums[30]
    expect(once!.length).toBeGreaterThan(15)
    binomialShared(shared, 0.9, 30)
    expect(shared.sums[30]).toBe(once)
    expect(shared.sums.filter(Boolean)).toHaveLength(1)
  })
})

describe('deaths under a hazard', () => {
  it.each([0.002, 0.05, 0.4, 0.69, 0.7, 1.5])('of %d are a binomial number with chance 1 − e^(−h)', hazard => {
    const random = seededRandom(5)
    for (let n = 0; n <= 200; n += 3)
      for (const u of [1e-10, random(), random(), 1 - 2e-10])
        expect(Math.abs(deathsFrom(u, n, hazard) - binomialFrom(u, n, -Math.expm1(-hazard)))).toBeLessThanOrEqual(
          // at the very border between two numbers the last digit decides
          u === 1 - 2e-10 ? 1 : 0,
        )
  })
  it('nobody dies of nothing, and none of none', () => {
    expect([deathsFrom(0.999, 50, 0), deathsFrom(0.999, 0, 0.3)]).toEqual([0, 0])
  })
})

describe('quick functions', () => {
  it('the exponential is right to fourteen digits, and the engine’s own beyond its table', () => {
    for (let x = -39.9; x < 39.9; x += 0.0317)
      expect(Math.abs(quickExp(x) / Math.exp(x) - 1), `${x}`).toBeLessThan(2e-14)
    for (const x of [-745, -41, 41, 700, Infinity, -Infinity]) expect(quickExp(x)).toBe(Math.exp(x))
    expect(quickExp(Number.NaN)).toBeNaN()
    expect(quickExp(0)).toBe(1)
  })
  it('the logarithm of what is left is right to fourteen digits', () => {
    for (let p = 0; p <= 0.5; p += 0.00073)
      expect(Math.abs(quickLogRest(p) - Math.log1p(-p)), `${p}`).toBeLessThan(1e-14)
    expect(quickLogRest(0.5)).toBeCloseTo(Math.log(0.5), 14)
  })
})
