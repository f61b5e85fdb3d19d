import { describe, expect, it } from 'vitest'
import { DAY_MS, WEEK_MS } from '#core/records'
import { normalBelow, zQuantile } from '#core/stats'
import type { Fit } from '../../../core/population/fit'
import {
  chanceAt,
  futureFan,
  type Futures,
  grownAhead,
  riskUnder,
  weeksToReach,
} from '../../../core/population/futures'
import { growthAhead, recentChange } from '../../../core/population/growth'
import { largestBearable } from '../../../core/population/largestTake'
import { learnt, ownEvidence } from '../../../core/population/learnt'
import type { BandPoint, PopulationQuestion } from '../../../core/population/question'
import { LOSSES, RECRUITS, ROOM, ROWS, SEEN } from '../../../core/population/stages'
import { NOW } from '../../make'
import { ratesOf } from './questions'

/** What is read from futures and possible colonies that are written down here one by one. */

/** Futures by hand: of each week the totals, females and half-grown of all futures. */
function futuresOf(weeks: readonly { totals: number[]; females?: number[]; halfGrown?: number[] }[]): Futures {
  const size = weeks[0]!.totals.length
  const none = () => Array.from({ length: size }, () => 0)
  const flat = (of: (w: (typeof weeks)[number]) => number[]) => Float64Array.from(weeks.flatMap(of))
  return {
    size,
    weeks: weeks.length - 1,
    totals: flat(w => w.totals),
    females: flat(w => w.females ?? none()),
    halfGrown: flat(w => w.halfGrown ?? none()),
  }
}
const still = (n: number[], weeks = 9) => futuresOf(Array.from({ length: weeks }, () => ({ totals: n })))

describe('growth ahead', () => {
  it('is the mean change of the logarithm over eight weeks, told as a share', () => {
    const weeks = Array.from({ length: 12 }, (_, w) => ({ totals: [100 * 1.05 ** w, 40 * 0.98 ** w, 10] }))
    const g = growthAhead(futuresOf(weeks))
    expect(g.value).toBeCloseTo(0, 10)
    expect(g.high).toBeGreaterThan(0.03)
    expect(g.low).toBeLessThan(-0.01)
    // of three one grows, one stays (half of which counts as risen), and one falls by two in a hundred
    expect(g.rising).toBeCloseTo(1.5 / 3, 10)
    expect(g.steady).toBeCloseTo(1 / 3, 10)
  })
  it('ends where none are left, and looks no further than eight weeks', () => {
    const dying = Array.from({ length: 20 }, (_, w) => ({ totals: [w < 9 ? Math.max(0, 8 - w) : 1000] }))
    expect(growthAhead(futuresOf(dying)).value).toBeCloseTo(Math.expm1(Math.log(0.5 / 8) / 8), 10)
  })
})

describe('the last eight weeks', () => {
  const at = (weeksAgo: number, p50: number, spread = 1.2): BandPoint => ({
    at: NOW - weeksAgo * WEEK_MS,
    p10: p50 / spread,
    p25: p50 / Math.sqrt(spread),
    p50,
    p75: p50 * Math.sqrt(spread),
    p90: p50 * spread,
  })
  const step = (weeksAgo: number, change: number, more: object = {}) => ({
    kind: 'step' as const,
    at: NOW - weeksAgo * WEEK_MS,
    change,
    entryId: '',
    ...more,
  })
  const recent = (events: object[], path: BandPoint[]) =>
    recentChange({ events, nowMs: NOW } as unknown as PopulationQuestion, { path } as unknown as Fit)
  it('puts back what was taken, and not what died or hatched', () => {
    const path = [at(20, 500), at(9, 80), at(4, 90), at(0, 100)]
    const events = [
      step(9, -50),
      step(5, -20),
      step(3, -30, { death: true }),
      step(2, 7, { hatched: true }),
      step(1, 4),
      step(0, -1),
    ]
    const r = recent(events, path)!
    expect(r).toMatchObject({ weeks: 9, from: 80, moved: -17 })
    expect(r.perWeek.value).toBeCloseTo(Math.expm1(Math.log(117 / 80) / 9), 10)
    // both ends have their spread: 1.2 to each side is one and a quarter standard deviations
    const wide = Math.hypot(Math.log(1.2), Math.log(1.2))
    expect(r.perWeek.high).toBeCloseTo(Math.expm1((Math.log(117 / 80) + wide) / 9), 6)
    expect(r.perWeek.low).toBeCloseTo(Math.expm1((Math.log(117 / 80) - wide) / 9), 6)
  })
  it('of a colony that is younger says nothing', () => {
    expect(recent([], [at(7.9, 20), at(0, 30)])).toBeNull()
    expect(recent([], [at(8, 20), at(0, 30)])).not.toBeNull()
  })
})

