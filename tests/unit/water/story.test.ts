import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { DAY_MS, WEEK_MS } from '#core/records'
import {
  changeCalendar,
  changedLPerDay,
  clearDrift,
  completeAnalysis,
  correctionGoals,
  correctionsUnderway,
  ghOf,
  khOf,
  learnHabits,
  pureWater,
  readoutsOf,
  usualHabits,
  waterStory,
} from '#core/water'
import { nextId, NOW, test as waterTest, topUp, waterChange } from '../../make'

const glassId = nextId()
const like = (ghDh: number, khDh: number) => completeAnalysis({ ghDh, khDh, conductivityUsCm: 300 }).water

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
  it('doubts what it reckons: of the old reading only what stayed, of the bucket its share', () => {
    const share = 0.6
    const story = waterStory(
      [waterTest(glassId, 5, { khDh: 2 }), waterChange(glassId, 3, share * 50, like(6, 8))],
      50,
      NOW,
    )
    const [read, reckoned] = story.readings.get('khDh')!
    // jug, scale and analysis are right to 5 %, what was reckoned to 2 % of itself (both from memory)
    const poured = share * (0.05 * 8 + 0.02 * reckoned!.value)
    expect(reckoned!.sd).toBeCloseTo(Math.hypot((1 - share) * read!.sd, poured), 3)
    expect(reckoned!.sd).toBeLessThan(read!.sd)
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
