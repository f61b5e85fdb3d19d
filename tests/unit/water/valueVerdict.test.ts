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
    const v = judge('khDh', weekly([4.6, 4.2, 3.8, 3.2, 2.8, 2.3]))
    expect(v.state).toBe('off')
    expect(v.conclusion.key).toBe('water.slidBelow')
    expect(v.reasons[0]!.key).toBe('water.reasonSlope')
    expect(v.trendPerWeek!.value).toBeLessThan(-0.15)
    expect(v.trendPerWeek!.low).toBeLessThan(-0.38)
    expect(v.inFourWeeks!.value).toBeLessThan(2.4)
    expect(v.actions.map(a => a.key)).toEqual(['water.doRaise'])
  })
  it('calls a value inside its range drifting when it will likely leave before two more tests', () => {
    const v = judge('ghDh', weekly([6, 6, 7, 7, 8, 8]))
    expect(v.state).toBe('drifting')
    expect(v.outsideSoon).toBeGreaterThan(0.33)
    expect(v.conclusion.key).toBe('water.rising')
    expect(v.actions.map(a => a.key)).toEqual(['water.doLower'])
    // the same way, far from the edge: nothing to be called
    const far = judge('ghDh', weekly([8.2, 8.6, 9, 9.4, 9.8]), 'liquidKit', 'ramshorn-snail')
    expect(far.state).toBe('onTarget')
    expect(far.outsideSoon).toBeLessThan(0.1)
  })
  it('takes whole degrees for what they are: no drift in a drop more or less', () => {
    for (const values of [
      [7, 6, 7, 7, 6, 7],
      [7, 7, 7, 7, 7, 8],
      [6, 7, 7, 6, 7, 6],
    ])
      expect(judge('ghDh', weekly(values)).state).toBe('onTarget')
  })
  it('a year that breathes is no drift, and 0.7 °C in seven weeks inside the range neither', () => {
    const falls = [24.4, 24.3, 24.2, 24.1, 24, 23.9, 23.8, 23.7]
    const v = judge('temperatureC', weekly(falls), 'probe')
    expect(target('temperatureC').preferred[0]).toBeLessThan(23)
    expect(v.state).toBe('onTarget')
  })
  it('says that it may leave where its way is not sure, and asks for a test, not for a change', () => {
    const v = judge('ph', weekly([7.1, 7, 7.1, 6.8, 6.8]))
    expect(v).toMatchObject({ state: 'drifting', conclusion: { key: 'water.mayLeave' } })
    expect(v.reasons[0]).toMatchObject({ key: 'water.reasonMayLeave', values: { low: 6.8, high: 7.6 } })
    expect(v.reasons.map(r => r.key)).not.toContain('water.reasonSteady')
    expect(v.actions.map(a => a.key)).toEqual(['water.doWatch'])
  })
  it('does not call right, nor about to leave, what was read outside', () => {
    const edge = judge('ph', weekly([7.3, 7.2, 7.1, 7, 7.1, 6.7]))
    expect(edge).toMatchObject({ state: 'drifting', conclusion: { key: 'water.withinDoubt' } })
    expect(judge('ghDh', weekly([7, 7, 7, 7, 7, 7, 8.2])).conclusion.key).toBe('water.withinDoubt')
  })
  it('hears conductivity where GH alone is not sure', () => {
    const readings = weekly([6.1, 6.6, 7.1, 7.6, 8.1]).map(([d, v]) => reading('ghDh', d, v))
    const asked = { key: 'ghDh' as const, target: target('ghDh'), nowMs: NOW, readings }
    const beside = (values: number[]) =>
      judgeValue({
        ...asked,
        conductivity: weekly(values).map(([d, v]) => reading('conductivityUsCm', d, v, 'probe')),
      }).state
    // a chance between what is needed together and what is needed alone
    expect(judgeValue(asked).outsideSoon).toBeGreaterThan(0.24)
    expect(judgeValue(asked).state).toBe('onTarget')
    expect(beside([250, 251, 249, 250, 251])).toBe('onTarget')
    expect(beside([290, 280, 270, 260, 250])).toBe('onTarget')
    expect(beside([250, 260, 270, 280, 290])).toBe('drifting')
    expect(beside([280, 290])).toBe('onTarget')
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
    const series = weekly([6.2, 5.6, 5, 4.4, 3.8])
    expect(judge('khDh', series, 'liquidKit').reasons.some(r => r.key === 'water.reasonSlope')).toBe(true)
    expect(judge('khDh', series, 'strip').reasons.some(r => r.key === 'water.reasonSlope')).toBe(false)
  })
  it('does not extrapolate from two readings', () => {
    const v = judge('khDh', [
      [8, 6],
      [1, 4.8],
    ])
    expect(v.inFourWeeks!.value).toBeGreaterThan(4.6)
    expect(v.reasons.map(r => r.key)).toContain('water.reasonTooFew')
  })
  it('tells a step as a step, and names what was poured meanwhile', () => {
    const asked = {
      key: 'ghDh' as const,
      target: target('ghDh'),
      readings: weekly([6.8, 6.8, 7, 6.8, 3.5]).map(([d, v]) => reading('ghDh', d, v)),
      nowMs: NOW,
      largestStep: 1,
    }
    const v = judgeValue(asked)
    expect(v).toMatchObject({ state: 'off', conclusion: { key: 'water.steppedOut', values: { side: 'low' } } })
    expect(v.conclusion.values.from).toBeCloseTo(6.85, 1)
    expect(v.reasons.map(r => r.key)).toEqual([
      'water.reasonStep',
      'water.reasonStepUnknown',
      'water.reasonTooFew',
      'water.reasonJump',
    ])
    expect(v.actions.map(a => a.key)).toEqual(['water.doFindStep', 'water.doRaise'])
    const event = (daysAgo: number, litres: number) => ({
      entryId: nextId(),
      at: NOW - daysAgo * DAY_MS,
      kind: 'change' as const,
      litres,
      water: null,
    })
    const named = judgeValue({ ...asked, events: [event(20, 30), event(6, 2), event(4, 12), event(0.5, 40)] })
    expect(named.reasons[1]).toMatchObject({
      key: 'water.reasonStepPoured',
      values: { litres: 12, at: NOW - 4 * DAY_MS, known: 0 },
    })
    // four weeks later it is no news any more
    const later = judgeValue({ ...asked, nowMs: NOW + 29 * DAY_MS })
    expect(later.reasons.map(r => r.key)).not.toContain('water.reasonStep')
  })
  it('lets what was found grow old: a poison asks for a test after a week, hardness after three', () => {
    const poison = (days: number) => judge('ammoniaMgL', [[days, 0.5]])
    expect(poison(6.9).actions[0]!.key).toBe('water.doEmergencyChange')
    expect(poison(7.1)).toMatchObject({
      state: 'drifting',
      conclusion: { key: 'water.poisonOld' },
      actions: [{ key: 'water.doTest' }],
    })
    expect(poison(49).actions.map(a => a.key)).toEqual(['water.doTest'])
    const soft = (days: number) => judge('ghDh', [[days, 2.5]])
    expect(soft(20).actions.map(a => a.key)).toEqual(['water.doRaise'])
    expect(soft(22)).toMatchObject({ state: 'off', actions: [{ key: 'water.doTestFirst', values: { days: 22 } }] })
  })
  it('never forecasts less than nothing', () => {
    const v = judge('khDh', weekly([3, 2, 1.1, 0.4]))
    expect(v.inFourWeeks!.value).toBeGreaterThanOrEqual(0)
    expect(v.inFourWeeks!.low).toBeGreaterThanOrEqual(0)
  })
  it('sees high values too, and that a value is on its way back', () => {
    expect(judge('nitrateMgL', weekly([10, 22, 35, 50]))).toMatchObject({
      state: 'off',
      conclusion: { key: 'water.slidAbove' },
    })
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
