import { describe, expect, it } from 'vitest'
import {
  goingOn,
  type SwitchingBelief,
  type SwitchingNoise,
  switchingAfter,
  switchingFrom,
  switchingSeen,
  together,
  type TrendBelief,
} from '#core/stats'

const noise: SwitchingNoise = {
  steady: { wander: 0.1, slopeSd: 0.02, memory: 6 },
  moving: { wander: 0.05, slopeSd: 0.3, memory: 12 },
  steadyFor: 60,
  movesFor: 20,
  leaps: 0.02,
  leapSd: 3,
}
const belief = (level: number, slope = 0, levelVar = 0.04, cov = 0, slopeVar = 0.01): TrendBelief => ({
  level,
  slope,
  levelVar,
  cov,
  slopeVar,
})
/** Weekly readings from the first on. */
const told = (values: readonly number[], sd: number) =>
  values
    .slice(1)
    .reduce(
      (b, value) => switchingSeen(switchingAfter(b, 1, noise), value, () => sd, noise).belief,
      switchingFrom(values[0]!, sd, noise),
    )

describe('a level that is steady or moves', () => {
  it('begins as often moving as it is in the long run', () => {
    expect(switchingFrom(5, 0.4, noise)).toMatchObject({
      moves: 0.25,
      steady: { level: 5, slope: 0, slopeVar: 0.02 ** 2 },
      moving: { slopeVar: 0.3 ** 2 },
    })
    expect(switchingFrom(5, 0.4, noise).steady.levelVar).toBeCloseTo(0.16, 12)
  })
  it('forgets which it was, at the pace of both ways', () => {
    const sure: SwitchingBelief = { steady: belief(5), moving: belief(5, 0.2), moves: 1 }
    // of two states in continuous time: long-run share and what is left of the start
    expect(switchingAfter(sure, 10, noise).moves).toBeCloseTo(0.25 + 0.75 * Math.exp(-10 * (1 / 60 + 1 / 20)), 12)
    expect(switchingAfter(sure, 1e4, noise).moves).toBeCloseTo(0.25, 9)
    expect(goingOn(sure, 10, noise).moves).toBe(1)
  })
  it('begins to move with a slope that nothing is known of, and keeps its level', () => {
    const quiet: SwitchingBelief = { steady: belief(5), moving: belief(9, 1), moves: 1e-12 }
    const { moving } = switchingAfter(quiet, 1e-6, noise)
    expect(moving.level).toBeCloseTo(5, 3)
    expect(moving.slopeVar).toBeCloseTo(0.3 ** 2, 3)
    const stopped = switchingAfter({ steady: belief(9), moving: belief(5, 1, 0.04, 0.01), moves: 1 }, 1e-6, noise)
    expect(stopped.steady.level).toBeCloseTo(5, 3)
    expect(stopped.steady.slope).toBe(0)
    expect(stopped.steady.cov).toBeCloseTo(0, 6)
    expect(stopped.steady.slopeVar).toBeCloseTo(0.02 ** 2, 6)
  })
  it('is told together by the moments of both', () => {
    const both = together({ steady: belief(4, 0, 0.04, 0, 0.01), moving: belief(8, 1, 0.08, 0.02, 0.05), moves: 0.25 })
    expect(both.level).toBeCloseTo(5)
    expect(both.slope).toBeCloseTo(0.25)
    // within and between: 0.05 + 3/16 × 16, 0.005 + 3/16 × 4, 0.02 + 3/16
    expect(both.levelVar).toBeCloseTo(3.05)
    expect(both.cov).toBeCloseTo(0.755)
    expect(both.slopeVar).toBeCloseTo(0.2075)
  })
  it('knows a slide from scatter', () => {
    const slides = told([5, 5.4, 5.7, 6.2, 6.6, 6.9], 0.2)
    expect(slides.moves).toBeGreaterThan(0.9)
    expect(slides.moving.slope).toBeGreaterThan(0.25)
    expect(slides.moving.slope).toBeLessThan(0.45)
    const quiet = told([5, 5.2, 4.9, 5.1, 4.8, 5.1], 0.2)
    expect(quiet.moves).toBeLessThan(0.25)
    expect(together(quiet).slope).toBeCloseTo(0, 1)
  })
  it('weighs a leap by Bayes’ rule', () => {
    const still: SwitchingBelief = { steady: belief(5), moving: belief(5), moves: 0.25 }
    const density = (off: number, variance: number) => Math.exp(-(off ** 2) / (2 * variance)) / Math.sqrt(variance)
    for (const value of [5.2, 6, 7]) {
      const leapt = 0.02 * density(value - 5, 0.04 + 9 + 0.09)
      const stayed = 0.98 * density(value - 5, 0.04 + 0.09)
      const seen = switchingSeen(still, value, () => 0.3, noise)
      expect(seen.leapt).toBeCloseTo(leapt / (leapt + stayed), 10)
      expect(seen.belief.moves).toBeCloseTo(0.25, 10)
      expect(seen.surprise).toBeCloseTo((value - 5) / Math.sqrt(0.13), 10)
      const gain = 0.04 / 0.13
      const leapGain = 9.04 / 9.13
      const chance = leapt / (leapt + stayed)
      expect(seen.belief.steady.level).toBeCloseTo(5 + (value - 5) * (gain + chance * (leapGain - gain)), 10)
    }
  })
  it('asks for the doubt of a test where the level is thought to be, and of a leap where it was read', () => {
    const asked: number[] = []
    switchingSeen({ steady: belief(5), moving: belief(6), moves: 0.5 }, 20, level => (asked.push(level), 0.3), noise)
    expect(new Set(asked)).toEqual(new Set([5, 6, 20, 5.5]))
  })
  it('bears a reading that nothing explains', () => {
    const seen = switchingSeen({ steady: belief(5), moving: belief(5), moves: 0.3 }, 1e9, () => 0.3, noise)
    expect(seen.leapt).toBe(1)
    expect(seen.belief.moves).toBe(0.3)
  })
})
