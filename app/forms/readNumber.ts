import {
  type NumberHabits,
  type ParsedNumber,
  type ParsedQuantity,
  parseNumber,
  parseQuantity,
  type Quantity,
} from '#core/units'

/** What came of reading a field. An empty one is told apart: often it only means "not known". */
export type NumberRead = { ok: true; value: number } | { ok: false; issue: string; empty: boolean }

/** What a field's number can be, and the unit printed after the limits. */
export interface NumberLimits {
  low?: number
  high?: number
  unit?: string
}

/** The sign before the decimals where this device stands. */
export const deviceDecimal = (): '.' | ',' =>
  new Intl.NumberFormat().formatToParts(1.5).find(p => p.type === 'decimal')?.value === ',' ? ',' : '.'

/** How this device writes numbers, with what is possible. */
export const habits = (limits: Omit<NumberHabits, 'decimal'> = {}): NumberHabits => ({
  decimal: deviceDecimal(),
  ...limits,
})

/** The sentence that asks which of two numbers was meant. */
export function whichText(text: string, [small, large]: readonly [number, number]): string {
  const sign = text.includes(',') ? 'comma' : 'point'
  return `Is “${text.trim().slice(0, 20)}” ${small} or ${large}? Type it without the ${sign}, or as ${small}0.`
}

/** Sentence for a number that could not be read; empty fields are asked for. */
export function numberIssue(text: string, read: Exclude<ParsedNumber, { ok: true }>): string {
  if (read.issue === 'empty') return 'Type a number.'
  return read.issue === 'twoReadings' ? whichText(text, read.readings) : `“${text.trim().slice(0, 20)}” is no number.`
}

/** Reads a typed number of any size, as this device writes them. */
export const typedNumber = (text: string, limits: Omit<NumberHabits, 'decimal'> = {}): ParsedNumber =>
  parseNumber(text, habits(limits))

/** Reads a typed quantity, as this device writes numbers. */
export const typedQuantity = (
  text: string,
  quantity: Quantity,
  unitId: string,
  limits: Omit<NumberHabits, 'decimal'> = {},
): ParsedQuantity => parseQuantity(text, quantity, unitId, habits(limits))

/**
 * Reads a field that must hold a number; a wrong text gives the sentence for under the field.
 * @example readNumber('7,5', { low: 0, high: 14 })
 */
export function readNumber(
  text: string,
  { low = -Infinity, high = Infinity, unit = '' }: NumberLimits = {},
): NumberRead {
  const read = typedNumber(text, { low, high })
  if (!read.ok) return { ok: false, issue: numberIssue(text, read), empty: read.issue === 'empty' }
  const after = unit && ` ${unit}`
  if (read.value >= low && read.value <= high) return read
  return { ok: false, issue: `It must lie between ${low} and ${high}${after}.`, empty: false }
}

/** The number in a field, or null while there is none that can be used. */
export function numberIn(text: string, limits: NumberLimits = {}): number | null {
  const read = readNumber(text, limits)
  return read.ok ? read.value : null
}
