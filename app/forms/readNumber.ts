import { parseNumber } from '#core/units'

/** What came of reading a field. An empty one is told apart: often it only means "not known". */
export type NumberRead = { ok: true; value: number } | { ok: false; issue: string; empty: boolean }

/**
 * Reads a field that must hold a number; a wrong text gives the sentence for under the field.
 * @param low smallest allowed
 * @param high largest allowed
 * @param unit as printed after the limits
 */
export function readNumber(text: string, low: number, high: number, unit = ''): NumberRead {
  if (text.trim() === '') return { ok: false, issue: 'Type a number.', empty: true }
  const value = parseNumber(text)
  const after = unit && ` ${unit}`
  if (value === null) return { ok: false, issue: `“${text.trim().slice(0, 20)}” is no number.`, empty: false }
  if (value < low || value > high)
    return { ok: false, issue: `It must lie between ${low} and ${high}${after}.`, empty: false }
  return { ok: true, value }
}

/** The number in a field, or null while there is none that can be used. */
export function numberIn(text: string, low = -Infinity, high = Infinity): number | null {
  const read = readNumber(text, low, high)
  return read.ok ? read.value : null
}
