/** Molar masses in g/mol from IUPAC conventional atomic weights (H 1.008, C 12.011, O 15.999, Na 22.98976928, Mg 24.305, S 32.06, Cl 35.45, Ca 40.078). */
export const molarMass = {
  CaO: 56.077,
  Ca: 40.078,
  Mg: 24.305,
  NaHCO3: 84.00576928,
  CaCl2_2H2O: 147.008,
  MgSO4_7H2O: 246.466,
} as const

/** mmol/L of calcium and magnesium together in one degree of general hardness: 10 mg/L CaO by definition. */
export const MMOL_PER_DGH = 10 / molarMass.CaO

/** meq/L of alkalinity in one degree of carbonate hardness. */
export const MEQ_PER_DKH = 20 / molarMass.CaO

/**
 * General hardness from calcium and magnesium.
 * @param calciumMgL Ca in mg/L
 * @param magnesiumMgL Mg in mg/L
 * @returns °dH
 * @throws RangeError for negative amounts
 */
export function hardnessFromIons(calciumMgL: number, magnesiumMgL: number): number {
  if (!(calciumMgL >= 0)) throw new RangeError(`calciumMgL must be 0 or more, got ${calciumMgL}`)
  if (!(magnesiumMgL >= 0)) throw new RangeError(`magnesiumMgL must be 0 or more, got ${magnesiumMgL}`)
  return (calciumMgL / molarMass.Ca + magnesiumMgL / molarMass.Mg) / MMOL_PER_DGH
}

/** Salts of the first recipes: all dissolve fully at these doses. Calcium carbonate is left out on purpose, it hardly dissolves in neutral water. */
export type Salt = 'calciumChlorideDihydrate' | 'magnesiumSulfateHeptahydrate' | 'sodiumBicarbonate'

/**
 * Share of calcium in the hardness that recipes add, by moles: Ca to Mg is 3 to 1 by mass, the trade's usual ratio
 * (common practice), which is 1.82 to 1 by moles.
 */
export const CALCIUM_SHARE = (3 / molarMass.Ca) / (3 / molarMass.Ca + 1 / molarMass.Mg)

/**
 * Grams of salts that raise a volume of water by degrees of GH and KH.
 * @param ghDh degrees of general hardness to add, zero or more
 * @param khDh degrees of carbonate hardness to add, zero or more
 * @param volumeL litres of water
 * @returns grams of each salt
 * @throws RangeError for negative numbers
 */
export function saltsFor(ghDh: number, khDh: number, volumeL: number): Record<Salt, number> {
  for (const [name, v] of Object.entries({ ghDh, khDh, volumeL })) if (!(v >= 0)) throw new RangeError(`${name} must be 0 or more, got ${v}`)
  const mmol = ghDh * MMOL_PER_DGH * volumeL
  return {
    calciumChlorideDihydrate: mmol * CALCIUM_SHARE * molarMass.CaCl2_2H2O / 1000,
    magnesiumSulfateHeptahydrate: mmol * (1 - CALCIUM_SHARE) * molarMass.MgSO4_7H2O / 1000,
    sodiumBicarbonate: khDh * MEQ_PER_DKH * volumeL * molarMass.NaHCO3 / 1000,
  }
}
