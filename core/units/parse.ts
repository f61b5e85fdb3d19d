import { type Quantity, toCanonical } from './quantity'

/** What came of reading a typed quantity. Parsing never throws: a keeper's slip is data. */
export type ParsedQuantity =
  | { ok: true; /** in the canonical unit */ value: number; unitId: string }
  | { ok: false; issue: 'empty' | 'notANumber' | 'unknownUnit'; text: string }

/**
 * Reads "7.5", "7,5", "75 °F" or "10 US gal".
 * A single comma is a decimal comma (this is how most keepers type it); with both comma and point the comma groups thousands.
 * @param text what was typed
 * @param quantity what is expected
 * @param defaultUnitId unit of a bare number
 * @returns the value in the canonical unit, or the issue
 */
export function parseQuantity(text: string, quantity: Quantity, defaultUnitId: string): ParsedQuantity {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: false, issue: 'empty', text }
  const match = /^([+\-−]?[\d.,\s]*\d[\d.,]*(?:e[+-]?\d+)?)\s*(.*)$/i.exec(trimmed)
  if (!match) return { ok: false, issue: 'notANumber', text }
  const value = parseNumber(match[1]!)
  if (value === null) return { ok: false, issue: 'notANumber', text }
  const spelling = match[2]!.toLowerCase().replace(/[\s.]/g, '')
  const unit =
    spelling === ''
      ? quantity.units.find(u => u.id === defaultUnitId)
      : quantity.units.find(u => u.spellings.includes(spelling))
  if (!unit) return { ok: false, issue: 'unknownUnit', text }
  return { ok: true, value: toCanonical(quantity, value, unit.id), unitId: unit.id }
}

/**
 * Reads a plain number with decimal point or comma.
 * @param text e.g. "1 234.5", "7,5", "−3"
 * @returns the number, or null when the text is not one finite number
 */
export function parseNumber(text: string): number | null {
  let t = text
    .trim()
    .replace(/[\s\u202F\u00A0]/g, '')
    .replace('−', '-')
  if (t.includes(',') && t.includes('.')) t = t.replaceAll(',', '')
  else if (t.split(',').length === 2) t = t.replace(',', '.')
  if (!/^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?$/i.test(t)) return null
  const value = Number(t)
  return Number.isFinite(value) ? value : null
}
