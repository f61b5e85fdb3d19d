import { describe, expect, it } from 'vitest'
import { lookChance } from '#core/abundance'
import type { Heads } from '#core/records'
import { normalBelow } from '#core/stats'
import { EYED_FROM, EYED_SD } from '../../../core/broods/hatchDays'
import { crowded } from '../../../core/population/crowd'
import { crowdingSlope } from '../../../core/population/lifeCycle'
import type { CountEvent } from '../../../core/population/weighCount'
import { STORY, weighCount, weighParts } from '../../../core/population/weighCount'
import { LOOK_FLOOR, weighBroods, weighYoung } from '../../../core/population/weighLooks'
import { spreadsOf } from '../../../core/population/spreads'
import * as stages from '../../../core/population/stages'
import { ratesOf, resolvedOf } from './questions'

/**
 * What a single look is worth, reckoned here by the laws themselves: normal and binomial densities, and the negative
 * binomial with its mean and dispersion (any handbook of statistics).
 */

/** The last room of eggs beside the other rows. */
const rows = { ...stages, FAR: stages.EGGS + 7 }
type Row = keyof Omit<typeof rows, 'stageNames' | 'stageRows' | 'counted' | 'PARAMETERS' | 'STAGES' | 'ROWS'>

/** Possible colonies, each by its rows; what is not named is 0. */
function cloudOf(colonies: readonly Partial<Record<Row, number>>[]) {
  const size = colonies.length
  const cloud = new Float64Array(rows.ROWS * size)
  for (const [i, c] of colonies.entries())
    for (const [row, value] of Object.entries(c)) cloud[rows[row as Row] * size + i] = value
  return { cloud, size, logWeights: new Float64Array(size) }
}
const pdf = (x: number, mean: number, sd: number) =>
  Math.exp(-((x - mean) ** 2) / (2 * sd * sd)) / (sd * Math.sqrt(2 * Math.PI))

