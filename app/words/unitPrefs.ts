import {
  alkalinity,
  conductivity,
  formatNumber,
  formatQuantity,
  hardness,
  type Quantity,
  temperature,
  unitOf,
  volume,
} from '#core/units'
import type { ValueKey } from '#core/records'

/** The units that the keeper reads and types; the records hold canonical units whatever is chosen here. */
export interface UnitPrefs {
  temperature: string
  volume: string
  hardness: string
  conductivity: string
}

export const defaultUnits: UnitPrefs = { temperature: 'c', volume: 'l', hardness: 'dh', conductivity: 'usCm' }

/** Name, short name, unit of a value that has no choice of units, and its decimals. */
interface ValueWords {
  name: string
  short: string
  quantity?: Quantity
  pref?: keyof UnitPrefs
  unit?: string
  decimals: number
}

const values: Readonly<Record<ValueKey, ValueWords>> = {
  ghDh: { name: 'GH', short: 'GH', quantity: hardness, pref: 'hardness', decimals: 1 },
  khDh: { name: 'KH', short: 'KH', quantity: alkalinity, pref: 'hardness', decimals: 1 },
  ph: { name: 'pH', short: 'pH', decimals: 1 },
  conductivityUsCm: { name: 'Conductivity', short: 'µS', quantity: conductivity, pref: 'conductivity', decimals: 0 },
  temperatureC: { name: 'Temperature', short: '°C', quantity: temperature, pref: 'temperature', decimals: 1 },
  nitrateMgL: { name: 'Nitrate', short: 'NO₃', unit: 'mg/L', decimals: 0 },
  nitriteMgL: { name: 'Nitrite', short: 'NO₂', unit: 'mg/L', decimals: 2 },
  ammoniaMgL: { name: 'Ammonia', short: 'NH₄', unit: 'mg/L', decimals: 2 },
  copperMgL: { name: 'Copper', short: 'Cu', unit: 'mg/L', decimals: 2 },
  calciumMgL: { name: 'Calcium', short: 'Ca', unit: 'mg/L', decimals: 0 },
  salinityGKg: { name: 'Salinity', short: 'g/kg', unit: 'g/kg', decimals: 1 },
  humidityPct: { name: 'Humidity', short: '% air', unit: '%', decimals: 0 },
}

/** A mole unit of alkalinity is left out of the catalogue; degrees stand in for it there. */
function unitFor(key: ValueKey, prefs: UnitPrefs) {
  const { quantity, pref } = values[key]
  if (!quantity || !pref) return null
  const id = quantity.units.some(u => u.id === prefs[pref]) ? prefs[pref] : quantity.units[0].id
  return unitOf(quantity, id)
}

/** "Conductivity", as a title. */
export const valueName = (key: ValueKey): string => values[key].name

/** "conductivity" inside a sentence; GH, KH and pH keep their letters. */
export const valueNameInside = (key: ValueKey): string =>
  ['ghDh', 'khDh', 'ph'].includes(key) ? values[key].name : values[key].name.toLowerCase()

/** At most five letters, for the hem of a glass. */
export const valueShort = (key: ValueKey): string => values[key].short

/** Symbol of the unit in which a value is shown; empty for pH. */
export const valueUnit = (key: ValueKey, prefs: UnitPrefs): string =>
  unitFor(key, prefs)?.symbol ?? values[key].unit ?? ''

/** From the canonical unit to the one shown. */
export function shownValue(key: ValueKey, value: number, prefs: UnitPrefs): number {
  const unit = unitFor(key, prefs)
  return unit ? (value - unit.offset) / unit.scale : value
}

/** From the unit shown to the canonical one. */
export function storedValue(key: ValueKey, shown: number, prefs: UnitPrefs): number {
  const unit = unitFor(key, prefs)
  return unit ? shown * unit.scale + unit.offset : shown
}

const decimalsOf = (key: ValueKey, prefs: UnitPrefs) => {
  const unit = unitFor(key, prefs)
  return unit && unit.id !== values[key].quantity!.units[0].id ? unit.decimals : values[key].decimals
}

/** A value without its unit, e.g. for the ends of a range. */
export const valueNumber = (key: ValueKey, value: number, prefs: UnitPrefs): string =>
  formatNumber(shownValue(key, value, prefs), decimalsOf(key, prefs))

/** A value with its unit: "7.5 °dH". */
export function valueText(key: ValueKey, value: number, prefs: UnitPrefs): string {
  const chosen = unitFor(key, prefs)
  if (chosen) return formatQuantity(values[key].quantity!, value, chosen.id, decimalsOf(key, prefs))
  const { unit } = values[key]
  return unit ? `${valueNumber(key, value, prefs)} ${unit}` : valueNumber(key, value, prefs)
}

/** A difference of a value (drift, doubt) with its unit: scaled, never shifted. */
export function differenceText(key: ValueKey, difference: number, prefs: UnitPrefs, more = 0): string {
  const unit = unitFor(key, prefs)
  const text = formatNumber(unit ? difference / unit.scale : difference, decimalsOf(key, prefs) + more)
  const symbol = valueUnit(key, prefs)
  return symbol ? `${text} ${symbol}` : text
}

/** A limit of a range: whole where it is whole, so that "6 to 8" does not read "6.0 to 8.0". */
export function limitText(key: ValueKey, value: number, prefs: UnitPrefs): string {
  const shown = shownValue(key, value, prefs)
  const decimals = decimalsOf(key, prefs)
  return formatNumber(shown, Math.abs(shown - Math.round(shown)) < 10 ** -decimals / 2 ? 0 : decimals)
}

/** "3 to 8", "above 40" or "none" for a range. */
export function rangeText(key: ValueKey, low: number, high: number, prefs: UnitPrefs): string {
  if (low === 0 && high === 0) return 'none'
  return `${limitText(key, low, prefs)} to ${limitText(key, high, prefs)}`
}

/** Litres in the keeper's unit. */
export function volumeText(litres: number, prefs: UnitPrefs): string {
  const unit = unitOf(volume, prefs.volume)
  const shown = (litres - unit.offset) / unit.scale
  return `${formatNumber(shown, shown >= 20 || Math.abs(shown - Math.round(shown)) < 0.05 ? 0 : 1)} ${unit.symbol}`
}

/** Litres in the keeper's unit, to the hundredth where a jug or an hour's flow has it to show: "5.15 L". */
export function preciseVolume(litres: number, prefs: UnitPrefs): string {
  const unit = unitOf(volume, prefs.volume)
  const shown = (litres - unit.offset) / unit.scale
  const fine = shown < 100 && Math.abs(shown * 10 - Math.round(shown * 10)) > 0.02
  return fine ? `${formatNumber(shown, 2)} ${unit.symbol}` : volumeText(litres, prefs)
}
