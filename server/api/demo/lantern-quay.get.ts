import { z } from 'zod'
import { DAY_MS, momentAt, readDay } from '#core/records'

const Query = z.strictObject(
  {
    seed: z
      .string()
      .regex(/^\d{1,9}$/, 'must be a whole number from 0 to 999999999')
      .transform(Number)
      .default(1),
    day: z.iso
      .date('must be a day like 2026-11-25')
      .refine(d => d >= '2000-01-01' && d <= '2100-01-01', 'must lie between 2000 and 2100')
      .optional(),
  },
  {
    error: issue =>
      issue.code === 'unrecognized_keys' ? `has a field that is not known: ${issue.keys.join(', ')}` : undefined,
  },
)

/**
 * The invented room Lantern Quay as a backup. Its records end as the day begins, so that nothing lies in the future.
 */
export default defineEventHandler(async event => {
  const { seed, day } = checkQuery(event, Query)
  const wanted = day === undefined ? null : readDay(day)
  // days of the demo begin in UTC, wherever the server stands: the same day is the same room
  const untilMs = wanted ? momentAt(wanted, 0, 'UTC') : Math.floor(Date.now() / DAY_MS) * DAY_MS
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  return demoRoom({ seed, untilMs })
})
