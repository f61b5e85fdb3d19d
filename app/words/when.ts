import { differenceInCalendarDays, format } from 'date-fns'

/** "today", "yesterday", "9 days ago", "3 weeks ago". */
export function agoText(days: number): string {
  const whole = Math.floor(days + 0.02)
  if (whole <= 0) return 'today'
  if (whole === 1) return 'yesterday'
  if (whole < 21) return `${whole} days ago`
  if (whole < 120) return `${Math.round(whole / 7)} weeks ago`
  return `${Math.round(whole / 30.44)} months ago`
}

/** "5 weeks", "1 week", "9 days" for short stretches. */
export function weeksText(weeks: number): string {
  if (weeks < 2) return `${Math.max(1, Math.round(weeks * 7))} ${Math.round(weeks * 7) === 1 ? 'day' : 'days'}`
  const whole = Math.round(weeks)
  return whole > 100 ? `${Math.round(whole / 52.2)} years` : `${whole} weeks`
}

/** "12 Nov", with the year when it is not this one. */
export function dayText(ms: number, nowMs: number): string {
  return format(ms, new Date(ms).getFullYear() === new Date(nowMs).getFullYear() ? 'd MMM' : 'd MMM yyyy')
}

/** "Mon 30 Nov". */
export const weekdayText = (ms: number): string => format(ms, 'EEE d MMM')

/** "in 6 days, Mon 30 Nov" or "today, Wed 25 Nov". */
export function aheadText(ms: number, nowMs: number): string {
  const days = differenceInCalendarDays(ms, nowMs)
  const lead = days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days`
  return `${lead}, ${weekdayText(ms)}`
}

/** Day and time for the log: "12 Nov, 09:30". */
export const stampText = (ms: number, nowMs: number): string => `${dayText(ms, nowMs)}, ${format(ms, 'HH:mm')}`

/** "late February" or "early March 2027": a date as exact as a forecast is. */
export function aroundText(ms: number, nowMs: number): string {
  const day = new Date(ms).getDate()
  const part = day <= 10 ? 'early' : day <= 20 ? 'mid' : 'late'
  return `${part} ${format(ms, new Date(ms).getFullYear() === new Date(nowMs).getFullYear() ? 'MMMM' : 'MMMM yyyy')}`
}

/** A stretch of days: "5 to 8 Nov", "27 Nov to 4 Dec". */
export function stretchText(fromMs: number, toMs: number, nowMs: number): string {
  const [from, to] = [dayText(fromMs, nowMs), dayText(toMs, nowMs)]
  if (from === to) return to
  const [day, month] = from.split(' ')
  return to.endsWith(` ${month}`) && from.split(' ').length === 2 ? `${day} to ${to}` : `${from} to ${to}`
}
