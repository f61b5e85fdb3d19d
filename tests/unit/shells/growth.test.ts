import { describe, expect, it } from 'vitest'
import { ageAt, curveFrom, grownIn, growthLaw, growthOf, mmPerWeek, sampleTold, sizeAt, usualCurve } from '#core/shells'
import { DAY_MS, WEEK_MS } from '#core/records'
import { resolvedOf } from '../population/questions'
import { NOW } from '../../make'

const rams = resolvedOf('ramshorn-snail')
const law = growthLaw(rams)!
const usual = usualCurve(law)
const at = (weeks: number) => NOW - weeks * WEEK_MS
const mm = (n: number) => Math.round(10 * n) / 10
/** Sizes of one animal on a curve, read so many weeks ago, born at `ageWeeks`. */
const read = (curve: typeof usual, ageWeeks: number, agos: readonly number[]) =>
  agos.map(ago => ({ at: at(ago), mm: mm(sizeAt(curve, ageWeeks - ago)) }))
const told = (sizes: { at: number; mm: number }[], more: Partial<Parameters<typeof growthOf>[0]> = {}) =>
  growthOf({ resolved: rams, sizes, born: null, temperatures: [], nowMs: NOW, ...more })
const weeksOld = (ms: number) => (NOW - ms) / WEEK_MS

describe('ramshorns as keepers know them (common practice)', () => {
  it('about 5 mm at three weeks, breeding from about 10 mm, at most about 25 mm', () => {
    expect(sizeAt(usual, 3)).toBeGreaterThan(4.5)
    expect(sizeAt(usual, 3)).toBeLessThan(5.6)
    expect(law.breedsMm).toBe(10)
    expect(sizeAt(usual, 500)).toBeCloseTo(25, 6)
  })
  it('sizes and stages tell the same: they breed at the end of their young weeks', () => {
    for (const id of ['ramshorn-snail', 'apple-snail', 'land-crab', 'dwarf-crayfish', 'burrowing-crayfish']) {
      const r = resolvedOf(id)
      const l = growthLaw(r)!
      const weeks = r.group.stages.firstWeeks.value + r.group.stages.youngWeeks.value
      expect(ageAt(usualCurve(l), l.breedsMm), id).toBeCloseTo(weeks, 9)
    }
  })
  it('nobody measures shrimp', () => {
    expect(growthLaw(resolvedOf('neocaridina'))).toBeNull()
    expect(
      growthOf({
        resolved: resolvedOf('neocaridina'),
        sizes: [{ at: NOW, mm: 20 }],
        born: null,
        temperatures: [],
        nowMs: NOW,
      }),
    ).toBeNull()
  })
})

