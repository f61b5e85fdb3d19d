import type { TestMethod, ValueKey } from '#core/records'

/**
 * Standard deviation of a reading: a fixed part in the value's unit and a share of the reading, added in quadrature.
 */
interface Doubt {
  fixed: number
  share: number
}
const d = (fixed: number, share = 0): Doubt => ({ fixed, share })

/**
 * Doubt of each way of testing. All from memory: drops of a liquid kit count whole or half degrees, strips for GH and
 * KH are weak evidence (common practice), probes are as good as their last calibration.
 */
const doubts: Readonly<Record<ValueKey, Readonly<Record<TestMethod, Doubt>>>> = {
  ghDh: { liquidKit: d(0.4), strip: d(2), probe: d(0.5), guess: d(3) },
  khDh: { liquidKit: d(0.35), strip: d(1.5), probe: d(0.5), guess: d(2.5) },
  ph: { liquidKit: d(0.15), strip: d(0.4), probe: d(0.08), guess: d(0.6) },
  conductivityUsCm: { liquidKit: d(10, 0.05), strip: d(30, 0.2), probe: d(3, 0.02), guess: d(60, 0.3) },
  temperatureC: { liquidKit: d(0.5), strip: d(1), probe: d(0.2), guess: d(1.5) },
  nitrateMgL: { liquidKit: d(2, 0.2), strip: d(5, 0.35), probe: d(2, 0.15), guess: d(10, 0.5) },
  nitriteMgL: { liquidKit: d(0.03, 0.2), strip: d(0.2, 0.4), probe: d(0.03, 0.15), guess: d(0.3, 0.6) },
  ammoniaMgL: { liquidKit: d(0.06, 0.2), strip: d(0.25, 0.4), probe: d(0.05, 0.15), guess: d(0.4, 0.6) },
  copperMgL: { liquidKit: d(0.04, 0.2), strip: d(0.1, 0.4), probe: d(0.03, 0.15), guess: d(0.1, 0.6) },
  calciumMgL: { liquidKit: d(8, 0.05), strip: d(20, 0.2), probe: d(5, 0.1), guess: d(25, 0.4) },
  salinityGKg: { liquidKit: d(1, 0.03), strip: d(2, 0.1), probe: d(0.4, 0.01), guess: d(3, 0.2) },
  humidityPct: { liquidKit: d(5), strip: d(5), probe: d(3), guess: d(10) },
}

/**
 * Standard deviation of one reading.
 * @param key which value
 * @param method how it was read
 * @param value the reading in its canonical unit
 */
export function readingSd(key: ValueKey, method: TestMethod, value: number): number {
  const { fixed, share } = doubts[key][method]
  return Math.hypot(fixed, share * Math.abs(value))
}

/**
 * Days after which a reading says too little to judge by (from memory; hardness moves slowly, poisons and humidity do
 * not).
 */
export const freshDays: Readonly<Record<ValueKey, number>> = {
  ghDh: 42,
  khDh: 42,
  ph: 42,
  conductivityUsCm: 35,
  temperatureC: 21,
  nitrateMgL: 60,
  nitriteMgL: 90,
  ammoniaMgL: 90,
  copperMgL: 365,
  calciumMgL: 90,
  salinityGKg: 28,
  humidityPct: 9,
}