describe('what the log has told', () => {
  const r = ratesOf('neocaridina')
  const spreads = { recruits: 0.5, losses: 0.45, room: 0.65, seen: 0.06, sight: 0, shape: 0.5 }
  const fitOf = (rows: Partial<Record<number, number[]>>, size = 4) => {
    const cloud = new Float64Array(ROWS * size)
    for (const [row, values] of Object.entries(rows)) for (const [i, v] of values!.entries()) cloud[+row * size + i] = v
    return { cloud, size, spreads } as unknown as Fit
  }
  it('is the share of the variance of growth that it took away', () => {
    const prior = (r.growthByRecruits * 0.5) ** 2 + (r.growthByLosses * 0.45) ** 2
    // two colonies at each side: variance by hand
    const fit = fitOf({ [RECRUITS]: [0.2, 0.2, -0.1, -0.1], [LOSSES]: [0.1, 0.1, 0.3, 0.3] })
    const a = r.growthByRecruits * 0.2 + r.growthByLosses * 0.1
    const b = r.growthByRecruits * -0.1 + r.growthByLosses * 0.3
    expect(ownEvidence(fit, r)).toBeCloseTo(1 - ((a - b) / 2) ** 2 / prior, 10)
    expect(ownEvidence(fitOf({ [RECRUITS]: [9, -9, 9, -9] }), r)).toBe(0)
    expect(ownEvidence(fitOf({ [RECRUITS]: [1, 1, 1, 1] }), r)).toBeCloseTo(1, 10)
    expect(ownEvidence(fit, { ...r, growthByRecruits: 0, growthByLosses: 0 })).toBe(0)
  })
  it('stands beside what was held before, for what may differ alone', () => {
    const fit = fitOf({ [ROOM]: [0.1, 0.1, 0.1, 0.1], [SEEN]: [0, 0, 0, 0] })
    const told = learnt(fit, { spreads } as unknown as PopulationQuestion)
    expect(told.map(l => l.name)).toEqual(['recruits', 'losses', 'room', 'shape', 'seen'])
    const room = told.find(l => l.name === 'room')!
    expect(room.now.value).toBeCloseTo(Math.exp(0.1), 10)
    expect(room.before.value).toBe(1)
    expect(Math.log(room.before.high)).toBeCloseTo(1.2816 * 0.65, 4)
    expect(Math.log(room.before.low)).toBeCloseTo(-1.2816 * 0.65, 4)
  })
})

