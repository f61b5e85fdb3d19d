import { describe, expect, it } from 'vitest'
import {
  type ExpectedMolts,
  type MoltFailure,
  moltChart,
  moltsBetween,
  moltWatch,
  type Stretch,
  watchMolts,
} from '#core/molts'
import { groupOf } from '#core/groups'
import { DAY_MS, WEEK_MS } from '#core/records'
import { Z80, zQuantile } from '#core/stats'
import { paceAt, tooFewAt } from '../../../core/molts/moltAlarm'
import { entryOf, nextId, NOW } from '../../make'

const START = NOW - 30 * WEEK_MS
const week = (w: number) => START + w * WEEK_MS
const LEVEL = 0.02
/** A colony that grows, in a water that warms: ten weeks each of 12, 24 and 40 molts, ever less known. */
const course: ExpectedMolts[] = Array.from({ length: 30 }, (_, w) => ({
  ...{ fromMs: week(w), untilMs: week(w + 1), young: 30 },
  grown: w < 10 ? 12 : w < 20 ? 24 : 40,
  sdLog: w < 10 ? 0 : w < 20 ? 0.2 : 0.4,
}))
const failure = (w: number, number: number): MoltFailure => ({ at: week(w) + DAY_MS, number })

/** The middle of nine sums, each for a number that the colony may have, written out. */
function byHand(failures: readonly MoltFailure[], until: number) {
  const moments = [...new Set([...course.map(s => s.untilMs), ...failures.map(f => f.at)])].sort((a, b) => a - b)
  const zs = Array.from({ length: 9 }, (_, k) => zQuantile((k + 0.5) / 9))
  let sums = zs.map(() => 0)
  let last = START
  const levels: { at: number; level: number }[] = []
  for (const at of moments.filter(m => m <= until)) {
    const s = course.find(c => at > c.fromMs && at <= c.untilMs)!
    const charts = zs.map(z => moltChart(s.grown * Math.exp(z * s.sdLog), LEVEL))
    const molts = moltsBetween(course, last, at, 'grown')
    last = at
    sums = sums.map((sum, k) =>
      Math.max(0, Math.min(sum, 1.5 * charts[k]!.limit) - charts[k]!.perMolt * molts * Math.exp(zs[k]! * s.sdLog)),
    )
    const found = failures.filter(f => f.at === at).reduce((all, f) => all + f.number, 0)
    sums = sums.map(sum => sum + found)
    levels.push({ at, level: sums.map((sum, k) => sum / charts[k]!.limit).sort((a, b) => a - b)[4]! })
  }
  return levels
}

