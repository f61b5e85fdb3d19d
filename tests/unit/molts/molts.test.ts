import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import {
  moltChart,
  moltCourse,
  moltFailures,
  moltsBetween,
  moltWatch,
  type Stretch,
  USUAL_LEVEL,
  watchMolts,
} from '#core/molts'
import { DAY_MS, type Entry, WEEK_MS } from '#core/records'
import { seededRandom } from '#core/stats'
import { entryOf, nextId, NOW } from '../../make'

const molts = groupOf('neocaridina').care.molts!
const START = NOW - 52 * WEEK_MS
const colonyId = nextId()
/** A year of weeks in which nothing changes: so many grown animals, and half as many young. */
const still = (grown: number, more: Partial<Stretch> = {}): Stretch[] =>
  Array.from({ length: 52 }, (_, w) => ({
    ...{ untilMs: START + (w + 1) * WEEK_MS, all: 1.5 * grown, grown, sdLog: 0, pace: 1 },
    ...more,
  }))
const course = (grown: number, more: Partial<Stretch> = {}) => moltCourse(molts, START, still(grown, more))

describe('molts that are to be expected', () => {
  it('a grown animal molts in four weeks, a young one in one (common practice), faster where it is warmer', () => {
    const [first] = course(80)
    expect(first).toMatchObject({ fromMs: START, untilMs: START + WEEK_MS, grown: 20, young: 40, sdLog: 0 })
    expect(course(80, { pace: 1.5 })[3]).toMatchObject({ grown: 30, young: 60 })
    // a number in which fewer are counted than are grown has no young
    expect(moltCourse(molts, START, [{ ...still(80)[0]!, all: 70 }])[0]!.young).toBe(0)
  })
  it('between two moments are the parts of the stretches between them', () => {
    const c = course(80)
    expect(moltsBetween(c, START + WEEK_MS / 2, START + 2 * WEEK_MS, 'grown')).toBeCloseTo(30, 10)
    expect(moltsBetween(c, START, START + WEEK_MS / 4, 'all')).toBeCloseTo(15, 10)
    expect(moltsBetween(c, START - WEEK_MS, START, 'grown')).toBe(0)
    expect(moltsBetween(c, 0, Infinity, 'grown')).toBeCloseTo(52 * 20, 8)
  })
})

describe('failures of a log', () => {
  const trouble = (days: number, number: number) => entryOf('failedMolt', days, { colonyId, number, sign: 'whiteGap' })
  const died = (days: number, number: number, sign = 'failedMolt') => entryOf('death', days, { colonyId, number, sign })
  const at = (days: number) => NOW - days * DAY_MS
  it('are those seen in trouble and those that died of it', () => {
    expect(moltFailures([trouble(30, 1), died(20, 2), died(10, 4, 'unknown'), died(9, 1, 'jump')])).toEqual([
      { at: at(30), number: 1 },
      { at: at(20), number: 2 },
    ])
  })
  it('who was seen in trouble and died of it within four days is one', () => {
    expect(moltFailures([trouble(10, 1), died(6, 1)])).toEqual([{ at: at(10), number: 1 }])
    expect(moltFailures([trouble(10, 1), died(5.9, 1)])).toHaveLength(2)
    // three dead of whom two were seen, and a fourth later: none is taken for the same twice
    expect(moltFailures([trouble(10, 2), died(9, 3), died(8, 1)])).toEqual([
      { at: at(10), number: 2 },
      { at: at(9), number: 1 },
      { at: at(8), number: 1 },
    ])
  })
})

