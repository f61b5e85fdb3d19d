import { describe, expect, it } from 'vitest'
import {
  stageModel,
  StoppedError,
  deathsSince,
  spreadsOf,
  type PopulationEvent,
  type PopulationQuestion,
} from '#core/population'
import { numberNow } from '../../../core/population/answer'
import { fitPopulation } from '../../../core/population/fit'
import { DAY_MS, WEEK_MS } from '#core/records'
import { NOW } from '../../make'
import { ask, counted, doubling, heads, ratesOf, resolvedOf, step } from './questions'

const SIZE = 800
const answer = (events: readonly PopulationEvent[], more: Parameters<typeof ask>[1] = {}) => {
  return stageModel.fit(ask(events, more), { particles: SIZE }).explain()
}
const flat = (more: Partial<PopulationQuestion> = {}) => {
  const resolved = {
    ...resolvedOf('neocaridina'),
    growthPerWeek: { value: 0, sd: 0.02, basis: { kind: 'memory' as const } },
  }
  const rates = ratesOf('neocaridina', 600, { life: { growthPerWeek: 0 } })
  return { founders: heads({ females: 60, males: 40 }), rates, spreads: spreadsOf(resolved, rates), ...more }
}

describe('the fit', () => {
  it('finds the number and the growth of a colony that doubles every 14 weeks', () => {
    const a = answer(doubling)
    const truth = 20 * 2 ** (40 / 14)
    expect(a.now.low).toBeLessThan(truth)
    expect(a.now.high).toBeGreaterThan(truth)
    expect(a.rising).toBeGreaterThan(0.9)
    expect(a.doublingWeeks).toBeGreaterThan(9)
    expect(a.counts.every(c => c.weight === 'full')).toBe(true)
    expect(a.ownEvidence).toBeGreaterThan(0.2)
    expect(a.fit.disagreement).toBeNull()
  })
  it('leans on the group without counts, and says so', () => {
    const a = answer([])
    expect(a.ownEvidence).toBeLessThan(0.1)
    expect(a.now.high / a.now.low).toBeGreaterThan(2)
    expect(a.counts).toEqual([])
  })
  it('a count narrows it about as it promised', () => {
    const before = answer(doubling.slice(0, 6))
    const after = answer([...doubling.slice(0, 6), counted(0.001, Math.round(before.now.value * 0.88))])
    expect(after.now.high / after.now.low).toBeLessThan(before.now.high / before.now.low)
    expect(after.now.low / before.ifCountedToday.low).toBeGreaterThan(0.8)
    expect(after.now.high / before.ifCountedToday.high).toBeLessThan(1.25)
  })
  it('takes what came and went as known', () => {
    const without = answer(doubling)
    const taken = answer([...doubling, step(0.3, -40)])
    expect(without.now.value - taken.now.value).toBeGreaterThan(30)
    expect(without.now.value - taken.now.value).toBeLessThan(50)
    expect(taken.steps).toEqual([expect.objectContaining({ change: -40, death: false })])
  })
  it('puts in and takes out whom the keeper says', () => {
    const more = answer([...doubling, step(0.3, 30, { parts: heads({ halfGrown: 30 }) })])
    expect(more.stages.young.value - answer(doubling).stages.young.value).toBeGreaterThan(24)
    const fewer = answer([...doubling, step(0.3, -10, { parts: heads({ males: 10 }) })])
    expect(answer(doubling).stages.males.value - fewer.stages.males.value).toBeGreaterThan(5)
  })
  it('a clutch that hatched brings hatchlings, who are not in the number yet', () => {
    const a = answer([...doubling, step(0.3, 100, { hatched: true })])
    expect(a.stages.first.value - answer(doubling).stages.first.value).toBeGreaterThan(80)
    expect(a.now.value / answer(doubling).now.value).toBeLessThan(1.1)
  })
  it('more taken out than were thought to be there: there must have been more', () => {
    const a = answer([step(2, -90)])
    expect(Number.isFinite(a.now.high)).toBe(true)
    const before = answer([]).path.at(-4)!.p50
    expect(a.path.at(-4)!.p50).toBeGreaterThan(before)
  })
  it('does not believe one wild count, and names it', () => {
    const a = answer([...doubling, counted(2, 900, 'atFood')])
    expect(a.counts.find(c => c.seen === 900)?.weight).toBe('none')
    expect(a.counts.find(c => c.seen === 900)?.expected).toBeLessThan(250)
    expect(a.now.value / answer(doubling).now.value).toBeLessThan(1.2)
  })
  it('believes two that agree: the number jumped', () => {
    const steady = [36, 32, 28, 24, 20, 16, 12, 8].map(w => counted(w, 88))
    const once = answer([...steady, counted(2, 28)], flat())
    const thrice = answer([...steady, counted(2, 28), counted(1, 27), counted(0.5, 29)], flat())
    expect(once.now.high).toBeGreaterThan(60)
    expect(thrice.now.value).toBeLessThan(45)
    expect(thrice.counts.slice(-3).every(c => c.weight === 'full')).toBe(true)
  })
  it('sees growth turn', () => {
    const up = [38, 34, 30, 26, 22, 18, 14, 10].map(w => counted(w, Math.round(0.88 * 40 * Math.exp(0.04 * (40 - w)))))
    const peak = 0.88 * 40 * Math.exp(0.04 * 30)
    const down = [8, 6.5, 5, 3.5, 2, 0.5].map(w => counted(w, Math.round(peak * Math.exp(-0.08 * (10 - w)))))
    const a = answer([...up, ...down], { founders: heads({ females: 24, males: 16 }) })
    expect(a.recent!.perWeek.high).toBeLessThan(0)
    expect(a.rising).toBeLessThan(0.4)
  })
  it('berried females that vanish speak of fewer young to come', () => {
    const looks = (seen: (w: number) => number): PopulationEvent[] =>
      [12, 10, 8, 6, 4, 3, 2, 1].map(w => ({
        kind: 'broods',
        entryId: `b${w}`,
        at: NOW - w * WEEK_MS,
        seen: seen(w),
        share: 0.6,
        sdLog: 0.7,
      }))
    const steady = answer([...doubling, ...looks(() => 12)])
    const gone = answer([...doubling, ...looks(w => (w > 6 ? 12 : 0))])
    expect(gone.broods.high).toBeLessThanOrEqual(steady.broods.high)
    expect(gone.fan[8]!.p50).toBeLessThan(0.98 * steady.fan[8]!.p50)
  })
  it('young that were seen speak of more hatchlings', () => {
    const young = (amount: 'few' | 'many' | number): PopulationEvent[] =>
      [3, 2, 1].map(w => ({ kind: 'young', entryId: `y${w}`, at: NOW - w * WEEK_MS, amount }))
    expect(answer([...doubling, ...young('many')]).stages.first.value).toBeGreaterThanOrEqual(
      answer([...doubling, ...young('few')]).stages.first.value,
    )
    expect(answer([...doubling, ...young(30)]).stages.first.value).toBeGreaterThan(
      answer([...doubling, ...young(0)]).stages.first.value,
    )
  })
  it('what was told apart in counts moves the stages', () => {
    const parts = (halfGrown: number, grown: number) =>
      [4, 3, 2, 1].map(w => counted(w, halfGrown + grown, 'allSeen', { parts: heads({ halfGrown, unsexed: grown }) }))
    const young = answer([...doubling.slice(0, 8), ...parts(80, 20)])
    const old = answer([...doubling.slice(0, 8), ...parts(20, 80)])
    expect(young.stages.young.value).toBeGreaterThan(1.3 * old.stages.young.value)
  })
  it('does not look into the future, and gives the same answer to the last bit', () => {
    expect(answer([...doubling, counted(-2, 5)]).now).toEqual(answer(doubling).now)
    expect(JSON.stringify(answer(doubling))).toBe(JSON.stringify(answer(doubling)))
  })
  it('goes on from where it was: the same to the last bit, with much less work', () => {
    const question = ask(doubling)
    const before = fitPopulation(question, SIZE)
    const more = { ...question, events: [...question.events, counted(0.1, 120)] }
    let steps = 0
    const resumed = fitPopulation(more, SIZE, before, () => (steps++, false))
    const anew = fitPopulation(more, SIZE)
    expect(steps).toBeLessThan(4)
    expect(resumed.cloud).toEqual(anew.cloud)
    expect(resumed.path).toEqual(anew.path)
    expect(resumed.counts).toEqual(anew.counts)
    expect(resumed.logLikelihood).toBe(anew.logLikelihood)
  })
  it('begins anew where an old entry was put right, or the colony changed', () => {
    const question = ask(doubling)
    const before = fitPopulation(question, SIZE)
    const old = {
      ...question,
      events: question.events.map((e, i) => (i === 2 && e.kind === 'count' ? { ...e, seen: 99 } : e)),
    }
    let steps = 0
    fitPopulation(old, SIZE, before, () => (steps++, false))
    expect(steps).toBeGreaterThan(35)
    steps = 0
    fitPopulation({ ...question, founders: heads({ females: 13, males: 8 }) }, SIZE, before, () => (steps++, false))
    expect(steps).toBeGreaterThan(35)
  })
  it('goes on from what was kept of it on another day, also over years', () => {
    const long = {
      startMs: NOW - 160 * WEEK_MS,
      founders: heads({ females: 30, males: 20 }),
      rates: ratesOf('neocaridina', 200),
    }
    const years = Array.from({ length: 30 }, (_, i) => counted(4 + 5 * i, 150 + (i % 4)))
    const before = stageModel.fit(ask(years, long), { particles: 400 })
    const kept = structuredClone(before.keep()!)
    const tomorrow = { ...ask([...years, counted(0, 152)], long), nowMs: NOW + DAY_MS }
    const anew = stageModel.fit(tomorrow, { particles: 400 })
    let [cold, warm] = [0, 0]
    stageModel.fit(tomorrow, { particles: 400, stopped: () => (cold++, false) })
    const resumed = stageModel.fit(tomorrow, { particles: 400, kept, stopped: () => (warm++, false) })
    expect(resumed.explain()).toEqual(anew.explain())
    expect([cold, warm]).toEqual([161, 2])
    // another version of the model begins anew
    warm = 0
    stageModel.fit(tomorrow, { particles: 400, kept: { ...kept, model: 'old/1' }, stopped: () => (warm++, false) })
    expect(warm).toBe(161)
  })
  it('can be stopped', () => {
    expect(() => fitPopulation(ask(doubling), SIZE, undefined, () => true)).toThrow(StoppedError)
  })
  it('counts the dead since a moment, and only the dead', () => {
    const a = answer([
      ...doubling,
      step(10, -3, { death: true }),
      step(2, -4, { death: true }),
      step(1, -20),
      step(1, 6),
    ])
    expect(deathsSince(a, NOW - 6 * WEEK_MS)).toBe(4)
    expect(deathsSince(a, NOW - 12 * WEEK_MS)).toBe(7)
    expect(deathsSince(a, NOW)).toBe(0)
  })
  it('a colony that began with none has none', () => {
    expect(numberNow(fitPopulation(ask([], { founders: heads({}) }), SIZE))).toMatchObject({
      value: 0,
      low: 0,
      high: 0,
    })
  })
  it('holds with many counts on one day and a start today', () => {
    const a = answer([counted(0, 18), counted(0, 19), counted(0, 17)], { startMs: NOW })
    expect(a.now.value).toBeGreaterThan(15)
    expect(a.now.value).toBeLessThan(25)
    expect(a.path.every(p => Number.isFinite(p.p50) && p.p10 <= p.p50 && p.p50 <= p.p90)).toBe(true)
  })
  it('learns the room of a glass that is fuller than its litres say', () => {
    const full = [30, 26, 22, 18, 14, 10, 6, 2].map(w => counted(w, 160))
    const rates = ratesOf('neocaridina', 100)
    const a = answer(full, {
      founders: heads({ females: 100, males: 80 }),
      rates,
      spreads: spreadsOf(resolvedOf('neocaridina'), rates),
    })
    expect(a.capacity).toBeGreaterThan(100)
    expect(a.learnt.find(l => l.name === 'room')!.now.value).toBeGreaterThan(1)
  })
  it('advises a look that narrows: a full count before a sample', () => {
    const { looks } = answer(doubling.slice(0, 6))
    expect(looks.map(l => l.what).sort()).toEqual(['broods', 'fullCount', 'sample'])
    const left = (what: string) => looks.find(l => l.what === what)!.left
    expect(left('fullCount')).toBeLessThan(left('sample'))
    expect(left('fullCount')).toBeLessThan(0.9)
    expect(looks.every((l, i) => i === 0 || l.left >= looks[i - 1]!.left)).toBe(true)
  })
  it('says when log and model disagree', () => {
    const wild = [9, 7, 5, 3].map((w, i) => counted(w, i % 2 ? 900 : 4, 'allSeen'))
    expect(answer([...doubling.slice(0, 7), ...wild]).fit.disagreement).not.toBeNull()
  })
})

