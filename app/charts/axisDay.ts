import { format } from 'date-fns'

/**
 * A tick of a time axis: months by name, days with them where the span is short; the year stands where it begins.
 * @param before the tick to the left of it
 */
export function axisDay(ms: number, before: number | undefined, withDays: boolean): string {
  const short = withDays ? 'd MMM' : 'MMM'
  const yearBegins = before === undefined || new Date(before).getFullYear() !== new Date(ms).getFullYear()
  return format(ms, yearBegins ? `${short} yyyy` : short)
}