describe('a count', () => {
  const count = (seen: number, sd: number, more: Partial<CountEvent> = {}) =>
    ({ kind: 'count', seen, byEye: false, evidence: { y: Math.log(seen), r: sd * sd }, ...more }) as CountEvent
  /** Right, a slip, or a leap of the number: the three together, and the share of each of the latter. */
  const told = (n: number, seen: number, { sd = 0.2, weeks = 4, timing = 0.1, own = 0 } = {}) => {
    const [d, spread] = [Math.log(seen / n) - own, Math.hypot(sd, timing)]
    const leap = Math.min(0.06, 0.002 + 0.002 * weeks)
    const right = ((1 - 0.025 - leap) * pdf(d, 0, spread)) / seen
    const slip = (2 * 0.025 * (d < 0 ? 0.9 : 0.1) * pdf(d, 0, Math.hypot(spread, 1.6))) / seen
    const moved = (leap * pdf(d, -0.3, Math.hypot(spread, 1.1))) / seen
    return { sum: right + slip + moved, slip, moved }
  }
  it.each([
    [100, 100],
    [100, 130],
    [100, 20],
    [40, 44],
  ])('of %i there, %i seen: weighs by the three stories', (n, seen) => {
    const few = cloudOf([{ FEMALES: n }, { FEMALES: n / 2, YOUNG_2: n / 4, MALES: n / 4 }])
    weighCount(few, count(seen, 0.2), { weeksSince: 4, timing: 0.1 }, 7)
    for (const w of few.logWeights) expect(w).toBeCloseTo(Math.log(told(n, seen).sum), 10)
  })
  it('the longer ago the last count was, the likelier the number has leapt, up to 6 %', () => {
    for (const weeks of [1, 12, 29, 60]) {
      const few = cloudOf([{ FEMALES: 100 }])
      weighCount(few, count(30, 0.2), { weeksSince: weeks, timing: 0.1 }, 7)
      expect(few.logWeights[0]).toBeCloseTo(Math.log(told(100, 30, { weeks }).sum), 10)
    }
  })
  it('by eye goes by the share that this colony shows', () => {
    const few = cloudOf([
      { FEMALES: 100, SEEN: 0.25 },
      { FEMALES: 100, SEEN: -0.4 },
    ])
    weighCount(few, count(80, 0.2, { byEye: true }), { weeksSince: 4, timing: 0.1 }, 7)
    expect(few.logWeights[0]).toBeCloseTo(Math.log(told(100, 80, { own: 0.25 }).sum), 10)
    expect(few.logWeights[1]).toBeCloseTo(Math.log(told(100, 80, { own: -0.4 }).sum), 10)
  })
  it('of a part goes by the exact law of its looks, with the doubt of the day', () => {
    const look = { seen: 3, share: 0.1, sdLog: 0.3 } as NonNullable<CountEvent['evidence']['look']>
    const few = cloudOf([{ FEMALES: 40 }])
    weighCount(
      few,
      count(30, 0.6, { evidence: { y: Math.log(30), r: 0.36, look } as never }),
      { weeksSince: 4, timing: 0.4 },
      7,
    )
    const exact = lookChance(40, { ...look, sdLog: 0.5 }, 0)
    const { sum } = told(40, 30, { sd: 0.6, timing: 0.4 })
    const d = Math.log(30 / 40)
    const leap = 0.01
    const others =
      (2 * 0.025 * 0.9 * pdf(d, 0, Math.hypot(0.6, 0.4, 1.6)) + leap * pdf(d, -0.3, Math.hypot(0.6, 0.4, 1.1))) / 3
    expect(few.logWeights[0]).toBeCloseTo(Math.log((1 - 0.025 - leap) * exact + others), 10)
    expect(Math.exp(few.logWeights[0]!)).not.toBeCloseTo(sum, 4)
  })
  it('where none are there none can have leapt', () => {
    const few = cloudOf([{}])
    weighCount(few, count(4, 0.2), { weeksSince: 4, timing: 0.1 }, 7)
    const d = Math.log(4 / 0.5)
    const right = (1 - 0.025 - 0.01) * pdf(d, 0, Math.hypot(0.2, 0.1))
    const slip = 2 * 0.025 * 0.1 * pdf(d, 0, Math.hypot(0.2, 0.1, 1.6))
    expect(few.logWeights[0]).toBeCloseTo(Math.log((right + slip) / 4), 10)
  })
  it.each([
    [400, 80],
    [400, 1500],
  ])(
    'each goes on with one story, as often as it is likely, and the leapt lie about what was seen (%i, %i)',
    (n, seen) => {
      const size = 4000
      const many = cloudOf(Array.from({ length: size }, () => ({ FEMALES: n / 2, MALES: n / 4, YOUNG_1: n / 4 })))
      const stories = weighCount(many, count(seen, 0.2), { weeksSince: 4, timing: 0.1 }, 11)
      const { sum, slip, moved } = told(n, seen)
      const shareOf = (story: number) => stories.filter(s => s === story).length / size
      expect(Math.abs(shareOf(STORY.slip) - slip / sum)).toBeLessThan(0.035)
      expect(Math.abs(shareOf(STORY.jump) - moved / sum)).toBeLessThan(0.035)
      const logs: number[] = []
      for (const [i, story] of stories.entries()) {
        const now = rows.counted(many.cloud, size, i)
        if (story === STORY.jump) logs.push(Math.log(now / n))
        else expect(now).toBe(n)
      }
      // normal prior of the leap (mean −0.3, sd 1.1) and the count's own spread: the usual product of two normals
      const variance = 0.2 ** 2 + 0.1 ** 2
      const gain = 1.21 / (variance + 1.21)
      const mean = logs.reduce((a, b) => a + b, 0) / logs.length
      const sd = Math.sqrt(logs.reduce((a, b) => a + (b - mean) ** 2, 0) / logs.length)
      expect(logs.length).toBeGreaterThan(300)
      expect(mean).toBeCloseTo(-0.3 + gain * (Math.log(seen / n) + 0.3), 1)
      expect(sd / Math.sqrt(gain * variance)).toBeGreaterThan(0.85)
      expect(sd / Math.sqrt(gain * variance)).toBeLessThan(1.2)
    },
  )
  it('animals that leapt in are young, half of them small; the grown stay', () => {
    const size = 400
    const many = cloudOf(Array.from({ length: size }, () => ({ FEMALES: 100, MALES: 50, YOUNG_1: 7, YOUNG_2: 3 })))
    const stories = weighCount(many, count(900, 0.1), { weeksSince: 20, timing: 0 }, 3)
    const row = (r: number, i: number) => many.cloud[r * size + i]!
    for (const [i, story] of stories.entries()) {
      expect([row(rows.FEMALES, i), row(rows.MALES, i)]).toEqual([100, 50])
      const [small, large] = [row(rows.YOUNG_1, i) - 7, row(rows.YOUNG_2, i) - 3]
      if (story === STORY.jump) expect(large - small === 0 || large - small === 1).toBe(true)
      else expect([small, large]).toEqual([0, 0])
    }
    expect(stories.some(s => s === STORY.jump)).toBe(true)
  })
})

