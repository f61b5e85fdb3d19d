import { beforeAll, describe, expect, it, vi } from 'vitest'
import { WEEK_MS } from '#core/records'
import { StoppedError } from '#core/population'
import { type Fit, fitPopulation } from '../../../core/population/fit'
import type { PopulationEvent, PopulationQuestion } from '../../../core/population/question'
import * as rows from '../../../core/population/stages'
import { NOW } from '../../make'
import { ask, counted, heads, ratesOf, step } from './questions'

/** The course of a fit, with few possible colonies: which steps are lived how, by whom, and what is written down. */

const rates = ratesOf('neocaridina')
const DT = rates.dtWeeks
/** A colony so many steps old. */
const young = (steps: number, events: readonly PopulationEvent[] = [], more: Partial<PopulationQuestion> = {}) =>
  ask(events, { startMs: NOW - steps * DT * WEEK_MS, rates, founders: heads({ females: 60, males: 40 }), ...more })
const totals = ({ cloud, size }: Pick<Fit, 'cloud' | 'size'>) =>
  Array.from({ length: size }, (_, i) => rows.counted(cloud, size, i))
const mean = (x: readonly number[]) => x.reduce((a, b) => a + b, 0) / x.length

describe('the course of a fit', () => {
  it('writes a point for each step from the first day to today, each of its own day, and a toll', () => {
    for (const steps of [0, 1, 7, 8, 20]) {
      const fit = fitPopulation(young(steps), 40)
      expect(fit.path.map(p => Math.round((NOW - p.at) / (DT * WEEK_MS)))).toEqual(
        Array.from({ length: steps + 1 }, (_, k) => steps - k),
      )
      expect(fit.grown).toHaveLength(steps + 1)
      expect(fit.toll).toHaveLength(steps + 1)
      expect(fit.path[0]).toMatchObject({ p10: 100, p50: 100, p90: 100 })
      expect(fit.size).toBe(40)
    }
  })
  it('nobody lives before the first step: today’s founders are all there', () => {
    expect(totals(fitPopulation(young(0), 40))).toEqual(Array.from({ length: 40 }, () => 100))
  })
  it('what lies before the start or after today is not looked at', () => {
    const plain = fitPopulation(young(12), 40)
    const strange = [
      counted(13 * DT, 9999),
      { ...counted(0, 9999), at: NOW + 1 },
      step(12 * DT + 0.01, 500),
      { ...step(0, 500), at: NOW + 1 },
    ]
    expect(fitPopulation(young(12, strange), 40).cloud).toEqual(plain.cloud)
    // on the very first and the very last moment it is
    const now = totals(fitPopulation(young(12, [step(0, 500)]), 40))
    expect(mean(now) - mean(totals(plain))).toBeCloseTo(500, 6)
    expect(fitPopulation(young(12, [step(12 * DT, 500)]), 40).path[0]).toMatchObject({ p10: 600, p90: 600 })
  })
  it('a moment belongs to the nearest end of a step', () => {
    const leap = (stepsAgo: number) => {
      const { path } = fitPopulation(young(12, [step(stepsAgo * DT, 900)]), 40)
      return 12 - path.findIndex(p => p.p10 > 700)
    }
    expect([leap(5.4), leap(5.6), leap(4.6), leap(0.4)]).toEqual([5, 6, 5, 0])
  })
  it('deaths are not taken out on top of what died anyway, but for what is more', () => {
    const dead = (number: number) => mean(totals(fitPopulation(young(3, [step(0, -number, { death: true })]), 200)))
    const taken = (number: number) => mean(totals(fitPopulation(young(3, [step(0, -number)]), 200)))
    expect(taken(0) - taken(2)).toBeCloseTo(2, 6)
    // the bodies of two weeks lie there already
    expect(dead(0) - dead(2)).toBeLessThan(1.5)
    // most of many more were not there to be found
    expect(dead(0) - dead(40)).toBeGreaterThan(30)
  })
  it('is lived by the rates of each stretch, and by those of today after it', () => {
    const deadly = { ...rates, adultHazard: 3, youngHazard: 3 }
    const at = (weeksBack: number) => NOW - weeksBack * DT * WEEK_MS
    const past = (untilMs: number) => [{ untilMs, temperatureC: 30, rates: deadly }]
    const path = (until: number) => fitPopulation(young(10, [], { pastRates: past(at(until)) }), 60).path
    // the step that ends with the stretch is of it; the next one is not
    expect(path(9)[0]!.p50).toBe(100)
    expect(path(9)[1]!.p50).toBeLessThan(15)
    expect(path(9.1)[1]!.p50).toBeGreaterThan(80)
    const long = path(4)
    // only what hatched meanwhile
    expect(long[6]!.p50).toBeLessThan(30)
    const late = fitPopulation(
      young(10, [], {
        pastRates: [
          { untilMs: at(5), temperatureC: 22, rates },
          { untilMs: at(3), temperatureC: 30, rates: deadly },
        ],
      }),
      60,
    ).path
    expect(late[5]!.p50).toBeGreaterThan(70)
    expect(late[6]!.p50).toBeLessThan(0.4 * late[5]!.p50)
  })
  it('sees the entries of one step in order: put in and then counted', () => {
    const counts = (fit: Fit) => fit.counts.map(c => Math.round(c.expected))
    const both = [
      { ...step(0, 400), at: NOW - 2000 },
      { ...counted(0, 480), at: NOW - 1000 },
    ]
    const [after] = counts(fitPopulation(young(6, both), 200))
    expect(after!).toBeGreaterThan(450)
    const swapped = [
      { ...counted(0, 100), at: NOW - 2000 },
      { ...step(0, 400), at: NOW - 1000 },
    ]
    const [before] = counts(fitPopulation(young(6, swapped), 200))
    expect(before!).toBeLessThan(130)
  })
})

