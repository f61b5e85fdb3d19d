import { storedValue, type UnitPrefs, valueText } from '~/words/unitPrefs'
import { type NumberRead, readNumber } from './readNumber'

/** No water of these animals is colder or warmer; the equations of sea water hold here too (EOS-80, PSS-78). */
const WATER_C = [-2, 35] as const

/** Reads a temperature in the keeper's unit; its value is in °C. */
export function readWaterC(text: string, units: UnitPrefs): NumberRead {
  const read = readNumber(text, { low: -1000, high: 1000 })
  if (!read.ok) return read
  const value = storedValue('temperatureC', read.value, units)
  if (value >= WATER_C[0] && value <= WATER_C[1]) return { ok: true, value }
  const [low, high] = WATER_C.map(c => valueText('temperatureC', c, units))
  return { ok: false, empty: false, issue: `It must lie between ${low} and ${high}.` }
}
