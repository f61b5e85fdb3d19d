import { describe, expect, it } from 'vitest'
import {
  StoppedError,
  chanceAt,
  floorsOf,
  futureFan,
  largestTake,
  largestWeeklyTake,
  spreadsOf,
  type TakeOf,
  type TakeSearch,
  type Doing,
  stageModel,
  weeksFromStarters,
  weeksToReach,
} from '#core/population'
import { openingCloud } from '../../../core/population/checkpoint'
import { liveFutures, riskOf, riskUnder } from '../../../core/population/futures'
import { NOW } from '../../make'
import { ask, doubling, heads, ratesOf, resolvedOf } from './questions'

const rates = ratesOf('neocaridina')
const start = (founders = heads({ females: 60, males: 40, halfGrown: 50 })) => ({
  cloud: openingCloud({ seed: 2, founders, rates, spreads: spreadsOf(resolvedOf('neocaridina'), rates) }, 300),
  size: 300,
})
const living = (doing: Doing = {}, weeks = 26, from = start(), seed = 9) => ({
  start: from,
  size: 300,
  weeks,
  rates,
  seed,
  doing,
})
const live = (...how: Parameters<typeof living>) => liveFutures(living(...how))
const last = (f: ReturnType<typeof live>, numbers = f.totals) => futureFan(numbers, f, NOW).at(-1)!

/** A colony of which only its futures are asked. */
const startColony: TakeSearch['colony'] = {
  numbers: () => ({ value: 150, low: 150, high: 150 }),
  futures: ({ doing, weeks }) => live(doing, weeks),
  risk: ({ doing, weeks }, floors, allowed) => riskOf(living(doing, weeks), floors, allowed),
}

describe('liveFutures', () => {
  it('fans out, in order', () => {
    const f = live()
    const fan = futureFan(f.totals, f, NOW)
    expect(fan).toHaveLength(27)
    for (const p of fan)
      expect([p.p10, p.p25, p.p50, p.p75, p.p90]).toEqual([p.p10, p.p25, p.p50, p.p75, p.p90].sort((a, b) => a - b))
    expect(fan[26]!.p90 - fan[26]!.p10).toBeGreaterThan(fan[2]!.p90 - fan[2]!.p10)
  })
  it('the same seed, the same futures; another, others', () => {
    expect(live().totals).toEqual(live().totals)
    expect(live({}, 26, start(), 10).totals).not.toEqual(live().totals)
  })
  it('a take today is there today, and never makes a future better', () => {
    const as = live()
    const taken = live({ take: { of: 'any', number: 30 } })
    let worse = 0
    for (let i = 0; i < 300; i++) {
      expect(as.totals[i]! - taken.totals[i]!).toBe(30)
      if (taken.totals[26 * 300 + i]! <= as.totals[26 * 300 + i]!) worse++
    }
    // crowding lifts a thinned colony now and then
    expect(worse / 300).toBeGreaterThan(0.9)
  })
  it.each(['halfGrown', 'adults', 'females', 'males'] as TakeOf[])('takes of %s come from them alone', of => {
    const as = live({}, 0)
    const taken = live({ take: { of, number: 10 } }, 0)
    const gone = (key: 'totals' | 'females' | 'halfGrown') => as[key][0]! - taken[key][0]!
    expect(gone('totals')).toBe(10)
    expect(gone('halfGrown')).toBe(of === 'halfGrown' ? 10 : 0)
    if (of === 'females') expect(gone('females')).toBe(10)
    if (of === 'males') expect(gone('females')).toBe(0)
  })
  it('what is not there is not taken', () => {
    const f = live({ take: { of: 'any', number: 1000 }, weekly: { of: 'any', number: 50 } })
    expect(Math.min(...f.totals)).toBe(0)
  })
  it('half an animal a week is one every other week, over all futures', () => {
    const gone = last(live()).p50 - last(live({ weekly: { of: 'any', number: 0.5 } })).p50
    expect(gone).toBeGreaterThan(8)
    expect(gone).toBeLessThan(40)
  })
  it('more room, fish and deaths do what they should', () => {
    const crowded = start(heads({ females: 300, males: 250 }))
    expect(last(live({ roomFactor: 2 }, 40, crowded)).p50).toBeGreaterThan(last(live({}, 40, crowded)).p50)
    expect(last(live({ recruitsFactor: 0.1 }, 40)).p50).toBeLessThan(last(live({}, 40)).p50)
    expect(last(live({ dyingPerWeek: 0.1 })).p50).toBeLessThan(last(live()).p50)
    expect(last(live({ startFactor: 2 }, 0)).p50).toBe(2 * last(live({}, 0)).p50)
  })
  it('a share taken every week: just under 1 − 1/λ an uncrowded colony still grows, above it falls', () => {
    const wide = ratesOf('neocaridina', 1e7)
    const none = { recruits: 0, losses: 0, room: 0, seen: 0, sight: 0, shape: 0 }
    const from = {
      cloud: openingCloud(
        {
          seed: 2,
          founders: heads({ females: 3000, males: 2000, halfGrown: 3000, young: 3000 }),
          rates: wide,
          spreads: none,
        },
        60,
      ),
      size: 60,
    }
    const sustainable = 1 - 1 / Math.exp(wide.growth)
    const slope = (weeklyShare: number) => {
      const f = liveFutures({ start: from, size: 60, weeks: 120, rates: wide, seed: 4, doing: { weeklyShare } })
      const at = (week: number) => f.totals.subarray(week * 60, (week + 1) * 60).reduce((a, b) => a + b, 0)
      return Math.log(at(120) / at(80)) / 40
    }
    expect(slope(sustainable * 0.6)).toBeGreaterThan(0)
    expect(slope(sustainable * 1.4)).toBeLessThan(0)
    expect(Math.abs(slope(sustainable))).toBeLessThan(0.35 * wide.growth)
  })
  it('can be stopped', () => {
    expect(() => liveFutures({ ...living(), stopped: () => true })).toThrow(StoppedError)
  })
})

