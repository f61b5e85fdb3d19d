import { describe, expect, it } from 'vitest'
import { asThingsAre, stageModel, takeSearch } from '#core/population'
import type { EntryOf, TakeKind } from '#core/records'
import {
  lastPrice,
  ledger,
  offersList,
  ordersAhead,
  reservedOf,
  safeTake,
  spareAhead,
  standingOrders,
  stayUnder,
  weeklyCourse,
} from '#core/surplus'
import { colony, entryOf, nextId, NOW } from '../../make'
import { order, s } from './orders'
import { ask, doubling } from '../population/questions'

const question = ask(doubling)
const colonyFit = stageModel.fit(question, { particles: 400 })
const search = takeSearch({ colony: colonyFit, doing: {}, nowMs: NOW }, { total: 30, females: 8, males: 2 }, 0.1)
const futures = asThingsAre(search)

describe('what can go', () => {
  it('never more of a kind than there are, and less where females must stay', () => {
    const any = safeTake(search, 'any', futures)
    const females = safeTake(search, 'females', futures)
    const males = safeTake(search, 'males', futures)
    expect(any.now.take).toBeGreaterThan(20)
    expect(any.now.take).toBeLessThanOrEqual(110)
    expect(females.now.take).toBeLessThan(any.now.take)
    expect(females.now.limit).toBe('females')
    // two of them stay for the females
    expect(males.now.limit).toBe('males')
    expect(males.now.take).toBeLessThan(colonyFit.numbers('males').value)
    expect(males.now.take).toBeGreaterThan(5)
    expect(any.weekly.take).toBeGreaterThan(0.5)
    expect(any.weekly.take).toBeLessThan(any.now.take)
  })
  it('a smaller risk allows less', () => {
    const careful = { ...search, allowedRisk: 0.02 }
    expect(safeTake(careful, 'any', asThingsAre(careful)).now.take).toBeLessThan(
      safeTake(search, 'any', futures).now.take,
    )
  })
  it('tells what can be spared ahead', () => {
    const ahead = spareAhead(futures, { total: 30, females: 0, males: 0 }, [2, 8, 26, 90])
    expect(ahead.map(a => a.week)).toEqual([2, 8, 26])
    expect(ahead.every(a => a.number >= 0)).toBe(true)
    // what must stay of a sex holds back what is spared of all: 100 with 40 half-grown, 36 females, 24 males
    const all = (n: number) => new Float64Array(10 * 3).fill(n)
    const still = { size: 10, weeks: 2, totals: all(100), halfGrown: all(40), females: all(36) }
    const spared = (total: number, females: number, males: number) =>
      spareAhead(still, { total, females, males }, [1])[0]!.number
    expect([spared(30, 0, 0), spared(30, 18, 0), spared(30, 18, 18), spared(30, 37, 0)]).toEqual([70, 50, 25, 0])
    expect(spareAhead(futures, { total: 10_000, females: 0, males: 0 }, [2])[0]!.number).toBe(0)
  })
})

describe('the way of a weekly take', () => {
  const weekly = safeTake(search, 'any', futures).weekly.take
  const course = weeklyCourse(search, { of: 'any', weekly }, futures, NOW)
  const healthyAt = (week: number) => course.leaving[week]!.p50
  it('begins where things are, and stays below what would be there otherwise', () => {
    expect(course.taking).toHaveLength(27)
    expect(course.taking.map(b => b.at)).toEqual(course.leaving.map(b => b.at))
    expect(course.taking[0]!.at).toBe(NOW)
    expect(course.taking[0]!.p50).toBeLessThanOrEqual(course.leaving[0]!.p50)
    for (const [w, b] of course.taking.entries()) expect(b.p50).toBeLessThanOrEqual(course.leaving[w]!.p50)
    // 26 weeks of takes are missing at least, and what they would have brought
    expect(course.leaving[26]!.p50 - course.taking[26]!.p50).toBeGreaterThan(20 * weekly)
  })
  it('of a safe take leaves what must stay in nine of ten futures, of a larger one it does not', () => {
    for (const b of course.taking) expect(b.p10).toBeGreaterThanOrEqual(29)
    const more = weeklyCourse(search, { of: 'any', weekly: 2.5 * weekly }, futures, NOW)
    expect(Math.min(...more.taking.map(b => b.p10))).toBeLessThan(29)
  })
  it('goes on from what is done anyway: where they die, they die with the take too', () => {
    const sick = { ...search, doing: { dyingPerWeek: 0.08 } }
    const course = weeklyCourse(sick, { of: 'any', weekly: 0 }, asThingsAre(sick), NOW)
    expect(course.taking).toEqual(course.leaving)
    expect(course.taking[8]!.p50).toBeLessThan(0.95 * healthyAt(8))
  })
  it('of none is the way things are: both meet the same luck', () => {
    expect(weeklyCourse(search, { of: 'any', weekly: 0 }, futures, NOW).taking).toEqual(course.leaving)
  })
})

