import { describe, expect, it } from 'vitest'
import type { Futures, TakeSearch } from '#core/population'
import type { EntryOf, Order } from '#core/records'
import {
  lastPrice,
  ledger,
  ordersAhead,
  outgrownAt,
  RESERVED_DAYS,
  reservedOf,
  safeTake,
  spareAhead,
  stayUnder,
} from '#core/surplus'
import { entryOf, nextId, NOW } from '../../make'
import { order, s } from './orders'

/** Futures that are written down: each row is one future, week by week. */
function futuresOf(rows: readonly number[][], females = rows, halfGrown = rows): Futures {
  const [size, weeks] = [rows.length, rows[0]!.length - 1]
  const flat = (of: readonly number[][]) =>
    Float64Array.from({ length: size * (weeks + 1) }, (_, k) => of[k % size]![Math.floor(k / size)]!)
  return { size, weeks, totals: flat(rows), females: flat(females), halfGrown: flat(halfGrown) }
}
/** A colony of so many that does what is written; each animal taken a week is missing at the end, week for week. */
const searchOf = (rows: readonly number[][], there: Record<string, number> = {}): TakeSearch => {
  const base = futuresOf(rows)
  return {
    colony: {
      numbers: of => ({ value: there[of] ?? 1000, low: 0, high: 2000 }),
      futures: ({ doing }) => {
        const weekly = doing?.weekly?.number ?? 0
        return { ...base, totals: base.totals.map((n, k) => Math.max(0, n - weekly * Math.floor(k / base.size))) }
      },
      risk: ({ doing }) => {
        const any = (doing?.take?.number ?? 0) + base.weeks * (doing?.weekly?.number ?? 0) > 60 ? 1 : 0
        return { any, total: any, females: 0, males: 0, short: 0 }
      },
    },
    futures: base.size,
    weeks: base.weeks,
    doing: {},
    floors: { total: 0, females: 0, males: 0 },
    allowedRisk: 0.1,
    most: 500,
    uncounted: null,
  }
}
describe('takes by hand', () => {
  const rows = [
    [200, 200, 200, 200, 200],
    [200, 200, 200, 200, 200],
  ]
  it('are no more than there are of a kind, and say when they are all', () => {
    const search = searchOf(rows, { males: 40, females: 90 })
    const now = futuresOf(rows)
    expect(safeTake(search, 'males', now)).toMatchObject({ of: 'males', now: { take: 40, all: true } })
    const females = safeTake(search, 'females', now)
    // the search ends within two in a hundred of what can be borne
    expect(females.now.take).toBeGreaterThanOrEqual(58)
    expect(females.now.take).toBeLessThanOrEqual(60)
    expect(females.now.all).toBe(false)
    // sixty over four weeks
    expect(females.weekly.take).toBeGreaterThan(14)
    expect(females.weekly.take).toBeLessThanOrEqual(15)
    // every week no more than half of those that are there, nor more than may go at all
    expect(safeTake(searchOf(rows, { males: 9 }), 'males', now).weekly.take).toBe(5)
    expect(safeTake({ ...search, most: 7 }, 'females', now)).toMatchObject({ now: { take: 7 }, weekly: { take: 7 } })
  })
})

describe('what must go, by hand', () => {
  const rows = [
    [80, 90, 100, 110],
    [80, 100, 120, 140],
    [80, 80, 80, 80],
    [80, 85, 90, 95],
    [80, 82, 101, 90],
  ]
  it('tells the share that goes over at any week, the middle week, and the fewest a week that hold it', () => {
    const u = stayUnder(searchOf(rows), 100, 0.1, futuresOf(rows))
    // three of five: over from week 3, 2 and 2 on; just at the limit is not over it
    expect(u).toMatchObject({ limit: 100, chance: 0.6, week: 2 })
    // 140 at the end, less three weeks of fourteen, is 98; of thirteen 101
    expect(u.weekly!).toBeGreaterThanOrEqual(13.3)
    expect(u.weekly!).toBeLessThanOrEqual(15)
  })
  it('a fifth of the futures is worth a word, less is not', () => {
    const one = [[80, 120], ...Array.from({ length: 4 }, () => [80, 80])]
    expect(stayUnder(searchOf(one), 100, 0.1, futuresOf(one))).toMatchObject({ chance: 0.2, week: 1 })
    const few = [[80, 120], ...Array.from({ length: 5 }, () => [80, 80])]
    expect(stayUnder(searchOf(few), 100, 0.1, futuresOf(few))).toMatchObject({ week: null, weekly: null })
  })
  it('a glass is outgrown at nine tenths of its room', () => {
    expect(outgrownAt(200)).toBe(180)
  })
})

