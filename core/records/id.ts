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

/** When a record was made, in ms: the first 48 bits of a version 7 UUID (RFC 9562). */
export const madeMs = (id: Id): number => Number.parseInt(id.slice(0, 8) + id.slice(9, 13), 16)
