import { z } from 'zod'
import { lanternQuay } from '#demo'

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

/** The invented room Lantern Quay as a backup. Its records end as the day begins, so that nothing lies in the future. */
export default defineEventHandler(event => {
  const { seed, day } = checkQuery(event, Query)
  const untilMs = Date.parse(`${day ?? new Date().toISOString().slice(0, 10)}T00:00:00.000Z`)
  return lanternQuay({ seed, untilMs }).backup
})