describe('futures by the week', () => {
  const f = futuresOf([
    { totals: [10, 20, 30, 40, 50], halfGrown: [1, 2, 3, 4, 5], females: [5, 9, 14, 18, 22] },
    { totals: [5, 25, 35, 45, 90], halfGrown: [0, 5, 5, 5, 10], females: [2, 12, 15, 20, 40] },
  ])
  it('their fan and their grown', () => {
    const fan = futureFan(f.totals, f, NOW)
    expect(fan.map(b => b.p50)).toEqual([30, 35])
    expect(fan.map(b => b.at)).toEqual([NOW, NOW + 7 * DAY_MS])
    expect([fan[0]!.p25, fan[0]!.p75]).toEqual([20, 40])
    expect(fan[1]!.p10).toBeLessThan(25)
    expect(fan[1]!.p90).toBeGreaterThan(45)
    expect(grownAhead(f, NOW).map(g => g.value)).toEqual([27, 30])
    expect(grownAhead(f, NOW)[1]!.at).toBe(NOW + WEEK_MS)
  })
  it('the risk of each floor, at any time', () => {
    expect(riskUnder(f, { total: 10, females: 0, males: 0 })).toMatchObject({ any: 0.2, total: 0.2, females: 0 })
    expect(riskUnder(f, { total: 0, females: 10, males: 0 })).toMatchObject({ any: 0.4, females: 0.4, total: 0 })
    // males are what is neither half-grown nor a female: 4, 9, 13, 18, 23, and 3, 8, 15, 20, 40
    expect(riskUnder(f, { total: 0, females: 0, males: 9 })).toMatchObject({ any: 0.4, males: 0.4 })
    expect(riskUnder(f, { total: 0, females: 0, males: 4 })).toMatchObject({ any: 0.2, males: 0.2 })
    expect(riskUnder(f, { total: 21, females: 10, males: 0 }).any).toBe(0.4)
    expect(riskUnder(still([30, 30]), { total: 30, females: 0, males: 0 }).any).toBe(0)
  })
  it('when a number is first there, and how many futures hold it', () => {
    expect(weeksToReach(f.totals, f, 41)).toEqual({ p10: 0, p50: Infinity, p90: Infinity, reachedShare: 0.4 })
    expect(weeksToReach(f.totals, f, 25)).toMatchObject({ p10: 0, p50: 0, p90: Infinity, reachedShare: 0.8 })
    expect([chanceAt(f.totals, f, 0, 30), chanceAt(f.totals, f, 1, 25), chanceAt(f.totals, f, 1, 91)]).toEqual([
      0.6, 0.8, 0,
    ])
  })
})

describe('the largest number that can be borne', () => {
  const risk = (k: number) => ({ any: k / 100 })
  it.each([1, 3, 17, 18, 40, 99])('is found from any guess (%i)', guess => {
    const found = largestBearable(risk, 0.175, { guess: () => guess, most: 80 })
    expect(found.good).toBe(17)
    expect(found.after).toEqual({ any: 0.17 })
    expect(found.broken!.any).toBeGreaterThan(0.175)
  })
  it('is the most where all can be borne, and none where none can', () => {
    expect(largestBearable(() => ({ any: 0 }), 0.1, { guess: () => 5, most: 30 })).toMatchObject({
      good: 30,
      broken: null,
    })
    expect(largestBearable(() => ({ any: 1 }), 0.1, { guess: () => 5, most: 30 })).toMatchObject({
      good: 0,
      after: null,
    })
  })
  it('is near enough within a share, and asks less for it', () => {
    let asked = 0
    const found = largestBearable(
      k => {
        asked++
        return { any: k / 10_000 }
      },
      0.5,
      { guess: () => 3000, most: 9000, within: 0.02 },
    )
    expect(found.good).toBeGreaterThan(4890)
    expect(found.good).toBeLessThanOrEqual(5000)
    expect(asked).toBeLessThan(11)
  })
  it.each([
    [1.2, 5],
    [1, 4],
    [0.64, 5],
  ])('goes where the risks point to: from a guess of %f times the answer it asks %i times at most', (off, most) => {
    // risks as a colony has them: normal in the take, and not told apart from twice the allowed one on
    const asked: number[] = []
    const found = largestBearable(
      k => {
        asked.push(k)
        return { any: Math.min(0.2, normalBelow(k, 112, 14)) }
      },
      0.1,
      { guess: risk => off * (112 + 18 * zQuantile(risk)), most: 300, within: 0.02 },
    )
    expect(found.good).toBeGreaterThanOrEqual(92)
    expect(found.good).toBeLessThanOrEqual(94)
    expect(asked.length).toBeLessThanOrEqual(most)
  })
  it('ends also where the risk jumps', () => {
    const jump = (k: number) => ({ any: k < 57 ? 0 : 1 })
    for (const guess of [1, 20, 56, 57, 300])
      expect(largestBearable(jump, 0.1, { guess: () => guess, most: 400 })).toMatchObject({
        good: 56,
        broken: { any: 1 },
      })
  })
})
