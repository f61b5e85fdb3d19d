import { describe, expect, it } from 'vitest'
import { type FeedingSchoolId, groupOf, groups } from '#core/groups'
import { DAY_MS, WEEK_MS } from '#core/records'
import {
  changeCalendar,
  changedLPerDay,
  clearDrift,
  completeAnalysis,
  controlLimits,
  correctionGoals,
  correctionsUnderway,
  ewma,
  forecastBand,
  forecastBox,
  ghOf,
  judgeValue,
  khOf,
  learnHabits,
  phSwing,
  pureWater,
  readoutsOf,
  slowLaws,
  swingWarns,
  usualHabits,
  type ValueReading,
  waterStory,
  whatFollows,
  withSwing,
} from '#core/water'
import { nextId, NOW, test as waterTest, topUp, waterChange } from '../../make'

const glassId = nextId()
const like = (ghDh: number, khDh: number) => completeAnalysis({ ghDh, khDh, conductivityUsCm: 300 }).water
const quiet = {
  evaporationLPerDay: 0,
  topUp: { ...pureWater },
  change: null,
  nitrateMgLPerWeek: 0,
  carbonateGL: 0,
  soilAgeWeeks: null,
  driftPerWeek: {},
}

describe('waterStory', () => {
  it('reckons from what was poured until the next test', () => {
    const story = waterStory(
      [
        waterTest(glassId, 5, { ghDh: 6, khDh: 2 }),
        waterChange(glassId, 3, 10, like(6, 8)),
        waterTest(glassId, 1, { khDh: 3 }),
      ],
      50,
      NOW,
    )
    const kh = story.readings.get('khDh')!
    expect(kh.map(r => r.method)).toEqual(['liquidKit', 'reckoned', 'liquidKit'])
    expect(kh[1]!.value).toBeCloseTo(2 + 0.2 * 6, 6)
    expect(khOf(story.present!)).toBeCloseTo(3, 6)
    expect(story.jumps.find(j => j.key === 'khDh')?.by).toBeCloseTo(1.2, 6)
  })
  it('makes every value known by a first fill, and takes nothing from the future', () => {
    const story = waterStory([waterChange(glassId, 2, 50, like(7, 5)), waterTest(glassId, -3, { khDh: 1 })], 50, NOW)
    expect(story.readings.get('ghDh')?.at(-1)).toMatchObject({ method: 'reckoned' })
    expect(story.readings.get('khDh')).toHaveLength(1)
    expect(ghOf(story.present!)).toBeCloseTo(7, 6)
  })
  it('lets a top-up add to what evaporation left', () => {
    const story = waterStory(
      [
        waterTest(glassId, 9, { ghDh: 5, khDh: 1 }),
        topUp(glassId, 2, 5, like(10, 5)),
        topUp(glassId, 1, 5, { ...pureWater }),
      ],
      50,
      NOW,
    )
    expect(ghOf(story.present!)).toBeCloseTo(5 + 0.1 * 10, 6)
  })
  it('does not guess at water that nobody knows', () => {
    const story = waterStory([waterTest(glassId, 9, { khDh: 4 }), waterChange(glassId, 2, 10)], 50, NOW)
    expect(story.readings.get('khDh')).toHaveLength(1)
    expect(story.events).toMatchObject([{ kind: 'change', water: null }])
  })
  it('is empty before the first test', () => {
    expect(waterStory([], 50, NOW)).toMatchObject({ present: null, events: [] })
  })
})

describe('correctionsUnderway', () => {
  const { targets } = groupOf('neocaridina')
  const log = [
    waterTest(glassId, 20, { khDh: 2.2, ghDh: 7 }),
    waterChange(glassId, 15, 10, like(7, 6)),
    waterChange(glassId, 8, 10, like(7, 6)),
  ]
  it('go on until their aim, not only to the edge', () => {
    const story = waterStory(log, 50, NOW)
    const now = readoutsOf(story.present!)
    expect(now.khDh).toBeGreaterThan(3)
    expect(correctionsUnderway(story, targets, NOW)).toEqual({ khDh: 'low' })
    expect(correctionGoals(now, targets, 'minerals', { khDh: 'low' }).khDh).toMatchObject({ low: 4, high: 4 })
    expect(correctionGoals(now, targets, 'minerals').khDh!.low).toBeCloseTo(now.khDh, 9)
    expect(correctionGoals({ ...now, khDh: 4.3 }, targets, 'minerals', { khDh: 'low' }).khDh!.low).toBeCloseTo(4.3, 9)
  })
  it('are forgotten after some weeks, and none where nothing was poured', () => {
    expect(correctionsUnderway(waterStory(log, 50, NOW + 60 * DAY_MS), targets, NOW + 60 * DAY_MS)).toEqual({})
    expect(correctionsUnderway(waterStory(log.slice(0, 1), 50, NOW), targets, NOW)).toEqual({})
  })
})

