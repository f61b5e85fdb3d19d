import { describe, expect, it } from 'vitest'
import { DAY_MS, WEEK_MS } from '#core/records'
import { Z80 } from '#core/stats'
import { answerPopulation, FIRST_LOOK, floorsOf, takeSearch, WHOLE } from '../../../core/population/answer'
import { crowded } from '../../../core/population/crowd'
import type { Fit } from '../../../core/population/fit'
import type { FittedColony } from '../../../core/population/fitted'
import type { Futures } from '../../../core/population/futures'
import { summarise } from '../../../core/population/projectionMatrix'
import type { BandPoint, JudgedCount, PopulationQuestion, Range } from '../../../core/population/question'
import { roughened } from '../../../core/population/roughened'
import * as rows from '../../../core/population/stages'
import { NOW } from '../../make'
import { ask, ratesOf } from './questions'

/** What is told of possible colonies and futures that are written down here one by one. */

type Row = keyof Omit<typeof rows, 'stageNames' | 'stageRows' | 'counted' | 'PARAMETERS' | 'STAGES' | 'ROWS'>
const band = (at: number, p50: number): BandPoint => ({
  at,
  p10: p50 / 2,
  p25: p50 / 1.5,
  p50,
  p75: 1.5 * p50,
  p90: 2 * p50,
})
/** A step in which nobody was found dead. */
const QUIET = { usual: 1, share: 0.3, found: 0, molts: 0, excess: 0 }
function fitOf(colonies: readonly Partial<Record<Row, number>>[], more: Partial<Fit> = {}): Fit {
  const size = colonies.length
  const cloud = new Float64Array(rows.ROWS * size)
  for (const [i, c] of colonies.entries())
    for (const [row, value] of Object.entries(c)) cloud[rows[row as Row] * size + i] = value
  const question = ask([])
  return {
    ...{ cloud, size, path: [band(NOW, 40)], grown: [], counts: [], toll: [QUIET], logLikelihood: -3, effective: size },
    ...{ jumped: 0, spreads: question.spreads, checkpoints: [], basis: 1 },
    ...more,
  }
}
/** Futures in each of which the same happens: week by week a factor on what is there. */
const futuresOf = (start: readonly number[], factor: (i: number) => number, weeks = 26): Futures => {
  const size = start.length
  const totals = Float64Array.from({ length: size * (weeks + 1) }, (_, k) => {
    const i = k % size
    return start[i]! * factor(i) ** Math.floor(k / size)
  })
  return { size, weeks, totals, females: totals.map(n => n / 2), halfGrown: totals.map(n => n / 4) }
}
const colonyOf = (futures: Futures, now: Range = { value: 100, low: 80, high: 125 }, counts: JudgedCount[] = []) =>
  ({
    numbers: () => now,
    counts: () => counts,
    dyingPerWeek: () => 0,
    futures: () => futures,
    risk: () => ({ any: 0, total: 0, females: 0, males: 0, short: 0 }),
  }) as unknown as FittedColony
const told = (
  fit: Fit,
  { question = ask([]), futures = futuresOf([100, 100], () => 1), grain = WHOLE, colony = colonyOf(futures) } = {},
) => answerPopulation(question, fit, { colony, grain })

const judged = (weeksAgo: number, more: Partial<JudgedCount> = {}): JudgedCount => ({
  ...{ entryId: 'c', at: NOW - weeksAgo * WEEK_MS, seen: 90, method: 'allSeen', weight: 'full', leapt: false },
  ...{ expected: 90, expectedLow: 80, value: 90, low: 85, high: 95, notes: [] },
  ...more,
})