describe('what can be spared ahead, by hand', () => {
  it('is what four in five futures have above what must stay, in that week', () => {
    const rows = [50, 90, 30, 70, 60, 40].map(n => [500, n, 2 * n])
    // sorted 30, 40, 50, …: a fifth of the way is 40
    expect(spareAhead(futuresOf(rows), { total: 10, females: 0, males: 0 }, [1, 2, 3])).toEqual([
      { week: 1, number: 30 },
      { week: 2, number: 70 },
    ])
    expect(spareAhead(futuresOf(rows), { total: 45, females: 0, males: 0 }, [1])).toEqual([{ week: 1, number: 0 }])
  })
})

describe('orders, by hand', () => {
  const totals = [
    [100, 50],
    [100, 40],
    [100, 39],
    [100, 90],
  ]
  const females = [
    [60, 10],
    [60, 9],
    [60, 30],
    [60, 12],
  ]
  const halfGrown = [
    [20, 30],
    [20, 5],
    [20, 30],
    [20, 10],
  ]
  const futures = futuresOf(totals, females, halfGrown)
  const onRung: Record<string, number> = {}
  const chance = (o: Order, keep = 30) => ordersAhead([o], futures, { keep, nowMs: NOW, onRung })[0]!
  it('can be filled where so many of the kind are there and enough stay', () => {
    expect(chance(order(10, 7))).toMatchObject({ week: 1, chance: 0.75, until: 10 })
    expect(chance(order(10, 7, { of: 'females' }))).toMatchObject({ chance: 0.5 })
    expect(chance(order(10, 7, { of: 'halfGrown' }))).toMatchObject({ chance: 0.5 })
    expect(chance(order(10, 7), 31).chance).toBe(0.5)
  })
  it('of a rung want so many on it who do not breed, after those ordered before', () => {
    const rungId = nextId()
    const asked = { keep: 0, nowMs: NOW, onRung: { [rungId]: 0.25 } }
    const [size, weeks] = [2, 1]
    // grown: forty in one future, eighty in the other
    const flat = (values: number[]) => Float64Array.from(values)
    const grown = { size, weeks, totals: flat([40, 80, 40, 80]), halfGrown: flat([0, 0, 0, 0]) }
    const futures = { ...grown, females: flat([20, 40, 20, 40]) } as unknown as Futures
    const of = (...numbers: number[]) =>
      ordersAhead(
        numbers.map((n, k) => order(n, 1 + k, { of: 'adults', rungId })),
        futures,
        asked,
      ).map(o => o.chance)
    expect(of(10)).toEqual([1])
    expect(of(11)).toEqual([0.5])
    expect(of(21)).toEqual([0])
    expect(of(8, 4)).toEqual([1, 0.5])
    // of a rung of which nothing is known the number of grown ones alone counts
    expect(ordersAhead([order(40, 1, { of: 'adults', rungId: nextId() })], futures, asked)[0]!.chance).toBe(1)
  })
  it('are judged in the week they are due, from today to the end of the fan', () => {
    expect(chance(order(10, 3))).toMatchObject({ week: 0, chance: 1 })
    expect(chance(order(10, -20)).week).toBe(0)
    expect(chance(order(10, 400)).week).toBe(1)
  })
  it('keep back what is due within four weeks, to the day', () => {
    expect(reservedOf([order(4, RESERVED_DAYS)], s.colony.id, NOW)).toBe(4)
    expect(reservedOf([order(4, RESERVED_DAYS + 1)], s.colony.id, NOW)).toBe(0)
  })
})

describe('the ledger, by hand', () => {
  const gone = (days: number, number: number, price?: number, colonyId = s.colony.id) =>
    entryOf('removal', days, {
      colonyId,
      number,
      outlet: 'sold',
      ...(price !== undefined && { price }),
    }) as EntryOf<'removal'>
  it('has the newest month first, whatever the order of the entries', () => {
    const months = (removals: EntryOf<'removal'>[]) => ledger(removals).map(m => m.month)
    const three = [gone(2, 1), gone(70, 1), gone(40, 1)]
    expect(months(three)).toEqual(['2026-11', '2026-10', '2026-09'])
    expect(months(three.toReversed())).toEqual(['2026-11', '2026-10', '2026-09'])
  })
  it('takes the price of the last sale of the colony itself that had one', () => {
    const other = nextId()
    const sales = [gone(2, 10, 25), gone(40, 6, 12), gone(1, 3, 0), gone(0, 2), gone(0, 1, 99, other)]
    expect(lastPrice(sales, s.colony.id)).toBe(2.5)
    expect(lastPrice(sales.toReversed(), s.colony.id)).toBe(2.5)
    expect(lastPrice([gone(1, 3, 10)], s.colony.id)).toBe(3.33)
    expect(lastPrice([gone(1, 3, 0)], s.colony.id)).toBeNull()
  })
})