describe('learnHabits', () => {
  it('learns a slide under changes that hide it', () => {
    // 0.4 °dH a week are lost, and each weekly change of a fifth with KH 7 brings some back
    const entries = []
    let kh = 5
    for (let week = 8; week >= 1; week--) {
      entries.push(waterTest(glassId, week * 7 + 0.5, { khDh: Number(kh.toFixed(2)), ghDh: 6 }))
      entries.push(waterChange(glassId, week * 7, 10, like(6, 7)))
      kh = kh + 0.2 * (7 - kh) - 0.4
    }
    const { driftPerWeek } = learnHabits(waterStory(entries, 50, NOW), NOW)
    expect(driftPerWeek.khDh!.value).toBeCloseTo(-0.4, 1)
    expect(clearDrift(driftPerWeek.khDh)).toBeLessThan(0)
    expect(clearDrift(driftPerWeek.ghDh)).toBe(0)
    expect(clearDrift(undefined)).toBe(0)
  })
  it('learns evaporation from top-ups', () => {
    const { evaporationLPerDay } = learnHabits(
      waterStory(
        [28, 21, 14, 7, 0.1].map(d => topUp(glassId, d, 2.1)),
        50,
        NOW,
      ),
      NOW,
    )
    expect(evaporationLPerDay!.value).toBeCloseTo(0.3, 2)
    expect(learnHabits(waterStory([topUp(glassId, 3, 2)], 50, NOW), NOW).evaporationLPerDay).toBeNull()
  })
})

describe('forecastBox', () => {
  it('holds a tank in which nothing happens', () => {
    const path = forecastBox(like(6, 4), 50, quiet, 30)
    expect(path.ghDh[30]).toBeCloseTo(6, 9)
    expect(path.khDh[30]).toBeCloseTo(4, 9)
  })
  it('lets stone pull KH up to where it stops, and soil take it down until it is worn', () => {
    const stone = forecastBox(like(6, 2), 50, { ...quiet, carbonateGL: 18 }, 365).khDh
    expect(stone[60]!).toBeGreaterThan(3)
    expect(stone[365]!).toBeLessThanOrEqual(slowLaws.carbonate.khDh + 1e-6)
    const fresh = forecastBox(like(6, 4), 50, { ...quiet, soilAgeWeeks: 0 }, 28).khDh[28]!
    const worn = forecastBox(like(6, 4), 50, { ...quiet, soilAgeWeeks: slowLaws.soil.lastsWeeks }, 28).khDh[28]!
    expect(fresh).toBeLessThan(0.5)
    expect(worn).toBeCloseTo(4, 6)
  })
  it('adds what feeding brings, and its own drift, never below nothing', () => {
    const path = forecastBox(
      like(6, 1),
      50,
      { ...quiet, nitrateMgLPerWeek: 7, driftPerWeek: { khDh: -0.5, ghDh: 0.1, conductivityUsCm: 5 } },
      28,
    )
    expect(path.nitrateMgL[28]).toBeCloseTo(28, 6)
    expect(path.khDh[28]).toBeGreaterThanOrEqual(0)
    expect(path.ghDh[28]).toBeCloseTo(6.4, 1)
  })
  it('knows what every way of feeding brings', () => {
    for (const g of groups)
      for (const option of g.schools.feeding ?? [])
        expect(slowLaws.feedingNitrateMgLPerWeek[option.id as FeedingSchoolId], option.id).toBeGreaterThan(0)
  })
  it('throws for what cannot be', () => {
    expect(() => forecastBox(pureWater, 0, quiet, 5)).toThrow(/netL/)
    expect(() => forecastBox(pureWater, 5, quiet, 0)).toThrow(/days/)
    expect(() =>
      forecastBox(
        pureWater,
        5,
        { ...quiet, change: { litres: 9, everyDays: 7, water: { ...pureWater }, firstInDays: 1 } },
        5,
      ),
    ).toThrow(/change/)
  })
  it('has a band that widens', () => {
    const { khDh } = forecastBox(like(6, 4), 50, quiet, 84)
    const band = forecastBand(khDh, 0.3, { value: 0, low: -0.1, high: 0.1, n: 5 })
    expect(band).toHaveLength(13)
    expect(band.at(-1)!.high - band.at(-1)!.low).toBeGreaterThan(band[0]!.high - band[0]!.low)
    expect(forecastBand(khDh, 0.3, undefined).every(b => b.low >= 0 && b.low <= b.value && b.value <= b.high)).toBe(
      true,
    )
  })
})