describe('what is worth something multiplies', () => {
  /** Counts that leave few possible colonies: every step, far from what most of them say. */
  const narrow = [9, 8, 7, 6, 5, 4, 3, 2, 1, 0].map(s => counted(s * DT, 60))
  it('the likelihood of the log is the sum over its parts, whether colonies were drawn anew or not', () => {
    const likelihood = (events: PopulationEvent[]) => fitPopulation(young(10, events), 4000).logLikelihood
    expect(likelihood([])).toBe(0)
    const one = likelihood([counted(0, 60)])
    const other = likelihood([counted(0, 90)])
    expect(other).toBeGreaterThan(one)
    // a second count of the same moment is expected by now
    const twice = likelihood([counted(0, 90), { ...counted(0, 90), at: NOW - 1 }])
    expect(twice - other).toBeGreaterThan(other)
    expect(Number.isFinite(likelihood(narrow))).toBe(true)
  })
  it('the fewest effective ones on the way are told as of all', () => {
    const { effective } = fitPopulation(young(10, narrow), 400)
    expect(effective).toBeGreaterThan(4)
    expect(effective).toBeLessThan(200)
    expect(fitPopulation(young(10), 400).effective).toBeCloseTo(400, 6)
  })
  it('those of today are equally likely, and none is made up', () => {
    const fit = fitPopulation(young(10, narrow), 400)
    expect(fit.cloud).toHaveLength(rows.ROWS * 400)
    expect(totals(fit).every(Number.isInteger)).toBe(true)
    // the parameters of those that were drawn twice part again
    const room = fit.cloud.subarray(rows.ROOM * 400, (rows.ROOM + 1) * 400)
    expect(new Set(room).size).toBeGreaterThan(150)
    const distinct = fitPopulation(young(10), 400).cloud.subarray(rows.ROOM * 400, (rows.ROOM + 1) * 400)
    expect(new Set(distinct).size).toBe(400)
  })
})

describe('checkpoints', () => {
  const sizes = (steps: number) => {
    const { checkpoints } = fitPopulation(young(steps, [], { founders: heads({ females: 4, males: 3 }) }), 40)
    return checkpoints.map(c => [steps - c.step, c.size])
  }
  it('are kept where it stood today, a step ago and six steps ago', () => {
    expect(sizes(20)).toEqual([
      [6, 40],
      [1, 40],
      [0, 40],
    ])
    expect(sizes(6).map(([ago]) => ago)).toEqual([1, 0])
    expect(sizes(1).map(([ago]) => ago)).toEqual([0])
    expect(sizes(0)).toEqual([])
  })
})

