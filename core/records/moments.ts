import type { Moment } from './id'

/** Milliseconds since 1970 of a moment. */
export const momentMs = (moment: Moment): number => Date.parse(moment)

/**
 * The moment of milliseconds since 1970.
 * @throws RangeError for a number that is no date
 */
export const toMoment = (ms: number): Moment => new Date(ms).toISOString()

/** Milliseconds in a day and in a week: the models count in weeks, the log in moments. */
export const DAY_MS = 86_400_000
export const WEEK_MS = 7 * DAY_MS
