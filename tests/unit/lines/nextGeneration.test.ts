import { describe, expect, it } from 'vitest'
import {
  bothSexes,
  fitLine,
  generationsAhead,
  nextGeneration,
  paceAhead,
  pickCurve,
  proposedPick,
  usualYoung,
} from '#core/lines'
import { keepBest } from '../../../core/lines/ahead'
import { bred, lineOf } from './historyParts'

const line = lineOf([
  { counts: [20, 40, 30, 10], kept: [0, 0, 0, 10] },
  { counts: [9, 30, 38, 23], kept: [0, 0, 0, 10] },
  { counts: [4, 22, 38, 36], kept: [0, 0, 0, 10] },
])
const fit = fitLine(line)
const of = (rungs: readonly number[]) => (['male', 'female'] as const).map(sex => bred('g2', rungs, sex))
const next = (rungs: readonly number[], young = 100) => nextGeneration(fit, { breeders: of(rungs), young })

describe('the next generation', () => {
  it('of the best is better than of all, and of the worst worse', () => {
    const [best, all, worst] = [next([0, 0, 0, 12]), next([1, 6, 11, 10]), next([12, 0, 0, 0])]
    expect(best.meanRung.value).toBeGreaterThan(all.meanRung.value + 0.1)
    expect(worst.meanRung.value).toBeLessThan(all.meanRung.value - 0.3)
    expect(best.gain.low).toBeGreaterThan(0)
    expect(worst.gain.high).toBeLessThan(0)
  })
  it('is about where the line stood when all breed', () => {
    const all = next([4, 22, 38, 36])
    for (const [k, share] of [0.04, 0.22, 0.38, 0.36].entries())
      expect(Math.abs(all.shares[k]!.value - share)).toBeLessThan(0.06)
    expect(all.gain.low).toBeLessThan(0)
    expect(all.gain.high).toBeGreaterThan(0)
  })
  it('has shares that go up to one, and ranges that widen for few young', () => {
    const { shares, upFrom } = next([0, 0, 0, 12])
    expect(shares.reduce((sum, s) => sum + s.value, 0)).toBeCloseTo(1, 1)
    expect(upFrom[0]).toEqual({ low: 1, value: 1, high: 1 })
    expect(upFrom[3]).toEqual(shares[3])
    const width = (young: number) => {
      const s = next([0, 0, 0, 12], young).shares[3]!
      return s.high - s.low
    }
    expect(width(8)).toBeGreaterThan(1.3 * width(1000))
  })
  it('of two parents is less sure than of thirty', () => {
    const width = (rungs: readonly number[]) => {
      const { gain } = next(rungs)
      return gain.high - gain.low
    }
    expect(width([0, 0, 0, 1])).toBeGreaterThan(1.3 * width([0, 0, 0, 15]))
  })
  it('needs both sexes', () => {
    expect(() => nextGeneration(fit, { breeders: [bred('g2', [0, 0, 0, 3], 'male')], young: 50 })).toThrow(/females/)
  })
})

describe('keeping the best, by hand', () => {
  // a tenth of each sex of a hundred: intensity 1.755, of whose square 1.755 · (1.755 − 1.2816) is gone
  const state = { variance: 0.4, seen: 1, segregating: 0.15 }
  const kept = keepBest(state, { males: 5, females: 5, young: 100 })
  it('raises the young by intensity times regression', () => {
    expect(kept.rise).toBeCloseTo(1.755 * 0.4, 3)
  })
  it('narrows the variance by selection and by how few they are', () => {
    const left = 0.4 * (1 - 0.4 * 1.755 * (1.755 - 1.2816))
    const among = left * (1 - 1.7 / 5) + left * (1 - 1.3 / 5)
    expect(kept.variance).toBeCloseTo(among / 4 + 0.15, 3)
    expect(kept.doubt).toBeCloseTo((left * (1.7 / 5 + 1.3 / 5)) / 4 + 0.15 / 100, 3)
  })
  it('of inbred breeders brings ever less, until nothing is left to select', () => {
    const far = fitLine(
      lineOf([
        { counts: [60, 25, 10, 4, 1, 0, 0, 0, 0], kept: [0, 0, 8, 3, 1, 0, 0, 0, 0] },
        { counts: [50, 28, 14, 6, 2, 0, 0, 0, 0], kept: [0, 0, 8, 3, 1, 0, 0, 0, 0] },
      ]),
    )
    const end = (pairs: number) => {
      const sets = (['male', 'female'] as const).map(sex => bred('g1', [pairs, 0, 0, 0, 0, 0, 0, 0, 0], sex))
      return generationsAhead(far, { breeders: sets, generations: 12, young: 40 }).at(-1)!.meanRung.value
    }
    // one pair keeps but a few of forty, harder than nine pairs do, and yet gets less far
    expect(end(1)).toBeLessThan(3)
    expect(end(9)).toBeGreaterThan(end(1) + 0.8)
  })
})

describe('as whom they are graded', () => {
  it('a strict keeper will see fewer good ones, and a blurred one wider', () => {
    const pairs = [
      [8, 0, 0, 0],
      [20, 2, 0, 0],
      [2, 24, 10, 0],
      [0, 2, 20, 10],
    ]
    const [g0, g1, g2] = line.groups
    const twice = [{ graders: ['A', 'B'] as const, table: pairs }]
    const both = fitLine({ ...line, groups: [g0!, g1!, { ...g2!, twice }] })
    const best = (grader?: string) =>
      nextGeneration(both, { breeders: of([0, 0, 0, 12]), young: 100, ...(grader && { grader }) }).upFrom[2]!.value
    expect(best('B')).toBeLessThan(best('A') - 0.1)
    expect(Math.abs(best('A') - best())).toBeLessThan(0.06)
  })
})

