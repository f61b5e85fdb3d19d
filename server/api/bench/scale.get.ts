import { z } from 'zod'
import { seededRandom } from '#core/stats'
import { scaleReading } from '../../utils/benchScale'

const Query = z.strictObject(
  {
    targetG: z.coerce
      .number({ error: 'must be a number' })
      .min(0, 'must be 0 or more')
      .max(10_000, 'must be 10000 or less')
      .default(0),
    stepG: z.coerce
      .number({ error: 'must be a number' })
      .gt(0, 'must be above 0')
      .max(100, 'must be 100 or less')
      .default(0.01),
  },
  {
    error: issue =>
      issue.code === 'unrecognized_keys' ? `has a field that is not known: ${issue.keys.join(', ')}` : undefined,
  },
)

/** Stand-in for a bench scale, and it says so: what it shows while a salt is spooned onto it. */
export default defineEventHandler(event => {
  const { targetG, stepG } = checkQuery(event, Query)
  const random = seededRandom(Date.now() % 1_000_000)
  return streamTicks(event, 250, seconds => ({ simulated: true, ...scaleReading(targetG, stepG, seconds, random) }))
})
