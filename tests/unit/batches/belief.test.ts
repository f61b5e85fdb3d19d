import { describe, expect, it } from 'vitest'
import { type BatchSeen, momentOf, stagesAt, toCome, wayAt } from '#core/batches'
import { DAY_MS } from '#core/records'
import type { Ranged } from '#core/stats'
import { NOW } from '../../make'
import { at, believed, poolLaw } from './parts'

const seen = (days: number, numbers: number[], share: number | null = 0.05): BatchSeen => ({
  at: at(days),
  kind: 'sample',
  numbers,
  share,
})
const width = ({ low, high }: Ranged) => Math.log((high + 1) / (low + 1))
const all = (b: ReturnType<typeof believed>) => Object.values(stagesAt(b, NOW)).reduce((sum, r) => sum + r.value, 0)
const days = (ms: number) => (ms - NOW) / DAY_MS

describe('a hatch nobody has looked at', () => {
  it('is what its group does', () => {
    const b = believed([])
    // fourteen of twenty-eight days
    expect(wayAt(b, NOW).value).toBeGreaterThan(0.44)
    expect(wayAt(b, NOW).value).toBeLessThan(0.58)
    expect(days(momentOf(b, c => c.hatched * 0.05)!.value)).toBeGreaterThan(11)
    expect(days(momentOf(b, c => c.hatched * 0.05)!.value)).toBeLessThan(17)
    expect(width(toCome(b))).toBeGreaterThan(2)
  })
})

describe('samples', () => {
  it('of known litres tell how many, and their mix how far they are', () => {
    const b = believed([seen(10, [40, 0, 0, 0]), seen(5, [22, 10, 0, 0]), seen(1, [1, 25, 0, 0])])
    expect(all(b)).toBeGreaterThan(380)
    expect(all(b)).toBeLessThan(640)
    expect(width(wayAt(b, NOW))).toBeLessThan(0.12)
    expect(width(toCome(b))).toBeLessThan(width(toCome(believed([]))))
  })
  it('of unknown litres tell how far alone', () => {
    const looks = [seen(6, [30, 0, 0, 0], null), seen(1, [0, 28, 3, 0], null)]
    const b = believed(looks)
    expect(width(stagesAt(b, NOW).middle!)).toBeGreaterThan(1.5)
    expect(width(wayAt(b, NOW))).toBeLessThan(width(wayAt(believed([]), NOW)))
    // ten times as many in the same mix say little more of how many there are
    const more = believed([seen(6, [300, 0, 0, 0], null), seen(1, [0, 280, 30, 0], null)])
    expect(Math.abs(Math.log(all(more) / all(b)))).toBeLessThan(0.7)
  })
  it('that are ahead bring the settling forwards, those behind put it off', () => {
    const ahead = believed([seen(1, [0, 2, 30, 0])])
    const behind = believed([seen(1, [28, 4, 0, 0])])
    const half = (b: typeof ahead) => days(momentOf(b, c => c.hatched * 0.02)!.value)
    expect(half(ahead)).toBeLessThan(half(believed([])) - 2)
    expect(half(behind)).toBeGreaterThan(half(believed([])) + 3)
  })
  it('more of them narrow the day on average, and the order in which they were written down is nothing', () => {
    const looks = [seen(10, [20, 0, 0, 0]), seen(6, [14, 3, 0, 0]), seen(2, [1, 14, 0, 0])]
    const wide = (list: BatchSeen[]) => {
      const m = momentOf(believed(list), c => c.hatched * 0.05)!
      return m.high - m.low
    }
    expect(wide(looks)).toBeLessThan(wide(looks.slice(0, 1)))
    expect(wayAt(believed(looks.toReversed()), NOW)).toEqual(wayAt(believed(looks), NOW))
  })
  it('what lies ahead of today is not looked at', () => {
    const later = { ...seen(0, [500, 0, 0, 0]), at: NOW + DAY_MS }
    expect(all(believed([later]))).toBe(all(believed([])))
  })
})

describe('what was taken out or found dead', () => {
  it('had to be there: many more settled than was thought', () => {
    const picked: BatchSeen[] = [{ at: at(1), kind: 'out', number: 400 }]
    const b = believed(picked, 32)
    expect(toCome(b).value + 400).toBeGreaterThan(toCome(believed([], 32)).value * 1.5)
  })
  it('is not there any more', () => {
    const looks = [seen(5, [0, 0, 2, 9])]
    const before = believed(looks, 34)
    const after = believed([...looks, { at: at(0.1), kind: 'out', number: 30 }], 34)
    expect(stagesAt(after, NOW).settled!.value).toBeLessThan(stagesAt(before, NOW).settled!.value)
  })
  it('many dead leave fewer', () => {
    const dead: BatchSeen[] = [{ at: at(1), kind: 'dead', number: 2500 }]
    const few = believed([seen(12, [40, 0, 0, 0], 0.01), ...dead])
    expect(all(few)).toBeLessThan(all(believed([seen(12, [40, 0, 0, 0], 0.01)])))
  })
})

describe('a pool', () => {
  const pool = (looks: BatchSeen[], ago = 5) => believed(looks, ago, poolLaw)
  const none = (b: ReturnType<typeof pool>) => b.courses.filter(c => c.hatched === 0).length / b.courses.length
  it('may fail, and none seen day after day says that it did', () => {
    const empty = (d: number): BatchSeen => ({ at: at(d), kind: 'total', number: 0, sdLog: 0.5 })
    expect(none(pool([]))).toBeGreaterThan(0.08)
    expect(none(pool([]))).toBeLessThan(0.17)
    expect(none(pool([empty(0.2)], 1))).toBeLessThan(0.25)
    expect(none(pool([empty(2), empty(1), empty(0)], 8))).toBeGreaterThan(0.7)
  })
  it('of which one was seen has not failed', () => {
    expect(none(pool([{ at: at(1), kind: 'some' }]))).toBe(0)
  })
  it('a count puts its number right', () => {
    const b = pool([{ at: at(1), kind: 'total', number: 200, sdLog: 0.25 }])
    expect(all(b)).toBeGreaterThan(140)
    expect(all(b)).toBeLessThan(230)
  })
})
