import type { Water } from '#core/records'
import { molarMass } from './ions'
import { gramsPerLitreFromSalinity } from './seawater'

/**
 * Ions in one gram of dry sea salt in mmol: Reference-Composition Seawater (Millero, Feistel, Wright & McDougall 2008,
 * Deep-Sea Research I 55:50; mole fractions from memory), salinity 35.16504 g/kg holds 10.7846 g Na, 0.41208 g Ca,
 * 1.28372 g Mg, 0.39910 g K, 19.35271 g Cl, 2.71235 g SO4; alkalinity 2.3 meq.
 */
const SEA_GKG = 35.16504
const PER_GRAM = 1000 / SEA_GKG
const ions = {
  caMmolL: (0.41208 / molarMass.Ca) * PER_GRAM,
  mgMmolL: (1.28372 / molarMass.Mg) * PER_GRAM,
  naMmolL: (10.7846 / molarMass.Na) * PER_GRAM,
  kMmolL: (0.3991 / molarMass.K) * PER_GRAM,
  clMmolL: (19.35271 / molarMass.Cl) * PER_GRAM,
  so4MmolL: (2.71235 / molarMass.SO4) * PER_GRAM,
  alkalinityMeqL: 2.3 / SEA_GKG,
}

/**
 * Dry salt in a gram of sea salt from a box: it holds crystal water, 8 to 15 % more has to be weighed (from memory).
 */
export const DRY_SHARE = 0.9

/** Mass to weigh from a box for so much dry salt. */
export const fromTheBox = (dryG: number): number => dryG / DRY_SHARE

/**
 * What makes a volume of salt water: dry salt in pure water, or sea water thinned. Litres are null without sea water
 * that is strong enough.
 */
export interface SaltMix {
  dryG: number
  boxG: number
  seaL: number | null
  pureL: number | null
}

/**
 * Mixes salt water.
 * @param litres wanted, above 0
 * @param seaGKg salinity of sea water at hand; null for none
 */
export function mixSaltWater(
  litres: number,
  salinityGKg: number,
  temperatureC: number,
  seaGKg: number | null,
): SaltMix {
  if (!(litres > 0)) throw new RangeError(`litres must be above 0, got ${litres}`)
  const perLitre = gramsPerLitreFromSalinity(salinityGKg, temperatureC)
  const seaL =
    seaGKg !== null && seaGKg > salinityGKg
      ? (litres * perLitre) / gramsPerLitreFromSalinity(seaGKg, temperatureC)
      : null
  return {
    dryG: perLitre * litres,
    boxG: fromTheBox(perLitre * litres),
    seaL,
    pureL: seaL === null ? null : litres - seaL,
  }
}

/** Share of sea water of reference salinity (35.16504 g/kg). */
export const shareOfSea = (salinityGKg: number): number => salinityGKg / SEA_GKG

/**
 * The ions of dry sea salt dissolved in a litre.
 * @param gramsPerLitre 0 or more
 * @throws RangeError for a negative amount
 */
export function seaSaltIons(gramsPerLitre: number): Omit<Water, 'conductivityOffsetUsCm'> {
  if (!(gramsPerLitre >= 0)) throw new RangeError(`gramsPerLitre must be 0 or more, got ${gramsPerLitre}`)
  return {
    caMmolL: ions.caMmolL * gramsPerLitre,
    mgMmolL: ions.mgMmolL * gramsPerLitre,
    naMmolL: ions.naMmolL * gramsPerLitre,
    kMmolL: ions.kMmolL * gramsPerLitre,
    clMmolL: ions.clMmolL * gramsPerLitre,
    so4MmolL: ions.so4MmolL * gramsPerLitre,
    no3MmolL: 0,
    alkalinityMeqL: ions.alkalinityMeqL * gramsPerLitre,
    seaSaltGL: gramsPerLitre,
  }
}
