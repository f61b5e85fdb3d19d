import { type Quantity, toCanonical } from './quantity'

/** How a keeper writes numbers, and what the number can be at all. */
export interface NumberHabits {
  /** the sign before the decimals where the device stands */
  decimal?: '.' | ','
  /** smallest and largest value that is possible: a reading outside is not meant */
  low?: number
  high?: number
}

/** What came of reading a typed number. Parsing never throws: a keeper's slip is data. */
export type ParsedNumber =
  | { ok: true; value: number }
  | { ok: false; issue: 'empty' | 'notANumber' }
  /** “1,413” may be one and a bit or a thousand: only the keeper knows */
  | { ok: false; issue: 'twoReadings'; readings: [number, number] }

/** What came of reading a typed quantity, in the canonical unit. */
export type ParsedQuantity =
  | { ok: true; value: number; unitId: string }
  | { ok: false; issue: 'empty' | 'notANumber' | 'unknownUnit'; text: string }
  | { ok: false; issue: 'twoReadings'; text: string; readings: [number, number] }

/** Groups of three after a first group of one to three: 1.234.567 */
const GROUPED = /^\d{1,3}(?:[.,]\d{3})+$/
/** One sign with just three digits behind it, which may group or begin decimals; a leading nought never groups. */
const EITHER = /^[1-9]\d{0,2}[.,]\d{3}$/

/**
 * Reads a plain number as it is typed anywhere: with point or comma before the decimals, with groups of thousands.
 * Where both signs stand, the last one begins the decimals. Where one sign stands before just three digits it may do
 * either: the device's own decimal sign begins decimals; the other is left to what is possible, and where both readings
 * are, both are given.
 * @example parseNumber('1.234,5') // 1234.5
 * @example parseNumber('1,413', { low: 0, high: 60_000 }) // two readings: 1.413 and 1413
 */
export function parseNumber(
  text: string,
  { decimal = '.', low = -Infinity, high = Infinity }: NumberHabits = {},
): ParsedNumber {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: false, issue: 'empty' }
  const match = /^([+\-−]?)([\d.,]+)(e[+-]?\d{1,3})?$/i.exec(trimmed.replace(/[\s\u202F\u00A0'’]/g, ''))
  if (!match) return { ok: false, issue: 'notANumber' }
  const [, sign, digits, power = ''] = match
  const valueOf = (plain: string) => (sign === '-' || sign === '−' ? -1 : 1) * Number(plain + power)
  if (power === '' && EITHER.test(digits!)) {
    const separator = /[.,]/.exec(digits!)![0]
    const parted = valueOf(digits!.replace(separator, '.'))
    const grouped = valueOf(digits!.replace(separator, ''))
    const possible = [parted, grouped].filter(v => v >= low && v <= high)
    if (possible.length === 1) return { ok: true, value: possible[0]! }
    if (separator === decimal) return { ok: true, value: parted }
    return { ok: false, issue: 'twoReadings', readings: [parted, grouped] }
  }
  const plain = plainDigits(digits!)
  const value = plain === null ? Number.NaN : valueOf(plain)
  return Number.isFinite(value) ? { ok: true, value } : { ok: false, issue: 'notANumber' }
}

/** Digits with a point before the decimals and nothing else; null when the signs contradict each other. */
function plainDigits(digits: string): string | null {
  const signs = digits.replace(/\d/g, '')
  if (signs.length > 1 && new Set(signs).size === 1) return GROUPED.test(digits) ? digits.replace(/[.,]/g, '') : null
  const last = Math.max(digits.lastIndexOf('.'), digits.lastIndexOf(','))
  const whole = last < 0 ? digits : digits.slice(0, last)
  const decimals = last < 0 ? '' : digits.slice(last + 1)
  if (/[.,]/.test(whole) && !GROUPED.test(whole)) return null
  // the sign that groups cannot begin the decimals too
  if (signs.length > 1 && whole.includes(digits[last]!)) return null
  const plain = `${whole.replace(/[.,]/g, '')}.${decimals}`
  return /\d/.test(plain) ? plain : null
}

/**
 * Reads "7.5", "7,5", "75 °F" or "10 US gal".
 * @param text what was typed
 * @param quantity what is expected
 * @param defaultUnitId unit of a bare number
 * @param habits how numbers are written, and what is possible in the canonical unit
 * @returns the value in the canonical unit, or the issue
 */
export function parseQuantity(
  text: string,
  quantity: Quantity,
  defaultUnitId: string,
  habits: NumberHabits = {},
): ParsedQuantity {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: false, issue: 'empty', text }
  const match = /^([+\-−]?[\d.,\s'’]*\d[\d.,]*(?:e[+-]?\d+)?)\s*(.*)$/i.exec(trimmed)
  if (!match) return { ok: false, issue: 'notANumber', text }
  const spelling = match[2]!.toLowerCase().replace(/[\s.]/g, '')
  const unit =
    spelling === ''
      ? quantity.units.find(u => u.id === defaultUnitId)
      : quantity.units.find(u => u.spellings.includes(spelling))
  const { decimal } = habits
  const read = parseNumber(match[1]!, decimal && { decimal })
  if (!read.ok && read.issue !== 'twoReadings') return { ok: false, issue: 'notANumber', text }
  if (!unit) return { ok: false, issue: 'unknownUnit', text }
  const canonical = (n: number) => toCanonical(quantity, n, unit.id)
  if (read.ok) return { ok: true, value: canonical(read.value), unitId: unit.id }
  const { low = -Infinity, high = Infinity } = habits
  const readings = read.readings.map(canonical) as [number, number]
  const possible = readings.filter(v => v >= low && v <= high)
  if (possible.length === 1) return { ok: true, value: possible[0]!, unitId: unit.id }
  return { ok: false, issue: 'twoReadings', text, readings: read.readings }
}
