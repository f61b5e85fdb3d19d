import { dayAfter, dayOf, endOfDay, type LocalDay, momentAt, momentOn, readDay } from '#core/records'
import { deviceZone } from '~/data/deviceZone'

/** The keeper's day at a moment: what a date field shows. */
export const deviceDay = (ms: number): LocalDay => dayOf(ms, deviceZone())

/** The keeper's day so many days from a moment. */
export const deviceDayFrom = (ms: number, days: number): LocalDay => dayAfter(deviceDay(ms), days)

/** The moment after the last of the keeper's day. */
export const deviceDayEnd = (ms: number): number => endOfDay(deviceDay(ms), deviceZone())

/** Moment of an hour on a typed day; null when it is no day. */
export function hourOn(text: string, hour: number): number | null {
  const day = readDay(text)
  return day && momentAt(day, hour, deviceZone())
}

/** What came of reading a day on which something happened. */
export type DayRead = { ok: true; ms: number } | { ok: false; issue: string }

/**
 * Reads a day on which something happened. Today is now, so that it never lies in the future, wherever the keeper
 * lives.
 * @param keepMs a moment that stays as it is while the field still shows its day
 */
export function readPastDay(text: string, nowMs: number, keepMs?: number): DayRead {
  const day = readDay(text)
  if (!day) return { ok: false, issue: 'That is no day.' }
  if (keepMs !== undefined && day === deviceDay(keepMs)) return { ok: true, ms: keepMs }
  const ms = momentOn(day, nowMs, deviceZone())
  return ms === null ? { ok: false, issue: 'The day lies in the future.' } : { ok: true, ms }
}

/** Reads a moment of the keeper's clock at which something happened ("2026-11-27T14:30"). */
export function readPastMoment(text: string, nowMs: number): DayRead {
  const ms = new Date(text).getTime()
  if (!Number.isFinite(ms)) return { ok: false, issue: 'That is no day with its hour.' }
  // the field knows no seconds: the minute that runs has come
  return ms > nowMs + 60_000 ? { ok: false, issue: 'That lies in the future.' } : { ok: true, ms: Math.min(ms, nowMs) }
}