describe('several generations ahead', () => {
  const ahead = generationsAhead(fit, { breeders: of([0, 0, 0, 10]), generations: 8, young: 100 })
  it('rises ever more slowly', () => {
    const means = ahead.map(a => a.meanRung.value)
    const steps = means.slice(1).map((m, t) => m - means[t]!)
    expect(steps[0]).toBeGreaterThan(0)
    expect(steps.at(-1)!).toBeLessThan(steps[0]!)
  })
  it('is less sure the further it looks', () => {
    const middle = (t: number) => ahead[t]!.upFrom[2]!.value
    expect(middle(7)).toBeGreaterThan(middle(0))
    const unsure = ahead.map(a => a.meanRung.high - a.meanRung.low)
    expect(unsure[3]).toBeGreaterThan(unsure[0]!)
  })
})

describe('one mind', () => {
  it('the first of the generations ahead is the next one, also where the breeders are inbred', () => {
    // four of each sex in each of six generations: a quarter of the variance is gone
    const few = lineOf(Array.from({ length: 6 }, () => ({ counts: [10, 40, 30, 20], kept: [0, 0, 0, 2] })))
    const inbred = fitLine(few)
    const breeders = (['male', 'female'] as const).map(sex => bred('g5', [0, 0, 0, 12], sex))
    const [first] = generationsAhead(inbred, { breeders, generations: 1, young: 2000 })
    const told = nextGeneration(inbred, { breeders, young: 2000 })
    for (const part of ['low', 'value', 'high'] as const) {
      expect(Math.abs(first!.meanRung[part] - told.meanRung[part])).toBeLessThan(0.05)
      expect(Math.abs(first!.upFrom[3]![part] - told.upFrom[3]![part])).toBeLessThan(0.03)
    }
    expect(inbred.model.segregates(breeders)).toBeLessThan(0.85)
    expect(fit.model.segregates(of([0, 0, 0, 10]))).toBeGreaterThan(0.95)
  })
  it('all forecasts of a line think of as many young', () => {
    expect(usualYoung(line)).toBe(100)
    const tiny = lineOf([{ counts: [1, 2, 1, 1], kept: [0, 0, 0, 1] }])
    const huge = lineOf([{ counts: [100, 200, 100, 100], kept: [0, 0, 0, 1] }])
    expect([usualYoung(tiny), usualYoung(huge)]).toEqual([20, 200])
  })
  it('both sexes breed, or animals that nobody told apart', () => {
    const set = (sex: 'male' | 'female' | 'mixed', number = 2) => ({ sex, number })
    expect(bothSexes([set('male'), set('female')])).toBe(true)
    expect(bothSexes([set('mixed')])).toBe(true)
    expect(bothSexes([set('male'), set('female', 0)])).toBe(false)
    expect(bothSexes([])).toBe(false)
  })
  it('a pace ahead is what each further generation brings', () => {
    const at = (value: number) => ({ meanRung: { low: value, value, high: value }, upFrom: [] })
    expect(paceAhead([at(2), at(2.5), at(2.6)])).toBeCloseTo(0.3, 9)
    expect(paceAhead([at(2)])).toBe(0)
  })
})

describe('the curve of picks', () => {
  const stock = { groupId: 'g2', grader: 'A', females: [2, 11, 19, 18], males: [2, 11, 19, 18] }
  const curve = pickCurve(fit, stock, 100)
  it('goes from few to all: less gain, less kinship', () => {
    expect(curve.at(-1)!.share).toBe(1)
    expect(curve[0]!.share).toBeLessThan(0.08)
    const rates = curve.map(p => p.variety.perGeneration)
    expect(rates.toSorted((a, b) => b - a)).toEqual(rates)
    expect(curve[0]!.next.gain.value).toBeGreaterThan(curve.at(-1)!.next.gain.value + 0.1)
  })
  it('takes from the top rung down', () => {
    const fifth = curve.find(p => p.share > 0.45 && p.share < 0.5)!
    expect(fifth.breeders.map(b => b.rungs)).toEqual([
      [0, 0, 5, 18],
      [0, 0, 5, 18],
    ])
  })
  it('proposes most gain within what is allowed', () => {
    const allowed = { perGeneration: 0.03, comesBack: () => true }
    const pick = proposedPick(curve, allowed)!
    expect(pick.variety.perGeneration).toBeLessThanOrEqual(0.03)
    const better = curve.filter(p => p.next.gain.value > pick.next.gain.value)
    for (const p of better) expect(p.variety.perGeneration).toBeGreaterThan(0.03)
    // where less is allowed, a wider one
    const strict = proposedPick(curve, { ...allowed, perGeneration: 0.012 })!
    expect(strict.variety.perGeneration).toBeLessThanOrEqual(0.012)
    expect(strict.share).toBeGreaterThan(pick.share)
    expect(strict.next.gain.value).toBeLessThan(curve[0]!.next.gain.value)
    // one that does not come back is not proposed
    expect(proposedPick(curve, { ...allowed, comesBack: p => p.share > 0.7 })!.share).toBeGreaterThan(0.7)
    expect(proposedPick(curve, { ...allowed, comesBack: () => false })).toBe(curve.at(-1))
  })
})