describe('what is read from futures', () => {
  const f = live()
  it('when a number is first there', () => {
    const now = weeksToReach(f.totals, f, 100)
    expect(now.p50).toBe(0)
    const later = weeksToReach(f.totals, f, 220)
    expect(later.p10).toBeLessThanOrEqual(later.p50)
    expect(later.reachedShare).toBeGreaterThan(0)
    expect(weeksToReach(f.totals, f, 1e6)).toMatchObject({ p50: Infinity, reachedShare: 0 })
  })
  it('the chance that it is there in a week', () => {
    expect(chanceAt(f.totals, f, 0, 150)).toBe(1)
    expect(chanceAt(f.totals, f, 26, 1e6)).toBe(0)
  })
  it('the risk without keeping the futures is the same, and gives up early when it is too large', () => {
    const floors = { total: 140, females: 50, males: 20 }
    expect(riskOf(living(), floors, 1)).toEqual(riskUnder(live(), floors))
    const given = riskOf(living({ take: { of: 'any', number: 100 } }), floors, 0.1)
    expect(given.any).toBeGreaterThan(0.1)
  })
  it('the risk of falling under either floor is at least that of each', () => {
    const r = riskUnder(f, { total: 140, females: 50, males: 20 })
    expect(r.any).toBeGreaterThanOrEqual(Math.max(r.total, r.females, r.males))
    expect(r.any).toBeLessThanOrEqual(r.total + r.females + r.males)
  })
})

