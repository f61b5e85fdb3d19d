import { z } from 'zod'
import { seededRandom } from '#core/stats'
import { probeDips, probeReading } from '../../utils/benchProbe'

const number = (name: string, low: number, high: number, usual: number) =>
  z.coerce
    .number({ error: 'must be a number' })
    .min(low, `must be ${low} or more`)
    .max(high, `must be ${high} or less`)
    .default(usual)
    .describe(name)
const Query = z.strictObject(
  {
    dip: z.enum(probeDips, { error: `must be one of ${probeDips.join(', ')}` }).default('tank'),
    ph: number('pH of the tank', 3, 11, 7),
    conductivityUsCm: number('conductivity of the tank', 0, 60_000, 300),
    temperatureC: number('temperature of the tank', -2, 45, 23),
    humidityPct: number('humidity above it', 0, 100, 60),
    drift: number('drift', 0, 5, 1),
    noise: number('noise', 0, 5, 1),
  },
  {
    error: issue =>
      issue.code === 'unrecognized_keys' ? `has a field that is not known: ${issue.keys.join(', ')}` : undefined,
  },
)

/**
 * Stand-in for a bench probe, and it says so: simulated readings of pH, conductivity, temperature and humidity, twice a
 * second.
 */
export default defineEventHandler(event => {
  const { dip, drift, noise, ...truth } = checkQuery(event, Query)
  const random = seededRandom(Date.now() % 1_000_000)
  return streamTicks(event, 500, seconds => {
    const now = new Date()
    const hour = now.getHours() + now.getMinutes() / 60
    const moment = { hour, hoursOn: seconds / 3600, atMs: now.getTime() }
    return { simulated: true, ...probeReading(dip, truth, moment, { manners: { drift, noise }, random }) }
  })
})
