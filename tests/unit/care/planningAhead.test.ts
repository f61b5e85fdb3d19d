import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type DueItem, levelEffort, planHoliday, runningLow } from '#core/care'
import { DAY_MS } from '#core/records'
import { daysAgo, entryOf, nextId, NOW, shelfItem } from '../../make'

const TODAY = Date.parse('2026-11-25T00:00:00.000Z')
// 25 Nov 2026 is a Wednesday
const days = Array.from({ length: 28 }, (_, i) => ({ startMs: TODAY + i * DAY_MS, weekday: (3 + i) % 7 }))
let made = 0
const item = (more: Partial<DueItem> = {}): DueItem => ({
  key: `leaves:${made++}`,
  kind: 'leaves',
  glassId: 'g',
  dueMs: TODAY + DAY_MS / 2,
  earlyDays: 2,
  lateDays: 7,
  everyDays: 14,
  minutes: 10,
  flexible: true,
  timed: false,
  never: false,
  why: { key: 'every', values: {} },
  basis: { kind: 'memory' },
  values: {},
  ...more,
})
const dayIndex = (i: DueItem) => Math.floor((i.dueMs - TODAY) / DAY_MS)

describe('levelEffort', () => {
  it('carries work that can wait to a chosen day of its window', () => {
    // Saturdays are 3, 10, 17 and 24 days away
    expect(levelEffort([item()], days, [6]).map(dayIndex)).toEqual([3])
  })
  it('leaves alone what cannot be moved, and what has no chosen day in its window', () => {
    const feed = item({ flexible: false })
    const tight = item({ earlyDays: 0.5, lateDays: 1 })
    expect(levelEffort([feed, tight], days, [1])).toEqual([feed, tight])
  })
  it('moves work to a chosen day before its own, and to one after it where that one is full', () => {
    // due on Sunday, four days away; Saturday is chosen, and next Saturday lies outside the window
    const onSunday = { dueMs: TODAY + 4.5 * DAY_MS, earlyDays: 2, lateDays: 3 }
    expect(levelEffort([item(onSunday)], days, [6]).map(dayIndex)).toEqual([3])
    const wide = { ...onSunday, lateDays: 6 }
    expect(
      levelEffort([item(wide), item(wide)], days, [6])
        .map(dayIndex)
        .sort((a, b) => a - b),
    ).toEqual([3, 10])
  })
  it('knows the days of a changing clock by their beginnings', () => {
    // the second day is an hour shorter, the third an hour longer
    const odd = [0, 24, 47, 72].map((h, i) => ({ startMs: TODAY + h * 3_600_000, weekday: i }))
    const at = (hour: number) => item({ dueMs: TODAY + hour * 3_600_000, earlyDays: 0, lateDays: 0, minutes: 10 })
    const late = at(47.5)
    // an hour of each day is its own: it stays where it is, and is carried by its own day alone
    expect(levelEffort([late], odd, [2])).toEqual([late])
    expect(levelEffort([at(46.9)], odd, [2]).map(i => i.dueMs)).toEqual([TODAY + 46.9 * 3_600_000])
    // 47.5 loads the third day, so what may go to the second or the third goes to the second
    const free = item({ dueMs: TODAY + 50 * 3_600_000, earlyDays: 1, lateDays: 0 })
    expect(levelEffort([item({ ...late, flexible: false }), free], odd, []).find(i => i.key === free.key)!.dueMs).toBe(
      TODAY + 24 * 3_600_000 + DAY_MS / 2,
    )
  })
  it('takes the nearer of two days that are equally full, and the earlier of two that are equally near', () => {
    const full = (day: number) => item({ dueMs: TODAY + (day + 0.5) * DAY_MS, flexible: false, minutes: 30 })
    const due = { dueMs: TODAY + 5.5 * DAY_MS, earlyDays: 3, lateDays: 3 }
    const placed = (...others: DueItem[]) => {
      const one = item(due)
      return dayIndex(levelEffort([...others, one], days, []).find(i => i.key === one.key)!)
    }
    expect(placed()).toBe(5)
    expect(placed(full(5))).toBe(4)
    expect(placed(full(4), full(5))).toBe(6)
    expect(placed(full(4), full(5), full(6))).toBe(3)
  })
  it('spreads over equal days instead of heaping', () => {
    const per = new Map<number, number>()
    // chosen days of their window lie 3, 6, 10 and 13 days away
    const ahead = { dueMs: TODAY + 3.5 * DAY_MS, earlyDays: 1, lateDays: 10 }
    for (const i of levelEffort(
      Array.from({ length: 16 }, () => item(ahead)),
      days,
      [2, 6],
    ))
      per.set(dayIndex(i), (per.get(dayIndex(i)) ?? 0) + 1)
    expect([...per.values()]).toEqual([4, 4, 4, 4])
  })
  it('does not recede: what has come is done on the next chosen day, however full that is', () => {
    // reckoned anew each day, with a heap of other work today
    for (const weekdays of [[], [2, 6]]) {
      const shown: number[] = []
      for (let today = 0; today < 12; today++) {
        const ahead = days.slice(today)
        const mine = item({ key: 'count:c', dueMs: TODAY + 0.5 * DAY_MS, lateDays: 28 })
        const heap = item({ dueMs: ahead[0]!.startMs, flexible: false, minutes: 500 })
        const placed = levelEffort([mine, heap], ahead, weekdays).find(i => i.key === 'count:c')!
        shown.push(Math.max(today, dayIndex(placed)))
      }
      // Saturday is the third day, Tuesday the sixth: it is never further away than the next of them
      const next = (today: number) =>
        weekdays.length === 0 ? today : days.findIndex((d, i) => i >= today && weekdays.includes(d.weekday))
      expect(shown).toEqual(shown.map((_, today) => next(today)))
    }
  })
  it('never loses an item, never moves one before today or out of its window, and is the same in any order', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            due: fc.integer({ min: -20, max: 40 }),
            early: fc.integer({ min: 0, max: 6 }),
            late: fc.integer({ min: 1, max: 20 }),
            minutes: fc.integer({ min: 1, max: 60 }),
            flexible: fc.boolean(),
          }),
          { maxLength: 25 },
        ),
        fc.uniqueArray(fc.integer({ min: 0, max: 6 })),
        (list, weekdays) => {
          const items = list.map((d, i) =>
            item({
              key: `x:${i}`,
              dueMs: TODAY + d.due * DAY_MS + DAY_MS / 2,
              earlyDays: d.early,
              lateDays: d.late,
              minutes: d.minutes,
              flexible: d.flexible,
            }),
          )
          const after = levelEffort(items, days, weekdays)
          expect(after.map(i => i.key).sort()).toEqual(items.map(i => i.key).sort())
          for (const i of after) {
            const before = items.find(b => b.key === i.key)!
            if (i.dueMs === before.dueMs) continue
            expect(i.dueMs).toBeGreaterThanOrEqual(TODAY)
            expect(Math.floor(i.dueMs / DAY_MS)).toBeGreaterThanOrEqual(
              Math.floor((before.dueMs - before.earlyDays * DAY_MS) / DAY_MS),
            )
            expect(Math.floor(i.dueMs / DAY_MS)).toBeLessThanOrEqual(
              Math.max(Math.floor(TODAY / DAY_MS), Math.floor((before.dueMs + before.lateDays * DAY_MS) / DAY_MS)),
            )
          }
          expect(levelEffort(items.toReversed(), days, weekdays)).toEqual(after)
        },
      ),
    )
  })
})

