import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { DAY_MS, type ValueKey, WEEK_MS } from '#core/records'
import { freshDays, judgeValue, readingSd, type ValueReading, type ValueVerdict } from '#core/water'
import { pathAt, valuePath } from '../../../core/water/valuePath'
import { nextId, NOW } from '../../make'

const target = (key: ValueKey) => groupOf('neocaridina').targets[key]!
const reading = (key: ValueKey, at: number, value: number): ValueReading => ({
  entryId: nextId(),
  at,
  value,
  sd: readingSd(key, 'liquidKit', value),
  method: 'liquidKit',
})
const weekly = (key: ValueKey, values: readonly number[], age = 0) =>
  values.map((v, i) => reading(key, NOW - age - (values.length - 1 - i) * WEEK_MS, v))
const judge = (key: ValueKey, readings: ValueReading[]) =>
  judgeValue({ key, target: target(key), readings, nowMs: NOW })
/** The first of some settings at which a verdict says something else. */
function changesAt(
  settings: readonly number[],
  verdict: (x: number) => ValueVerdict,
  says: (v: ValueVerdict) => boolean,
) {
  return settings.find(x => says(verdict(x)))!
}
const downFrom = (from: number, to: number, step = 0.01) =>
  Array.from({ length: Math.round((from - to) / step) }, (_, i) => Number((from - i * step).toFixed(4)))

describe('where a verdict changes', () => {
  it.each([
    ['khDh', 0.3],
    ['ph', 0.18],
    ['nitrateMgL', 0.135],
    ['temperatureC', 0.25],
  ] as const)(
    '%s inside its range is drifting from a chance of %d that it leaves before two more tests',
    (key, leaves) => {
      const [low, high] = target(key).preferred
      const breadth = high - low
      let called = 1
      // slides of several speeds that come to rest at several places inside
      for (let end = 0.45; end < 0.99; end += 0.01)
        for (const slope of [0.02, 0.04, 0.06, 0.08]) {
          const values = Array.from({ length: 8 }, (_, i) => low + breadth * (end - slope * (7 - i)))
          const v = judge(key, weekly(key, values))
          if (v.latest!.value > high || v.conclusion.key === 'water.withinDoubt') continue
          if (['water.rising', 'water.mayLeave'].includes(v.conclusion.key)) called = Math.min(called, v.outsideSoon!)
        }
      expect(called).toBeGreaterThan(leaves - 1e-9)
      // the least of those that were called lies near it, so that the chance is this one and no other
      expect(called).toBeLessThan(leaves + 0.04)
    },
  )
  it('one reading is outside from a chance of 0.7 that it is, and off from one of 0.8 beyond what is tolerated', () => {
    const one = (value: number) => judge('khDh', [reading('khDh', NOW, value)])
    // 3 and 2 °dH are the edges; a kit reads to 0.35, and KH hardly wanders at the moment of the test
    expect(changesAt(downFrom(3.2, 1), one, v => v.state === 'drifting')).toBeCloseTo(3 - 0.5244 * 0.35, 1)
    expect(changesAt(downFrom(3.2, 1), one, v => v.state === 'off')).toBeCloseTo(2 - 0.8416 * 0.35, 1)
    expect(one(2.84).state).toBe('onTarget')
    expect(one(2.79).state).toBe('drifting')
    expect(one(1.73).state).toBe('drifting')
    expect(one(1.68).state).toBe('off')
  })
  it('one that slid out is off with a chance of 0.25 that it goes beyond before two more tests', () => {
    const slid = (end: number) =>
      judge(
        'khDh',
        weekly(
          'khDh',
          Array.from({ length: 7 }, (_, i) => end + (6 - i) * 0.35),
        ),
      )
    const at = changesAt(downFrom(3.4, 2, 0.05), slid, v => v.state === 'off')
    expect(at).toBeGreaterThan(2.5)
    expect(at).toBeLessThan(2.8)
  })
  it('is read again first from half of the days that it is good for', () => {
    const aged = (days: number) => judge('khDh', [reading('khDh', NOW - days * DAY_MS, 1.2)])
    const half = freshDays.khDh / 2
    expect(aged(half - 0.5).actions.map(a => a.key)).toEqual(['water.doRaise'])
    expect(aged(half + 0.5).actions.map(a => a.key)).toEqual(['water.doTestFirst'])
  })
  it('is settled from three tests that lie together, not from two', () => {
    const steady = (n: number) =>
      judge(
        'khDh',
        weekly(
          'khDh',
          Array.from({ length: n }, () => 2.6),
        ),
      ).conclusion.key
    expect(steady(3)).toBe('water.steadyAtEdge')
    expect(steady(2)).not.toBe('water.steadyAtEdge')
  })
  it('looks three weeks ahead at most, however seldom it is tested', () => {
    // the same slide, 0.1 °dH a week, tested every three weeks or every nine: both are asked of the same day
    const soon = (gap: number) =>
      judge(
        'khDh',
        [3, 2, 1, 0].map(i => reading('khDh', NOW - i * gap * DAY_MS, 3.9 + (0.1 * i * gap) / 7)),
      ).outsideSoon!
    expect(soon(21)).toBeGreaterThan(0.05)
    expect(soon(60)).toBeLessThan(soon(21) + 0.1)
  })
  it('old conductivity says nothing of GH any more', () => {
    const readings = weekly('ghDh', [6.1, 6.6, 7.1, 7.6, 8.1])
    const beside = (ageDays: number) =>
      judgeValue({
        key: 'ghDh',
        target: target('ghDh'),
        nowMs: NOW,
        readings,
        conductivity: [250, 260, 270, 280, 290].map((v, i) => ({
          ...reading('conductivityUsCm', NOW - ageDays * DAY_MS - (4 - i) * WEEK_MS, v),
          method: 'probe' as const,
          sd: readingSd('conductivityUsCm', 'probe', v),
        })),
      }).state
    expect(beside(1)).toBe('drifting')
    expect(beside(freshDays.conductivityUsCm + 1)).toBe('onTarget')
  })
  it('names the largest pour between the two readings of a step, and none that came before', () => {
    const values = [6.8, 6.8, 6.6, 6.8, 3.5, 3.5]
    const event = (daysAgo: number, litres: number) => ({ at: NOW - daysAgo * DAY_MS, litres, water: null })
    const reasons = (events: ReturnType<typeof event>[]) =>
      judgeValue({ key: 'ghDh', target: target('ghDh'), readings: weekly('ghDh', values), nowMs: NOW, events } as never)
        .reasons
    // the step lies between 14 and 7 days ago
    const named = reasons([event(10, 5), event(9, 30), event(8, 8), event(15, 99)])
    expect(named.find(r => r.key === 'water.reasonStepPoured')?.values).toMatchObject({ litres: 30 })
    const unknown = reasons([event(14, 99), event(15, 99)]).map(r => r.key)
    expect(unknown).toContain('water.reasonStepUnknown')
  })
  it('is steady where four weeks move it by less than half of its range', () => {
    const says = (values: number[]) => judge('khDh', weekly('khDh', values)).reasons.map(r => r.key)
    expect(says([5, 5, 5.1, 5, 5, 5, 4.9, 5])).toContain('water.reasonSteady')
  })
})