describe('largestTake', () => {
  const search = {
    colony: startColony,
    futures: 300,
    weeks: 26,
    doing: {},
    floors: { total: 60, females: 0, males: 0 },
    allowedRisk: 0.1,
    most: 90,
    uncounted: null,
  }
  it('two in a hundred more would be too risky', () => {
    const { take, riskAfter, limit } = largestTake(search, 'any')
    const risk = (number: number) => riskUnder(live({ take: { of: 'any', number } }), search.floors).any
    expect(take).toBeGreaterThan(0)
    expect(riskAfter).toBe(risk(take))
    expect(risk(take)).toBeLessThanOrEqual(0.1)
    expect(risk(take + Math.ceil(1 + 0.02 * take))).toBeGreaterThan(0.1)
    expect(limit).toBe('number')
  })
  it('the weekly take is safe as well, and a tenth and two in a hundred more is not', () => {
    const { take } = largestWeeklyTake(search, 'any')
    const risk = (number: number) => riskUnder(live({ weekly: { of: 'any', number } }), search.floors).any
    expect(risk(take)).toBeLessThanOrEqual(0.1)
    expect(risk(take * 1.02 + 0.1)).toBeGreaterThan(0.1)
  })
  it('a floor of females holds back the takes of females first', () => {
    const guarded = { ...search, floors: { total: 0, females: 40, males: 0 }, most: 150 }
    const females = largestTake(guarded, 'females')
    expect(females.limit).toBe('females')
    expect(females.take).toBeLessThan(largestTake(guarded, 'halfGrown').take)
  })
  it('takes none where the risk is too large already, and all where nothing must stay', () => {
    expect(largestTake({ ...search, floors: { total: 400, females: 0, males: 0 } }, 'any')).toMatchObject({
      take: 0,
      all: false,
    })
    expect(largestTake({ ...search, floors: { total: 0, females: 0, males: 0 }, most: 40 }, 'any')).toMatchObject({
      take: 40,
      all: true,
    })
    expect(largestTake({ ...search, most: 0 }, 'any').take).toBe(0)
  })
  const range = (value: number) => ({ value, low: value - 1, high: value + 1 })
  const keep = (femalesAreOwn: boolean, females: number, males: number, groupId = 'neocaridina') =>
    floorsOf(
      { minimumKeep: 30, minimumFemales: 8, femalesAreOwn, rates: ratesOf(groupId) },
      { females: range(females), males: range(males) },
    )
  it('a default floor of females does not bind a colony that has fewer; the keeper’s own does', () => {
    expect(keep(false, 3, 10).females).toBe(0)
    expect(keep(true, 3, 10).females).toBe(8)
    expect(keep(false, 20, 10).females).toBe(8)
  })
  it('males enough for the females that stay are left, or the last one; none where none are needed', () => {
    expect(keep(true, 20, 10).males).toBe(2)
    expect(keep(true, 20, 2).males).toBe(1)
    expect(keep(true, 20, 1).males).toBe(0)
    expect(keep(false, 3, 10).males).toBe(1)
    expect(keep(true, 20, 10, 'ramshorn-snail').males).toBe(0)
  })
  it('males are held back by the males that must be left', () => {
    const guarded = { ...search, floors: { total: 0, females: 0, males: 20 }, most: 150 }
    const males = largestTake(guarded, 'males')
    expect(males.take).toBeGreaterThan(0)
    expect(males.limit).toBe('males')
    expect(males.take).toBeLessThan(largestTake({ ...guarded, floors: { ...guarded.floors, males: 0 } }, 'males').take)
  })
  it('a weekly take can be had every week: what runs out is no weekly take', () => {
    const free = { ...search, floors: { total: 0, females: 0, males: 0 }, most: 400 }
    const { take, limit } = largestWeeklyTake(free, 'halfGrown')
    expect(limit).toBe('kind')
    const risk = (number: number) => riskOf(living({ weekly: { of: 'halfGrown', number } }), free.floors, 1)
    expect(risk(take).short).toBeLessThanOrEqual(0.1)
    expect(risk(take * 1.1 + 0.2).short).toBeGreaterThan(0.1)
    // nobody dies out of it, and yet ten times as many cannot be had
    expect(risk(10 * take).short).toBe(1)
  })
  it('more than half goes only after a fresh count', () => {
    const free = { ...search, floors: { total: 10, females: 0, males: 0 }, most: 140 }
    const counted = largestTake(free, 'any')
    expect(counted.take).toBeGreaterThan(75)
    expect(counted.afterCount).toBeNull()
    const half = largestTake({ ...free, uncounted: 75 }, 'any')
    expect(half).toMatchObject({ take: 75, afterCount: counted.take, all: false })
    // the risk that is told is that of the half, not of all that a count would allow
    expect(half.riskAfter).toBe(riskUnder(live({ take: { of: 'any', number: 75 } }), free.floors).any)
    expect(half.riskAfter).toBeLessThan(counted.riskAfter)
    // a count that would allow hardly more is not asked for
    const nearly = Math.floor(counted.take / 1.05)
    expect(largestTake({ ...free, uncounted: nearly }, 'any')).toMatchObject({ take: nearly, afterCount: null })
    expect(largestTake({ ...free, uncounted: 75, most: 40 }, 'any')).toMatchObject({ take: 40, afterCount: null })
  })
  it('the answer’s take keeps what must stay', () => {
    const a = stageModel.fit(ask(doubling), { particles: 600 }).explain()
    expect(a.surplus.take).toBeGreaterThan(0)
    expect(a.surplus.take).toBeLessThanOrEqual(a.now.value - 30)
    expect(a.surplus.riskAfter).toBeLessThanOrEqual(0.1)
  })
})

describe('weeksFromStarters', () => {
  const weeks = (starters: number, more: object = {}, number = 100) =>
    weeksFromStarters(resolvedOf('neocaridina', more), { starters, number, capacity: 540 })
  it('more starters are there sooner (common practice: 20 instead of 5 saves months)', () => {
    const few = weeks(5)
    const many = weeks(20)
    expect(few.p50 - many.p50).toBeGreaterThan(8)
    expect(many.p10).toBeLessThanOrEqual(many.p50)
    expect(many.reachedShare).toBeGreaterThan(0.7)
  })
  it('is never where the colony only shrinks, and at once where they are there', () => {
    expect(weeks(10, { life: { growthPerWeek: -0.2 } }).p50).toBe(Infinity)
    expect(weeks(20, {}, 5).p50).toBe(0)
    expect(() => weeks(0)).toThrow(/starters/)
  })
})
