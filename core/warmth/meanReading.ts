import type { TemperatureReading } from './thermalClock'

/** How warm a water was over a stretch of time: the mean of its readings, and how many there were. */
export function meanReading(
  readings: readonly TemperatureReading[],
  fromMs: number,
  toMs: number,
): { meanC: number; readings: number } | null {
  const own = readings.filter(r => r.at >= fromMs && r.at <= toMs)
  if (own.length === 0) return null
  return { meanC: own.reduce((sum, r) => sum + r.value, 0) / own.length, readings: own.length }
}