describe('the grown among them', () => {
  const question = ask(doubling)
  const a = stageModel.fit(question, { particles: 400 }).explain()
  it('are told for each moment of the past and of the futures', () => {
    expect(a.grown.past.map(g => g.at)).toEqual(a.path.map(p => p.at))
    expect(a.grown.ahead.map(g => g.at)).toEqual(a.fan.map(p => p.at))
  })
  it('are never more than all, and today those of the stages', () => {
    for (const [grown, all] of [
      [a.grown.past, a.path],
      [a.grown.ahead, a.fan],
    ] as const)
      grown.forEach((g, i) => {
        expect(g.high).toBeLessThanOrEqual(all[i]!.p90)
        expect(g.low).toBeLessThanOrEqual(g.value)
      })
    const { females, males } = a.stages
    expect(Math.abs(a.grown.past.at(-1)!.value - females.value - males.value)).toBeLessThan(8)
    expect(a.grown.ahead[0]!.value).toBeCloseTo(a.grown.past.at(-1)!.value, -1)
  })
  it('were all there were of twenty grown founders, and a part once young came up', () => {
    expect(a.grown.past[0]!.value / a.path[0]!.p50).toBeCloseTo(1, 12)
    expect(a.grown.past.at(-1)!.value / a.path.at(-1)!.p50).toBeLessThan(0.85)
  })
})