describe('what must go', () => {
  it('a colony that outgrows its room needs an outlet, at a date, and so many a week', () => {
    const u = stayUnder(search, 170, 0.1, futures)
    expect(u.chance).toBeGreaterThan(0.2)
    expect(u.week).toBeGreaterThanOrEqual(0)
    expect(u.weekly).toBeGreaterThan(0)
    const more = stayUnder(search, 120, 0.1, futures)
    expect(more.weekly!).toBeGreaterThan(u.weekly!)
  })
  it('one that does not needs none', () => {
    expect(stayUnder(search, 5000, 0.1, futures)).toMatchObject({ chance: 0, week: null, weekly: null })
  })
})

describe('orders', () => {
  it('are judged on their own stage and sex, after earlier ones of the same kind', () => {
    // ten futures that never change: 100 of whom 40 half-grown, 36 females, 24 males
    const size = 10
    const weeks = 4
    const all = (n: number) => new Float64Array(size * (weeks + 1)).fill(n)
    const still = { size, weeks, totals: all(100), halfGrown: all(40), females: all(36) }
    const chances = (...list: [number, TakeKind][]) =>
      ordersAhead(
        list.map(([number, of], k) => order(number, k + 1, { of })),
        still,
        { keep: 10, nowMs: NOW },
      ).map(o => o.chance)
    expect(chances([24, 'males'], [1, 'males'], [35, 'females'])).toEqual([1, 0, 1])
    // sixty are grown: what goes as female or male is no longer there as grown, and the other way round
    expect(chances([20, 'males'], [40, 'adults'], [1, 'adults'])).toEqual([1, 1, 0])
    expect(chances([50, 'adults'], [11, 'females'])).toEqual([1, 0])
    expect(chances([40, 'halfGrown'], [1, 'halfGrown'], [49, 'any'], [1, 'any'])).toEqual([1, 0, 1, 0])
  })
  it('are filled while the harvest that served them stands, and open again once it is taken back', () => {
    const [mine, other, dropped] = [order(5, 1), order(5, 1, { state: 'filled' }), order(5, 1, { state: 'dropped' })]
    const sold = { colonyId: s.colony.id, number: 5, outlet: 'sold', orderId: mine.id }
    const served = entryOf('removal', 1, sold) as EntryOf<'removal'>
    expect(standingOrders([mine, other, dropped], [served]).map(o => o.state)).toEqual(['filled', 'open', 'dropped'])
    expect(standingOrders([mine], [])[0]!.state).toBe('open')
  })
  it('each is served after those due before it', () => {
    const ahead = ordersAhead(
      [order(60, 20), order(20, 6), order(5000, 60), order(9, 3, { state: 'dropped' })],
      futures,
      { keep: 30, nowMs: NOW },
    )
    expect(ahead.map(o => o.until)).toEqual([20, 80, 5080])
    expect(ahead[0]!.chance).toBeGreaterThan(0.95)
    expect(ahead[1]!.chance).toBeLessThanOrEqual(ahead[0]!.chance)
    expect(ahead[2]!.chance).toBe(0)
  })
  it('reserve what is due within four weeks', () => {
    expect(
      reservedOf(
        [
          order(10, 5),
          order(7, 27),
          order(100, 40),
          order(50, 5, { state: 'filled' }),
          order(3, 5, { colonyId: nextId() }),
        ],
        s.colony.id,
        NOW,
      ),
    ).toBe(17)
  })
})

describe('the weekly list', () => {
  it('offers what can go less what is reserved, largest first', () => {
    const other = colony(s.glass.id, { name: 'Barley' })
    const rung = (words: string, offered: number) => ({ words, offered, priceEach: 3 })
    const list = offersList(
      [
        { colony: s.colony, canGo: 40 },
        { colony: other, canGo: 60, rungs: [rung('dense', 9), rung('clear', 0)] },
        { colony: colony(s.glass.id), canGo: 0 },
      ],
      [order(50, 5)],
      NOW,
      id => (id === other.id ? 2 : null),
    )
    expect(list).toEqual([
      expect.objectContaining({ name: 'Barley', offered: 60, reserved: 0, priceEach: 2, rungs: [rung('dense', 9)] }),
      expect.objectContaining({ offered: 0, reserved: 50, priceEach: null }),
    ])
  })
})

describe('the ledger', () => {
  const gone = (days: number, number: number, outlet: string, price?: number) =>
    entryOf('removal', days, {
      colonyId: s.colony.id,
      number,
      outlet,
      ...(price !== undefined && { price }),
    }) as EntryOf<'removal'>
  it('sums by month and outlet, newest first', () => {
    const months = ledger([
      gone(2, 10, 'sold', 25),
      gone(3, 4, 'given'),
      gone(40, 6, 'sold', 12),
      gone(40, 3, 'culled'),
    ])
    expect(months.map(m => m.month)).toEqual(['2026-11', '2026-10'])
    expect(months[0]).toMatchObject({ number: 14, income: 25, byOutlet: { sold: 10, given: 4 } })
    expect(months[1]).toMatchObject({ number: 9, income: 12, byOutlet: { sold: 6, culled: 3 } })
  })
  it('the last sale tells the price of one', () => {
    expect(lastPrice([gone(40, 6, 'sold', 12), gone(2, 10, 'sold', 25), gone(1, 3, 'given')], s.colony.id)).toBe(2.5)
    expect(lastPrice([gone(1, 3, 'given')], s.colony.id)).toBeNull()
  })
})