describe('the alarm of failed molts', () => {
  const watch = (grown: number, failures: [days: number, number: number][], more: Partial<Stretch> = {}) =>
    watchMolts(
      course(grown, more),
      failures.map(([days, number]) => ({ at: NOW - days * DAY_MS, number })).toSorted((a, b) => a.at - b.at),
      { level: USUAL_LEVEL, nowMs: NOW },
    )
  it('is silent at the level of common practice: one or two of fifty within eight weeks', () => {
    const everyFive = Array.from({ length: 10 }, (_, k): [number, number] => [350 - 36 * k, 1])
    expect(watch(50, everyFive).troubles).toEqual([])
  })
  it('tells of failures that come one in eight molts, from the first of them', () => {
    const { troubles, path } = watch(50, [
      [20, 1],
      [16, 1],
      [13, 1],
      [11, 1],
      [6, 2],
    ])
    expect(troubles).toHaveLength(1)
    expect(troubles[0]).toMatchObject({ fromMs: NOW - 20 * DAY_MS, untilMs: null })
    expect(troubles[0]!.toldMs).toBeLessThanOrEqual(NOW - 6 * DAY_MS)
    expect(path.at(-1)!.level).toBeGreaterThan(0.5)
    expect(path.flatMap(p => (p.failed > 0 ? [p.failed] : []))).toEqual([1, 1, 1, 1, 2])
    expect(path.every((p, i) => i === 0 || p.at > path[i - 1]!.at)).toBe(true)
  })
  it('counts once until it ends: when the sum has fallen, or nothing failed for four weeks', () => {
    const burst: [number, number][] = [
      [150, 2],
      [147, 2],
      [144, 2],
      [141, 2],
    ]
    const { troubles } = watch(50, burst)
    expect(troubles).toHaveLength(1)
    const days = (troubles[0]!.untilMs! - (NOW - 141 * DAY_MS)) / DAY_MS
    expect(days).toBeGreaterThan(7)
    expect(days).toBeLessThanOrEqual(35)
    // another burst is another trouble
    expect(watch(50, [...burst, [40, 3], [38, 3]]).troubles.map(t => t.untilMs === null)).toEqual([false, false])
    expect(watch(50, [...burst, [10, 3], [8, 3]]).troubles.map(t => t.untilMs === null)).toEqual([false, true])
  })
  it('a single failure is never an alarm, nor are any where three weeks hold fewer than ten molts', () => {
    expect(watch(14, [[5, 1]]).troubles).toEqual([])
    expect(
      watch(13, [
        [9, 3],
        [7, 3],
        [5, 3],
      ]).troubles,
    ).toEqual([])
    expect(
      watch(14, [
        [9, 3],
        [7, 3],
        [5, 3],
      ]).troubles,
    ).toHaveLength(1)
  })
  it('two at once, with a number that nobody knows, need more than where it is known', () => {
    const two: [number, number][] = [
      [9, 2],
      [4, 1],
    ]
    const levels = (sdLog: number) => watch(60, two, { sdLog }).path.at(-1)!.level
    expect(levels(0.6)).toBeCloseTo(levels(0), 1)
    // the middle of the draws speaks
    expect(watch(60, two).path.at(-1)!.level).toBeGreaterThan(0)
  })
  it('what it takes off and its limit rise with the molts, so that false alarms stay as rare', () => {
    const [few, many] = [moltChart(4, USUAL_LEVEL), moltChart(60, USUAL_LEVEL)]
    expect(few.perMolt).toBe(many.perMolt)
    expect(few.perMolt).toBeGreaterThan(USUAL_LEVEL * 0.75)
    expect(few.perMolt).toBeLessThan(0.125)
    expect(many.limit).toBeGreaterThan(few.limit)
    expect(few.molts).toBeGreaterThanOrEqual(130 * 4)
    expect(many.molts).toBeGreaterThanOrEqual(130 * 60)
    expect(many.molts).toBeLessThan(1.4 * 130 * 60)
    // who accepts more waits for more
    expect(moltChart(20, 0.05).limit).toBeGreaterThan(moltChart(20, 0.02).limit)
    expect(moltChart(20, 0.05).perMolt).toBeGreaterThan(moltChart(20, 0.02).perMolt)
  })
  it('its run length is what a simulation of it gives', () => {
    const random = seededRandom(41)
    const { perMolt, limit, molts: reckoned } = moltChart(20, USUAL_LEVEL)
    const falseAlarms = [0.5, 0.75, 1].map(share => {
      let [alarms, sum] = [0, 0]
      const YEARS = 2000
      for (let molt = 0; molt < YEARS * 52 * 20; molt++) {
        sum = Math.max(0, sum - perMolt)
        if (random() < USUAL_LEVEL * share) sum += 1
        if (sum > limit - 1e-9) [alarms, sum] = [alarms + 1, 0]
      }
      return alarms / (YEARS * 52 * 20)
    })
    const simulated = 3 / falseAlarms.reduce((a, b) => a + b, 0)
    expect(simulated / reckoned).toBeGreaterThan(0.95)
    expect(simulated / reckoned).toBeLessThan(1.05)
  })
})