describe('the sum of failures, written out', () => {
  const failures = [failure(2, 1), failure(11, 1), failure(12, 1), failure(22, 2), failure(23, 1)]
  it('goes by the molts of each stretch, and by the doubt of the number there', () => {
    const { path, troubles } = watchMolts(course, failures, { level: LEVEL, nowMs: NOW })
    const expected = byHand(failures, NOW)
    expect(troubles).toEqual([])
    expect(path.map(p => p.at)).toEqual(expected.map(e => e.at))
    for (const [i, p] of path.entries()) expect(p.level).toBeCloseTo(expected[i]!.level, 10)
    // some stand between nothing and the limit, else nothing was tried
    expect(path.filter(p => p.level > 0.05 && p.level < 1).length).toBeGreaterThan(6)
    expect(path.filter(p => p.failed > 0).map(p => p.failed)).toEqual([1, 1, 1, 2, 1])
  })
  it('nothing after today counts', () => {
    const nowMs = week(12)
    const { path } = watchMolts(course, failures, { level: LEVEL, nowMs })
    expect(path.at(-1)!.at).toBe(nowMs)
    expect(path).toHaveLength(byHand(failures, nowMs).length)
  })
  it('many at once raise it; it begins at the first of them, and stands until the sum has fallen', () => {
    const bad = [failure(21, 2), failure(22, 4), failure(23, 4)]
    const { path, troubles } = watchMolts(course, bad, { level: LEVEL, nowMs: NOW })
    expect(troubles).toHaveLength(1)
    const [trouble] = troubles
    const told = path.find(p => p.level >= 1)!.at
    expect(trouble).toMatchObject({ fromMs: week(21) + DAY_MS, toldMs: told })
    // quiet for four weeks ends it at the latest, at the end of a week of the log
    expect(trouble!.untilMs).toBeGreaterThan(told)
    expect(trouble!.untilMs).toBeLessThanOrEqual(week(23) + DAY_MS + 5 * WEEK_MS)
    expect(path.find(p => p.at === trouble!.untilMs)!.level).toBe(0)
    // what comes after it begins anew
    const later = watchMolts(course, [...bad, failure(29, 1)], { level: LEVEL, nowMs: NOW })
    expect(later.troubles).toHaveLength(1)
    const again = byHand([failure(29, 1)], NOW).at(-1)!.level
    expect(later.path.at(-1)!.level).toBeCloseTo(again, 10)
  })
  it('ends when the sum has fallen to half, or after four quiet weeks, however high it stands', () => {
    const even = (grown: number): ExpectedMolts[] => course.map(c => ({ ...c, grown, sdLog: 0 }))
    const bad = [failure(10, 3), failure(11, 3), failure(12, 3)]
    const quick = watchMolts(even(60), bad, { level: LEVEL, nowMs: NOW })
    const last = week(12) + DAY_MS
    expect(quick.troubles[0]!.untilMs).toBeLessThan(last + 3 * WEEK_MS)
    const slow = watchMolts(even(5), bad, { level: LEVEL, nowMs: NOW })
    // the first end of a week after four weeks, on which the sum still stands over a half
    expect(slow.troubles[0]!.untilMs).toBe(week(17))
    expect(slow.path.find(p => p.at === week(16))!.level).toBeGreaterThan(0.5)
    expect(slow.path.find(p => p.at === week(17))!.level).toBe(0)
    // a failure within the four weeks begins them anew
    const longer = watchMolts(even(5), [...bad, failure(15, 1)], { level: LEVEL, nowMs: NOW })
    expect(longer.troubles).toHaveLength(1)
    expect(longer.troubles[0]!.untilMs).toBe(week(20))
  })
  it('one alone does not raise it, at whatever limit; two that are enough do', () => {
    const loose = { level: 0.0001, nowMs: NOW }
    expect(moltChart(40, 0.0001).limit).toBeLessThan(2)
    expect(watchMolts(course, [failure(25, 1)], loose).troubles).toEqual([])
    expect(watchMolts(course, [failure(25, 2)], loose).troubles).toHaveLength(1)
    expect(
      watchMolts(course, [failure(25, 1), { at: week(25) + 2 * DAY_MS, number: 1 }], loose).troubles,
    ).toMatchObject([{ fromMs: week(25) + DAY_MS, toldMs: week(25) + 2 * DAY_MS }])
    // where the first one has been made up for, the second is alone again
    expect(watchMolts(course, [failure(1, 1), failure(25, 1)], loose).troubles).toEqual([])
  })
})

describe('the pace of a moment', () => {
  it('is that of its stretch, the end of one still being its own; after the last one it goes on', () => {
    expect(paceAt(course, week(10))).toEqual({ perWeek: 12, sdLog: 0 })
    expect(paceAt(course, week(10) + 1)).toEqual({ perWeek: 24, sdLog: 0.2 })
    expect(paceAt(course, NOW + WEEK_MS)).toEqual({ perWeek: 40, sdLog: 0.4 })
    expect(paceAt([], NOW)).toEqual({ perWeek: 0, sdLog: 0 })
    const none = { fromMs: NOW, untilMs: NOW, grown: 3, young: 0, sdLog: 0.1 }
    expect(paceAt([none], NOW)).toEqual({ perWeek: 0, sdLog: 0 })
    const half = { fromMs: NOW - WEEK_MS / 2, untilMs: NOW, grown: 3, young: 0, sdLog: 0.1 }
    expect(paceAt([half], NOW).perWeek).toBeCloseTo(6, 10)
  })
  it('ten molts in three weeks are enough to tell, one fewer is not', () => {
    const of = (perWeek: number) => [{ fromMs: NOW - WEEK_MS, untilMs: NOW, grown: perWeek, young: 0, sdLog: 0 }]
    expect(tooFewAt(of(10 / 3), NOW)).toBe(false)
    expect(tooFewAt(of(3.3), NOW)).toBe(true)
  })
})

