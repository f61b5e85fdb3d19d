import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { ALLOWED_RISK, answerPopulation, deathsSince, drawFutureNoise, fitLogLinear, futureFan, futuresAsThingsAre, largestTake, observeCount, type PopulationEvent, type PopulationQuestion, riskOfFallingUnder } from '#core/population'
import { DAY_MS, WEEK_MS } from '#core/records'
import { seededRandom } from '#core/stats'
import { NOW } from '../../make'

const { counting } = groupOf('neocaridina')
const noise = drawFutureNoise(seededRandom(5), 300)
let made = 0
const counted = (weeksAgo: number, number: number, method: 'allSeen' | 'atFood' | 'estimate' = 'allSeen'): PopulationEvent => ({ kind: 'count', entryId: `c${++made}`, at: NOW - weeksAgo * WEEK_MS, number, method })
const step = (weeksAgo: number, change: number, death = false): PopulationEvent => ({ kind: 'step', entryId: `s${++made}`, at: NOW - weeksAgo * WEEK_MS, change, death })
const ask = (events: PopulationEvent[], more: Partial<PopulationQuestion> = {}): PopulationQuestion =>
  ({ startMs: NOW - 40 * WEEK_MS, founders: 20, events: [...events].sort((a, b) => a.at - b.at), nowMs: NOW, growthPrior: { value: 0.05, sd: 0.04 }, turnoverPerWeek: 0.12, capacity: 600, counting, minimumKeep: 30, ...more })
const answer = (events: PopulationEvent[], more: Partial<PopulationQuestion> = {}) => answerPopulation(ask(events, more), noise)
/** Full counts of a colony that doubles every 14 weeks, as 88 % of them are found. */
const doubling = [36, 32, 28, 24, 20, 16, 12, 8, 4, 1].map(w => counted(w, Math.round(0.88 * 20 * 2 ** ((40 - w) / 14))))

describe('observeCount', () => {
  it('takes a count as a part of those that are there', () => {
    expect(Math.exp(observeCount(88, 'allSeen', counting).y)).toBeCloseTo(100, 9)
    expect(Math.exp(observeCount(20, 'partOfTank', counting, 0.2).y)).toBeCloseTo(100, 9)
  })
  it('doubts rough methods and small numbers more', () => {
    expect(observeCount(100, 'estimate', counting).r).toBeGreaterThan(observeCount(100, 'allSeen', counting).r)
    expect(observeCount(4, 'atFood', counting).r).toBeGreaterThan(observeCount(400, 'atFood', counting).r)
  })
  it('hears something in none seen', () => {
    const { y, r } = observeCount(0, 'allSeen', counting)
    expect(Math.exp(y)).toBeLessThan(1)
    expect(r).toBeGreaterThan(1)
  })
  it('refuses what is no count', () => {
    expect(() => observeCount(-1, 'allSeen', counting)).toThrow(/seen/)
    expect(() => observeCount(1, 'partOfTank', counting, 1.5)).toThrow(/partShare/)
  })
})

