/** How a drip runs: into a vessel that fills up, or with as much taken out as comes in. */
export type DripMode = 'filling' | 'overflow'

/** Values of bag and tank that a drip brings together. pH follows too, but not by mixing: it is shown, not reckoned. */
export const acclimationKeys = ['ghDh', 'khDh', 'conductivityUsCm', 'salinityGKg', 'temperatureC'] as const
export type AcclimationKey = (typeof acclimationKeys)[number]
export type AcclimationValues = Partial<Record<AcclimationKey, number>>

/**
 * Largest change an hour that settled invertebrates are taken through (from memory; the rule "slowly" is common
 * practice).
 */
export const largestPerHour: Readonly<Record<AcclimationKey, number>> = {
  ghDh: 2,
  khDh: 2,
  conductivityUsCm: 120,
  salinityGKg: 1.5,
  temperatureC: 2,
}

/** Drops in a millilitre of an air-line drip (from memory). */
const DROPS_PER_ML = 20

/** Drops a second into each litre of the vessel that keepers set at most (common practice: two to four for a bag). */
const MOST_DROPS = 4
const MOST_PER_HOUR = (MOST_DROPS * 3600) / DROPS_PER_ML / 1000
/** Into a vessel that fills up it may run faster: ever more water takes the drops (from memory). */
const FASTER_FILLING = 3

/** The vessel that animals come in, and what becomes of its water. */
export interface Vessel {
  mode: DripMode
  /** litres in it at the start */
  vesselL: number
}

/**
 * Concentration in the vessel after a time of dripping.
 * Overflow: c = c_tank + (c0 − c_tank)·e^(−qt/V). Filling: c = (V·c0 + q·t·c_tank)/(V + q·t).
 * @param vesselL litres at the start, above 0
 * @param litresPerHour drip
 * @throws RangeError for a volume not above 0 or a negative drip or time
 */
export function dripped(
  { mode, vesselL, litresPerHour }: Vessel & { litresPerHour: number },
  start: number,
  tank: number,
  hours: number,
): number {
  if (!(vesselL > 0)) throw new RangeError(`vesselL must be above 0, got ${vesselL}`)
  if (!(litresPerHour >= 0)) throw new RangeError(`litresPerHour must be 0 or more, got ${litresPerHour}`)
  if (!(hours >= 0)) throw new RangeError(`hours must be 0 or more, got ${hours}`)
  const added = litresPerHour * hours
  return mode === 'overflow'
    ? tank + (start - tank) * Math.exp(-added / vesselL)
    : (vesselL * start + added * tank) / (vesselL + added)
}

/** How far and how fast to go from bag to tank. */
export interface Bridging {
  /** how near to come, 0.9 as usual */
  share?: number
  /** largest change an hour, the usual ones when left out */
  limits?: Partial<Record<AcclimationKey, number>>
}

/** A drip that keeps every value under its largest rate. */
export interface DripPlan {
  litresPerHour: number
  dropsPerSecond: number
  minutes: number
  /** the value that sets the pace; null when bag and tank are alike, or so near that the usual drip is slow enough */
  pace: AcclimationKey | null
  /** litres in the vessel at the end */
  endL: number
}

/**
 * The fastest drip that moves no value faster than its limit, and how long until the vessel holds `share` of tank
 * water's character. The rate is greatest at the start: q = rate·V/|difference|.
 * @throws RangeError for a vessel not above 0 or a share outside (0, 1)
 */
export function planDrip(
  { mode, vesselL }: Vessel,
  bag: AcclimationValues,
  tank: AcclimationValues,
  { share = 0.9, limits = largestPerHour }: Bridging = {},
): DripPlan {
  if (!(vesselL > 0)) throw new RangeError(`vesselL must be above 0, got ${vesselL}`)
  if (!(share > 0 && share < 1)) throw new RangeError(`share must lie between 0 and 1, got ${share}`)
  let perHour = Infinity
  let pace: AcclimationKey | null = null
  for (const key of acclimationKeys) {
    const a = bag[key]
    const b = tank[key]
    const limit = limits[key]
    if (a === undefined || b === undefined || limit === undefined || a === b) continue
    const turns = limit / Math.abs(a - b)
    if (turns < perHour) {
      perHour = turns
      pace = key
    }
  }
  // nothing to bridge: what is not measured differs too, so it never runs faster than keepers let it drip
  const turns = mode === 'overflow' ? -Math.log(1 - share) : share / (1 - share)
  const most = MOST_PER_HOUR * (mode === 'filling' ? FASTER_FILLING : 1)
  perHour = Math.min(perHour, most)
  const litresPerHour = perHour * vesselL
  if (perHour === most) pace = null
  const hours = turns / perHour
  return {
    litresPerHour,
    dropsPerSecond: (litresPerHour * 1000 * DROPS_PER_ML) / 3600,
    minutes: hours * 60,
    pace,
    endL: mode === 'overflow' ? vesselL : vesselL * (1 + turns),
  }
}

