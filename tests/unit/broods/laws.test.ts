import { describe, expect, it } from 'vitest'
import { EGG_ROOMS, eggQueue, EYED_ROOMS, RESTING } from '#core/broods'
import { DAY_MS } from '#core/records'
import { normalBelow, Z80 } from '#core/stats'
import {
  beginnings,
  type Brood,
  broodFrom,
  endBetween,
  lastsUntil,
  longestDays,
  missedThen,
  shortestDays,
} from '../../../core/broods/brood'
import { clutchesOf } from '../../../core/broods/clutches'
import { type HatchLaw, hatchDaysAt, lawSd } from '../../../core/broods/hatchLaw'
import { chanceBetween, ownPace, watchedLengths } from '../../../core/broods/ownPace'
import { shareBelow, spreadOut, valueAt } from '../../../core/broods/spreadOut'
import { type ThermalClock, thermalClock } from '#core/warmth'
import { laid, ofClutch } from './parts'
import { NOW } from '../../make'

/** A day is a day: the laws alone. Moments are days since an origin. */
const clock: ThermalClock = { daysAt: ms => ms / DAY_MS, msAt: days => days * DAY_MS }
const law: HatchLaw = { meanLog: Math.log(25), paceSd: 0.1, betweenSd: 0.09, referenceC: 24, q10: 2.2, restDays: 10 }
const reader = { law, clock }
const sd = Math.hypot(0.1, 0.09)
const d = (days: number) => days * DAY_MS
const brood = (from: number, to: number, more: Partial<Brood> = {}): Brood => ({
  ...broodFrom({ key: 'k', sign: 'berried', who: null, number: 1 }, [{ fromMs: d(from), toMs: d(to), weight: 1 }], {
    at: d(to),
    there: true,
  }),
  ...more,
})

describe('the law of a length', () => {
  it('its range leaves one in ten at either end, at any temperature', () => {
    const { earliest, likely, latest } = hatchDaysAt(law, 24)
    expect(lawSd(law)).toBeCloseTo(sd, 12)
    expect(likely).toBeCloseTo(25, 10)
    expect(latest / likely).toBeCloseTo(Math.exp(Z80 * sd), 10)
    expect(likely / earliest).toBeCloseTo(Math.exp(Z80 * sd), 10)
    expect(hatchDaysAt(law, 14).likely).toBeCloseTo(25 * 2.2, 8)
    expect(longestDays(law)).toBeCloseTo(25 * Math.exp(2 * sd), 10)
    expect(shortestDays(law)).toBeCloseTo(25 * Math.exp(-2 * sd), 10)
  })
  it('chances between bounds, none before the beginning, all that is left without an end', () => {
    const at = (low: number, high: number) => chanceBetween(low, high, { meanLog: law.meanLog, sd })
    expect(at(25, Infinity)).toBeCloseTo(0.5, 10)
    expect(at(-3, 25)).toBeCloseTo(0.5, 10)
    expect(at(20, 25)).toBeCloseTo(0.5 - normalBelow(Math.log(20), law.meanLog, sd), 10)
    expect(at(25, 20)).toBe(0)
  })
})

describe('when a brood may have begun', () => {
  it('since the look before; or before that one, where it missed it', () => {
    const all = beginnings(d(20), [d(4), d(10), d(16)], d(-5))
    expect(all.map(b => [b.fromMs / DAY_MS, b.toMs / DAY_MS])).toEqual([
      [16, 20],
      [10, 16],
      [4, 10],
    ])
    // by their lengths, and one in sixteen for each look that missed it
    expect(all[1]!.weight / all[0]!.weight).toBeCloseTo((6 / 4) * 0.06, 10)
    expect(all[2]!.weight / all[1]!.weight).toBeCloseTo(0.06, 10)
  })
  it('eggs are missed while they are fresh, and no brood is older than the longest', () => {
    expect(beginnings(d(20), [d(-30), d(16)], d(-50))[1]).toMatchObject({ fromMs: d(6), toMs: d(16) })
    expect(beginnings(d(20), [d(-30), d(16)], d(9))[1]).toMatchObject({ fromMs: d(9), toMs: d(16) })
    expect(beginnings(d(20), [], d(-8))).toEqual([{ fromMs: d(-8), toMs: d(20), weight: d(28) }])
    expect(beginnings(d(20), [d(16)], d(-8))).toHaveLength(1)
    // two looks in one moment leave an hour
    expect(beginnings(d(20), [d(20)], d(-8))[0]).toMatchObject({ fromMs: d(20) - DAY_MS / 24, toMs: d(20) })
  })
})