describe('what is told', () => {
  const ladder = Array.from({ length: 101 }, (_, i) => ({
    ...{ EGGS: 2, FIRST: 9, YOUNG_1: 5, YOUNG_2: 2, FEMALES: 40 + i, MALES: 3 },
  }))
  it('the number, the stages and the broods, with the ends of their ranges', () => {
    const a = told(fitOf(ladder))
    expect(a.now).toMatchObject({ value: 100, low: 60, high: 140, level: 0.8, basis: { kind: 'log' } })
    expect(a.stages.females).toEqual({ value: 90, low: 50, high: 130 })
    expect(a.stages.males).toEqual({ value: 3, low: 3, high: 3 })
    expect(a.stages).toMatchObject({ first: { value: 9 }, young: { value: 7 } })
    // eggs are told as eggs, and kept as broods
    expect(a.stages.eggs.value).toBe(2 * ask([]).rates.broodSize)
    expect(a.broods).toMatchObject({ value: 2, low: 2, high: 2, rooms: [2, 0, 0, 0, 0, 0, 0, 0] })
  })
  it('growth as the futures have it, and the weeks to twice or half where it is sure', () => {
    const start = Array.from({ length: 40 }, () => 100)
    const growing = told(fitOf(ladder), { futures: futuresOf(start, i => (i < 33 ? 1.05 : 0.98)) })
    expect(growing.growthPerWeek.value).toBeCloseTo(0.05, 10)
    expect(growing.doublingWeeks).toBeCloseTo(Math.LN2 / Math.log(1.05), 10)
    expect(growing.halvingWeeks).toBeNull()
    expect(growing.fan[8]!.p50).toBeCloseTo(100 * 1.05 ** 8, 8)
    expect(growing.grown.ahead[0]!.value).toBe(75)
    // 32 of 40 are four in five, and not more
    const unsure = told(fitOf(ladder), { futures: futuresOf(start, i => (i < 32 ? 1.05 : 0.98)) })
    expect(unsure).toMatchObject({ doublingWeeks: null, halvingWeeks: null })
    const shrinking = told(fitOf(ladder), { futures: futuresOf(start, i => (i < 7 ? 1.05 : 0.96)) })
    expect(shrinking.halvingWeeks).toBeCloseTo(-Math.LN2 / Math.log(0.96), 10)
    expect(shrinking.doublingWeeks).toBeNull()
  })
  it('its room is known once it was half full', () => {
    const { capacity } = ask([]).rates
    const full = (share: number, room = 0) =>
      told(fitOf([{ FEMALES: 9, ROOM: room }], { path: [band(NOW - WEEK_MS, share * capacity), band(NOW, 3)] }))
    expect(full(0.51).roomKnown).toBe(true)
    expect(full(0.5).roomKnown).toBe(false)
    expect(full(0.51, Math.log(2)).roomKnown).toBe(false)
    expect(full(0.51, Math.log(2)).capacity).toBeCloseTo(2 * capacity, 8)
  })
  it('what one full count today would leave: two pieces of knowledge by their precisions', () => {
    const question = ask([], { fullCount: { share: 0.8, sdLog: 0.15 } })
    const a = told(fitOf(ladder), { question })
    const sd = Math.log(140 / 60) / (2 * Z80)
    const count = 0.2 / 80 + 0.15 ** 2 + question.spreads.seen ** 2
    const left = Math.sqrt(1 / (1 / sd ** 2 + 1 / count))
    expect(a.ifCountedToday.low).toBeCloseTo(100 * Math.exp(-Z80 * left), 8)
    expect(a.ifCountedToday.high).toBeCloseTo(100 * Math.exp(Z80 * left), 8)
    expect(told(fitOf([{ FEMALES: 7 }])).ifCountedToday).toEqual({ low: 7, high: 7 })
  })
  it('the matrix of the middle colony, at its crowding', () => {
    const rates = ratesOf('neocaridina')
    const learnt = { RECRUITS: 0.3, LOSSES: -0.2, MOOD: 0.1, ROOM: 0.4, SHAPE: 0.2 }
    const a = told(fitOf([{ FEMALES: 120, ...learnt }]), { question: ask([], { rates }) })
    const present = crowded(rates, {
      ...{ recruits: 0.3, losses: -0.2, mood: 0.1, shape: 0.2 },
      ...{ n: 120, room: rates.capacity * Math.exp(0.4) },
    })
    const broods = Math.min(1, rates.broods * present.broods)
    expect(a.matrix).toEqual(summarise({ ...rates, broods }, present.comeUp, present.loss))
  })
  it('what can go is asked for any of them, while what dies beside the usual goes on dying', () => {
    const futures = futuresOf([100, 100], () => 1)
    const asked: object[] = []
    const colony = {
      ...colonyOf(futures),
      dyingPerWeek: () => 0.07,
      futures: (a: object) => (asked.push(a), futures),
      risk: (a: object) => (asked.push(a), { any: 0, total: 0, females: 0, males: 0, short: 0 }),
    } as unknown as FittedColony
    told(fitOf(ladder), { colony, futures })
    expect(asked[0]).toMatchObject({ size: WHOLE.futures, weeks: 26, doing: { dyingPerWeek: 0.07 } })
    expect(asked[1]).toMatchObject({ doing: { dyingPerWeek: 0.07, take: { of: 'any' } } })
  })
  it('what came and went, until now', () => {
    const step = (days: number, change: number, death = false) =>
      ({ kind: 'step', entryId: `s${days}`, at: NOW - days * DAY_MS, change, death, hatched: false }) as const
    const question = ask([step(9, -4), step(3, -1, true), step(0, 2), step(-2, 30)], {})
    const events = [...question.events, { kind: 'young', entryId: 'y', at: NOW - 1, amount: 4 } as const]
    expect(told(fitOf(ladder), { question: { ...question, events } }).steps).toEqual([
      { entryId: 's9', at: NOW - 9 * DAY_MS, change: -4, death: false },
      { entryId: 's3', at: NOW - 3 * DAY_MS, change: -1, death: true },
      { entryId: 's0', at: NOW, change: 2, death: false },
    ])
    expect(told(fitOf(ladder), { question: { ...question, leftOutBefore: 5 } }).leftOutBefore).toBe(5)
    expect(told(fitOf(ladder)).leftOutBefore).toBeNull()
  })
  it('a first look has no matrix, no take and no looks, and wider ranges', () => {
    const whole = told(fitOf(ladder))
    const quick = told(fitOf(ladder), { grain: FIRST_LOOK })
    expect(quick).toMatchObject({ matrix: null, looks: [], firstLook: true, surplus: { take: 0 } })
    expect(whole.firstLook).toBe(false)
    expect(whole.matrix).not.toBeNull()
    expect(whole.surplus.take).toBeGreaterThan(0)
    expect(quick.now).toEqual(roughened(whole).now)
  })
})

