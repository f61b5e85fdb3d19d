import { dayAfter, dayOf, endOfDay, startOfDay } from '#core/records'
import type { Due } from '../schedule'
import { isDaily } from './afterRound'

/** What comes on one of the days ahead. */
export interface DayAhead {
  /** as the day begins */
  day: number
  list: Due[]
  minutes: number
}

/**
 * What comes on each of the days ahead, soonest first, without the work of every day. Today stands on its own, so that
 * a week ahead ends with the day of the same name; what may be done today as well stands here until it is due.
 * @param days after today
 * @param zone of time in which the keeper's days begin
 */
export function daysAhead(
  due: readonly Due[],
  { nowMs, days, zone }: { nowMs: number; days: number; zone: string },
): DayAhead[] {
  const until = endOfDay(dayAfter(dayOf(nowMs, zone), days), zone)
  const by = new Map<number, Due[]>()
  for (const d of due) {
    if ((d.state !== 'ahead' && d.state !== 'soon') || isDaily(d) || d.item.dueMs >= until) continue
    const day = startOfDay(dayOf(Math.max(d.item.dueMs, nowMs), zone), zone)
    by.set(day, [...(by.get(day) ?? []), d])
  }
  return [...by]
    .sort(([a], [b]) => a - b)
    .map(([day, list]) => ({ day, list, minutes: list.reduce((sum, d) => sum + d.item.minutes, 0) }))
}
