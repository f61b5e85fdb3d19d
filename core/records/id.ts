import { z } from 'zod'

/**
 * Ids are UUIDs of version 7 (RFC 9562): unique across devices without asking a server, and sorting them as text sorts
 * them by the time they were made. Package `uuid` makes them; core only checks them.
 */
export const Id = z.uuid({ version: 'v7', error: 'is not a record id (a version 7 UUID)' })
export type Id = z.infer<typeof Id>

/** A moment as ISO 8601 in UTC with milliseconds, so that text order is time order. */
export const Moment = z.iso.datetime({ precision: 3, error: 'is not a date and time like 2026-03-01T09:30:00.000Z' })
export type Moment = z.infer<typeof Moment>

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