describe('log and model disagree', () => {
  const why = (more: Partial<Fit>) =>
    told(
      fitOf(
        Array.from({ length: 200 }, () => ({ FEMALES: 9 })),
        more,
      ),
    ).fit.disagreement
  const counts = (none: number, full: number, first: JudgedCount[] = []) => [
    ...first,
    ...Array.from({ length: full }, (_, k) => judged(30 - k)),
    ...Array.from({ length: none }, (_, k) => judged(12 - k, { weight: 'none' })),
  ]
  it('where three of ten counts are not believed, and two at least', () => {
    expect(why({ counts: counts(3, 7) })).toBe('counts')
    expect(why({ counts: counts(2, 8) })).toBeNull()
    expect(why({ counts: counts(2, 4) })).toBe('counts')
    expect(why({ counts: counts(1, 1) })).toBeNull()
    // of the last ten
    expect(why({ counts: counts(0, 10, counts(9, 0)) })).toBeNull()
    expect(why({ counts: counts(3, 7, counts(0, 9)) })).toBe('counts')
  })
  it('where most of the colonies leapt, or hardly any were left', () => {
    expect(why({ jumped: 0.51 })).toBe('jumps')
    expect(why({ jumped: 0.5 })).toBeNull()
    expect(why({ effective: 1.9 })).toBe('thin')
    expect(why({ effective: 2 })).toBeNull()
    expect(why({ jumped: 0.6, counts: counts(3, 7) })).toBe('counts')
  })
  it('and its other figures', () => {
    expect(told(fitOf([{ FEMALES: 9 }], { logLikelihood: -7.5, effective: 0.4 })).fit).toEqual({
      ...{ logLikelihood: -7.5, effective: 0.4, particles: 1, disagreement: null },
    })
  })
})

describe('a search for takes', () => {
  const floors = { total: 30, females: 10, males: 3 }
  const search = (now: Range, counts: JudgedCount[] = []) =>
    takeSearch(
      {
        colony: colonyOf(
          futuresOf([1], () => 1),
          now,
          counts,
        ),
        doing: { weeklyShare: 0.1 },
        nowMs: NOW,
      },
      floors,
      0.2,
    )
  const about = { value: 101, low: 80, high: 130 }
  it('goes by whole animals, offers no more than are above the floor, and by the usual grain', () => {
    expect(search(about)).toMatchObject({
      ...{ floors: { total: 29.5, females: 9.5, males: 2.5 }, most: 71, allowedRisk: 0.2, weeks: 26 },
      ...{ futures: WHOLE.futures, doing: { weeklyShare: 0.1 } },
    })
    expect(search({ value: 12, low: 9, high: 20 }).most).toBe(0)
  })
  it('more than half goes only where a count of the last fortnight is believed, or all are known', () => {
    expect(search(about).uncounted).toBe(50)
    expect(search(about, [judged(1.9)]).uncounted).toBeNull()
    expect(search(about, [judged(2)]).uncounted).toBe(50)
    expect(search(about, [judged(1, { weight: 'part' })]).uncounted).toBe(50)
    expect(search(about, [judged(1, { leapt: true })]).uncounted).toBe(50)
    expect(search(about, [judged(1), judged(0, { weight: 'none' })]).uncounted).toBe(50)
    expect(search({ value: 15, low: 14.6, high: 15.4 }).uncounted).toBeNull()
  })
})

