import type { Water } from '#core/records'
import { MEQ_PER_DKH } from './hardness'
import { ionicStrength, molarMass } from './ions'

/** Equilibrium constants of the carbonate system as −log10, at a temperature. */
export interface CarbonateConstants {
  pK1: number
  pK2: number
  logKH: number
  logKcalcite: number
  logKaragonite: number
  pKw: number
}

/**
 * Constants of carbonic acid, calcite and aragonite: Plummer & Busenberg 1982, Geochimica et Cosmochimica Acta 46:1011
 * (from memory; they give 6.352, 10.329, −1.468, −8.480 and −8.336 at 25 °C). Water: Standard Methods 2330.
 * @param temperatureC 0 to 45 °C
 * @throws RangeError outside these limits
 */
export function carbonateConstants(temperatureC: number): CarbonateConstants {
  if (!(temperatureC >= 0 && temperatureC <= 45))
    throw new RangeError(`temperatureC must lie in 0 to 45, got ${temperatureC}`)
  const T = 273.15 + temperatureC
  const log = Math.log10(T)
  return {
    pK1: 356.3094 + 0.06091964 * T - 21834.37 / T - 126.8339 * log + 1684915 / T ** 2,
    pK2: 107.8871 + 0.03252849 * T - 5151.79 / T - 38.92561 * log + 563713.9 / T ** 2,
    logKH: 108.3865 + 0.01985076 * T - 6919.53 / T - 40.45154 * log + 669365 / T ** 2,
    logKcalcite: -171.9065 - 0.077993 * T + 2839.319 / T + 71.595 * log,
    logKaragonite: -171.9773 - 0.077993 * T + 2903.293 / T + 71.595 * log,
    pKw: 4470.99 / T - 6.0875 + 0.01706 * T,
  }
}

/**
 * log10 of the activity coefficient by Davies' equation, with A from the dielectric constant of water (Standard Methods
 * 2330).
 * @param strength ionic strength in mol/L, good to about 0.5
 * @param z charge
 */
export function logActivity(strength: number, z: number, temperatureC: number): number {
  const T = 273.15 + temperatureC
  const dielectric = 60954 / (T + 116) - 68.937
  const A = 1.82e6 * (dielectric * T) ** -1.5
  const root = Math.sqrt(strength)
  return -A * z * z * (root / (1 + root) - 0.3 * strength)
}

/** Carbonate species of a water of known pH and alkalinity. */
export interface CarbonateSystem {
  co2MgL: number
  hco3MmolL: number
  co3MmolL: number
  saturationCalcite: number
  saturationAragonite: number
}

/**
 * Solves the carbonate system from pH and alkalinity. pH is taken as −log of hydrogen's activity, all alkalinity as
 * carbonate and hydroxide; ion pairs are ignored (saturation then reads up to 0.1 high).
 * @param w amounts, of which Ca, alkalinity and ionic strength count
 * @param ph 3 to 11
 * @returns CO2 in mg/L, species in mmol/L, and saturation indices log10(activity product/solubility product): below 0
 * the water dissolves shells, above 0 it can lay lime down
 * @throws RangeError outside the limits
 */
export function carbonateSystem(w: Water, ph: number, temperatureC: number): CarbonateSystem {
  if (!(ph >= 3 && ph <= 11)) throw new RangeError(`ph must lie in 3 to 11, got ${ph}`)
  const k = carbonateConstants(temperatureC)
  const strength = ionicStrength(w)
  const g1 = 10 ** logActivity(strength, 1, temperatureC)
  const g2 = 10 ** logActivity(strength, 2, temperatureC)
  const h = 10 ** -ph
  const oh = 10 ** (ph - k.pKw) / g1
  const alkalinity = w.alkalinityMeqL / 1000
  // alkalinity = HCO3 + 2 CO3 + OH − H, all as concentrations
  const carbonates = Math.max(0, alkalinity - oh + h / g1)
  const co3PerHco3 = (10 ** -k.pK2 * g1) / (h * g2)
  const hco3 = carbonates / (1 + 2 * co3PerHco3)
  const co3 = hco3 * co3PerHco3
  const co2 = (h * hco3 * g1) / 10 ** -k.pK1
  const product = Math.log10(Math.max(1e-30, (w.caMmolL / 1000) * g2 * co3 * g2))
  return {
    co2MgL: co2 * molarMass.CO2 * 1000,
    hco3MmolL: hco3 * 1000,
    co3MmolL: co3 * 1000,
    saturationCalcite: product - k.logKcalcite,
    saturationAragonite: product - k.logKaragonite,
  }
}

/**
 * The hobby's rule for dissolved CO2: 3 · KH · 10^(7 − pH) mg/L. It runs 5 to 20 % under the activity-corrected value
 * and holds only where all alkalinity is carbonate.
 */
export const co2ByRule = (ph: number, khDh: number): number => 3 * khDh * 10 ** (7 - ph)

/** CO2 from pH and KH, corrected for activity. @returns mg/L */
export const co2FromPhKh = (ph: number, khDh: number, temperatureC: number, w: Water): number =>
  carbonateSystem({ ...w, alkalinityMeqL: khDh * MEQ_PER_DKH }, ph, temperatureC).co2MgL
