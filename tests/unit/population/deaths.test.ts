import { describe, expect, it } from 'vitest'
import { RESTING } from '#core/broods'
import { stageModel } from '#core/population'
import { gammaMean, seededRandom } from '#core/stats'
import { deathAlarms, dyingPerWeek, watchDeaths } from '../../../core/population/deathWatch'
import { bury, FOUND, foundDead, layOut, learnFound, type Toll, usualDead } from '../../../core/population/deaths'
import { fitPopulation } from '../../../core/population/fit'
import { counted, FEMALES, FIRST, MALES, ROWS, STAGES, YOUNG_2 } from '../../../core/population/stages'
import { stepOf } from '../../../core/population/step'
import { NOW } from '../../make'
import { WEEK_MS } from '#core/records'
import { ask, doubling, heads, ratesOf, step } from './questions'

const dead = (weeksAgo: number, number: number, molt = false) =>
  step(weeksAgo, -number, { death: true, ...(molt && { molt }) })
const explain = (more: ReturnType<typeof dead>[], particles = 800) =>
  stageModel.fit(ask([...doubling, ...more]), { particles }).explain()

describe('the dead of a step', () => {
  it('are those of the entries, and of them those of molts', () => {
    expect(foundDead([dead(1, 3), dead(1, 2, true), step(1, -8), step(1, 4)])).toEqual({ found: 5, molts: 2 })
  })
  it('lie about for a week and a half, and are eaten', () => {
    const bodies = Float64Array.from([0, 10])
    layOut(bodies, Float64Array.from([4, 0]), 1.5)
    expect(bodies[0]).toBe(4)
    expect(bodies[1]).toBeCloseTo(10 / Math.E, 12)
  })
  it('usual are those of the stages by their hazards: hatchlings are not among them', () => {
    const rates = ratesOf('neocaridina')
    const cloud = new Float64Array(STAGES * 2)
    cloud.set([30, 50], FEMALES * 2)
    cloud.set([10, 10], MALES * 2)
    cloud.set([0, 20], YOUNG_2 * 2)
    cloud.set([900, 900], FIRST * 2)
    expect(usualDead({ cloud, size: 2 }, rates)).toBeCloseTo(50 * rates.adultHazard + 10 * rates.youngHazard, 12)
  })
  const bodiesOfTwo = (usual: number) => {
    const size = 2
    const particles = { cloud: new Float64Array(STAGES * size), size, logWeights: new Float64Array(size) }
    particles.cloud.set([50, 50], FEMALES * size)
    const bodies = Float64Array.from([9, 1])
    // the first had nine dead, of which five were found; the second one, and four more go
    const excess = bury(particles, bodies, { found: 5, usual, share: 0.3 }, 3)
    const [first, second] = particles.logWeights
    return {
      excess,
      left: [...particles.cloud.subarray(FEMALES * size)].slice(0, 2),
      bodies: [...bodies],
      first,
      second,
    }
  }
  it('found are taken only where a colony had not lost them itself', () => {
    expect(bodiesOfTwo(20)).toMatchObject({ excess: 2, left: [50, 46], bodies: [4, 0] })
  })
  it('speak for colonies that had many dead, but only where more are found than is usual', () => {
    const dying = bodiesOfTwo(1)
    expect(dying.first! - dying.second!).toBeGreaterThan(0.5)
    const ordinary = bodiesOfTwo(20)
    expect(ordinary.first).toBe(ordinary.second)
  })
  it('teach what share is found: little by none of who never wrote, and no more by a great dying', () => {
    const none = learnFound(FOUND, { found: 0, usual: 4 })
    expect(none).toEqual({ belief: { shape: 1.5, rate: 6 }, writes: false })
    const wrote = learnFound({ ...FOUND, writes: true }, { found: 1, usual: 4 })
    expect(wrote.belief).toEqual({ shape: 2.5, rate: 9 })
    // three times the usual 1.2, and two
    expect(learnFound({ ...FOUND, writes: true }, { found: 90, usual: 4 }).belief.shape).toBeCloseTo(1.5 + 5.6, 12)
  })
})