describe('control limits', () => {
  it('need six readings, and find what lies outside', () => {
    expect(controlLimits([1, 2, 3])).toBeNull()
    const limits = controlLimits([5, 5.2, 4.9, 5.1, 5, 4.8, 5.1, 3.2])!
    expect(limits.outside).toContain(7)
  })
  it('the smoothed path sees a small slide that single readings hide', () => {
    const values = [5, 5.2, 4.9, 5.1, 5, 4.8, 5.1, 5, 4.9, 5.1, 5, 4.9, 4.75, 4.7, 4.72, 4.68, 4.66, 4.65]
    const limits = controlLimits(values)!
    expect(limits.outside).toEqual([])
    expect(ewma(values, limits.centre, limits.sigma).at(-1)!.outside).toBe(true)
    expect(() => ewma(values, 5, 1, 0)).toThrow(/lambda/)
  })
})

describe('phSwing', () => {
  const at = (day: number, hour: number, value: number): ValueReading => ({
    entryId: nextId(),
    at: Date.parse('2026-11-20T00:00:00Z') + day * DAY_MS + hour * 3_600_000,
    value,
    sd: 0.05,
    method: 'probe',
  })
  it('compares dusk with dawn of the same day', () => {
    const swing = phSwing([at(0, 7, 6.8), at(0, 18, 7.6), at(1, 7, 6.9), at(1, 18, 7.5)], NOW, 'UTC')!
    expect(swing.value).toBeCloseTo(0.7, 6)
    expect(swing).toMatchObject({ pairs: 2, mornings: 2, evenings: 2 })
    expect(swingWarns(swing)).toBe(true)
  })
  it('falls back on mornings against evenings, and needs both', () => {
    expect(phSwing([at(0, 7, 6.8), at(-5, 18, 7)], NOW, 'UTC')).toMatchObject({ pairs: 0 })
    expect(phSwing([at(0, 7, 6.8)], NOW, 'UTC')).toBeNull()
    expect(swingWarns(null)).toBe(false)
  })
  it('goes by the keeper’s own clock', () => {
    // 07:00 UTC is 17:00 ten hours to the east
    expect(phSwing([at(0, 7, 7.4), at(0, 21, 6.8)], NOW, 'Australia/Brisbane')).toMatchObject({
      mornings: 1,
      evenings: 1,
    })
  })
  it('makes a good pH drift', () => {
    const target = groupOf('neocaridina').targets.ph!
    const verdict = judgeValue('ph', target, [at(0, 7, 7), at(1, 7, 7), at(2, 7, 7)], NOW)
    const wide = withSwing(verdict, { value: 0.9, low: 0.7, high: 1.1, pairs: 2, mornings: 2, evenings: 2 })
    expect(wide).toMatchObject({ state: 'drifting', conclusion: { key: 'water.swing' } })
    expect(withSwing(verdict, null)).toBe(verdict)
    expect(
      withSwing({ ...verdict, state: 'off' }, { value: 0.9, low: 0.7, high: 1.1, pairs: 2, mornings: 2, evenings: 2 }),
    ).toMatchObject({ state: 'off' })
  })
})

