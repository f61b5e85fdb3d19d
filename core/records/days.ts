import { tzOffset } from '@date-fns/tz'
import type { LocalDay } from './localDay'
import { DAY_MS } from './moments'

const MINUTE_MS = 60_000

/** Minutes that a zone is ahead of UTC at a moment; clocks that are put forward or back are in it. */
export const offsetMinutes = (ms: number, zone: string): number => tzOffset(zone, new Date(ms))

/** The moment as if the zone's clock ran on UTC: for reading days and hours off it. */
const wallMs = (ms: number, zone: string): number => ms + offsetMinutes(ms, zone) * MINUTE_MS

/** The day on which a moment falls. */
export const dayOf = (ms: number, zone: string): LocalDay =>
  new Date(wallMs(ms, zone)).toISOString().slice(0, 10) as LocalDay

/** The hour of the day at a moment, from 0 to under 24, with its minutes as a part. */
export const hourOf = (ms: number, zone: string): number =>
  (((wallMs(ms, zone) % DAY_MS) + DAY_MS) % DAY_MS) / 3_600_000

/** A typed day, or null when it is none. */
export function readDay(text: string): LocalDay | null {
  const day = text.trim()
  const ms = /^\d{4}-\d{2}-\d{2}$/.test(day) ? Date.parse(`${day}T00:00:00Z`) : Number.NaN
  // a day that the calendar does not have comes back as another
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(day) ? (day as LocalDay) : null
}

/** Days since 1970-01-01 of a day: for counting between days, whatever clocks do. */
export const dayNumber = (day: LocalDay): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS)

/** Day of the week, 0 is Sunday. */
export const weekdayOf = (day: LocalDay): number => (((dayNumber(day) + 4) % 7) + 7) % 7

/** The day so many days later, or earlier. */
export const dayAfter = (day: LocalDay, days: number): LocalDay =>
  new Date((dayNumber(day) + days) * DAY_MS).toISOString().slice(0, 10) as LocalDay

/**
 * The moment at which a clock in a zone shows an hour of a day. Where clocks are put forward past that hour it is the
 * moment after; where they are put back it is the first of the two.
 * @param hour from 0 to 24
 */
export function momentAt(day: LocalDay, hour: number, zone: string): number {
  const wall = dayNumber(day) * DAY_MS + hour * 3_600_000
  // the offset before and after any change of clocks near that moment; the earlier moment that fits is taken
  const guesses = [wall - DAY_MS / 2, wall + DAY_MS / 2].map(
    near => wall - offsetMinutes(near - offsetMinutes(near, zone) * MINUTE_MS, zone) * MINUTE_MS,
  )
  const fits = guesses.filter(ms => wallMs(ms, zone) === wall)
  return fits.length > 0 ? Math.min(...fits) : Math.max(...guesses)
}

/** The first moment of a day. */
export const startOfDay = (day: LocalDay, zone: string): number => momentAt(day, 0, zone)

/** The moment after the last one of a day. */
export const endOfDay = (day: LocalDay, zone: string): number => startOfDay(dayAfter(day, 1), zone)

/**
 * A moment for something that happened on a day: now where that is today, else noon.
 * @returns null for a day that has not come yet
 */
export function momentOn(day: LocalDay, nowMs: number, zone: string): number | null {
  const today = dayOf(nowMs, zone)
  if (day > today) return null
  return day === today ? nowMs : momentAt(day, 12, zone)
}