describe('whether eggs are still the same', () => {
  const left = (days: number) => 1 - normalBelow(Math.log(days), law.meanLog, sd)
  it('by the length since the middle of the beginning, given that they were there', () => {
    expect(lastsUntil(brood(0, 4), d(26), reader)).toBeCloseTo(left(24) / left(2), 8)
    expect(lastsUntil(brood(0, 4, { lastSeenMs: d(22) }), d(30), reader)).toBeCloseTo(left(28) / left(20), 8)
    expect(lastsUntil(brood(0, 4, { lastSeenMs: d(1) }), d(1), reader)).toBe(1)
    const two = brood(0, 4)
    two.began = [
      { fromMs: d(0), toMs: d(4), weight: 3 },
      { fromMs: d(-8), toMs: d(0), weight: 1 },
    ]
    expect(lastsUntil(two, d(26), reader)).toBeCloseTo(left(25.5) / left(3.5), 8)
  })
  it('missed by one look, or new: by their odds', () => {
    // in the middle of the development they were missed; after the longest they are new
    const seen = (last: number) => brood(0, 2, { lastSeenMs: d(last) })
    expect(missedThen(seen(10), { noneMs: d(13), atMs: d(16) }, reader)).toBe(true)
    expect(missedThen(seen(24), { noneMs: d(28), atMs: d(37) }, reader)).toBe(false)
    const odds = (last: number, none: number, at: number) => {
      const same = (0.06 * left(at - 1)) / left(last - 1)
      const another = (1 - left(none - 1) / left(last - 1)) * ((at - none) / (10 + at - none))
      return same > another
    }
    for (let none = 12; none < 32; none++)
      for (const gap of [1, 4, 9])
        expect(missedThen(seen(none - 3), { noneMs: d(none), atMs: d(none + gap) }, reader)).toBe(
          odds(none - 3, none, none + gap),
        )
  })
  it('gone too early they are lost, later they have hatched', () => {
    const how = (to: number) => endBetween(brood(0, 4), { fromMs: d(4), toMs: d(to) }, reader).how
    expect(how(shortestDays(law) - 0.1)).toBe('lost')
    expect(how(shortestDays(law) + 0.1)).toBe('hatched')
  })
})