describe('a path', () => {
  const pour = (at: number, value: number, keep: number): ValueReading => ({
    entryId: nextId(),
    at,
    value,
    sd: 0.3,
    method: 'reckoned',
    poured: { keep, add: 0, sd: 0 },
  })
  it('a habit of pouring begins with the fourth pour in ten weeks', () => {
    const log = (pours: number) => {
      const all: ValueReading[] = []
      for (let week = pours; week >= 1; week--)
        all.push(reading('nitrateMgL', NOW - week * WEEK_MS, 15), pour(NOW - week * WEEK_MS + 1, 11.25, 0.75))
      return valuePath('nitrateMgL', [...all, reading('nitrateMgL', NOW, 15)], 20).poured
    }
    expect([log(3), log(4)]).toEqual([0, (-3.75 * 4) / 10])
  })
  it('a pour takes part of what slope and level know of each other', () => {
    // the level after half the water is poured goes on by the same slope, and its covariance is halved with it
    const before = weekly('khDh', [7, 6.5, 6, 5.5, 5])
    const plain = valuePath('khDh', before, 5)
    const half = valuePath('khDh', [...before, pour(NOW, 2.5, 0.5)], 5)
    const { moving } = plain.belief
    expect(half.belief.moving.cov).toBeCloseTo(0.5 * moving.cov, 9)
    expect(half.belief.moving.slopeVar).toBeCloseTo(moving.slopeVar, 9)
    const sd = (path: typeof plain) => pathAt(path, NOW + 4 * WEEK_MS).sd
    expect(sd(half)).toBeLessThan(sd(plain))
  })
  it('a slip is passed over where the next reading fits what was before within two deviations', () => {
    const steps = (next: number) => valuePath('khDh', weekly('khDh', [6, 6, 6, 2.5, next]), 5).steps.length
    expect(steps(6)).toBe(0)
    // half a degree off is still what was before
    expect(steps(5.6)).toBe(0)
    expect(steps(2.6)).toBe(1)
  })
  it('below nothing there is nothing: the lower edge of a range from 0 cannot be left', () => {
    const bee = groupOf('bee-shrimp').targets.khDh!
    const readings = weekly('khDh', [0.3, 0.2, 0.3, 0.2, 0.2])
    const v = judgeValue({ key: 'khDh', target: bee, readings, nowMs: NOW })
    expect(v.outsideSoon).toBeLessThan(0.05)
    expect(v.state).toBe('onTarget')
  })
})