describe('what was told apart in a count', () => {
  const heads = (more: Partial<Heads>): Heads => ({ females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0, ...more })
  const colonies = [
    { YOUNG_1: 10, YOUNG_2: 20, FEMALES: 40, MALES: 15 },
    { YOUNG_1: 3, YOUNG_2: 2, FEMALES: 10, MALES: 50 },
  ]
  const weighed = (parts: Partial<Heads>) => {
    const few = cloudOf(colonies)
    weighParts(few, heads(parts))
    return [...few.logWeights]
  }
  const binomial = (k: number, n: number, p: number) => k * Math.log(p) + (n - k) * Math.log(1 - p)
  it.each([
    [{ females: 6, males: 2 }, 0, 8],
    [{ females: 30, males: 10 }, 0, 40],
    [{ halfGrown: 4, unsexed: 6 }, 4, 0],
    [{ halfGrown: 12, females: 20, males: 8, unsexed: 5 }, 12, 28],
  ])('%o is a sample of stages and sexes, worth fifteen animals at most', (parts, halfGrown, sexed) => {
    const p = heads(parts)
    const all = p.halfGrown + p.females + p.males + p.unsexed
    const expected = colonies.map(({ YOUNG_1, YOUNG_2, FEMALES, MALES }) => {
      const young = (YOUNG_1 + YOUNG_2 + 0.5) / (YOUNG_1 + YOUNG_2 + FEMALES + MALES + 1)
      const female = (FEMALES + 0.5) / (FEMALES + MALES + 1)
      const ofStages = halfGrown ? Math.min(1, 15 / all) * binomial(halfGrown, all, young) : 0
      return ofStages + (sexed ? Math.min(1, 15 / sexed) * binomial(p.females, sexed, female) : 0)
    })
    for (const [i, w] of weighed(parts).entries()) expect(w).toBeCloseTo(expected[i]!, 10)
  })
  it('one part alone tells nothing: nobody looked for the other', () => {
    for (const parts of [{ females: 9 }, { males: 9 }, { halfGrown: 9 }, { unsexed: 9 }])
      expect(weighed(parts)).toEqual([0, 0])
  })
})

describe('broods and young that were seen', () => {
  /** Negative binomial of a mean, against the best mean for what was seen; its dispersion from the spread. */
  const against = (seen: number, mean: number, sdLog: number) => {
    const k = 1 / (Math.exp(sdLog ** 2) - 1)
    const log = (m: number) => seen * Math.log(m) + k * Math.log(k) - (seen + k) * Math.log(k + m)
    return Math.exp(log(mean) - log(Math.max(seen, 0.05)))
  }
  const floored = (chance: number) => Math.log(LOOK_FLOOR + (1 - LOOK_FLOOR) * chance)
  const colonies = [
    { EGGS: 2, FAR: 1, SIGHT: 0.3, FIRST: 30, YOUNG_1: 10 },
    { EGGS: 8, FAR: 4, SIGHT: -0.5, FIRST: 5, YOUNG_1: 90 },
    { EGGS: 0, FAR: 0, SIGHT: 0, FIRST: 0, YOUNG_1: 0 },
  ]
  it.each([0, 1, 4, 11])('%i berried', seen => {
    const few = cloudOf(colonies)
    weighBroods(few, { seen, share: 0.6, sdLog: 0.5 })
    const means = [3 * 0.6 * Math.exp(0.3), 12 * 0.6 * Math.exp(-0.5), 0.05]
    for (const [i, mean] of means.entries())
      expect(few.logWeights[i]).toBeCloseTo(floored(against(seen, mean, 0.5)), 10)
  })
  it.each([
    [4, 0],
    [4, 2],
    [4, 4],
    [0, 0],
  ])('%i berried, %i of them with eyes', (seen, eyed) => {
    const [told, untold] = [cloudOf(colonies), cloudOf(colonies)]
    weighBroods(told, { seen, share: 0.6, sdLog: 0.5, eyed })
    weighBroods(untold, { seen, share: 0.6, sdLog: 0.5 })
    // a third of the broods lie in the last room, where nearly all have eyes; those in the first have none
    const last = normalBelow(7.5 / 8, EYED_FROM, EYED_SD)
    const first = normalBelow(0.5 / 8, EYED_FROM, EYED_SD)
    for (const i of [0, 1]) {
      const mean = (seen * (last + 2 * first)) / 3
      expect(told.logWeights[i]! - untold.logWeights[i]!).toBeCloseTo(
        seen === 0 ? 0 : floored(against(eyed, Math.max(0.05, mean), 0.5)),
        10,
      )
    }
    // where there are no broods nothing is said of their eyes
    expect(told.logWeights[2]).toBe(untold.logWeights[2])
  })
  it.each([1, 8, 40])('%i young', seen => {
    const few = cloudOf(colonies)
    weighYoung(few, seen)
    for (const [i, mean] of [10, 23.75, 0.05].entries())
      expect(few.logWeights[i]).toBeCloseTo(floored(against(seen, mean, 0.8)), 10)
  })
  it('few are some that are not many, many from a dozen in sight', () => {
    for (const [i, mean] of [10, 23.75, 0.05].entries()) {
      const many = mean ** 2 / (mean ** 2 + 144)
      const [asMany, asFew] = [cloudOf(colonies), cloudOf(colonies)]
      weighYoung(asMany, 'many')
      weighYoung(asFew, 'few')
      expect(asMany.logWeights[i]).toBeCloseTo(floored(Math.max(1e-4, many)), 10)
      expect(asFew.logWeights[i]).toBeCloseTo(floored((1 - Math.exp(-mean)) * (1 - many)), 10)
    }
  })
})

