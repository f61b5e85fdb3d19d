import { randomNormal } from 'd3-random'
import { compensateConductivity } from '#core/units'
import type { Random } from '#core/stats'

/** What the simulated probe hangs in: the tank, or one of the known solutions. */
export const probeDips = ['tank', 'ph4', 'ph7', 'ec84', 'ec1413'] as const
export type ProbeDip = (typeof probeDips)[number]

/** Known solutions at 25 °C: pH of usual buffers, conductivity of usual standards (labels; common practice). */
const solutions: Readonly<Record<Exclude<ProbeDip, 'tank'>, { ph: number; conductivityUsCm: number }>> = {
  ph4: { ph: 4.01, conductivityUsCm: 4000 },
  ph7: { ph: 7, conductivityUsCm: 6000 },
  ec84: { ph: 6, conductivityUsCm: 84 },
  ec1413: { ph: 6, conductivityUsCm: 1413 },
}

/** What is true where the probe hangs. */
export interface ProbeTruth {
  ph: number
  conductivityUsCm: number
  temperatureC: number
  humidityPct: number
}

/** How the probe misbehaves: 1 is an ordinary cheap probe, 0 none, 5 a worn one. */
export interface ProbeManners {
  drift: number
  noise: number
}

/**
 * A reading as the probe shows it before any calibration of the keeper's. Conductivity is brought to 25 °C by the probe
 * itself.
 */
export interface ProbeReading extends ProbeTruth {
  atMs: number
}

/** When a reading is taken. */
export interface ProbeMoment {
  atMs: number
  /** hour of the day, 0 to 24 */
  hour: number
  /** how long the probe has been running, for its drift */
  hoursOn: number
}

/** Faults of an uncalibrated probe: pH slope 95 % and off by 0.18, conductivity cell 6 % low. */
const FAULT = { phSlope: 0.95, phOffset: 0.18, cell: 0.94 }
/** Drift an hour, and standard deviation of the noise, at manners of 1. */
const DRIFT_PER_HOUR = { ph: 0.02, cell: 0.004 }
const NOISE = { ph: 0.008, conductivity: 0.004, temperature: 0.03, humidity: 0.4 }

/**
 * One reading of the simulated probe. pH and temperature of the tank swing with the hour of the day, as plants and
 * lamps make them; known solutions do not.
 * @param truth averages of the tank
 * @param random seeded generator for the noise
 */
export function probeReading(
  dip: ProbeDip,
  truth: ProbeTruth,
  { hour, hoursOn, atMs }: ProbeMoment,
  { manners, random }: { manners: ProbeManners; random: Random },
): ProbeReading {
  const normal = randomNormal.source(random)()
  const inTank = dip === 'tank'
  const day = Math.cos(((hour - 17) / 12) * Math.PI)
  const ph = inTank ? truth.ph + 0.08 * day : solutions[dip].ph
  const temperatureC = truth.temperatureC + (inTank ? 0.3 * day : 0)
  const conductivity = inTank ? truth.conductivityUsCm : solutions[dip].conductivityUsCm
  const cell = FAULT.cell * (1 - manners.drift * DRIFT_PER_HOUR.cell * hoursOn)
  // what the cell sees at this temperature, compensated the way meters do it
  const raw = conductivity * cell * (1 + 0.0191 * (temperatureC - 25))
  return {
    atMs,
    ph:
      7 +
      (ph - 7) * FAULT.phSlope +
      FAULT.phOffset +
      manners.drift * DRIFT_PER_HOUR.ph * hoursOn +
      manners.noise * NOISE.ph * normal(),
    conductivityUsCm: Math.max(
      0,
      compensateConductivity(raw, temperatureC) * (1 + manners.noise * NOISE.conductivity * normal()),
    ),
    temperatureC: temperatureC + manners.noise * NOISE.temperature * normal(),
    humidityPct: Math.min(
      100,
      Math.max(0, truth.humidityPct - (inTank ? 2 * day : 0) + manners.noise * NOISE.humidity * normal()),
    ),
  }
}