describe('what is told of molts, from both sides of each edge', () => {
  const molts = groupOf('neocaridina').care.molts!
  const colonyId = nextId()
  const stretches: Stretch[] = Array.from({ length: 30 }, (_, w) => ({
    ...{ untilMs: week(w + 1), all: 220, grown: 160, sdLog: 0.2, pace: 1 },
  }))
  const trouble = (days: number, number = 1) => entryOf('failedMolt', days, { colonyId, number, sign: 'stuck' })
  const skins = (days: number, number: number) => entryOf('molts', days, { colonyId, number })
  const watch = (entries: ReturnType<typeof trouble>[]) =>
    moltWatch({ molts, startMs: START, stretches, entries, level: LEVEL, nowMs: NOW })!
  it('failures of the last eight weeks, with those of today', () => {
    expect(watch([trouble(57), trouble(56), trouble(55.9), trouble(1, 2)]).failed).toBe(3)
    expect(watch([trouble(0), trouble(-1)]).failed).toBe(1)
  })
  it('numbers have the doubt of the colony, and skins are those of all', () => {
    const told = watch([skins(57, 9), skins(20, 4), skins(3, 5), skins(-1, 50)])
    // 40 molts of the grown a week, 60 of the young: eight weeks of the one, a day of both
    expect(told.molts.value).toBeCloseTo(320, 6)
    expect(told.molts.low).toBeCloseTo(320 * Math.exp(-0.2 * Z80), 6)
    expect(told.molts.high).toBeCloseTo(320 * Math.exp(0.2 * Z80), 6)
    expect(told.perDay).toBeCloseTo(100 / 7, 6)
    expect(told.skins.expected.value).toBeCloseTo(800, 6)
    expect(told.skins.found).toBe(9)
  })
  it('a trouble that stands, and those that are past', () => {
    const now = watch([trouble(9, 4), trouble(5, 5), trouble(2, 5)])
    expect(now.trouble).toMatchObject({ fromMs: NOW - 9 * DAY_MS, untilMs: null })
    expect(now.past).toEqual([])
    const before = watch([trouble(140, 4), trouble(136, 5), trouble(130, 5)])
    expect(before.trouble).toBeNull()
    expect(before.past).toHaveLength(1)
    const both = watch([trouble(140, 4), trouble(136, 5), trouble(130, 5), trouble(9, 4), trouble(5, 5), trouble(2, 5)])
    expect(both.trouble!.fromMs).toBe(NOW - 9 * DAY_MS)
    expect(both.past).toEqual(before.past)
  })
  it('a rate that cannot be larger than one in one', () => {
    const few: Stretch[] = [{ untilMs: NOW, all: 1, grown: 1, sdLog: 0.1, pace: 0.05 }]
    const told = moltWatch({
      ...{ molts, startMs: NOW - WEEK_MS, stretches: few, level: LEVEL, nowMs: NOW },
      entries: [trouble(2, 3)],
    })!
    expect(told.rate).toEqual({ value: 1, low: 1, high: 1 })
    // and of as many as should be it is about what was found
    const many = watch([trouble(20, 6)]).rate
    expect(many.low).toBeGreaterThan(6 / 320 / 1.5)
    expect(many.value).toBeGreaterThan(many.low)
    expect(many.high).toBeLessThan(0.08)
  })
})
