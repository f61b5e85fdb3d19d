import { WEEK_MS } from '#core/records'
import type { TemperatureReading } from '#core/warmth'

/** A stretch of time at one temperature. */
export interface Climate {
  /** the stretch ends here, and the next begins */
  untilMs: number
  temperatureC: number
}

/** A week goes by the mean of the readings of so many weeks until its end, or else by the last one, for so long. */
const MEAN_WEEKS = 4
const HOLDS_WEEKS = 12

/**
 * The temperatures that the weeks of a log went by, to half a degree: a tenth more or less must not make a fit begin
 * anew. Only readings that had been made by then count, so that a new one leaves the past as it is.
 * @param readings in order of time
 * @param usual where nobody measured
 * @returns stretches in order, the last one until now
 */
export function climateOf(
  readings: readonly TemperatureReading[],
  { startMs, nowMs }: { startMs: number; nowMs: number },
  usual: number,
): Climate[] {
  const stretches: Climate[] = []
  let [from, to] = [0, 0]
  for (let end = startMs + WEEK_MS; end < nowMs + WEEK_MS; end += WEEK_MS) {
    const untilMs = Math.min(end, nowMs)
    while (to < readings.length && readings[to]!.at <= untilMs) to++
    while (from < to && readings[from]!.at <= untilMs - MEAN_WEEKS * WEEK_MS) from++
    const last = to > 0 && readings[to - 1]!.at > untilMs - HOLDS_WEEKS * WEEK_MS ? readings[to - 1]!.value : usual
    let sum = 0
    for (let k = from; k < to; k++) sum += readings[k]!.value
    const temperatureC = Math.round(2 * (to > from ? sum / (to - from) : last)) / 2
    const before = stretches.at(-1)
    if (before?.temperatureC === temperatureC) before.untilMs = untilMs
    else stretches.push({ untilMs, temperatureC })
  }
  return stretches
}