describe('whatFollows', () => {
  const input = {
    water: like(6, 4),
    ph: 7,
    khDh: 4,
    temperatureC: 24,
    ammoniaMgL: 0,
    salinityGKg: 0,
    swing: null,
    snails: true,
  }
  const stateOf = (more: object, key: string) => whatFollows({ ...input, ...more }).find(f => f.key === key)?.state
  it('judges by the harmful part of ammonia, not by all of it', () => {
    expect(stateOf({ ammoniaMgL: 1, ph: 8.4 }, 'follows.ammonia')).toBe('off')
    expect(stateOf({ ammoniaMgL: 1, ph: 6.2 }, 'follows.ammonia')).toBe('drifting')
    expect(stateOf({}, 'follows.ammonia')).toBe('onTarget')
  })
  it('minds shells only where there are some, and CO2 only where KH tells it', () => {
    expect(stateOf({ ph: 6.2, khDh: 1.5 }, 'follows.lime')).toBe('off')
    expect(stateOf({ ph: 6.2, khDh: 1.5, snails: false }, 'follows.lime')).toBe('unknown')
    expect(stateOf({ ph: 6.2 }, 'follows.co2')).toBe('drifting')
    expect(stateOf({ khDh: 0.4 }, 'follows.co2')).toBeUndefined()
    expect(whatFollows({ ...input, salinityGKg: 17 }).map(f => f.key)).not.toContain('follows.co2')
  })
  it('leaves out what lacks an input', () => {
    expect(whatFollows({ ...input, ph: null, temperatureC: null, ammoniaMgL: null }).map(f => f.key)).toEqual([
      'follows.noSwing',
    ])
  })
})

describe('changeCalendar', () => {
  const of = (entries: Parameters<typeof waterStory>[0]) => changeCalendar(waterStory(entries, 50, NOW), 50, 7, NOW)
  it('waits for the school’s days, and a day is nothing', () => {
    expect(of([])).toEqual({ lastMs: null, nextMs: NOW, early: false })
    expect(of([waterChange(glassId, 3, 5)])).toEqual({
      lastMs: NOW - 3 * DAY_MS,
      nextMs: NOW + 4 * DAY_MS,
      early: true,
    })
    expect(of([waterChange(glassId, 6, 5)])).toMatchObject({ nextMs: NOW + DAY_MS, early: false })
    expect(of([waterChange(glassId, 20, 5)])).toMatchObject({ nextMs: NOW, early: false })
  })
  it('does not count fills and top-ups', () => {
    expect(of([waterChange(glassId, 1, 50, like(6, 4)), topUp(glassId, 1, 2)]).lastMs).toBeNull()
  })
})

describe('usualHabits', () => {
  const asked = (entries: Parameters<typeof waterStory>[0], more: Partial<Parameters<typeof usualHabits>[0]> = {}) => {
    const story = waterStory(entries, 50, NOW)
    return usualHabits({
      story,
      learnt: learnHabits(story, NOW),
      netL: 50,
      glass: { carbonateG: 600 },
      feedingSchools: ['twiceDaily', 'sparse'],
      pure: null,
      nowMs: NOW,
      ...more,
    })
  }
  it('are defaults, marked as such, where the log does not tell', () => {
    expect(asked([])).toMatchObject({
      evaporationLPerDay: 0.2,
      evaporationKnown: false,
      topUpKnown: false,
      topUp: pureWater,
      nitrateMgLPerWeek: 5,
      carbonateGL: 12,
      soilAgeWeeks: null,
    })
    expect(asked([], { glass: { soilSince: new Date(NOW - 10 * WEEK_MS).toISOString() } }).soilAgeWeeks).toBeCloseTo(
      10,
      9,
    )
  })
  it('never count a slow source twice: once the drift is learnt, stone and feeding are in it', () => {
    const log = [28, 21, 14, 7].map((d, i) => waterTest(glassId, d, { khDh: 4 + 0.5 * i, nitrateMgL: 5 + 5 * i }))
    const learnt = asked([...log, topUp(glassId, 9, 2, like(9, 4)), topUp(glassId, 2, 2.1, like(9, 4))])
    expect(learnt).toMatchObject({ carbonateGL: 0, nitrateMgLPerWeek: 0, evaporationKnown: true, topUpKnown: true })
    expect(learnt.evaporationLPerDay).toBeCloseTo(0.3, 6)
    expect(ghOf(learnt.topUp)).toBeCloseTo(9, 6)
  })
  it('litres changed a day are those of the last twelve weeks', () => {
    expect(
      changedLPerDay(waterStory([waterChange(glassId, 10, 8.4), waterChange(glassId, 100, 50)], 50, NOW), NOW),
    ).toBeCloseTo(0.1, 9)
  })
})
