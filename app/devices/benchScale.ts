import { z } from 'zod'
import { eventStream } from './stream'

const ScaleReading = z.object({ grams: z.number(), settled: z.boolean() })
export type ScaleReading = z.infer<typeof ScaleReading>

/** The bench scale: a stand-in that the server simulates, as if somebody spooned the salt onto it. */
export const benchScale = (targetG: () => number, stepG: () => number) =>
  eventStream<ScaleReading>(
    'Bench scale',
    () => `/api/bench/scale?targetG=${targetG()}&stepG=${stepG()}`,
    message => ScaleReading.safeParse(message).data ?? null,
  )