describe('planHoliday', () => {
  const from = TODAY + 2 * DAY_MS
  const to = TODAY + 16 * DAY_MS
  const on = (days: number, more: Partial<DueItem>) => item({ dueMs: TODAY + days * DAY_MS, ...more })
  const plan = (...items: DueItem[]) => planHoliday(items, from, to)
  it('does before leaving what is due by then or can be done ahead', () => {
    const [today, ahead] = [on(0, { everyDays: null }), on(3, { everyDays: null, lateDays: 3 })]
    expect(plan(today, ahead)).toEqual({ before: [today, ahead], visits: [], after: [] })
  })
  it('leaves for later what can wait until the keeper is back', () => {
    const late = on(12, { lateDays: 7 })
    expect(plan(late)).toEqual({ before: [], visits: [], after: [late] })
  })
  it('counts, tests and calibrations are the keeper’s own', () => {
    const test = on(6, { kind: 'test', lateDays: 2, earlyDays: 1 })
    expect(plan(test)).toEqual({ before: [], visits: [], after: [test] })
  })
  it('asks the stand-in for the rest, on as few visits as will do', () => {
    const feed = on(0, { kind: 'feed', everyDays: 1, lateDays: 4, earlyDays: 0.2 })
    const leaves = on(6, { lateDays: 3, earlyDays: 1 })
    const { visits } = plan(feed, leaves)
    // fed before leaving on day 2, due on day 3, at the latest on day 7: the leaves are laid in on the same visit
    expect(visits.map(v => [(v.dayMs - TODAY) / DAY_MS, v.tasks.map(t => t.item.kind).sort()])).toEqual([
      [7, ['feed', 'leaves']],
      [12, ['feed']],
    ])
  })
  it('no task is later than it may be, whatever the schedule', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            due: fc.integer({ min: -5, max: 30 }),
            late: fc.integer({ min: 1, max: 10 }),
            every: fc.option(fc.integer({ min: 1, max: 20 })),
          }),
          { maxLength: 20 },
        ),
        list => {
          const items = list.map((d, i) =>
            on(d.due, { key: `k:${i}`, kind: 'topUp', earlyDays: 0, lateDays: d.late, everyDays: d.every }),
          )
          const { visits, before, after } = planHoliday(items, from, to)
          for (const i of items) {
            let due = i.dueMs <= from ? (i.everyDays === null ? Infinity : from + i.everyDays * DAY_MS) : i.dueMs
            for (const v of visits.filter(v => v.tasks.some(t => t.item === i))) {
              expect(v.dayMs).toBeGreaterThanOrEqual(due)
              expect(v.dayMs).toBeLessThanOrEqual(due + i.lateDays * DAY_MS)
              due = i.everyDays === null ? Infinity : v.dayMs + i.everyDays * DAY_MS
            }
            expect(due + i.lateDays * DAY_MS).toBeGreaterThanOrEqual(to)
            expect(
              before.includes(i) ||
                after.includes(i) ||
                visits.some(v => v.tasks.some(t => t.item === i)) ||
                i.dueMs >= to,
            ).toBe(true)
          }
          expect(visits.map(v => v.dayMs)).toEqual(visits.map(v => v.dayMs).toSorted((a, b) => a - b))
        },
      ),
    )
  })
})