describe('the growth of one animal', () => {
  it('one size alone is a place on the curve of its kind', () => {
    const g = told([{ at: NOW, mm: 12 }])!
    expect(g.own).toBe(false)
    const age = ageAt(usual, 12)
    expect(weeksOld(g.bornMs.value)).toBeGreaterThan(0.85 * age)
    expect(weeksOld(g.bornMs.value)).toBeLessThan(1.2 * age)
    expect(weeksOld(g.bornMs.low)).toBeGreaterThan(age)
    expect(weeksOld(g.bornMs.high)).toBeLessThan(age)
    expect(Math.abs(g.sizeMm.value - 12)).toBeLessThan(0.6)
    expect([g.lately, g.plain, g.teaches, g.zones]).toEqual([null, null, null, []])
  })
  it('fewer than four sizes leave the curve that of its kind, four make it its own', () => {
    const slow = curveFrom(1, 18, 0.05)
    const ahead = (n: number) => told(read(slow, 30, [24, 18, 12, 6].slice(4 - n)), {})!
    expect([3, 4].map(n => ahead(n).own)).toEqual([false, true])
    const far = (n: number) => ahead(n).curve.at(-1)!.value
    // its own curve stays lower than that of its kind
    expect(far(4)).toBeLessThan(far(3) - 1)
  })
  it('is found again where its birth is known, and its range holds what it will be', () => {
    const own = curveFrom(1, 21, 0.08)
    const born = { fromMs: at(30), toMs: at(30) }
    const g = told(read(own, 30, [26, 22, 18, 14, 10, 6, 2, 0]), { born })!
    for (const p of g.curve.filter(p => p.at > NOW)) {
      const truth = sizeAt(own, weeksOld(at(30)) - weeksOld(p.at))
      expect(p.low).toBeLessThan(truth)
      expect(p.high).toBeGreaterThan(truth)
    }
    expect(g.bornMs.low).toBe(g.bornMs.high)
    // least squares through its own sizes comes to its own curve
    expect(g.plain!.mostMm).toBeCloseTo(21, 0)
    expect(g.plain!.k).toBeCloseTo(0.08, 2)
  })
  it('where the birth is not known it is read from what grew between', () => {
    const own = curveFrom(1, 21, 0.08)
    const g = told(read(own, 30, [26, 22, 18, 14, 10, 6, 2, 0]))!
    expect(Math.abs(weeksOld(g.bornMs.value) - 30)).toBeLessThan(3)
    expect(g.plain!.mostMm).toBeGreaterThan(19)
    expect(g.plain!.mostMm).toBeLessThan(23)
  })
  it('more sizes narrow what is not known', () => {
    const wide = (n: number) => {
      const g = told(read(usual, 12, [10, 8, 6, 4, 2, 0].slice(6 - n)))!
      return g.curve.at(-1)!.high - g.curve.at(-1)!.low
    }
    expect(wide(6)).toBeLessThan(0.85 * wide(1))
    expect(wide(6)).toBeLessThan(0.85 * wide(3))
    // the rule for few sizes keeps the curve of the kind: what three say of the curve itself is not heard
    expect(wide(3)).toBeGreaterThan(0.9 * wide(1))
  })
  it('breeds from a size on: ahead, already, or hardly ever', () => {
    const small = told([{ at: NOW, mm: 6 }])!
    const days = ((small.breeds as { ms: { value: number } }).ms.value - NOW) / DAY_MS
    expect(days / 7).toBeGreaterThan(0.8 * (ageAt(usual, 10) - ageAt(usual, 6)))
    expect(days / 7).toBeLessThan(1.3 * (ageAt(usual, 10) - ageAt(usual, 6)))
    expect(told([{ at: NOW, mm: 16 }])!.breeds).toBe('already')
    // one that stopped far under it
    const dwarf = read(curveFrom(1, 8.5, 0.25), 40, [35, 30, 25, 20, 15, 10, 5, 0])
    const g = growthOf({ resolved: resolvedOf('apple-snail'), sizes: dwarf, born: null, temperatures: [], nowMs: NOW })
    expect(g === null || g.breeds !== 'already').toBe(true)
  })
  it('says how fast it grows at present: k (L∞ − L) by the warmth of now', () => {
    const own = curveFrom(1, 21, 0.08)
    const born = { fromMs: at(30), toMs: at(30) }
    const g = told(read(own, 30, [26, 22, 18, 14, 10, 6, 2, 0]), { born })!
    const now = mmPerWeek(own, sizeAt(own, 30))
    // by hand: 20 × 0.08 × e^(−2.4)
    expect(now).toBeCloseTo(0.145, 3)
    expect(grownIn(own, sizeAt(own, 30), 0.001) / 0.001).toBeCloseTo(now, 3)
    expect(grownIn(own, 1, 10)).toBeCloseTo(20 * (1 - Math.exp(-0.8)), 9)
    expect(g.perWeekMm.low).toBeLessThan(now)
    expect(g.perWeekMm.high).toBeGreaterThan(now)
    expect(g.perWeekMm.high).toBeLessThan(2 * now)
    // a young one grows many times as fast
    expect(told([{ at: NOW, mm: 5 }])!.perWeekMm.value).toBeGreaterThan(8 * now)
    const warmth = (value: number) => [{ at: NOW - 10 * DAY_MS, value }]
    const of = (celsius: number) => told([{ at: NOW, mm: 5 }], { temperatures: warmth(celsius) })!.perWeekMm.value
    expect(of(27)).toBeGreaterThan(1.2 * of(22))
  })
  it('grows faster in warmth', () => {
    const warm = [30, 20, 10, 1].map(d => ({ at: NOW - d * DAY_MS, value: 27 }))
    const of = (temperatures: typeof warm) => told([{ at: at(3), mm: 8 }], { temperatures })!.sizeMm.value
    expect(of(warm)).toBeGreaterThan(of(warm.map(t => ({ ...t, value: 20 }))) + 1)
  })
  it('is held against what is usual at that size and warmth', () => {
    const pair = (now: number) =>
      told([
        { at: at(5), mm: 8 },
        { at: NOW, mm: now },
      ])!.lately!
    const next = sizeAt(usual, ageAt(usual, 8) + 5)
    const as = pair(mm(next))
    expect(as.usualMm.value).toBeCloseTo(next - 8, 6)
    expect(as.grownMm).toBeGreaterThan(as.usualMm.low)
    expect(as.grownMm).toBeLessThan(as.usualMm.high)
    expect(pair(8.5).grownMm).toBeLessThan(pair(8.5).usualMm.low)
    // two sizes of one week tell a ruler nothing
    expect(
      told([
        { at: NOW - 5 * DAY_MS, mm: 8 },
        { at: NOW, mm: 9 },
      ])!.lately,
    ).toBeNull()
  })
  it('others of the colony teach it how they grow here', () => {
    const small = told(read(curveFrom(1, 18, 0.08), 40, [36, 30, 24, 18, 12, 6, 3, 0]))!
    const taught = [small.teaches!, small.teaches!, small.teaches!]
    const [alone, bent] = [{}, { taught }].map(more => told([{ at: NOW, mm: 9 }], more)!.curve.at(-1)!.value)
    expect(bent).toBeLessThan(alone! - 0.5)
    // what says nothing of its own changes nothing
    const nothing = {
      most: { log: Math.log(25), variance: law.mostSd ** 2 },
      k: { log: Math.log(law.k), variance: law.kSd ** 2 },
    }
    expect(told([{ at: NOW, mm: 9 }], { taught: [nothing] })!.curve.at(-1)!.value).toBeCloseTo(alone!, 9)
  })
})

