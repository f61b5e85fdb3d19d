import type { Water } from '#core/records'
import { ionicStrength, type IonKey, ionKeys, waterOf } from './ions'
import { seaSaltIons } from './seaSalt'
import { conductivityOfSalinity, salinityFromGramsPerLitre } from './seawater'

/**
 * Molar conductivity of each ion as λ(t, I) = λ°(t) − A(t)·√I/(1 + B·√I), λ° and A quadratic in °C, in mS·cm²/mol.
 * McCleskey, Nordstrom, Ryan & Ball 2012, Geochimica et Cosmochimica Acta 77:369 (coefficients from memory, checked
 * against handbook solutions in tests/reference).
 */
const coefficients: Readonly<Record<IonKey, readonly [number, number, number, number, number, number, number]>> = {
  caMmolL: [0.009645, 1.984, 62.28, 0.03174, 2.334, 132.3, 2.8],
  mgMmolL: [0.01068, 1.695, 57.16, 0.02453, 1.915, 80.5, 2.1],
  naMmolL: [0.003763, 0.877, 26.23, 0.00027, 1.141, 32.07, 1.7],
  kMmolL: [0.003046, 1.261, 40.7, 0.00535, 0.9316, 22.59, 1.5],
  clMmolL: [0.003817, 1.337, 40.99, 0.00613, 0.9469, 22.01, 1.5],
  so4MmolL: [0.01037, 2.838, 82.37, 0.03324, 5.889, 193.5, 2.6],
  no3MmolL: [0.001925, 1.214, 39.9, 0.00118, 0.5045, 23.31, 0.1],
  alkalinityMeqL: [0.000614, 0.9048, 21.14, -0.00503, 0.8957, 10.97, 0.1],
}

/**
 * Likely error of the estimate as a share (one standard deviation; from memory: ion pairs and rounded analyses add to
 * the equation's 2 %).
 */
export const CONDUCTIVITY_ERROR = 0.05

/**
 * Molar conductivity of an ion in mS·cm²/mol.
 * @param key which ion
 * @param temperatureC °C, fitted for 5 to 90
 * @param strength ionic strength in mol/L
 */
export function molarConductivity(key: IonKey, temperatureC: number, strength: number): number {
  const [a, b, c, d, e, f, g] = coefficients[key]
  const root = Math.sqrt(strength)
  const t = temperatureC
  return a * t * t + b * t + c - ((d * t * t + e * t + f) * root) / (1 + g * root)
}

/**
 * Conductivity of a water from its ions, with what a meter showed beyond them.
 * Sea salt is taken by the practical salinity scale instead, because single ions no longer add up there.
 * @param w amounts
 * @param temperatureC °C; 25 when left out, as meters report
 * @returns µS/cm, never below 0
 */
export function estimateConductivity(w: Water, temperatureC = 25): number {
  let sea = 0
  let rest = w
  if (w.seaSaltGL > 0) {
    sea = conductivityOfSalinity(salinityFromGramsPerLitre(w.seaSaltGL, temperatureC), temperatureC) * 1000
    const ions = seaSaltIons(w.seaSaltGL)
    rest = waterOf({
      conductivityOffsetUsCm: w.conductivityOffsetUsCm,
      ...Object.fromEntries(ionKeys.map(k => [k, Math.max(0, w[k] - ions[k])])),
    })
  }
  const strength = ionicStrength(rest)
  let sum = 0
  // mmol/L times mS·cm²/mol is µS/cm
  for (const key of ionKeys) sum += rest[key] * molarConductivity(key, temperatureC, strength)
  return Math.max(0, sum + sea + w.conductivityOffsetUsCm)
}