describe('a step tells who died', () => {
  const size = 4000
  const rates = { ...ratesOf('neocaridina'), broods: 0, eggs: RESTING }
  const lived = (rows: readonly number[], more: Partial<typeof rates>) => {
    const cloud = new Float64Array(ROWS * size)
    for (const row of rows) cloud.fill(40, row * size, (row + 1) * size)
    const died = new Float64Array(size)
    stepOf({ ...rates, ...more })({ cloud, size }, 9, { died })
    return { cloud, died }
  }
  it('of half-grown and grown: of hatchlings nobody is found', () => {
    const { died } = lived([FIRST], { firstLeave: 0, firstHazard: 1 })
    // a blow takes only what can be counted
    expect(died.every(d => d === 0)).toBe(true)
  })
  it('by age and by blows: what is gone is what died', () => {
    const { cloud, died } = lived([YOUNG_2, FEMALES, MALES], {})
    const left = (i: number) => counted(cloud, size, i)
    expect(died.every((d, i) => d === 120 - left(i))).toBe(true)
    const blows = lived([FEMALES], { adultHazard: 0 })
    const struck = blows.died.filter(d => d > 0)
    // about one particle in 330
    expect(struck.length).toBeGreaterThan(3)
    expect(struck.length).toBeLessThan(30)
    expect(Math.max(...struck)).toBeLessThan(36)
  })
})

describe('deaths in the fit', () => {
  it('that a colony would have had anyway are not counted twice', () => {
    // one every other week of some hundred: fewer than die of age
    const few = explain([12, 10, 8, 6, 4, 2].map(w => dead(w, 1)))
    const without = explain([])
    expect(few.now.value).toBeGreaterThan(0.95 * without.now.value)
    expect(few.deaths).toMatchObject({ alarm: false, found: 5 })
  })
  it('beyond it are gone, and go on for a while', () => {
    const question = ask([...doubling, dead(0.2, 30)])
    const colony = stageModel.fit(question, { particles: 800 })
    const before = stageModel.fit(ask(doubling), { particles: 800 })
    const gone = before.numbers('all').value - colony.numbers('all').value
    expect(gone).toBeGreaterThan(18)
    expect(gone).toBeLessThan(34)
    expect(colony.dyingPerWeek()).toBeGreaterThan(0.02)
    expect(before.dyingPerWeek()).toBe(0)
  })
  it('go on in the futures the less the longer they are past', () => {
    const toll = (at: number): Toll[] =>
      Array.from({ length: 20 }, (_, i) => ({ usual: 1, share: 0.3, found: 0, molts: 0, excess: i === at ? 12 : 0 }))
    expect(dyingPerWeek(toll(19), 1, 100)).toBeCloseTo(12 / 6 / 100, 12)
    expect(dyingPerWeek(toll(13), 1, 100)).toBeCloseTo(12 / 6 / 100 / Math.E, 12)
    expect(dyingPerWeek(toll(19), 1, 3)).toBe(0.2)
  })
  it('go on from an earlier fit to the same answer', () => {
    const early = ask([...doubling, dead(5, 3), dead(3, 2)])
    const late = ask([...doubling, dead(5, 3), dead(3, 2), dead(0.1, 4)])
    const anew = fitPopulation(late, 300)
    const resumed = fitPopulation(late, 300, fitPopulation(early, 300))
    expect(resumed.toll).toEqual(anew.toll)
    expect([...resumed.cloud]).toEqual([...anew.cloud])
  })
})

/** Steps in which so many are usual, and found as they are drawn. */
function tollOf(weeks: number, usual: number, found: (week: number) => number): Toll[] {
  let known = FOUND
  return Array.from({ length: weeks }, (_, week) => {
    const toll = { usual, share: gammaMean(known.belief), found: found(week), molts: 0, excess: 0 }
    known = learnFound(known, toll)
    return toll
  })
}