describe('what must stay', () => {
  const r = (low: number): Range => ({ value: low + 5, low, high: low + 9 })
  const stay = (more: Partial<PopulationQuestion>, females: number, males: number) =>
    floorsOf({ ...ask([]), minimumKeep: 20, ...more }, { females: r(females), males: r(males) })
  it('a default number of females binds who has so many, the keeper’s own everybody', () => {
    expect(stay({ minimumFemales: 10 }, 10, 9).females).toBe(10)
    expect(stay({ minimumFemales: 10 }, 9, 9).females).toBe(0)
    expect(stay({ minimumFemales: 10, femalesAreOwn: true }, 2, 9).females).toBe(10)
  })
  it('a male for four females, or the last ones', () => {
    expect(stay({ minimumFemales: 10 }, 12, 3).males).toBe(3)
    expect(stay({ minimumFemales: 10 }, 12, 2).males).toBe(1)
    expect(stay({ minimumFemales: 10 }, 12, 1).males).toBe(1)
    expect(stay({ minimumFemales: 10 }, 12, 0).males).toBe(0)
    expect(stay({ minimumFemales: 0 }, 12, 5).males).toBe(1)
    expect(stay({ minimumFemales: 12 }, 12, 5).males).toBe(3)
    const hermaphrodites = { ...ask([]).rates, needsMale: false }
    expect(stay({ minimumFemales: 10, rates: hermaphrodites }, 12, 5).males).toBe(0)
  })
  it('and those that breed for a line, sex by sex, even where the model sees fewer', () => {
    const bred = { breeding: { females: 12, males: 4 }, minimumFemales: 6 }
    expect(stay(bred, 30, 30)).toEqual({ total: 20, females: 12, males: 4 })
    expect(stay({ ...bred, breeding: { females: 4, males: 1 } }, 30, 30)).toEqual({ total: 20, females: 6, males: 2 })
    expect(stay({ ...bred, breeding: { females: 18, males: 7 } }, 2, 0)).toEqual({ total: 25, females: 18, males: 7 })
  })
})

describe('broods of today', () => {
  const colonies = Array.from({ length: 400 }, () => ({ ...{ EGGS: 4, FEMALES: 60, MALES: 20 } }))
  it('tell what hatches within two weeks, with the doubt of how often they lay', () => {
    // nothing of the first room gets out within a fortnight where eggs take three and a half weeks, but hardly ever
    const far = told(fitOf(colonies)).broods
    expect(far.soon.high).toBeLessThanOrEqual(1)
    // all of the last room do
    const size = colonies.length
    const fit = fitOf(colonies)
    fit.cloud.fill(0, rows.EGGS * size, (rows.EGGS + 1) * size)
    fit.cloud.fill(40, (rows.EGGS + 7) * size, (rows.EGGS + 8) * size)
    const near = told(fit).broods
    expect(near).toMatchObject({ value: 40, rooms: [0, 0, 0, 0, 0, 0, 0, 40] })
    expect(near.soon.value).toBeGreaterThan(38)
    expect(near.soon.value).toBeLessThan(42)
    // carried: a tenth on the log scale
    expect(Math.log(near.soon.high / near.soon.low) / (2 * Z80)).toBeCloseTo(0.1, 1)
    const laid = told(fit, {
      question: ask([], { rates: { ...ratesOf('neocaridina'), carried: false, broods: 0 } }),
    }).broods
    expect(Math.log(laid.soon.high / laid.soon.low) / (2 * Z80)).toBeCloseTo(0.2, 1)
  })
  it('of one brood so many grow up as come up at the present crowding and live to be counted', () => {
    const rates = ratesOf('neocaridina')
    const alone = told(fitOf([{ FEMALES: 2, MALES: 1 }]), { question: ask([], { rates }) }).broods
    const present = crowded(rates, { recruits: 0, losses: 0, mood: 0, n: 3, room: rates.capacity, shape: 0 })
    const live = Math.exp(-rates.firstHazard)
    const lived = (live * rates.firstLeave) / (1 - live * (1 - rates.firstLeave))
    expect(alone.growUp.value).toBeCloseTo(rates.broodSize * present.comeUp * lived, 8)
    expect(alone.youngEach).toBe(rates.broodSize)
    const full = told(fitOf([{ FEMALES: 300 }]), { question: ask([], { rates }) }).broods
    expect(full.growUp.value).toBeLessThan(0.6 * alone.growUp.value)
  })
})