/**
 * The steepest way from bag to tank that these animals take, until it is there or the drip ends.
 * @param perHour the largest change an hour, above 0
 * @param minutes of the drip
 * @returns beginning and end: minutes, and the value then
 */
export function fastestWay({
  from,
  to,
  perHour,
  minutes,
}: {
  from: number
  to: number
  perHour: number
  minutes: number
}) {
  const there = Math.min(minutes, (Math.abs(to - from) / perHour) * 60)
  return [
    { minutes: 0, value: from },
    { minutes: there, value: from + (Math.sign(to - from) * perHour * there) / 60 },
  ]
}

/**
 * Acclimation in steps: part of the vessel is exchanged for tank water at intervals, each step within what an hour
 * allows.
 * @param exchange share of the vessel that is exchanged each time
 * @returns number of steps until `share` is reached, and minutes between them
 * @throws RangeError for shares outside (0, 1)
 */
export function planSteps(
  exchange: number,
  bag: AcclimationValues,
  tank: AcclimationValues,
  { share = 0.9, limits = largestPerHour }: Bridging = {},
): { steps: number; everyMinutes: number; minutes: number } {
  for (const [name, v] of Object.entries({ exchange, share }))
    if (!(v > 0 && v < 1)) throw new RangeError(`${name} must lie between 0 and 1, got ${v}`)
  const steps = Math.ceil(Math.log(1 - share) / Math.log(1 - exchange) - 1e-9)
  let everyMinutes = 10
  for (const key of acclimationKeys) {
    const a = bag[key]
    const b = tank[key]
    const limit = limits[key]
    if (a === undefined || b === undefined || limit === undefined) continue
    everyMinutes = Math.max(everyMinutes, ((exchange * Math.abs(a - b)) / limit) * 60)
  }
  return { steps, everyMinutes, minutes: (steps - 1) * everyMinutes }
}

/** One step of a salinity schedule. */
export interface SalinityStep {
  hours: number
  salinityGKg: number
  /** exchange this many litres for water of the end salinity */ exchangeL: number
}

/**
 * Brings a vessel from one salinity to another in equal steps by exchanging water for water of the end salinity (or of
 * pure water when it goes to nothing).
 * @param strengthGKg salinity of what is poured in; must lie beyond or at the end
 * @throws RangeError when a number is out of range or the poured water cannot reach the end
 */
export function salinitySchedule({
  fromGKg,
  toGKg,
  strengthGKg,
  volumeL,
  hours,
  steps,
}: {
  fromGKg: number
  toGKg: number
  strengthGKg: number
  volumeL: number
  hours: number
  steps: number
}): SalinityStep[] {
  if (!(Number.isInteger(steps) && steps >= 1))
    throw new RangeError(`steps must be a whole number of 1 or more, got ${steps}`)
  if (!(volumeL > 0)) throw new RangeError(`volumeL must be above 0, got ${volumeL}`)
  if (!(hours >= 0)) throw new RangeError(`hours must be 0 or more, got ${hours}`)
  const up = toGKg > fromGKg
  if (up ? strengthGKg < toGKg : strengthGKg > toGKg)
    throw new RangeError(`strengthGKg must lie at or beyond ${toGKg}, got ${strengthGKg}`)
  const out: SalinityStep[] = []
  let now = fromGKg
  for (let i = 1; i <= steps; i++) {
    const next = fromGKg + ((toGKg - fromGKg) * i) / steps
    const share = now === strengthGKg ? 0 : (next - now) / (strengthGKg - now)
    out.push({
      hours: steps === 1 ? 0 : (hours * (i - 1)) / (steps - 1),
      salinityGKg: next,
      exchangeL: share * volumeL,
    })
    now = next
  }
  return out
}
