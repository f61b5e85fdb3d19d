/**
 * Density of sea water and pure water at the surface: the international equation of state EOS-80 (UNESCO 1981,
 * Technical Papers in Marine Science 36; Millero & Poisson 1981). Conductivity: practical salinity scale PSS-78 with
 * the extension of Hill, Dauphinee & Woods 1986 below 2. Checked in tests/reference against TEOS-10.
 *
 * Salinity on screen is g/kg. Practical salinity is taken as g/kg · 35/35.16504 (reference composition, no regional
 * anomaly).
 */
const G_KG_PER_PRACTICAL = 35.16504 / 35
/** Conductivity of sea water of practical salinity 35 at 15 °C in mS/cm (PSS-78 with IPTS-68, as in TEOS-10). */
const C_35_15 = 42.914

/** The older temperature scale of the equations; 0.024 % apart from today's. */
const t68 = (t90: number): number => t90 * 1.00024

const limits = (name: string, value: number, low: number, high: number): void => {
  if (!(value >= low && value <= high)) throw new RangeError(`${name} must lie in ${low} to ${high}, got ${value}`)
}

/**
 * Density at the surface.
 * @param salinityGKg 0 to 60 g/kg (the equation is fitted to 42)
 * @param temperatureC −2 to 45 °C
 * @returns kg/m³
 * @throws RangeError outside these limits
 */
export function seaDensity(salinityGKg: number, temperatureC: number): number {
  limits('salinityGKg', salinityGKg, 0, 60)
  limits('temperatureC', temperatureC, -2, 45)
  const s = salinityGKg / G_KG_PER_PRACTICAL
  const t = t68(temperatureC)
  const pure =
    999.842594 + t * (6.793952e-2 + t * (-9.09529e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))))
  const a = 8.24493e-1 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)))
  const b = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6)
  return pure + a * s + b * s ** 1.5 + 4.8314e-4 * s * s
}

/**
 * Which two temperatures a specific gravity compares: the water's own ("same"), or pure water at a fixed one. They
 * differ by up to 0.003, that is 4 g/kg.
 */
export type GravityReference = 'same' | '4' | '15' | '60F' | '20' | '25'
/** Pure water that the hydrometer was made for, °C. 4 °C means the greatest density. */
const referenceC: Readonly<Record<Exclude<GravityReference, 'same'>, number>> = {
  4: 3.98,
  15: 15,
  '60F': 15.5556,
  20: 20,
  25: 25,
}

/**
 * Specific gravity: density of the water at its temperature by that of pure water at the reference.
 * @param reference the marks on the hydrometer; "25/25" is `same` measured at 25 °C
 * @throws RangeError outside the limits of `seaDensity`
 */
export function specificGravity(salinityGKg: number, temperatureC: number, reference: GravityReference): number {
  return (
    seaDensity(salinityGKg, temperatureC) / seaDensity(0, reference === 'same' ? temperatureC : referenceC[reference])
  )
}

/**
 * Salinity from a specific gravity, by bisection (density rises with salinity everywhere).
 * @returns g/kg, or null when no salinity from 0 to 60 g/kg gives this reading
 * @throws RangeError for a temperature outside −2 to 45 °C
 */
export function salinityFromGravity(gravity: number, temperatureC: number, reference: GravityReference): number | null {
  return bisect(s => specificGravity(s, temperatureC, reference), gravity, 0, 60)
}

/**
 * Practical salinity from the conductivity ratio (PSS-78), for all salinities down to 0 (Hill et al. 1986).
 * @param conductivityMsCm at the measuring temperature, not compensated
 * @param temperatureC −2 to 35 °C
 * @returns salinity in g/kg
 * @throws RangeError outside the limits
 */
export function salinityFromConductivity(conductivityMsCm: number, temperatureC: number): number {
  limits('conductivityMsCm', conductivityMsCm, 0, 120)
  limits('temperatureC', temperatureC, -2, 35)
  const t = t68(temperatureC)
  return practical(conductivityMsCm / C_35_15 / ratioOfTemperature(t), t) * G_KG_PER_PRACTICAL
}

/**
 * Conductivity of sea water or dilute sea water at a temperature, the inverse of `salinityFromConductivity`.
 * @param salinityGKg 0 to 42 g/kg
 * @param temperatureC −2 to 35 °C
 * @returns mS/cm at that temperature
 * @throws RangeError outside the limits
 */
export function conductivityOfSalinity(salinityGKg: number, temperatureC: number): number {
  limits('salinityGKg', salinityGKg, 0, 42)
  return bisect(c => salinityFromConductivity(c, temperatureC), salinityGKg, 0, 90) ?? 0
}

/**
 * Salinity of water with so many grams of dry sea salt in a litre of it.
 * @throws RangeError for more than a litre of sea water holds
 */