describe('a keeper’s own pace', () => {
  it('is the mean over the prior, weighed by the chance of what was watched (summed by hand)', () => {
    const ended = brood(0, 3, { end: { how: 'hatched', fromMs: d(26), toMs: d(31), againMs: d(35) } })
    const lengths = watchedLengths([ended], clock)
    expect(lengths).toEqual([
      {
        doubt: 0.3,
        began: [{ from: 0, to: 3, weight: 1 }],
        hatched: [
          { from: 26, to: 31, weight: 1 },
          { from: 31, to: 35, weight: 0.06 },
        ],
      },
    ])
    let [sum, first, second] = [0, 0, 0]
    for (let log = -0.3; log <= 0.3001; log += 0.001) {
      let chance = 0
      for (let k = 0; k < 300; k++) {
        const begin = ((k + 0.5) / 300) * 3
        const between = (a: number, b: number) =>
          chanceBetween(a - begin, b - begin, { meanLog: law.meanLog + log, sd: 0.09 })
        chance += (between(26, 31) + 0.06 * between(31, 35)) / 300
      }
      const w = Math.exp(-0.5 * (log / 0.1) ** 2) * (0.7 * chance + (0.3 * (5 + 0.06 * 4)) / 45)
      sum += w
      first += w * log
      second += w * log * log
    }
    const pace = ownPace(lengths, law)
    expect(pace.log).toBeCloseTo(first / sum, 3)
    expect(pace.sd).toBeCloseTo(Math.sqrt(second / sum - (first / sum) ** 2), 3)
    expect(pace.broods).toBe(1)
  })
  it('one that is known is hardly another; a length that cannot be moves nothing', () => {
    const gone = (more: Partial<Brood>) => brood(0, 2, { end: { how: 'hatched', fromMs: d(14), toMs: d(16) }, ...more })
    const paceOf = (...all: Brood[]) => ownPace(watchedLengths(all, clock), law)
    expect(watchedLengths([gone({ who: 'Vesta' })], clock)[0]!.doubt).toBe(0.05)
    expect(watchedLengths([gone({ sign: 'clutch' })], clock)[0]!.doubt).toBe(0.05)
    // one of fourteen days where twenty-five are usual: eggs that were seen by chance
    expect(Math.abs(paceOf(gone({})).log)).toBeLessThan(0.01)
    // and where a quarter vanish too early the others are no hatches either
    const lost = () => brood(0, 2, { end: { how: 'lost', fromMs: d(3), toMs: d(5) } })
    const usual = () => brood(0, 2, { end: { how: 'hatched', fromMs: d(22), toMs: d(25) } })
    const all = [usual(), usual(), usual(), usual(), usual()]
    expect(watchedLengths([...all, lost()], clock)).toHaveLength(5)
    expect(watchedLengths([...all.slice(2), lost()], clock)).toHaveLength(0)
    expect(watchedLengths([...all.slice(2), lost(), brood(0, 2, { ...gone({}), who: 'Vesta' })], clock)).toHaveLength(1)
    // a tenth shorter is a pace
    const short = Array.from({ length: 6 }, () => brood(0, 2, { end: { how: 'hatched', fromMs: d(22), toMs: d(25) } }))
    expect(paceOf(...short).log).toBeLessThan(-0.05)
  })
  it('goes by the last thirty-two broods: a pace of long ago is forgotten, those of other colonies fill up', () => {
    const of = (from: number) => brood(0, 2, { end: { how: 'hatched', fromMs: d(from), toMs: d(from + 2) }, who: 'V' })
    const slow = Array.from({ length: 40 }, () => of(29))
    const quick = Array.from({ length: 32 }, () => of(22))
    const read = (all: Brood[]) => ownPace(watchedLengths(all, clock), law)
    expect(read([...slow, ...quick])).toEqual(read(quick))
    expect(read([...slow, ...quick]).broods).toBe(32)
    expect(read([...slow, ...quick.slice(1)]).log).toBeGreaterThan(read(quick).log)
    const [own, others] = [watchedLengths(quick.slice(0, 30), clock), watchedLengths(slow, clock)]
    expect(ownPace([...own, ...others], law)).toEqual(ownPace([...own, ...others.slice(0, 2)], law))
  })
  it('of what was lost, or is still there, or was seen weeks apart, nothing is learnt', () => {
    expect(
      watchedLengths([brood(0, 3), brood(0, 3, { end: { how: 'lost', fromMs: d(4), toMs: d(5) } })], clock),
    ).toEqual([])
    const loose = (from: number, to: number) => brood(0, 12, { end: { how: 'hatched', fromMs: d(from), toMs: d(to) } })
    expect(watchedLengths([loose(26, 38)], clock)).toHaveLength(1)
    expect(watchedLengths([loose(26, 38.1)], clock)).toHaveLength(0)
  })
})

describe('clutches', () => {
  it('were laid within a day and a half before they were found, and are there at every look', () => {
    const found = laid(9)
    const [clutch] = clutchesOf([
      found,
      ofClutch(6, found, 'checked'),
      ofClutch(2, found, 'moved', { place: 'incubator' }),
    ])
    expect(clutch!.began).toEqual([{ fromMs: NOW - d(10.5), toMs: NOW - d(9), weight: 1 }])
    expect(clutch!.looks.map(l => [(NOW - l.at) / DAY_MS, l.there])).toEqual([
      [9, true],
      [6, true],
      [2, true],
    ])
    expect(clutch).toMatchObject({ place: 'incubator', lastSeenMs: NOW - d(2), end: null })
    expect(clutchesOf([laid(9)])[0]!.place).toBe('inPlace')
  })
})

