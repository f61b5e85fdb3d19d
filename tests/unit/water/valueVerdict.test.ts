import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { DAY_MS, type TestMethod, type ValueKey } from '#core/records'
import { freshDays, judgeValue, readingSd, type ValueReading } from '#core/water'
import { nextId, NOW } from '../../make'

const reading = (key: ValueKey, daysAgo: number, value: number, method: TestMethod = 'liquidKit'): ValueReading => ({
  entryId: nextId(),
  at: NOW - daysAgo * DAY_MS,
  value,
  sd: readingSd(key, method, value),
  method,
})
const target = (key: ValueKey, group = 'neocaridina') => groupOf(group).targets[key]!
const judge = (key: ValueKey, series: [number, number][], method: TestMethod = 'liquidKit', group = 'neocaridina') =>
  judgeValue({
    key,
    target: target(key, group),
    readings: series.map(([d, v]) => reading(key, d, v, method)),
    nowMs: NOW,
    largestStep: groupOf(group).largestStepPerWeek[key]?.value,
  })
const weekly = (values: number[]): [number, number][] => values.map((v, i) => [(values.length - 1 - i) * 7 + 1, v])

describe('judgeValue', () => {
  it('says that a value was never tested', () => {
    const v = judge('khDh', [])
    expect(v).toMatchObject({ state: 'unknown', latest: null, ageDays: null })
    expect(v.conclusion.key).toBe('water.noReading')
    expect(v.actions[0]?.key).toBe('water.doTest')
  })
  it('is content with a steady value inside the range', () => {
    const v = judge('khDh', weekly([5, 5.2, 4.8, 5, 5]))
    expect(v.state).toBe('onTarget')
    expect(v.reasons.map(r => r.key)).toContain('water.reasonSteady')
    expect(v.inFourWeeks!.low).toBeLessThan(5)
    expect(v.inFourWeeks!.high).toBeGreaterThan(5)
  })
  it('names a slide before it is out of the tolerated range', () => {
    const v = judge('khDh', weekly([4.6, 4.2, 3.9, 3.4, 3, 2.7]))
    expect(v.state).toBe('off')
    expect(v.conclusion.key).toBe('water.slidBelow')
    expect(v.trendPerWeek!.value).toBeCloseTo(-0.38, 1)
    expect(v.inFourWeeks!.value).toBeLessThan(2)
    expect(v.actions.map(a => a.key)).toEqual(['water.doRaise'])
  })
  it('calls a value inside its range drifting when it will leave it within four weeks', () => {
    const v = judge('ghDh', weekly([6.4, 6.7, 7, 7.2, 7.5]))
    expect(v.state).toBe('drifting')
    expect(v.conclusion.key).toBe('water.rising')
  })
  it('leaves a steady value near the edge alone: stable beats perfect', () => {
    const v = judge('ghDh', weekly([5.2, 5.2, 5.4, 5.2, 5.2]))
    expect(v.state).toBe('onTarget')
    expect(v.conclusion.key).toBe('water.steadyAtEdge')
    expect(v.actions[0]?.key).toBe('water.doNothing')
  })
  it('does not sound the alarm on one strip', () => {
    const strip = judge('khDh', [[1, 1.2]], 'strip')
    const kit = judge('khDh', [[1, 1.2]], 'liquidKit')
    expect(strip.state).toBe('drifting')
    expect(strip.actions[0]?.key).toBe('water.doRetest')
    expect(kit.state).toBe('off')
  })
  it('believes two weak readings in a row', () => {
    expect(
      judge(
        'khDh',
        [
          [9, 1],
          [1, 1.2],
        ],
        'strip',
      ).state,
    ).toBe('off')
  })
  it('counts poisons as found only beyond the doubt of the kit', () => {
    expect(judge('ammoniaMgL', [[1, 0.05]]).state).toBe('onTarget')
    const found = judge('ammoniaMgL', [[1, 0.5]])
    expect(found.conclusion.key).toBe('water.poison')
    expect(found.actions[0]?.key).toBe('water.doEmergencyChange')
  })
  it('lets a reading grow old', () => {
    const edge = freshDays.khDh
    expect(judge('khDh', [[edge - 0.5, 5]]).state).not.toBe('unknown')
    const old = judge('khDh', [[edge + 0.5, 5]])
    expect(old.state).toBe('unknown')
    expect(old.conclusion.key).toBe('water.tooOld')
  })
  it('names a jump that is larger than the animals take', () => {
    const v = judge('khDh', weekly([4, 4, 4, 8, 8]))
    expect(v.reasons.find(r => r.key === 'water.reasonJump')?.values).toMatchObject({ by: 4, allowed: 0.8 })
    expect(judge('khDh', weekly([4, 4.4, 4.8, 5.2])).reasons.some(r => r.key === 'water.reasonJump')).toBe(false)
  })
  it('weighs methods: strips show no trend where a kit does', () => {
    const series = weekly([5.6, 5.3, 5, 4.6, 4.3])
    expect(judge('khDh', series, 'liquidKit').reasons.some(r => r.key === 'water.reasonSlope')).toBe(true)
    expect(judge('khDh', series, 'strip').reasons.some(r => r.key === 'water.reasonSlope')).toBe(false)
  })
  it('does not extrapolate from two readings', () => {
    const v = judge('khDh', [
      [8, 6],
      [1, 4],
    ])
    expect(v.inFourWeeks!.value).toBe(4)
    expect(v.reasons.map(r => r.key)).toContain('water.reasonTooFew')
  })
  it('never forecasts less than nothing', () => {
    const v = judge('khDh', weekly([3, 2, 1.1, 0.4]))
    expect(v.inFourWeeks!.value).toBeGreaterThanOrEqual(0)
    expect(v.inFourWeeks!.low).toBeGreaterThanOrEqual(0)
  })
  it('sees high values too, and that a value is on its way back', () => {
    expect(judge('nitrateMgL', weekly([10, 22, 35, 50])).conclusion.key).toBe('water.slidAbove')
    const back = judge('ghDh', weekly([12, 11, 10, 9.2, 8.6]))
    expect(back.state).toBe('drifting')
    expect(back.actions[0]?.key).toBe('water.doNothing')
  })
})

describe('readingSd', () => {
  it('trusts strips least for hardness', () => {
    for (const key of ['ghDh', 'khDh'] as const)
      expect(readingSd(key, 'strip', 6)).toBeGreaterThan(3 * readingSd(key, 'liquidKit', 6))
  })
  it('grows with the reading where the kit does', () => {
    expect(readingSd('nitrateMgL', 'liquidKit', 80)).toBeGreaterThan(readingSd('nitrateMgL', 'liquidKit', 5))
  })
})
