import { describe, expect, it } from 'vitest'
import {
  foundersHolding,
  generationsLeft,
  inbreedingAhead,
  inbreedingOfGroups,
  inbreedingWith,
  malesFor,
  optimalContributions,
  rateWithin,
  varietyAmong,
} from '#core/lines'
import { bred, lineOf } from './historyParts'

describe('optimal contributions', () => {
  const unrelated = (n: number) =>
    Array.from({ length: n }, (_, i) => Array.from({ length: n }, (__, j) => (i === j ? 0.5 : 0)))
  it('of unrelated ones at the lowest kinship are even', () => {
    const { shares, kinship } = optimalContributions({ merit: [3, 1, 0, 0], coancestry: unrelated(4) }, 0.125)
    for (const s of shares) expect(s).toBeCloseTo(0.25, 3)
    expect(kinship).toBeCloseTo(0.125, 5)
  })
  it('without a limit that binds are the best alone', () => {
    const { shares, gain } = optimalContributions({ merit: [3, 1, 0, 0], coancestry: unrelated(4) }, 0.5)
    expect(shares[0]).toBeCloseTo(1, 3)
    expect(gain).toBeCloseTo(3, 2)
  })
  it('say when nobody can stay below the limit', () => {
    const told = optimalContributions({ merit: [3, 1, 0, 0], coancestry: unrelated(4) }, 0.1)
    expect(told.reached).toBe(false)
    expect(told.kinship).toBeCloseTo(0.125, 5)
  })
  it('are half of each sex', () => {
    const males = [true, true, false, false]
    const { shares } = optimalContributions({ merit: [3, 1, 0, 2], coancestry: unrelated(4), males }, 0.2)
    expect(shares[0]! + shares[1]!).toBeCloseTo(0.5, 6)
    expect(shares[3]).toBeGreaterThan(shares[2]!)
  })
  it('take two boxes of brothers and sisters without complaint', () => {
    const kin = [0, 0, 1, 1].map((a, i) => [0, 0, 1, 1].map((b, j) => (i === j ? 0.5 : a === b ? 0.25 : 0)))
    const { shares } = optimalContributions({ merit: [2, 1.9, 1, 0.9], coancestry: kin }, 0.2)
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6)
    expect(shares[2]).toBeGreaterThan(0.1)
  })
  it('refuse what does not fit', () => {
    expect(() => optimalContributions({ merit: [1, 2], coancestry: unrelated(3) }, 0.2)).toThrow(/square of 2/)
    expect(() => optimalContributions({ merit: [1, 2], coancestry: unrelated(2), males: [true, true] }, 0.2)).toThrow(
      /both sexes/,
    )
  })
})

describe('variety among breeders', () => {
  it('is little with one male and many females', () => {
    const one = varietyAmong([bred('g', [0, 1], 'male'), bred('g', [0, 20], 'female')])
    const six = varietyAmong([bred('g', [0, 6], 'male'), bred('g', [0, 20], 'female')])
    expect(one).toMatchObject({ males: 1, females: 20 })
    // 4 · 0.588 · 15.4 / 15.97
    expect(one.effective).toBeCloseTo(2.27, 1)
    expect(six.perGeneration).toBeLessThan(one.perGeneration / 4)
    expect(varietyAmong([bred('g', [0, 12], 'mixed')])).toMatchObject({ males: 6, females: 6 })
    expect(varietyAmong([bred('g', [0, 4], 'male')]).perGeneration).toBe(1)
  })
  it('runs out after so many generations', () => {
    expect(generationsLeft(0.1, 0.05, 0.25)).toBeCloseTo(Math.log(0.75 / 0.9) / Math.log(0.95), 9)
    expect(generationsLeft(0.3, 0.05, 0.25)).toBe(0)
    expect(inbreedingWith(0.1, 0.05, 2)).toBeCloseTo(1 - 0.9 * 0.95 ** 2, 9)
  })
})

describe('what may be lost', () => {
  it('a generation, for ten of them within a limit', () => {
    expect((1 - rateWithin(0.25, 10)) ** 10).toBeCloseTo(0.75, 9)
  })
  it('asks for so many males, and for no number where females are too few', () => {
    const rate = rateWithin(0.25, 10)
    const males = malesFor(20, rate)!
    const lost = (m: number) => varietyAmong([bred('g', [0, m], 'male'), bred('g', [0, 20], 'female')]).perGeneration
    expect(lost(males)).toBeLessThanOrEqual(rate)
    expect(lost(males - 1)).toBeGreaterThan(rate)
    expect(malesFor(3, rate)).toBeNull()
  })
  it('goes on as before, or begins anew after an outcross', () => {
    const ahead = inbreedingAhead(0.2, 0.05, 2)
    expect(ahead.map(a => a.asBefore)).toEqual([0.2, 0.24, 0.278].map(x => expect.closeTo(x, 9)))
    expect(ahead.map(a => a.afterOutcross)).toEqual([0.2, 0, expect.closeTo(0.05, 9)])
  })
  it('leaves what so many founders would hold', () => {
    expect(foundersHolding(0.125)).toBe(4)
    expect(foundersHolding(0.9)).toBe(1)
    expect(foundersHolding(0)).toBeNull()
  })
})

describe('inbreeding over possible pedigrees', () => {
  const line = (kept: readonly number[]) =>
    lineOf(Array.from({ length: 6 }, () => ({ counts: [20, 40, 30, 10], kept })))
  const after = (kept: readonly number[]) => inbreedingOfGroups(line(kept).groups).of.get('g5')!
  it('rises faster with fewer breeders, and holds a range', () => {
    const [few, many] = [after([0, 0, 0, 4]), after([0, 0, 0, 20])]
    expect(few.low).toBeGreaterThan(many.high)
    expect(few.low).toBeLessThan(few.value)
    expect(few.value).toBeLessThan(few.high)
  })
  it('is none in founders and in their young', () => {
    const { of } = inbreedingOfGroups(line([0, 0, 0, 10]).groups)
    expect(of.get('g0')).toEqual({ low: 0, value: 0, high: 0 })
    expect(of.get('g1')).toEqual({ low: 0, value: 0, high: 0 })
    expect(of.get('g2')!.value).toBeGreaterThan(0)
  })
  it('of brother by sister is exact: 1/4, 3/8, 1/2', () => {
    const { of } = inbreedingOfGroups(line([0, 0, 0, 1]).groups)
    for (const [id, f] of Object.entries({ g1: 0, g2: 1 / 4, g3: 3 / 8, g4: 1 / 2, g5: 19 / 32 }))
      expect(of.get(id)!.value).toBeCloseTo(f, 9)
  })
  it('is more where the breeders were chosen: relatives are chosen together', () => {
    const { groups } = line([0, 0, 0, 6])
    const atRandom = groups.map(g => ({ ...g, breeders: g.breeders.map(b => ({ ...b, rungs: null })) }))
    const random = inbreedingOfGroups(atRandom).of.get('g5')!.value
    expect(after([0, 0, 0, 6]).value).toBeGreaterThan(1.04 * random)
  })
  it('is more than sexes alone would say (families are uneven, and relatives are chosen together)', () => {
    const { groups } = line([0, 0, 0, 8])
    const sexes = 1 - (1 - 1 / 32) ** 4
    expect(after([0, 0, 0, 8]).value).toBeGreaterThan(1.2 * sexes)
    expect(groups).toHaveLength(6)
  })
})