describe('a whorl', () => {
  const zones = [
    { kind: 'white' as const, endMm: 6 },
    { kind: 'thin' as const, endMm: 14 },
    { kind: 'thick' as const, endMm: 18 },
  ]
  const sizes = read(usual, 22, [16, 12, 8, 4, 0])
  const g = told(sizes, { shell: { at: NOW, zones } })!
  it('ends of zones are diameters, which the curve turns into dates', () => {
    const dates = g.zones.map(z => weeksOld(z.to.value))
    expect(dates[0]).toBeCloseTo(22 - ageAt(usual, 6), 0)
    expect(dates[1]).toBeCloseTo(22 - ageAt(usual, 14), 0)
    expect(dates[2]).toBe(0)
    expect(g.zones.map(z => z.fromMm)).toEqual([0, 6, 14])
  })
  it('never run backwards: neither in the middle nor at their ends', () => {
    for (const [i, z] of g.zones.entries()) {
      for (const end of ['low', 'value', 'high'] as const) {
        expect(z.from[end]).toBeLessThanOrEqual(z.to[end])
        if (i > 0) expect(z.from).toEqual(g.zones[i - 1]!.to)
        expect(z.to[end]).toBeLessThanOrEqual(NOW)
      }
    }
    expect(g.zones[0]!.from.value).toBeCloseTo(g.bornMs.value, -8)
  })
  it('a zone as wide as no curve grows lies at the look itself', () => {
    const wide = told([{ at: NOW, mm: 24 }], {
      shell: {
        at: NOW,
        zones: [
          { kind: 'even', endMm: 23.9 },
          { kind: 'thin', endMm: 24 },
        ],
      },
    })
    for (const z of wide!.zones) expect(z.to.high).toBeLessThanOrEqual(NOW)
  })
})

describe('a sample of a colony', () => {
  it('tells ages by the usual curve and who is large enough to breed', () => {
    const s = sampleTold(rams, [11, 5, 8, 10, 3], 1)!
    expect(s).toMatchObject({ n: 5, leastMm: 3, mostMm: 11, breeding: 2 })
    expect(s.ageWeeks.youngest).toBeCloseTo(ageAt(usual, 3), 9)
    expect(s.ageWeeks.oldest).toBeCloseTo(ageAt(usual, 11), 9)
    // in warmth they came so far sooner
    expect(sampleTold(rams, [5, 8], 2)!.ageWeeks.youngest).toBeCloseTo(ageAt(usual, 5) / 2, 9)
  })
  it('the largest may be of any age, and what is smaller than a hatchling is one', () => {
    expect(sampleTold(rams, [0.5, 24.9], 1)!.ageWeeks).toEqual({ youngest: 0, oldest: null })
    expect(sampleTold(rams, [], 1)).toBeNull()
    expect(sampleTold(resolvedOf('bee-shrimp'), [5], 1)).toBeNull()
  })
})
