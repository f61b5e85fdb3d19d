import { fromCanonical, type Quantity, unitOf } from './quantity'

/**
 * A number in a fixed number of decimals with a thin space between thousands and a true minus sign.
 * @param value any finite number
 * @param decimals digits after the point
 * @throws RangeError for a number that is not finite
 */
export function formatNumber(value: number, decimals: number): string {
  if (!Number.isFinite(value)) throw new RangeError(`value must be finite, got ${value}`)
  const fixed = Math.abs(value).toFixed(decimals)
  const [whole, rest] = fixed.split('.') as [string, string?]
  // four digits stay together, as in print; from five on groups of three
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(?:\d{3})+$)/g, '\u202F') : whole
  const isZero = Number(fixed) === 0
  return `${value < 0 && !isZero ? '−' : ''}${grouped}${rest === undefined ? '' : `.${rest}`}`
}

/**
 * A quantity as text with its unit, e.g. "7.5 °dH".
 * @param value in the canonical unit
 * @param unitId unit to show
 * @param decimals digits after the point; the unit's own when left out
 * @throws RangeError for an unknown unit or a value that is not finite
 */
export function formatQuantity(quantity: Quantity, value: number, unitId: string, decimals?: number): string {
  const unit = unitOf(quantity, unitId)
  return `${formatNumber(fromCanonical(quantity, value, unitId), decimals ?? unit.decimals)} ${unit.symbol}`
}

/** Decimals of the canonical unit that a field keeps: millilitres, thousandths of a degree. Nobody types finer. */
const KEPT_DECIMALS = 3

/**
 * The shortest text that reads back as the same value to a thousandth of the canonical unit, for input fields: 13.7898
 * for 52.2 L in gallons, never 13.789781133095348.
 * @param value in the canonical unit
 * @param unitId unit of the field
 */
export function editText(quantity: Quantity, value: number, unitId: string): string {
  const unit = unitOf(quantity, unitId)
  const shown = fromCanonical(quantity, value, unitId)
  for (let decimals = 0; decimals <= 15; decimals++) {
    const text = shown.toFixed(decimals)
    const back = Number(text) * unit.scale + unit.offset
    if (back.toFixed(KEPT_DECIMALS) === value.toFixed(KEPT_DECIMALS)) return text
  }
  return String(shown)
}
