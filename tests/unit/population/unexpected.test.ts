import { describe, expect, it } from 'vitest'
import { preferredC } from '#core/groups'
import { type JudgedCount, type PopulationEvent, spreadsOf, stageModel, stageRates } from '#core/population'
import { WEEK_MS } from '#core/records'
import { asksAgain, lossOf } from '../../../core/population/unexpected'
import { NOW } from '../../make'
import { ask, counted, heads, ratesOf, resolvedOf, step } from './questions'

const answer = (events: readonly PopulationEvent[], more: Parameters<typeof ask>[1] = {}) =>
  stageModel.fit(ask(events, more), { particles: 800 }).explain()
/** About 110 for a long time. */
const settled = [40, 36, 32, 28, 24, 20, 16, 12, 8, 4].map((w, i) =>
  counted(w, [96, 99, 94, 97, 100, 95, 98, 96, 99, 97][i]!),
)
const full = {
  founders: heads({ females: 50, males: 40, halfGrown: 20 }),
  rates: ratesOf('neocaridina', 110),
}

describe('a count far below what was expected', () => {
  const few = answer([...settled, counted(0, 12)], full)
  it('asks for another one, and says what it would mean', () => {
    expect(few.now.value).toBeGreaterThan(70)
    expect(few.asks).toMatchObject({ seen: 12, since: NOW - 4 * WEEK_MS })
    expect(few.asks!.expected).toBeGreaterThan(80)
    expect(few.asks!.gone).toBeGreaterThan(60)
    // nine of ten possible colonies had more
    const { expected, expectedLow } = few.counts.at(-1)!
    expect(expectedLow).toBeLessThan(0.98 * expected)
    expect(expectedLow).toBeGreaterThan(0.7 * expected)
    expect(few.loss).toBeNull()
  })
  it('that a second one agrees with is a loss, with its size and its time', () => {
    const both = answer([...settled, counted(0.4, 12), counted(0, 13)], full)
    expect(both.now.value).toBeLessThan(30)
    expect(both.asks).toBeNull()
    expect(both.loss!.number).toBeGreaterThan(60)
    expect(both.loss!.left).toBeLessThan(30)
    expect(both.loss!.fromMs).toBe(NOW - 4 * WEEK_MS)
    expect(both.loss!.toMs).toBeLessThanOrEqual(NOW)
    // what was taken out in between is no loss
    const taken = answer([...settled, step(2, -85), counted(0.4, 12), counted(0, 13)], full)
    expect(taken.loss).toBeNull()
  })
  it('that a second one contradicts is settled: nothing asks any more', () => {
    const settledAgain = answer([...settled, counted(0.4, 12), counted(0, 97)], full)
    expect(settledAgain.asks).toBeNull()
    expect(settledAgain.loss).toBeNull()
    expect(settledAgain.counts.at(-2)!.weight).toBe('none')
    expect(settledAgain.counts.at(-1)!.weight).toBe('full')
  })
  it('a loss is told for eight weeks, and not for longer', () => {
    const old = answer([...settled, counted(3.6, 12), counted(3, 13), counted(1, 14)], full)
    expect(old.loss).not.toBeNull()
    const later = answer(
      [...settled.slice(0, 6), counted(18, 12), counted(17, 13), counted(12, 14), counted(4, 16)],
      full,
    )
    expect(later.loss).toBeNull()
  })
})