describe('what is told of molts', () => {
  const watched = (entries: Entry[], grown = 60, more: Partial<Stretch> = {}, level = USUAL_LEVEL) =>
    moltWatch({ molts, startMs: START, stretches: still(grown, more), entries, level, nowMs: NOW })!
  const trouble = (days: number, number: number) => entryOf('failedMolt', days, { colonyId, number, sign: 'stuck' })
  it('failures of eight weeks against the molts in them', () => {
    const w = watched([trouble(57, 5), trouble(55, 1), trouble(20, 2)], 60, { sdLog: 0.2 })
    expect(w).toMatchObject({ failed: 3, trouble: null, tooFew: false, level: 0.02 })
    expect(w.molts.value).toBeCloseTo(8 * 15, 8)
    expect(w.molts.high / w.molts.value).toBeCloseTo(Math.exp(1.2816 * 0.2), 3)
    expect(w.usual).toBeCloseTo(0.02 * 120, 8)
    // fifteen of the grown and thirty of the young a week
    expect(w.perDay).toBeCloseTo(45 / 7, 8)
    expect(watched([], 60, {}, 0.05).usual).toBeCloseTo(6, 8)
  })
  it('a rate with an interval: failures that nobody found are in it', () => {
    const w = watched([trouble(40, 3), trouble(20, 3)], 60)
    // six of 120 found, of which half to all were found: between 5 and 10 %
    expect(w.rate.value).toBeGreaterThan(0.05)
    expect(w.rate.value).toBeLessThan(0.1)
    expect(w.rate.low).toBeLessThan(0.05)
    expect(w.rate.high).toBeGreaterThan(0.1)
    // gamma with half an event more, over shares that are found (Gelman et al., ch. 2): none of 120
    const none = watched([], 60).rate
    expect(none.low).toBeLessThan(0.001)
    expect(none.high).toBeGreaterThan(0.01)
    expect(none.high).toBeLessThan(0.03)
    // wider where the number is not known
    expect(watched([trouble(40, 3), trouble(20, 3)], 60, { sdLog: 0.8 }).rate.high).toBeGreaterThan(1.3 * w.rate.high)
    expect(watched([trouble(40, 300)], 60).rate.value).toBe(1)
  })
  it('too few molts to tell where three weeks hold fewer than ten', () => {
    expect(watched([], 13).tooFew).toBe(true)
    expect(watched([], 14).tooFew).toBe(false)
  })
  it('the share of skins that is found is learnt from look to look', () => {
    const skins = (days: number, number: number) => entryOf('molts', days, { colonyId, number })
    const nobody = watched([])
    expect(nobody.skins.share.value).toBeCloseTo(0.3, 10)
    expect(nobody.skins.expected.value).toBeCloseTo(8 * (15 + 30), 8)
    // a week holds 45 skins: nine of them are a fifth
    const weekly = Array.from({ length: 40 }, (_, k) => skins(7 * (39 - k), 9))
    const known = watched(weekly).skins
    expect(known.found).toBe(8 * 9)
    expect(known.share.value).toBeCloseTo(0.2, 2)
    expect(known.share.high - known.share.low).toBeLessThan(0.05)
    expect(nobody.skins.share.high - nobody.skins.share.low).toBeGreaterThan(0.3)
    // a skin lies for a week: who looks monthly sees those of the last week, who looks twice a day those of that half
    const monthly = watched(Array.from({ length: 12 }, (_, k) => skins(28 * (12 - k), 9))).skins.share.value
    expect(monthly).toBeCloseTo(0.2, 1)
    const twice = Array.from({ length: 60 }, (_, k) => skins((60 - k) / 2, 1))
    // the first look may have seen a week of them, each other half a day
    expect(watched(twice).skins.share.value).toBeCloseTo((1.5 + 60) / (5 + 45 + (59 * 45) / 14), 8)
  })
  it('nothing of a log that has no day', () => {
    expect(moltWatch({ molts, startMs: NOW, stretches: [], entries: [], level: 0.02, nowMs: NOW })).toBeNull()
  })
  it('the alarm says how many failures, and how often it cries wolf', () => {
    const alarm = watched([trouble(200, 1)], 60).alarm!
    expect(alarm.failures).toBe(moltChart(15, 0.02).limit)
    expect(alarm.molts).toBe(moltChart(15, 0.02).molts)
    expect(alarm.weeks).toBeCloseTo(alarm.molts / 15, 8)
    expect(watched([], 60).alarm).toBeNull()
  })
})