describe('the alarm of deaths', () => {
  it('cries wolf at most once in two years where deaths are as usual', () => {
    const random = seededRandom(77)
    let [alarms, years] = [0, 0]
    for (const usual of [0.5, 2, 6])
      for (const share of [0.1, 0.3, 0.6])
        for (let run = 0; run < 25; run++) {
          // each body for itself
          const bodies = () => Array.from({ length: 4 * usual * 2 }, () => random() < share / 8).filter(Boolean).length
          alarms += deathAlarms(tollOf(104, usual, bodies), 1).length
          years += 2
        }
    expect(alarms / years).toBeLessThan(0.5)
  })
  it('is raised by five in a week, and within three weeks by three times the usual', () => {
    const calm = (week: number) => (week % 4 === 3 ? 1 : 0)
    expect(deathAlarms(tollOf(60, 2, calm), 1)).toEqual([])
    expect(
      deathAlarms(
        tollOf(60, 2, w => (w === 59 ? 6 : calm(w))),
        1,
      ),
    ).toEqual([{ step: 59, since: 59 }])
    const [slow] = deathAlarms(
      tollOf(60, 2, w => (w >= 50 ? 2 : calm(w))),
      1,
    )
    expect(slow!.step).toBeLessThanOrEqual(53)
    expect(slow!.since).toBeGreaterThanOrEqual(49)
  })
  it('never by one or two', () => {
    expect(
      deathAlarms(
        tollOf(60, 0.02, w => (w === 30 ? 2 : 0)),
        1,
      ),
    ).toEqual([])
    expect(
      deathAlarms(
        tollOf(60, 0.02, w => (w === 30 ? 3 : 0)),
        1,
      ),
    ).toHaveLength(1)
  })
  it('stands for three weeks, and tells a trouble from its beginning', () => {
    const q = ask(doubling)
    const ill = (last: number) => tollOf(41, 2, w => (w >= 36 && w <= 38 ? 7 : 0)).slice(0, last + 1)
    for (const last of [36, 37, 38, 40]) {
      const told = watchDeaths(q, ill(last))
      expect(told).toMatchObject({ alarm: true, found: 7 * Math.min(3, last - 35) })
      expect(told.sinceMs).toBe(q.startMs + 35.5 * WEEK_MS)
    }
    const over = watchDeaths(q, [...ill(40), ...tollOf(1, 2, () => 0)])
    expect(over).toMatchObject({ alarm: false, found: 21 })
    expect(over.usual).toBeGreaterThan(1)
  })
  it('that builds up slowly is told from where it began, not from where it was seen', () => {
    const slow = tollOf(52, 2, w => (w >= 48 ? 2 : w % 4 === 3 ? 1 : 0))
    const [raised] = deathAlarms(slow, 1)
    expect(raised!.since).toBeLessThan(raised!.step)
    const q = ask(doubling)
    expect(watchDeaths(q, slow.slice(0, raised!.step + 1)).sinceMs).toBe(q.startMs + (raised!.since - 0.5) * WEEK_MS)
  })
  it('knows days as weeks: animals that live in days are watched by the same clock', () => {
    const daily = (weeks: number) =>
      tollOf(7 * weeks, 2 / 7, day => (day >= 7 * weeks - 3 ? 3 : day % 28 === 0 ? 1 : 0))
    expect(deathAlarms(daily(20), 1 / 7).length).toBeGreaterThan(0)
    expect(
      deathAlarms(
        tollOf(140, 2 / 7, day => (day % 28 === 0 ? 1 : 0)),
        1 / 7,
      ),
    ).toEqual([])
  })
})

it('a new colony without a log is not watched into an alarm', () => {
  const a = stageModel.fit(ask([], { startMs: NOW, founders: heads({ females: 10, males: 5 }) })).explain()
  expect(a.deaths).toMatchObject({ alarm: false, found: 0, molts: 0 })
})
