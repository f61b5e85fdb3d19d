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
  if (days.length === 0) return [...items]
  const load = days.map(() => 0)
  const last = days.at(-1)!.startMs + DAY_MS
  const ahead = items.filter(i => i.dueMs < last)
  for (const i of ahead) if (!i.flexible) load[dayAt(days, i.dueMs)]! += i.minutes
  const chosen = days.map(d => weekdays.length === 0 || weekdays.includes(d.weekday))
  const narrowFirst = ahead
    .filter(i => i.flexible)
    .sort((a, b) => a.earlyDays + a.lateDays - b.earlyDays - b.lateDays || byDay(a, b))
  const moved = new Map<DueItem, DueItem>()
  for (const i of narrowFirst) {
    const own = dayAt(days, i.dueMs)
    const from = dayAt(days, i.dueMs - i.earlyDays * DAY_MS)
    // what is overdue is not put off any further than its day allows
    const latest = Math.max(own, dayAt(days, i.dueMs + i.lateDays * DAY_MS))
    // once its day has come it waits for the next chosen day alone: reckoned anew every day, it would recede for ever
    const come = i.dueMs < days[0]!.startMs + DAY_MS
    const to = come ? Math.min(latest, Math.max(own, chosen.indexOf(true, own))) : latest
    let best = -1
    for (let d = from; d <= to; d++) {
      if (!chosen[d]) continue
      const lighter = best < 0 ? -1 : load[d]! - load[best]! || Math.abs(d - own) - Math.abs(best - own)
      if (lighter < 0) best = d
    }
    const day = best < 0 ? own : best
    load[day]! += i.minutes
    // a moved piece keeps its hour where it stays on its day, and lies at noon of another one
    if (day !== own) moved.set(i, { ...i, dueMs: days[day]!.startMs + DAY_MS / 2 })
  }
  return items.map(i => moved.get(i) ?? i).sort(byDay)
}

/** The place of the day in which a moment lies; what lies before the first day counts as on it. */
function dayAt(days: readonly CareDay[], ms: number): number {
  let day = Math.min(days.length - 1, Math.max(0, Math.round((ms - days[0]!.startMs) / DAY_MS)))
  // days of a changing clock are an hour longer or shorter
  while (day > 0 && days[day]!.startMs > ms) day--
  while (day + 1 < days.length && days[day + 1]!.startMs <= ms) day++
  return day
}
