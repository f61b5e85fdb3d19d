import type { Water } from '#core/records'

/**
 * Molar masses in g/mol, IUPAC conventional atomic weights: H 1.008, C 12.011, N 14.007, O 15.999, Na 22.98976928, Mg
 * 24.305, S 32.06, Cl 35.45, K 39.0983, Ca 40.078.
 */
const H = 1.008,
  C = 12.011,
  N = 14.007,
  O = 15.999,
  Na = 22.98976928,
  Mg = 24.305,
  S = 32.06,
  Cl = 35.45,
  K = 39.0983,
  Ca = 40.078
const water = 2 * H + O

/** Molar masses of ions and compounds in g/mol, summed from the atomic weights above. */
export const molarMass = {
  Ca,
  Mg,
  Na,
  K,
  Cl,
  SO4: S + 4 * O,
  NO3: N + 3 * O,
  HCO3: H + C + 3 * O,
  CO3: C + 3 * O,
  CO2: C + 2 * O,
  CaO: Ca + O,
  CaCO3: Ca + C + 3 * O,
  CaSO4_2H2O: Ca + S + 4 * O + 2 * water,
  CaCl2_2H2O: Ca + 2 * Cl + 2 * water,
  MgSO4_7H2O: Mg + S + 4 * O + 7 * water,
  MgCl2_6H2O: Mg + 2 * Cl + 6 * water,
  NaHCO3: Na + H + C + 3 * O,
  KHCO3: K + H + C + 3 * O,
  NaCl: Na + Cl,
  K2SO4: 2 * K + S + 4 * O,
  KCl: K + Cl,
} as const

/** The amounts of a water in a fixed order, for the arrays of solver and box. */
export const amountKeys = [
  'caMmolL',
  'mgMmolL',
  'naMmolL',
  'kMmolL',
  'clMmolL',
  'so4MmolL',
  'no3MmolL',
  'alkalinityMeqL',
  'seaSaltGL',
  'conductivityOffsetUsCm',
] as const satisfies readonly (keyof Water)[]
export type AmountKey = (typeof amountKeys)[number]

/** The amounts that are ions. Alkalinity is counted as bicarbonate, which it nearly all is between pH 6 and 8.5. */
export const ionKeys = [
  'caMmolL',
  'mgMmolL',
  'naMmolL',
  'kMmolL',
  'clMmolL',
  'so4MmolL',
  'no3MmolL',
  'alkalinityMeqL',
] as const satisfies readonly AmountKey[]
export type IonKey = (typeof ionKeys)[number]

/** Charge of each ion. */
export const charge: Readonly<Record<IonKey, number>> = {
  caMmolL: 2,
  mgMmolL: 2,
  naMmolL: 1,
  kMmolL: 1,
  clMmolL: -1,
  so4MmolL: -2,
  no3MmolL: -1,
  alkalinityMeqL: -1,
}

/** Mass of a mmol of each ion in mg. */
export const ionMass: Readonly<Record<IonKey, number>> = {
  caMmolL: Ca,
  mgMmolL: Mg,
  naMmolL: Na,
  kMmolL: K,
  clMmolL: Cl,
  so4MmolL: molarMass.SO4,
  no3MmolL: molarMass.NO3,
  alkalinityMeqL: molarMass.HCO3,
}

/** Water with nothing in it. */
export const pureWater: Readonly<Water> = Object.freeze({
  caMmolL: 0,
  mgMmolL: 0,
  naMmolL: 0,
  kMmolL: 0,
  clMmolL: 0,
  so4MmolL: 0,
  no3MmolL: 0,
  alkalinityMeqL: 0,
  seaSaltGL: 0,
  conductivityOffsetUsCm: 0,
})

/** A water from some of its amounts; the rest is nothing. */
export const waterOf = (amounts: Partial<Water>): Water => ({ ...pureWater, ...amounts })

/** Ionic strength in mol/L: half the sum of c·z². */
export function ionicStrength(w: Water): number {
  let twice = 0
  for (const key of ionKeys) twice += w[key] * charge[key] ** 2
  return twice / 2000
}

/**
 * Charges of a water and how well they balance.
 * @returns cations and anions in meq/L; `errorShare` = (cations − anions)/(cations + anions); `acceptable` by the
 * limits of Standard Methods 1030E: ±0.2 meq/L up to 3 meq/L of anions, ±2 % up to 10, ±5 % above
 */
export function chargeBalance(w: Water): {
  cationsMeqL: number
  anionsMeqL: number
  errorShare: number
  acceptable: boolean
} {
  let cations = 0
  let anions = 0
  for (const key of ionKeys) {
    if (charge[key] > 0) cations += w[key] * charge[key]
    else anions -= w[key] * charge[key]
  }
  const errorShare = cations + anions > 0 ? (cations - anions) / (cations + anions) : 0
  const acceptable =
    anions <= 3 ? Math.abs(cations - anions) <= 0.2 : Math.abs(errorShare) <= (anions <= 10 ? 0.02 : 0.05)
  return { cationsMeqL: cations, anionsMeqL: anions, errorShare, acceptable }
}