describe('years', () => {
  it('that no longer matter are lived through by a quarter, the last year and a part of half a year by all', () => {
    const sizes = [50, 77, 78, 103, 104, 160].map(steps => {
      const question = young(steps, [], { founders: heads({ females: 4, males: 3 }) })
      const spy = vi.spyOn(Float64Array.prototype, 'fill')
      const fit = fitPopulation(question, 40, undefined, () => false)
      // each step empties its lists of the dead and of the hatched: of ten colonies in the old ones
      const small = spy.mock.contexts.filter(c => (c as Float64Array).length === 10).length / 2
      spy.mockRestore()
      // where nothing was seen all count alike, however many lived through the old steps
      expect(fit.effective).toBeCloseTo(40, 6)
      expect(fit.cloud).toHaveLength(rows.ROWS * 40)
      return small
    })
    // the founders' step is lived by nobody
    expect(sizes).toEqual([0, 0, 25, 25, 51, 103])
  })
})

describe('going on', () => {
  const events = [counted(9 * DT, 90), counted(3 * DT, 80)]
  const more = [...events, counted(0, 70)]
  const asked = young(12, more)
  let before: Fit
  let anew: Fit
  beforeAll(() => {
    before = fitPopulation(young(12, events), 60)
    anew = fitPopulation(asked, 60)
  })
  const steps = (q: PopulationQuestion, from?: Parameters<typeof fitPopulation>[2], size = 60) => {
    let asked = 0
    const fit = fitPopulation(q, size, from, () => (asked++, false))
    return { fit, asked }
  }
  it('from where new entries begin: the same to the last bit', () => {
    const { fit, asked: lived } = steps(asked, before)
    expect(fit.cloud).toEqual(anew.cloud)
    expect(fit.logLikelihood).toBe(anew.logLikelihood)
    expect([fit.path, fit.counts, fit.toll]).toEqual([anew.path, anew.counts, anew.toll])
    // the last step alone
    expect(lived).toBe(1)
    // what it went on from is as it was
    expect(before.counts).toHaveLength(2)
    expect(steps(young(12, events), before).fit.cloud).toEqual(before.cloud)
  })
  it('an older entry that is new goes back as far as it must', () => {
    const late = young(12, [...events, counted(1 * DT, 75)])
    expect(steps(late, before).asked).toBe(2)
    const old = young(12, [...events, counted(5 * DT, 75)])
    expect(steps(old, before).asked).toBe(7)
    const oldest = young(12, [...events, counted(10 * DT, 75)])
    expect(steps(oldest, before).asked).toBe(13)
    for (const q of [late, old, oldest]) expect(steps(q, before).fit.cloud).toEqual(fitPopulation(q, 60).cloud)
  })
  it.each<[string, Partial<PopulationQuestion>]>([
    ['seed', { seed: 6 }],
    ['start', { startMs: NOW - 12 * DT * WEEK_MS - 1 }],
    ['founders', { founders: heads({ females: 61, males: 40 }) }],
    ['doubt of the founders', { foundersSd: 0.2 }],
    ['rates', { rates: { ...rates, capacity: rates.capacity + 1 } }],
    ['spreads', { spreads: { ...ask([]).spreads, room: 0.1 } }],
    ['births of its own', { ownBirths: 0.5 }],
  ])('begins anew where the %s differs', (_, changed) => {
    const other = young(12, more, changed)
    expect(steps(other, before).asked).toBe(13)
    expect(steps(other, before).fit.cloud).toEqual(fitPopulation(other, 60).cloud)
  })
  it('begins anew with another number of possible colonies, and where a stretch was warmer than thought', () => {
    expect(steps(asked, before, 61).asked).toBe(13)
    const warmer = { ...rates, adultHazard: rates.adultHazard * 1.2 }
    const pastRates = [{ untilMs: NOW - 4 * DT * WEEK_MS, temperatureC: 27, rates: warmer }]
    const q = young(12, more, { pastRates })
    expect(steps(q, before).asked).toBe(13)
    expect(steps(q, before).fit.cloud).toEqual(fitPopulation(q, 60).cloud)
  })
  it('takes up no step that is still to come', () => {
    const earlier = { ...young(12, events), nowMs: NOW - 3 * DT * WEEK_MS }
    expect(steps(earlier, before).fit.cloud).toEqual(fitPopulation(earlier, 60).cloud)
  })
  it('stops where somebody wants it to', () => {
    let asks = 0
    expect(() => fitPopulation(asked, 60, undefined, () => ++asks > 4)).toThrow(StoppedError)
    expect(asks).toBe(5)
  })
})
