/**
 * A quantity is stored in one canonical unit everywhere; other units exist only in input fields and on screen.
 * Each unit is a straight line: canonical = value · scale + offset.
 */
export interface Unit {
  id: string
  /** as printed after a number */
  symbol: string
  /** what a keeper may type after a number, lower case, without blanks or dots */
  spellings: readonly string[]
  scale: number
  offset: number
  /** decimals shown by default */
  decimals: number
}

/** A kind of quantity with its units; the first unit is the canonical one. */
export interface Quantity<Id extends string = string> {
  id: string
  units: readonly [Unit & { id: Id }, ...(Unit & { id: Id })[]]
}

const unit = <Id extends string>(
  id: Id,
  symbol: string,
  spellings: string[],
  { decimals, scale = 1, offset = 0 }: { decimals: number; scale?: number; offset?: number },
): Unit & { id: Id } => ({ id, symbol, spellings, scale, offset, decimals })

/**
 * 1 °dH is 10 mg CaO in a litre (historical definition). Molar mass of CaO 56.077 g/mol, of CaCO3 100.086 g/mol: IUPAC
 * conventional atomic weights.
 */
const MMOL_PER_DH = 10 / 56.077
const MG_CACO3_PER_DH = MMOL_PER_DH * 100.086

/** Temperature; canonical °C. °F by definition: °C = (°F − 32) · 5/9. */
export const temperature = {
  id: 'temperature',
  units: [
    unit('c', '°C', ['°c', 'c', 'celsius', '°'], { decimals: 1 }),
    unit('f', '°F', ['°f', 'f', 'fahrenheit'], { decimals: 1, scale: 5 / 9, offset: -160 / 9 }),
  ],
} as const satisfies Quantity

/** Volume; canonical litre. US gallon 231 in³ = 3.785411784 L; imperial gallon 4.54609 L (both exact by law). */
export const volume = {
  id: 'volume',
  units: [
    unit('l', 'L', ['l', 'litre', 'litres', 'liter', 'liters', 'ltr'], { decimals: 1 }),
    unit('ml', 'mL', ['ml', 'millilitre', 'millilitres'], { decimals: 0, scale: 0.001 }),
    unit('usGal', 'US gal', ['usgal', 'gal', 'usgallon', 'usgallons', 'gallon', 'gallons'], {
      decimals: 2,
      scale: 3.785411784,
    }),
    unit('ukGal', 'UK gal', ['ukgal', 'impgal', 'ukgallon', 'ukgallons'], { decimals: 2, scale: 4.54609 }),
  ],
} as const satisfies Quantity

/** General hardness (Ca + Mg); canonical °dH. */
export const hardness = {
  id: 'hardness',
  units: [
    unit('dh', '°dH', ['°dh', 'dh', 'dgh', '°dgh', 'dkh', '°dkh', '°'], { decimals: 1 }),
    unit('mgLCaCO3', 'mg/L CaCO₃', ['mg/lcaco3', 'mg/lcaco₃', 'mg/l', 'ppm'], {
      decimals: 0,
      scale: 1 / MG_CACO3_PER_DH,
    }),
    unit('mmolL', 'mmol/L', ['mmol/l', 'mmol'], { decimals: 2, scale: 1 / MMOL_PER_DH }),
    unit('meqL', 'meq/L', ['meq/l', 'meq'], { decimals: 2, scale: 1 / (2 * MMOL_PER_DH) }),
  ],
} as const satisfies Quantity

/**
 * Alkalinity ("carbonate hardness"); canonical °dH. 1 °dKH = 20/56.077 = 0.35665 meq/L. A mole unit is left out:
 * sources disagree on what it counts.
 */
export const alkalinity = {
  id: 'alkalinity',
  units: [hardness.units[0], hardness.units[1], hardness.units[3]],
} as const satisfies Quantity

/** Conductivity at 25 °C; canonical µS/cm. */
export const conductivity = {
  id: 'conductivity',
  units: [
    unit('usCm', 'µS/cm', ['µs/cm', 'us/cm', 'μs/cm', 'µs', 'us', 'μs'], { decimals: 0 }),
    unit('msCm', 'mS/cm', ['ms/cm', 'ms'], { decimals: 3, scale: 1000 }),
  ],
} as const satisfies Quantity

/** Length; canonical centimetre. 1 in = 2.54 cm exactly. */
export const length = {
  id: 'length',
  units: [
    unit('cm', 'cm', ['cm'], { decimals: 1 }),
    unit('mm', 'mm', ['mm'], { decimals: 0, scale: 0.1 }),
    unit('inch', 'in', ['in', 'inch', 'inches', '"', '″'], { decimals: 2, scale: 2.54 }),
  ],
} as const satisfies Quantity

/** Mass; canonical gram. 1 oz avoirdupois = 28.349523125 g exactly. */
export const mass = {
  id: 'mass',
  units: [
    unit('g', 'g', ['g', 'gram', 'grams'], { decimals: 2 }),
    unit('mg', 'mg', ['mg'], { decimals: 0, scale: 0.001 }),
    unit('kg', 'kg', ['kg'], { decimals: 3, scale: 1000 }),
    unit('oz', 'oz', ['oz', 'ounce', 'ounces'], { decimals: 3, scale: 28.349523125 }),
  ],
} as const satisfies Quantity

/** All quantities by id. */
export const quantities = { temperature, volume, hardness, alkalinity, conductivity, length, mass }

/** Name of a quantity, for lookups. */
export type QuantityId = keyof typeof quantities

/** Ids of the units of a quantity. */
export type UnitId<Q extends Quantity> = Q['units'][number]['id']

/**
 * The unit of a quantity with the given id.
 * @throws RangeError for an unknown unit
 */
export function unitOf(quantity: Quantity, id: string): Unit {
  const found = quantity.units.find(u => u.id === id)
  if (!found)
    throw new RangeError(`${quantity.id} has no unit "${id}", only ${quantity.units.map(u => u.id).join(', ')}`)
  return found
}

/**
 * From a unit to the canonical one.
 * @param value in the unit named
 * @throws RangeError for an unknown unit
 */
export function toCanonical(quantity: Quantity, value: number, unitId: string): number {
  const u = unitOf(quantity, unitId)
  return value * u.scale + u.offset
}

/**
 * From the canonical unit to another.
 * @param value in the canonical unit
 * @throws RangeError for an unknown unit
 */
export function fromCanonical(quantity: Quantity, value: number, unitId: string): number {
  const u = unitOf(quantity, unitId)
  return (value - u.offset) / u.scale
}