describe('crowding', () => {
  const r = ratesOf('neocaridina')
  const at = (more: Partial<Parameters<typeof crowded>[1]>) =>
    crowded(r, { recruits: 0, mood: 0, losses: 0, n: 0, room: 300, shape: 0, ...more })
  it('in an empty glass as many come up as the group says, more or fewer by luck and mood', () => {
    expect(at({}).comeUp).toBeCloseTo(r.comeUp, 12)
    expect(at({ recruits: -0.4 }).comeUp).toBeCloseTo(r.comeUp * Math.exp(-0.4), 12)
    expect(at({ mood: -0.6 }).comeUp).toBeCloseTo(r.comeUp * Math.exp(-0.3), 12)
    expect(at({ recruits: 20 }).comeUp).toBe(1)
  })
  it('falls by the slope where the room is full, straight or later and steeper by the shape', () => {
    const slope = crowdingSlope(r.holds)
    expect(slope).toBeLessThan(0)
    expect(Math.log(at({ n: 300 }).comeUp / r.comeUp)).toBeCloseTo(slope, 10)
    expect(Math.log(at({ n: 150 }).comeUp / r.comeUp)).toBeCloseTo(slope / 2, 10)
    expect(Math.log(at({ n: 150, shape: Math.log(2) }).comeUp / r.comeUp)).toBeCloseTo(slope / 4, 10)
    expect(Math.log(at({ n: 600, shape: Math.log(2) }).comeUp / r.comeUp)).toBeCloseTo(slope * 4, 10)
    const lucky = Math.log(at({ n: 300, recruits: 0.2 }).comeUp / r.comeUp)
    expect(lucky).toBeCloseTo(0.2 + crowdingSlope(r.holds, 0.2), 10)
  })
  it('a good mood brings broods and spares lives, a bad one the other way', () => {
    expect(at({ mood: 0.8, losses: 0.3 }).loss).toBeCloseTo(Math.exp(0.3 - 0.8), 12)
    expect(at({ mood: 0.8 }).broods).toBeCloseTo(Math.exp(0.4), 12)
  })
})

describe('how far a colony may lie from its group', () => {
  it.each(['neocaridina', 'ramshorn-snail', 'bee-shrimp'])(
    '%s: growth in an empty glass has the group’s spread',
    id => {
      const [resolved, r] = [resolvedOf(id), ratesOf(id)]
      const s = spreadsOf(resolved, r)
      expect(r.growthByRecruits).toBeGreaterThan(0)
      expect(s.recruits).toBeCloseTo(Math.min(1.6, Math.max(0.15, resolved.growthPerWeek.sd / r.growthByRecruits)), 12)
      expect(s.losses).toBe(0.45)
      expect(s.seen).toBeCloseTo(0.5 * resolved.counting.allSeen.sdLog, 12)
    },
  )
  it('where none come up, the whole spread lies in the deaths, within reason', () => {
    const resolved = resolvedOf('nerite-snail')
    const r = { ...ratesOf('nerite-snail'), growthByRecruits: 0 }
    const spread = (growthByLosses: number) => spreadsOf(resolved, { ...r, growthByLosses }).losses
    const { sd } = resolved.growthPerWeek
    expect(spread(-sd / 0.6)).toBeCloseTo(0.6, 12)
    expect(spread(-sd / 0.01)).toBe(0.2)
    expect(spread(-sd / 7)).toBe(1.2)
    expect(spread(0)).toBe(1.2)
    expect(spreadsOf(resolved, r).recruits).toBe(0)
  })
})
