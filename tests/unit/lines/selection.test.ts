import { describe, expect, it } from 'vitest'
import {
  differentialOf,
  effectiveBySexes,
  effectiveOver,
  inbreedingOfBox,
  intensityOfFew,
  keptMean,
  realisedHeritability,
  rungMeans,
  rungShares,
  selectionOf,
  youngShares,
} from '#core/lines'

describe('keeping the best', () => {
  it('of few is less than of many, and comes near it', () => {
    const many = selectionOf(0.1).intensity
    const few = [10, 40, 160, 640].map(n => intensityOfFew(n / 10, n))
    expect(few.toSorted((a, b) => a - b)).toEqual(few)
    expect(few.every(i => i < many)).toBe(true)
    expect(few.at(-1)!).toBeCloseTo(many, 2)
  })
  it('all of them is no selection, the better of two lies at 1/√π', () => {
    expect(intensityOfFew(7, 7)).toBeCloseTo(0, 8)
    expect(intensityOfFew(1, 2)).toBeCloseTo(1 / Math.sqrt(Math.PI), 8)
    expect(intensityOfFew(1, 3)).toBeCloseTo(1.5 / Math.sqrt(Math.PI), 8)
    expect(differentialOf({ males: 1, females: 1 }, 3)).toBe(0)
    expect(differentialOf({ males: 1, females: 0.5 }, 2)).toBeCloseTo(selectionOf(0.5).intensity, 12)
  })
  it('refuses what cannot be', () => {
    expect(() => intensityOfFew(3, 2)).toThrow(/between 1 and 2/)
    expect(() => intensityOfFew(0, 2)).toThrow(/between 1 and 2/)
    expect(() => selectionOf(1)).toThrow(/between 0 and 1/)
    expect(() => effectiveOver([])).toThrow(/at least one/)
    expect(() => realisedHeritability([])).toThrow(/selected/)
    expect(() => realisedHeritability([{ differential: 0, response: 0.2 }])).toThrow(/selected/)
  })
})

describe('a box', () => {
  it('with one male is inbred faster than the sexes are told by the rule, with many of both as the rule says', () => {
    expect(effectiveBySexes(0, 0)).toBe(0)
    expect(effectiveBySexes(0, 9)).toBe(0)
    const rule = (ne: number, t: number) => 1 - (1 - 1 / (2 * ne)) ** t
    const many = inbreedingOfBox({ males: 40, females: 40 }, 20)
    expect(many.at(-1)!).toBeCloseTo(rule(80, 19), 2)
    const one = inbreedingOfBox({ males: 1, females: 20 }, 20)
    expect(one[0]).toBe(0)
    expect(one[1]).toBeGreaterThan(0.1)
    for (const [t, f] of one.slice(1).entries()) expect(f).toBeGreaterThan(one[t]!)
    expect(inbreedingOfBox({ males: 2, females: 20 }, 20).at(-1)!).toBeLessThan(one.at(-1)!)
  })
})

describe('rungs', () => {
  const graded = { mean: 0.2, sd: 1.4, cuts: [-1, 0.5, 2] }
  it('are all of the animals, and their means the mean', () => {
    const shares = rungShares(graded)
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12)
    expect(rungMeans(graded).reduce((sum, m, k) => sum + m * shares[k]!, 0)).toBeCloseTo(0.2, 12)
    expect(keptMean(graded, [1, 1, 1, 1])).toBeCloseTo(0.2, 12)
    // half of the best beside all of the second is between both
    const [, , second, best] = rungMeans(graded)
    const kept = keptMean(graded, [0, 0, 1, 0.5])
    expect(kept).toBeGreaterThan(second!)
    expect(kept).toBeLessThan(best!)
    expect(keptMean(graded, [0, 0, 0, 0.1])).toBeCloseTo(best!, 12)
  })
  it('young of parents that pass nothing on are as all; of better ones better', () => {
    const young = (sireRung: number, damRung: number, heritability: number) =>
      youngShares(graded, { sireRung, damRung, heritability })
    for (const [k, share] of young(3, 3, 0).entries()) expect(share).toBeCloseTo(rungShares(graded)[k]!, 8)
    expect(young(3, 3, 0.5).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 10)
    expect(young(3, 3, 0.5)[3]).toBeGreaterThan(young(3, 2, 0.5)[3]!)
    expect(young(3, 0, 0.5)).toEqual(young(0, 3, 0.5).map(s => expect.closeTo(s, 10)))
  })
})
