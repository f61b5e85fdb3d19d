import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { predict, smooth, type State, type Transition, update } from '#core/population'

const start: State = { m0: 3, m1: 0.05, p00: 0.2, p01: 0.01, p11: 0.04 }
const walk: Transition = { f00: 1, f01: 1, f11: 0.9, b0: 0, b1: 0.002, q00: 0.01, q11: 0.001 }

describe('predict and update', () => {
  it('moves the level by the growth', () => {
    const next = predict(start, walk)
    expect(next.m0).toBeCloseTo(3.05, 12)
    expect(next.p00).toBeCloseTo(0.2 + 2 * 0.01 + 0.04 + 0.01, 12)
  })
  it('lies between what was expected and what was seen, with less doubt than either', () => {
    fc.assert(fc.property(fc.double({ min: -5, max: 5, noNaN: true }), fc.double({ min: 1e-6, max: 10, noNaN: true }), (y, r) => {
      const { state } = update(start, y, r)
      expect(state.m0).toBeGreaterThanOrEqual(Math.min(start.m0, y) - 1e-12)
      expect(state.m0).toBeLessThanOrEqual(Math.max(start.m0, y) + 1e-12)
      expect(state.p00).toBeLessThanOrEqual(Math.min(start.p00, r) + 1e-12)
      expect(state.p11).toBeLessThanOrEqual(start.p11)
      expect(state.p00 * state.p11 - state.p01 ** 2).toBeGreaterThanOrEqual(-1e-12)
    }))
  })
  it('learns growth from the level', () => {
    const seen = update(predict(start, walk), 3.6, 0.01).state
    expect(seen.m1).toBeGreaterThan(predict(start, walk).m1)
  })
})

describe('smooth', () => {
  it('changes nothing when the future held no news', () => {
    const next = predict(start, walk)
    const back = smooth(start, next, next, walk)
    for (const key of ['m0', 'm1', 'p00', 'p01', 'p11'] as const) expect(back[key]).toBeCloseTo(start[key], 10)
  })
  it('carries later news back, and never adds doubt', () => {
    const next = predict(start, walk)
    const back = smooth(start, next, update(next, 3.5, 0.02).state, walk)
    expect(back.m0).toBeGreaterThan(start.m0)
    expect(back.p00).toBeLessThan(start.p00)
  })
  it('holds when growth is fixed', () => {
    const fixed: State = { ...start, p01: 0, p11: 0 }
    const still: Transition = { ...walk, f01: 0, q11: 0 }
    const next = predict(fixed, still)
    const back = smooth(fixed, next, update(next, 3.4, 0.01).state, still)
    expect(Number.isFinite(back.m0)).toBe(true)
    expect(back.m0).toBeGreaterThan(fixed.m0)
  })
})
