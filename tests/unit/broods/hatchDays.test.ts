import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DAY_MS } from '#core/records'
import { hatchDays, type HatchDays, type WatchedBrood } from '../../../core/broods/hatchDays'
import { type HatchLaw, hatchDaysAt, hatchLaw } from '../../../core/broods/hatchLaw'
import { thermalClock } from '#core/warmth'
import { NOW } from '../../make'
import { resolvedOf } from '../population/questions'

const law: HatchLaw = { meanLog: Math.log(25), paceSd: 0.1, betweenSd: 0.09, referenceC: 24, q10: 2.2, restDays: 10 }
const clock = thermalClock({ readings: [], law, nowMs: NOW })
const ago = (days: number) => NOW - days * DAY_MS
const days = (ms: number) => (ms - NOW) / DAY_MS
const brood = (from: number, to: number, more: Partial<WatchedBrood> = {}): WatchedBrood => ({
  began: [{ fromMs: ago(from), toMs: ago(to), weight: 1 }],
  looks: [{ at: ago(to), there: true }],
  ...more,
})
const window = (b: WatchedBrood) => hatchDays(b, law, clock)!
const width = (h: HatchDays) => (h.latestMs - h.earliestMs) / DAY_MS

/** The same by brute force: every begin and every length of a fine grid, each look by its own chance. */
function byHand(b: WatchedBrood): { q10: number; q50: number; q90: number } {
  const all: { at: number; w: number }[] = []
  const sd = Math.hypot(law.paceSd, law.betweenSd)
  const { fromMs, toMs } = b.began[0]!
  const below = (x: number) => 0.5 * (1 + erf(x / Math.SQRT2))
  for (let i = 0; i < 300; i++)
    for (let z = -4; z <= 4; z += 0.02) {
      const begin = days(fromMs) + ((i + 0.5) / 300) * (days(toMs) - days(fromMs))
      const length = Math.exp(law.meanLog + sd * z)
      let w = Math.exp(-0.5 * z * z)
      for (const look of b.looks) {
        const x = (days(look.at) - begin) / length
        const carried = x >= 0 && x < 1
        if (!look.there) w *= carried ? 0.06 : 1
        else if (!carried) w = 0
        else if (look.eyed !== undefined) {
          const eyes = below((x - 0.7) / 0.08)
          w *= look.eyed ? eyes : 1 - 0.85 * eyes
        }
      }
      all.push({ at: begin + length, w })
    }
  all.sort((a, b) => a.at - b.at)
  const total = all.reduce((s, a) => s + a.w, 0)
  const q = (share: number) => {
    let sum = 0
    for (const a of all) if ((sum += a.w) >= share * total) return a.at
    return NaN
  }
  return { q10: q(0.1), q50: q(0.5), q90: q(0.9) }
}
/** Abramowitz & Stegun 7.1.26. */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x))
  const y =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x)
  return x < 0 ? -y : y
}

