import { paceAt } from '#core/groups'
import { DAY_MS } from '#core/records'

/** A reading of the water's temperature. */
export interface TemperatureReading {
  at: number
  value: number
}

/**
 * A clock that goes by the water's warmth: days of development at the reference temperature. Moments are milliseconds.
 */
export interface ThermalClock {
  /** development done by a moment, in days at the reference temperature */
  daysAt: (ms: number) => number
  /** the moment by which so much is done */
  msAt: (days: number) => number
}

/** What a thermal clock goes by. */
export interface Warmth {
  /** readings of the water, in order of time */
  readings: readonly TemperatureReading[]
  law: { q10: number; referenceC: number }
  nowMs: number
}

/** The clock begins so long ago, and tells as far ahead: longer than any brood takes in cool water. */
const BEHIND_DAYS = 730
const AHEAD_DAYS = 200
/** A reading speaks for so long where no other follows (from memory); then the group's own temperature is taken. */
const HOLDS_DAYS = 84
/** The days ahead go by the mean of the readings of so many days. */
const MEAN_DAYS = 28

/**
 * The clock of one water. Between two readings the temperature goes straight from one to the other; ahead it stays at
 * the mean of the last weeks.
 */
export function thermalClock({ readings, law, nowMs }: Warmth): ThermalClock {
  const startMs = nowMs - BEHIND_DAYS * DAY_MS
  const many = BEHIND_DAYS + AHEAD_DAYS
  const done = new Float64Array(many + 1)
  const until = readings.filter(r => r.at <= nowMs)
  const last = until.at(-1)
  const late = last ? until.filter(r => r.at > last.at - MEAN_DAYS * DAY_MS) : []
  const ahead =
    last && last.at > nowMs - HOLDS_DAYS * DAY_MS ? late.reduce((s, r) => s + r.value, 0) / late.length : law.referenceC
  let next = 0
  for (let day = 0; day < many; day++) {
    const at = startMs + (day + 0.5) * DAY_MS
    while (next < until.length && until[next]!.at <= at) next++
    const celsius = at > nowMs ? ahead : between(until[next - 1], until[next], at, { ahead, usual: law.referenceC })
    done[day + 1] = done[day]! + paceAt(law.q10, celsius, law.referenceC)
  }
  const daysAt = (ms: number) => {
    const x = (ms - startMs) / DAY_MS
    const day = Math.min(many - 1, Math.max(0, Math.floor(x)))
    return done[day]! + (x - day) * (done[day + 1]! - done[day]!)
  }
  const msAt = (days: number) => {
    let [low, high] = [0, many - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (done[middle]! <= days) low = middle
      else high = middle - 1
    }
    return startMs + (low + (days - done[low]!) / (done[low + 1]! - done[low]!)) * DAY_MS
  }
  return { daysAt, msAt }
}

/** The temperature at a moment between two readings; one that is alone speaks for some weeks. */
function between(
  a: TemperatureReading | undefined,
  b: TemperatureReading | undefined,
  at: number,
  { ahead, usual }: { ahead: number; usual: number },
): number {
  const holds = (r: TemperatureReading) => Math.abs(r.at - at) <= HOLDS_DAYS * DAY_MS
  const [before, after] = [a && holds(a) ? a : undefined, b && holds(b) ? b : undefined]
  if (before && after) return before.value + ((after.value - before.value) * (at - before.at)) / (after.at - before.at)
  if (before) return b ? before.value : ahead
  return after?.value ?? usual
}
