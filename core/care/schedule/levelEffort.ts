import { DAY_MS } from '#core/records'
import { byDay } from './schedule'
import type { DueItem } from './item'

/** A day of the keeper's: its start, and its weekday as they know it (0 is Sunday). */
export interface CareDay {
  startMs: number
  weekday: number
}

/**
 * Spreads work that can be moved over the keeper's chosen weekdays: each piece goes to that chosen day of its window on
 * which the least is planned so far; among equals the one nearest to its own day. Pieces with the narrowest windows
 * choose first. Work that cannot be moved, and work with no chosen day in its window, stays on its own day.
 * @param items any order
 * @param days the days ahead, from today, in order
 * @param weekdays chosen ones; none chosen means any
 * @returns the items with their new days, by day
 */
export function levelEffort(
  items: readonly DueItem[],
  days: readonly CareDay[],
  weekdays: readonly number[],
): DueItem[] {
  const today = days[0]
  if (!today) return [...items]
  const load = new Map(days.map(d => [d.startMs, 0]))
  const dayOf = (ms: number) => days.findLast(d => d.startMs <= ms) ?? today
  const carry = (ms: number, minutes: number) => load.set(dayOf(ms).startMs, load.get(dayOf(ms).startMs)! + minutes)
  const last = days.at(-1)!.startMs + DAY_MS
  const movable = (i: DueItem) => i.flexible && i.dueMs < last
  const fixed = items.filter(i => !movable(i))
  for (const i of fixed) if (i.dueMs < last) carry(i.dueMs, i.minutes)
  const moved = items
    .filter(movable)
    .toSorted((a, b) => a.earlyDays + a.lateDays - b.earlyDays - b.lateDays || byDay(a, b))
    .map(i => {
      const own = dayOf(i.dueMs)
      const from = Math.max(today.startMs, dayOf(i.dueMs - i.earlyDays * DAY_MS).startMs)
      // what is overdue is not put off any further than its day allows
      const to = Math.max(own.startMs, i.dueMs + i.lateDays * DAY_MS)
      const open = days.filter(
        d => d.startMs >= from && d.startMs <= to && (weekdays.length === 0 || weekdays.includes(d.weekday)),
      )
      const best = open.toSorted(
        (a, b) =>
          load.get(a.startMs)! - load.get(b.startMs)! ||
          Math.abs(a.startMs - own.startMs) - Math.abs(b.startMs - own.startMs) ||
          a.startMs - b.startMs,
      )[0]
      const day = best ?? own
      carry(day.startMs, i.minutes)
      // a moved piece keeps its hour where it stays on its day, and lies at noon of another one
      return day === own ? i : { ...i, dueMs: day.startMs + DAY_MS / 2 }
    })
  return [...fixed, ...moved].sort(byDay)
}