describe('the hatch of one brood', () => {
  it.each<[string, WatchedBrood]>([
    ['seen once', brood(7, 3)],
    ['seen again and again', brood(20, 14, { looks: [14, 9, 4].map(d => ({ at: ago(d), there: true })) })],
    [
      'eyes seen',
      brood(20, 14, {
        looks: [
          { at: ago(14), there: true },
          { at: ago(1), there: true, eyed: true },
        ],
      }),
    ],
    [
      'no eyes yet',
      brood(20, 14, {
        looks: [
          { at: ago(14), there: true },
          { at: ago(1), there: true, eyed: false },
        ],
      }),
    ],
    [
      'missed once',
      brood(24, 16, {
        looks: [
          { at: ago(16), there: true },
          { at: ago(6), there: false },
          { at: ago(2), there: true },
        ],
      }),
    ],
  ])('%s: agrees with every begin and length tried by hand', (_, b) => {
    const got = window(b)
    const want = byHand(b)
    expect(Math.abs(days(got.earliestMs) - want.q10)).toBeLessThan(0.2)
    expect(Math.abs(days(got.likelyMs) - want.q50)).toBeLessThan(0.2)
    expect(Math.abs(days(got.latestMs) - want.q90)).toBeLessThan(0.2)
  })
  it('eyes bring it near, eggs without eyes put it off, and both narrow it', () => {
    const looked = (eyed?: boolean) =>
      brood(24, 15, {
        looks: [
          { at: ago(15), there: true },
          { at: ago(0), there: true, ...(eyed !== undefined && { eyed }) },
        ],
      })
    const [unsaid, eyed, plain] = [window(looked()), window(looked(true)), window(looked(false))]
    expect(eyed.likelyMs).toBeLessThan(unsaid.likelyMs)
    expect(plain.likelyMs).toBeGreaterThan(unsaid.likelyMs)
    expect(width(eyed)).toBeLessThan(width(unsaid))
    // eyes show from about seven tenths on: a fortnight or more is not left
    expect(days(eyed.latestMs)).toBeLessThan(12)
  })
  it('warmth brings it nearer by the Q10: each day by its own temperature', () => {
    const at = (celsius: number) => {
      const readings = Array.from({ length: 60 }, (_, d) => ({ at: ago(60 - d), value: celsius }))
      return hatchDays(brood(1, 0.9), law, thermalClock({ readings, law, nowMs: NOW }))!
    }
    const length = (c: number) => days(at(c).likelyMs) + 0.95
    expect(length(24) / length(28)).toBeCloseTo(2.2 ** 0.4, 1)
    expect(length(20) / length(24)).toBeCloseTo(2.2 ** 0.4, 1)
    expect(hatchDaysAt(law, 28).likely).toBeCloseTo(25 / 2.2 ** 0.4, 8)
  })
  it('is nothing where it ought to have hatched long ago', () => {
    expect(
      hatchDays(
        brood(90, 80, {
          looks: [
            { at: ago(80), there: true },
            { at: ago(2), there: true },
          ],
        }),
        law,
        clock,
      ),
    ).toBeNull()
  })
  it('the days are chances: they sum to one, and half of them lie before the likely day', () => {
    const h = window(brood(10, 6))
    expect(h.days.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 1)
    const before = (ms: number) =>
      h.days.reduce(
        (sum, chance, day) => sum + chance * Math.min(1, Math.max(0, (ms - h.firstDayMs) / DAY_MS - day)),
        0,
      )
    expect(before(h.likelyMs)).toBeCloseTo(0.5, 1)
    expect(before(h.earliestMs)).toBeCloseTo(0.1, 1)
    expect(before(h.latestMs)).toBeCloseTo(0.9, 1)
  })
  it('a brood never hatches before it began, and begins between its looks', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        (to, gap) => {
          const h = window(brood(to + gap, to))
          expect(h.begunFromMs).toBeGreaterThanOrEqual(ago(to + gap) - DAY_MS)
          expect(h.begunToMs).toBeLessThanOrEqual(ago(to) + DAY_MS)
          expect(h.earliestMs).toBeGreaterThan(h.begunToMs)
          expect(h.earliestMs).toBeLessThanOrEqual(h.likelyMs)
          expect(h.likelyMs).toBeLessThanOrEqual(h.latestMs)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('more looks never widen a window on average', () => {
    const mean = (looks: number[]) => {
      let sum = 0
      let many = 0
      for (let from = 8; from <= 20; from += 2) {
        const seen = [from - 6, ...looks.filter(d => d < from - 6)]
        sum += width(window(brood(from, from - 6, { looks: seen.map(d => ({ at: ago(d), there: true })) })))
        many++
      }
      return sum / many
    }
    expect(mean([9, 5, 1])).toBeLessThanOrEqual(mean([]))
    expect(mean([9, 5, 3, 1, 0.5])).toBeLessThanOrEqual(mean([9]) + 1e-9)
  })
})

describe('the law of a group', () => {
  it.each([
    // common practice: four to five weeks, four to six, one to two months, eight days and more, one to three weeks
    ['dwarf-crayfish', 28, 35],
    ['amphidromous-shrimp', 28, 42],
    ['land-crab', 30, 60],
    ['apple-snail', 8, 21],
    ['ramshorn-snail', 7, 21],
    // three to four weeks, and about four at 22 °C (from memory)
    ['neocaridina', 21, 28],
    ['bee-shrimp', 25, 31],
  ])('%s: likely between %i and %i days where it is as they like it', (id, low, high) => {
    const own = hatchLaw(resolvedOf(id))
    const { likely } = hatchDaysAt(own, own.referenceC)
    expect(likely).toBeGreaterThanOrEqual(low)
    expect(likely).toBeLessThanOrEqual(high)
  })
})