describe('rooms of eggs', () => {
  const mean = (hop: readonly number[]) => hop.reduce((s, p, by) => s + p * by, 0)
  const variance = (hop: readonly number[]) => hop.reduce((s, p, by) => s + p * (by - mean(hop)) ** 2, 0)
  it.each([
    [3.5, 0.135],
    [1.7, 0.14],
    [5, 0.1],
    [14, 0.25],
    [30, 0.2],
  ])('in %d steps with a spread of %d: mean and variance of one step', (steps, spread) => {
    const { hop, start } = eggQueue(steps, spread)
    const advance = EGG_ROOMS / steps
    const rest = advance - Math.floor(advance)
    expect(hop.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12)
    for (const p of hop) expect(p).toBeGreaterThanOrEqual(0)
    expect(mean(hop)).toBeCloseTo(advance, 10)
    // no less than whole rooms allow
    expect(variance(hop)).toBeCloseTo(Math.max(rest * (1 - rest), (spread * EGG_ROOMS) ** 2 / steps), 8)
    expect(start.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12)
    for (const [room, share] of start.entries())
      expect(share).toBeCloseTo(Math.max(0, Math.min(1, advance - room)) / advance, 12)
  })
  it('eggs that take less than a step lie in all rooms; resting ones stay; no length is an error', () => {
    expect(eggQueue(0.5, 0.1).start).toEqual(Array.from({ length: EGG_ROOMS }, () => 1 / EGG_ROOMS))
    expect(RESTING).toEqual({ hop: [1], start: [1, 0, 0, 0, 0, 0, 0, 0] })
    expect(() => eggQueue(0, 0.1)).toThrow(RangeError)
    expect(EYED_ROOMS).toHaveLength(EGG_ROOMS)
    expect(EYED_ROOMS[5]).toBeCloseTo(normalBelow(5.5 / 8, 0.7, 0.08), 12)
  })
})

describe('chances along a line', () => {
  it('are found again from both sides', () => {
    const s = spreadOut(Float64Array.from([1, 2, 2.1, 4]), Float64Array.from([1, 1, 1, 1]), 4, 0.5)
    expect(s.first).toBe(1)
    expect(Array.from(s.below)).toEqual([0.25, 0.25, 0.75, 0.75, 0.75, 0.75, 1])
    expect([0.5, 1, 1.25, 1.5, 2.25, 3, 9].map(x => shareBelow(s, x))).toEqual([0, 0, 0.125, 0.25, 0.5, 0.75, 1])
    expect([0.125, 0.25, 0.5, 0.75, 1].map(p => valueAt(s, p))).toEqual([1.25, 1.5, 2.25, 2.5, 4.5])
    // what weighs nothing has no place
    expect(spreadOut(Float64Array.from([-9, 3]), Float64Array.from([0, 1]), 1, 1).first).toBe(3)
  })
})

describe('the clock of a water', () => {
  const at = (day: number, value: number) => ({ at: NOW + d(day), value })
  const pace = (readings: ReturnType<typeof at>[], day: number) => {
    const c = thermalClock({ readings, law, nowMs: NOW })
    return c.daysAt(NOW + d(day + 1)) - c.daysAt(NOW + d(day))
  }
  const q = (celsius: number) => 2.2 ** ((celsius - 24) / 10)
  it('goes straight from test to test, and on by the mean of the last four weeks', () => {
    const readings = [at(-60, 20), at(-40, 28), at(-10, 22), at(-2, 26)]
    expect(pace(readings, -50.5)).toBeCloseTo(q(24), 2)
    expect(pace(readings, -6.5)).toBeCloseTo(q(24), 2)
    expect(pace(readings, 30)).toBeCloseTo(q(24), 8)
  })
  it('where nobody measured for twelve weeks it goes by the group’s own temperature', () => {
    expect(pace([], -3)).toBeCloseTo(1, 12)
    expect(pace([at(-100, 30)], 3)).toBeCloseTo(1, 12)
    expect(pace([at(-80, 30)], 3)).toBeCloseTo(q(30), 8)
    expect(pace([at(-100, 30)], -150)).toBeCloseTo(q(30), 8)
    expect(pace([at(-100, 30)], -190)).toBeCloseTo(1, 12)
    // what lies ahead is not known
    expect(pace([at(2, 30)], 5)).toBeCloseTo(1, 12)
  })
  it('back from days to the moment, far behind as well', () => {
    const c = thermalClock({ readings: [at(-30, 27)], law, nowMs: NOW })
    for (const day of [-700, -31.4, 0, 12.7, 150])
      expect((c.msAt(c.daysAt(NOW + d(day))) - NOW) / DAY_MS).toBeCloseTo(day, 6)
  })
})
