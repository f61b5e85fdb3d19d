import { z } from 'zod'
import { eventStream } from './stream'

/** A reading of the probe before the keeper's calibration; conductivity at 25 °C. */
const ProbeReading = z.object({
  atMs: z.number(),
  ph: z.number(),
  conductivityUsCm: z.number(),
  temperatureC: z.number(),
  humidityPct: z.number(),
})
export type ProbeReading = z.infer<typeof ProbeReading>

/** Where the stand-in hangs and how it misbehaves. */
export interface ProbeSetting {
  dip: 'tank' | 'ph4' | 'ph7' | 'ec84' | 'ec1413'
  ph: number
  conductivityUsCm: number
  temperatureC: number
  humidityPct: number
  drift: number
  noise: number
}

/** The bench probe: a stand-in that the server simulates. */
export const benchProbe = (setting: () => ProbeSetting) =>
  eventStream<ProbeReading>(
    'Bench probe',
    () => `/api/bench/probe?${new URLSearchParams(Object.entries(setting()).map(([k, v]) => [k, String(v)]))}`,
    message => ProbeReading.safeParse(message).data ?? null,
  )