describe('a loss', () => {
  const rates = { ...full.rates, growth: 0 }
  const told = (weeksAgo: number, p50: number, spread = 1.1) => ({
    at: NOW - weeksAgo * WEEK_MS,
    p10: p50 / spread ** 2,
    p25: p50 / spread,
    p50,
    p75: p50 * spread,
    p90: p50 * spread ** 2,
  })
  const judged = (weeksAgo: number, more: Partial<JudgedCount> = {}): JudgedCount => ({
    entryId: `c${weeksAgo}`,
    at: NOW - weeksAgo * WEEK_MS,
    seen: 50,
    method: 'allSeen',
    weight: 'full',
    leapt: false,
    expected: 100,
    expectedLow: 90,
    value: 50,
    low: 45,
    high: 55,
    notes: [],
    ...more,
  })
  const question = (events: readonly PopulationEvent[] = [], growth = 0) => ({
    events,
    startMs: NOW - 20 * WEEK_MS,
    nowMs: NOW,
    rates: { ...rates, growth },
  })
  const counts = [judged(6), judged(2), judged(0)]
  const path = [told(20, 80), told(6, 100), told(3, 90, 1.5), told(2, 60), told(0, 62)]
  it('lies between the counts where the number fell, whatever story was told of it', () => {
    expect(lossOf(question(), counts, path)).toEqual({
      number: 40,
      of: 100,
      left: 60,
      fromMs: counts[0]!.at,
      toMs: counts[1]!.at,
    })
  })
  it('is three in ten at least, beside what was taken and what such colonies lose anyway', () => {
    const left = (p50: number) => [...path.slice(0, 3), told(2, p50), told(0, p50)]
    expect(lossOf(question(), counts, left(71))).toBeNull()
    expect(lossOf(question(), counts, left(69))).not.toBeNull()
    expect(lossOf(question([step(3, -20)]), counts, path)).toBeNull()
    expect(lossOf(question([step(3, -20, { death: true })]), counts, path)).not.toBeNull()
    expect(lossOf(question([step(3, 20)]), counts, left(71))!.number).toBe(49)
    // four weeks at two in a hundred, twice
    expect(lossOf(question([], -0.02), counts, path)).toBeNull()
    expect(lossOf(question([], -0.01), counts, path)).not.toBeNull()
    // a colony that falls by as much from count to count, before or after, is a falling one
    const steadily = [judged(10), ...counts]
    expect(lossOf(question(), steadily, [told(20, 80), told(10, 108), ...path.slice(1)])).not.toBeNull()
    expect(lossOf(question(), steadily, [told(20, 80), told(10, 112), ...path.slice(1)])).toBeNull()
    expect(lossOf(question(), counts, [...path.slice(0, 4), told(0, 52)])).toBeNull()
    // but what was sold before was no fall, and hides none
    const sold = [told(20, 80), told(10, 130), ...path.slice(1)]
    expect(lossOf(question([step(8, -30)]), steadily, sold)!.number).toBe(40)
    const few = [told(20, 5), told(6, 5), told(2, 2.5), told(0, 2.5)]
    expect(lossOf(question(), counts, few)).toBeNull()
  })
  it('is clear of what is not known: then, or by what was counted since', () => {
    const doubted = [told(20, 80), told(6, 100), told(2, 60, 1.6), told(0, 62, 1.6)]
    expect(lossOf(question(), counts, doubted)).toBeNull()
    expect(lossOf(question(), counts, [...doubted.slice(0, 3), told(0, 62)])!.left).toBe(60)
    // clear, but made up for
    expect(lossOf(question(), counts, [...doubted.slice(0, 3), told(0, 75, 1.05)])).toBeNull()
    // those that were sold in between are not gone, and bring before and after nearer
    const unsure = [told(20, 80), told(6, 100), told(2, 55, 1.4), told(0, 55, 1.4)]
    expect(lossOf(question(), counts, unsure)).not.toBeNull()
    expect(lossOf(question([step(3, -20)]), counts, unsure)).toBeNull()
    // those that were sold since are not gone
    expect(lossOf(question([step(1, -30)]), counts, [...doubted.slice(0, 3), told(0, 62)])).toBeNull()
    // a fall since the count is no loss before it
    expect(lossOf(question(), counts, [told(20, 80), told(6, 100), told(2, 95, 1.6), told(0, 62)])).toBeNull()
  })
  it('is the newest of two, and two counts of one moment hide none', () => {
    const twice = [told(20, 80), told(8, 100), told(6, 60), told(4, 100), told(2, 55), told(0, 56)]
    const each = [8, 6, 4, 2, 0].map(w => judged(w))
    expect(lossOf(question(), each, twice)!.toMs).toBe(NOW - 2 * WEEK_MS)
    expect(lossOf(question(), [judged(6), judged(2), judged(2)], path)!.number).toBe(40)
  })
  it('may come with the first count; counts that are not believed mark nothing', () => {
    expect(lossOf(question(), [judged(2)], [told(20, 80), told(2, 30), told(0, 30)])).toMatchObject({
      number: 50,
      fromMs: NOW - 20 * WEEK_MS,
    })
    const doubted = [judged(6), judged(2, { weight: 'none' }), judged(0)]
    expect(lossOf(question(), doubted, path)!.toMs).toBe(NOW)
    expect(lossOf(question(), [], path)).toBeNull()
  })
  it('of which the futures know asks all the same, where it is far under what was expected', () => {
    const asks = (more: Partial<JudgedCount>) => asksAgain([judged(3, { expectedLow: 50 }), judged(0, more)], 0)
    expect(asks({ expected: 100, expectedLow: 60 })).toMatchObject({
      expected: 100,
      gone: 50,
      since: NOW - 3 * WEEK_MS,
    })
    expect(asks({ expected: 100, expectedLow: 54 })).toBeNull()
    expect(asks({ expected: 80, expectedLow: 60 })).toBeNull()
    expect(asks({ expected: 100, expectedLow: 54, weight: 'part' })).not.toBeNull()
    // the second one that says so settles it; one of other days, or of far fewer, does not
    const after = (more: Partial<JudgedCount>) =>
      asksAgain([judged(3, more), judged(0, { expected: 100, expectedLow: 60 })], 0)
    expect(after({ expectedLow: 60 })).toBeNull()
    expect(after({ expectedLow: 50 })).not.toBeNull()
    expect(after({ expectedLow: 130, low: 90, high: 110 })).not.toBeNull()
    expect(asks({ expected: 100, expectedLow: 54, leapt: true })).not.toBeNull()
  })
})

describe('a count far above what was expected', () => {
  it('asks too', () => {
    const many = answer([...settled, counted(0, 400)], full)
    expect(many.asks!.gone).toBeLessThan(-150)
    // a second one that agrees settles it
    const both = answer([...settled, counted(0.4, 400), counted(0, 390)], full)
    expect(both.asks).toBeNull()
    expect(both.now.low).toBeGreaterThan(350)
  })
  it('a boom that goes on is believed: seen is a floor', () => {
    const fed = resolvedOf('ramshorn-snail', { schools: { feeding: 'heavy' } })
    const heavy = stageRates(fed, { temperatureC: preferredC(fed), capacity: 1500 })
    const boom = answer([counted(6, 14), counted(4, 70), counted(2, 240), counted(0, 700)], {
      startMs: NOW - 8 * WEEK_MS,
      founders: heads({ unsexed: 2 }),
      rates: heavy,
      spreads: spreadsOf(fed, heavy),
    })
    expect(boom.now.value).toBeGreaterThan(600)
    expect(boom.now.low).toBeGreaterThan(400)
    expect(boom.asks).toBeNull()
    expect(boom.counts.map(c => c.weight)).not.toContain('none')
  })
})