describe('runningLow', () => {
  const box = (stockG?: number) =>
    shelfItem(nextId(), { editedAt: daysAgo(90), ...(stockG !== undefined && { stockG }) })
  const pour = (itemId: string, days: number, grams: number) =>
    entryOf('waterChange', days, { glassId: nextId(), litres: 5, weighed: [{ itemId, name: 'x', grams }] })
  it('names boxes that will not last four weeks at the pace of late', () => {
    const b = box(100)
    // 60 g in 60 days leave 40 g for 40 days; another 20 g leave 20 g for 15
    expect(runningLow([b], [pour(b.id, 10, 30), pour(b.id, 40, 30)], NOW)).toEqual([])
    expect(runningLow([b], [pour(b.id, 10, 50), pour(b.id, 40, 30)], NOW)).toMatchObject([{ leftG: 20, days: 15 }])
  })
  it('and those of which a tenth is left, but none whose stock nobody wrote down', () => {
    const b = box(100)
    expect(runningLow([b], [pour(b.id, 70, 92)], NOW)).toMatchObject([{ leftG: 8, days: null }])
    expect(runningLow([box()], [], NOW)).toEqual([])
    expect(runningLow([{ ...b, ended: { at: daysAgo(1), why: 'putAway' } }], [pour(b.id, 70, 92)], NOW)).toEqual([])
  })
})
