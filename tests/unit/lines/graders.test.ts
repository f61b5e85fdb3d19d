import { describe, expect, it } from 'vitest'
import { fitOrdinal, ordinalRegression, rungChances, weightedKappa } from '#core/lines'
import { normalBelow } from '#core/stats'

describe('two graders', () => {
  it('who always agree are at one, who never do under nought, by chance at nought', () => {
    expect(
      weightedKappa([
        [5, 0, 0],
        [0, 4, 0],
        [0, 0, 6],
      ]),
    ).toEqual({ kappa: 1, se: 0 })
    expect(
      weightedKappa([
        [0, 5],
        [5, 0],
      ]).kappa,
    ).toBe(-1)
    expect(
      weightedKappa([
        [4, 4],
        [4, 4],
      ]).kappa,
    ).toBeCloseTo(0, 12)
    expect(
      weightedKappa([
        [9, 0],
        [0, 0],
      ]),
    ).toEqual({ kappa: 1, se: 0 })
  })
  it('one rung apart weighs less than two, by its square less still', () => {
    const table = [
      [10, 4, 0],
      [2, 10, 4],
      [0, 2, 10],
    ]
    const far = [
      [10, 2, 2],
      [2, 10, 2],
      [2, 2, 10],
    ]
    for (const weights of ['linear', 'quadratic'] as const)
      expect(weightedKappa(table, weights).kappa).toBeGreaterThan(weightedKappa(far, weights).kappa)
    expect(weightedKappa(table).kappa).toBeGreaterThan(weightedKappa(table, 'linear').kappa)
    expect(weightedKappa(table)).toEqual(weightedKappa(table, 'quadratic'))
  })
  it('refuses a single rung and no animals', () => {
    expect(() => weightedKappa([[3]])).toThrow(/two rungs/)
    expect(() =>
      weightedKappa([
        [0, 0],
        [0, 0],
      ]),
    ).toThrow(/an animal/)
  })
})

describe('a fit of rungs', () => {
  it('finds no slope where nothing changes, and the shares of all', () => {
    const fit = fitOrdinal([0, 1, 2].map(x => ({ counts: [20, 30, 50], x })))
    expect(fit.slope).toBeCloseTo(0, 8)
    expect(fit.cuts[0]).toBeCloseTo(-0.8416, 3)
    expect(fit.cuts[1]).toBeCloseTo(0, 3)
  })
  it('holds rungs that are empty in some groups, and turns with the sign of what changes', () => {
    const counts = [
      [40, 9, 0],
      [12, 30, 9],
      [0, 8, 44],
    ]
    const up = fitOrdinal(counts.map((c, x) => ({ counts: c, x })))
    const down = fitOrdinal(counts.map((c, x) => ({ counts: c, x: -x })))
    expect(up.slope).toBeGreaterThan(1)
    expect(down.slope).toBeCloseTo(-up.slope, 6)
    expect(down.logLikelihood).toBeCloseTo(up.logLikelihood, 6)
    expect(up.cuts[0]!).toBeLessThan(up.cuts[1]!)
    // it is the highest point: a step to any side is lower
    const twice = fitOrdinal(counts.map((c, x) => ({ counts: c.map(n => 4 * n), x })))
    expect(twice.slope).toBeCloseTo(up.slope, 6)
    for (const [i, se] of twice.se.entries()) expect(se).toBeCloseTo(up.se[i]! / 2, 6)
  })
  it('tells one more animal’s rung with the doubt of the fit: few graded ones make it less sure', () => {
    const of = (times: number) => {
      const groups = [
        [8, 2, 1],
        [3, 6, 3],
        [1, 2, 8],
      ].map((counts, x) => ({ counts: counts.map(n => n * times), x: [x] }))
      const fit = ordinalRegression(groups)
      return { fit, chances: rungChances(fit, [2.5]) }
    }
    const [few, many] = [of(1), of(50)]
    expect(few.fit.slopes[0]).toBeCloseTo(many.fit.slopes[0]!, 6)
    expect(few.chances[2]).toBeLessThan(many.chances[2]! - 0.01)
    // with no doubt left it is the curve itself
    expect(many.chances[2]).toBeCloseTo(1 - normalBelow(many.fit.cuts[1]! - 2.5 * many.fit.slopes[0]!, 0, 1), 2)
    expect(few.chances.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
    // a prior pulls the slope towards none
    const pulled = ordinalRegression(
      [
        [8, 2, 1],
        [1, 2, 8],
      ].map((counts, x) => ({ counts, x: [x] })),
      0.2,
    )
    expect(Math.abs(pulled.slopes[0]!)).toBeLessThan(0.5)
  })
  it('refuses a rung on which nobody stands, and one place alone', () => {
    expect(() =>
      fitOrdinal([
        { counts: [3, 0, 4], x: 0 },
        { counts: [3, 0, 4], x: 1 },
      ]),
    ).toThrow(/on each of them/)
    expect(() =>
      fitOrdinal([
        { counts: [3, 2], x: 1 },
        { counts: [1, 2], x: 1 },
      ]),
    ).toThrow(/two places/)
    expect(() => fitOrdinal([])).toThrow(/on each of them/)
  })
})