export function salinityFromGramsPerLitre(gramsPerLitre: number, temperatureC: number): number {
  const found = bisect(s => gramsPerLitreFromSalinity(s, temperatureC), gramsPerLitre, 0, 60)
  if (found === null) throw new RangeError(`gramsPerLitre must lie in 0 to 62, got ${gramsPerLitre}`)
  return found
}

/** Grams of dry sea salt in a litre of water of a salinity. */
export const gramsPerLitreFromSalinity = (salinityGKg: number, temperatureC: number): number =>
  (salinityGKg * seaDensity(salinityGKg, temperatureC)) / 1000

function ratioOfTemperature(t: number): number {
  return 0.6766097 + t * (2.00564e-2 + t * (1.104259e-4 + t * (-6.9698e-7 + t * 1.0031e-9)))
}

function practical(rt: number, t: number): number {
  const full = pss78(rt, t)
  if (full >= 2) return full
  // scaled so that the two equations meet at 2, as TEOS-10 does it
  const meet = bisect(r => pss78(r, t), 2, 0, 1) ?? 0
  return Math.max(0, (hill(rt, t, full) * 2) / hill(meet, t, 2))
}

function pss78(rt: number, t: number): number {
  const q = Math.sqrt(rt)
  const s = 0.008 + q * (-0.1692 + q * (25.3851 + q * (14.0941 + q * (-7.0261 + q * 2.7081))))
  const ds = 0.0005 + q * (-0.0056 + q * (-0.0066 + q * (-0.0375 + q * (0.0636 - q * 0.0144))))
  return s + ((t - 15) / (1 + 0.0162 * (t - 15))) * ds
}

function hill(rt: number, t: number, full: number): number {
  const x = 400 * rt
  const y = 100 * rt
  const f = (t - 15) / (1 + 0.0162 * (t - 15))
  return full - 0.008 / (1 + 1.5 * x + x * x) - (0.0005 * f) / (1 + Math.sqrt(y) + y + y ** 1.5)
}

/** Where a rising function takes a value; null when it does not between the ends (to one part in 10⁷ of the ends). */
function bisect(f: (x: number) => number, wanted: number, low: number, high: number): number | null {
  const slack = 1e-7 * Math.max(1, Math.abs(wanted))
  if (!(wanted >= f(low) - slack && wanted <= f(high) + slack)) return null
  let a = low
  let b = high
  for (let i = 0; i < 60; i++) {
    const middle = (a + b) / 2
    if (f(middle) < wanted) a = middle
    else b = middle
  }
  return (a + b) / 2
}

/**
 * Pure water that thins sea water to a lower salinity, by mass of salt.
 * @param volumeL litres at the first salinity
 * @returns kilograms (litres, near enough) of pure water to add
 * @throws RangeError when the wanted salinity is not above 0 and below the present one
 */
export function pureWaterToDilute(volumeL: number, fromGKg: number, toGKg: number, temperatureC: number): number {
  if (!(toGKg > 0 && toGKg < fromGKg)) throw new RangeError(`toGKg must lie above 0 and below ${fromGKg}, got ${toGKg}`)
  const massKg = (volumeL * seaDensity(fromGKg, temperatureC)) / 1000
  return massKg * (fromGKg / toGKg - 1)
}

/**
 * Sea water that is taken out and replaced by as much pure water, so that the level stays, to come to a lower salinity.
 * Less than what thinning by filling up takes, where the salt stays in the glass.
 * @param volumeL litres in the glass, before and after
 * @returns litres out and in
 * @throws RangeError when the wanted salinity is not above 0 and below the present one
 */
export function pureWaterToExchange(volumeL: number, fromGKg: number, toGKg: number, temperatureC: number): number {
  if (!(toGKg > 0 && toGKg < fromGKg)) throw new RangeError(`toGKg must lie above 0 and below ${fromGKg}, got ${toGKg}`)
  const gramsPerL = (s: number) => (s * seaDensity(s, temperatureC)) / 1000
  return volumeL * (1 - gramsPerL(toGKg) / gramsPerL(fromGKg))
}

/**
 * Dry sea salt that brings water to a higher salinity, by mass of salt.
 * @param volumeL litres at the first salinity
 * @returns grams of dry salt
 * @throws RangeError when the wanted salinity is not above the present one
 */
export function seaSaltToRaise(volumeL: number, fromGKg: number, toGKg: number, temperatureC: number): number {
  if (!(toGKg > fromGKg)) throw new RangeError(`toGKg must lie above ${fromGKg}, got ${toGKg}`)
  const massKg = (volumeL * seaDensity(fromGKg, temperatureC)) / 1000
  return (massKg * 1000 * (toGKg - fromGKg)) / (1000 - toGKg)
}