describe('answerPopulation', () => {
  it('finds the number and the growth of a colony that doubles every 14 weeks', () => {
    const a = answer(doubling)
    const truth = 20 * 2 ** (40 / 14)
    expect(a.now.low).toBeLessThan(truth)
    expect(a.now.high).toBeGreaterThan(truth)
    expect(a.doublingWeeks).toBeGreaterThan(9)
    expect(a.doublingWeeks).toBeLessThan(24)
    expect(a.counts.every(c => c.weight === 'full')).toBe(true)
    expect(a.ownEvidence).toBeGreaterThan(0.4)
  })
  it('leans on the group without counts, and says so', () => {
    const a = answer([])
    expect(a.ownEvidence).toBeLessThan(0.05)
    expect(a.now.high / a.now.low).toBeGreaterThan(2)
    expect(a.counts).toEqual([])
  })
  it('grows more certain with a count, as it promised', () => {
    const before = answer(doubling.slice(0, 6))
    const after = answer([...doubling.slice(0, 6), counted(0.001, Math.round(before.now.value * 0.88))])
    expect(after.now.high / after.now.low).toBeLessThan(before.now.high / before.now.low)
    expect(after.now.low).toBeCloseTo(before.ifCountedToday.low, -1)
    expect(after.now.high).toBeCloseTo(before.ifCountedToday.high, -1)
  })
  it('takes what came and went as known', () => {
    const without = answer(doubling)
    const taken = answer([...doubling, step(0.5, -40)])
    expect(without.now.value - taken.now.value).toBeGreaterThan(35)
    expect(without.now.value - taken.now.value).toBeLessThan(45)
    expect(taken.steps).toEqual([expect.objectContaining({ change: -40, death: false })])
  })
  it('survives more taken out than were thought to be there', () => {
    const a = answer([step(2, -500)])
    expect(a.now.value).toBeGreaterThan(0)
    expect(Number.isFinite(a.now.high)).toBe(true)
  })
  it('does not believe one wild count, and names it', () => {
    const a = answer([...doubling, counted(2, 900, 'atFood')])
    expect(a.counts.find(c => c.seen === 900)?.weight).toBe('none')
    expect(a.now.value / answer(doubling).now.value).toBeLessThan(1.15)
  })
  it('believes two that agree: the number jumped', () => {
    const steady = [36, 32, 28, 24, 20, 16, 12].map(w => counted(w, 88))
    const flat = { founders: 100, growthPrior: { value: 0, sd: 0.02 } }
    const once = answer([...steady, counted(2, 30)], flat)
    const twice = answer([...steady, counted(2, 30), counted(1, 31)], flat)
    expect(once.now.value).toBeGreaterThan(60)
    expect(twice.now.value).toBeLessThan(45)
    expect(twice.counts.slice(-2).every(c => c.weight === 'full')).toBe(true)
  })
  it('sees growth turn', () => {
    const up = [38, 34, 30, 26, 22, 18, 14, 10].map(w => counted(w, Math.round(0.88 * 40 * Math.exp(0.05 * (40 - w)))))
    const peak = 0.88 * 40 * Math.exp(0.05 * 30)
    const down = [7.5, 5, 2.5, 0.5].map(w => counted(w, Math.round(peak * Math.exp(-0.09 * (10 - w)))))
    const a = answer([...up, ...down], { founders: 40 })
    expect(a.growthPerWeek.high).toBeLessThan(0)
    expect(a.halvingWeeks).not.toBeNull()
  })
  it('opens the range while the newest count is in doubt', () => {
    const calm = answer([...doubling.slice(0, -1), counted(0.5, 120)])
    const torn = answer([...doubling.slice(0, -1), counted(0.5, 62)])
    expect(torn.now.high / torn.now.low).toBeGreaterThan(calm.now.high / calm.now.low)
  })
  it('does not look into the future', () => {
    expect(answer([...doubling, counted(-2, 5)]).now).toEqual(answer(doubling).now)
  })
  it('gives the same answer for the same question, to the last bit', () => {
    expect(JSON.stringify(answer(doubling))).toBe(JSON.stringify(answerPopulation(ask(doubling), drawFutureNoise(seededRandom(5), 300))))
  })
  it('goes on losing animals while deaths are logged', () => {
    const dying = answer([...doubling, ...[5, 4, 3, 2, 1].map(w => step(w, -6, true))])
    expect(dying.growthPerWeek.value).toBeLessThan(answer(doubling).growthPerWeek.value)
  })
  it('counts the dead since a moment, and only the dead', () => {
    const a = answer([...doubling, step(10, -3, true), step(2, -4, true), step(1, -20), step(1, 6)])
    expect(deathsSince(a, NOW - 6 * WEEK_MS)).toBe(4)
    expect(deathsSince(a, NOW - 12 * WEEK_MS)).toBe(7)
    expect(deathsSince(a, NOW)).toBe(0)
  })
  it('refuses a colony that began with none', () => {
    expect(() => fitLogLinear(ask([], { founders: 0 }))).toThrow(/founders must be above 0/)
  })
  it('holds with many counts on one day and a start today', () => {
    const a = answer([counted(0, 18), counted(0, 19), counted(0, 17)], { startMs: NOW })
    expect(a.now.value).toBeGreaterThan(15)
    expect(a.now.value).toBeLessThan(25)
    expect(a.path.every(p => Number.isFinite(p.p50) && p.p10 <= p.p50 && p.p50 <= p.p90)).toBe(true)
  })
})

describe('futures', () => {
  const model = (n: number, growth: number, more = {}) => ({ state: { m0: Math.log(n), m1: growth, p00: 0.01, p01: 0, p11: 0.0004 }, capacity: 300, growthPrior: { value: growth, sd: 0.02 }, turnoverPerWeek: 0.1, deathRatePerWeek: 0, ...more })
  const fanOf = (m: ReturnType<typeof model>) => futureFan(futuresAsThingsAre(m, noise), noise, NOW)
  it('fans out, in order, and stays under the capacity', () => {
    const fan = fanOf(model(100, 0.08))
    expect(fan).toHaveLength(27)
    expect(fan[26]!.at - fan[0]!.at).toBe(26 * 7 * DAY_MS)
    for (const p of fan) {
      expect(p.p10).toBeLessThanOrEqual(p.p25)
      expect(p.p75).toBeLessThanOrEqual(p.p90)
      expect(p.p90).toBeLessThanOrEqual(300)
    }
    expect(fan[26]!.p50).toBeGreaterThan(200)
  })
  it('does not drop an estimate above the capacity overnight', () => {
    expect(fanOf(model(500, 0.05))[1]!.p50).toBeGreaterThan(450)
  })
  it('lets fewer than half an animal be none', () => {
    expect(fanOf(model(2, -0.3))[26]!.p50).toBe(0)
  })
  it('finds the largest take: one more would be too risky', () => {
    const m = model(150, 0.03)
    const { take, riskAfter, riskNow } = largestTake(30, ALLOWED_RISK, m, noise)
    expect(take).toBeGreaterThan(0)
    expect(riskNow).toBeLessThanOrEqual(riskAfter)
    expect(riskAfter).toBe(riskOfFallingUnder(30, m, noise, take))
    expect(riskAfter).toBeLessThan(ALLOWED_RISK)
    expect(riskOfFallingUnder(30, m, noise, take + 1)).toBeGreaterThanOrEqual(ALLOWED_RISK)
  })
  it('raises the risk with every animal taken', () => {
    const m = model(80, 0.01)
    let before = 0
    for (let take = 0; take <= 60; take += 5) {
      const risk = riskOfFallingUnder(30, m, noise, take)
      expect(risk).toBeGreaterThanOrEqual(before)
      before = risk
    }
    expect(before).toBeGreaterThan(0.8)
  })
  it('spares none of a colony that is too small or shrinks', () => {
    expect(largestTake(30, 0.1, model(25, 0.05), noise).take).toBe(0)
    expect(largestTake(30, 0.1, model(60, -0.05), noise).take).toBe(0)
  })
  it('wants at least one future', () => {
    expect(() => drawFutureNoise(seededRandom(1), 0)).toThrow(/futures must be 1 or more/)
  })
})
