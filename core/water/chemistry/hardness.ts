import type { Water } from '#core/records'
import { molarMass, pureWater } from './ions'

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

/** General hardness of a water in °dH: Ca and Mg; strontium and barium are ignored. */
export const ghOf = (w: Pick<Water, 'caMmolL' | 'mgMmolL'>): number => (w.caMmolL + w.mgMmolL) / MMOL_PER_DGH

/** Carbonate hardness of a water in °dH: all of its alkalinity. */
export const khOf = (w: Pick<Water, 'alkalinityMeqL'>): number => w.alkalinityMeqL / MEQ_PER_DKH

/** A soft, otherwise pure water of a KH in °dH. */
export function waterOfKh(khDh: number): Water {
  const alkalinityMeqL = khDh * MEQ_PER_DKH
  return { ...pureWater, alkalinityMeqL, naMmolL: alkalinityMeqL }
}

/**
 * Ca to Mg by mass, the way the trade says it. 3:1 by mass is 1.82:1 by moles.
 * @returns the ratio; Infinity without magnesium, NaN without both
 */
export const caMgByMass = (w: Pick<Water, 'caMmolL' | 'mgMmolL'>): number =>
  (w.caMmolL * molarMass.Ca) / (w.mgMmolL * molarMass.Mg)

/** Calcium to magnesium by mass within which a water is right (from memory). */
export const RATIO_BAND = [1.5, 8] as const

/**
 * Calcium's part of a hardness by moles, from the ratio by mass.
 * @param ratio Ca to Mg by mass, above 0
 * @throws RangeError for a ratio that is not above 0
 */
export function calciumShare(ratio: number): number {
  if (!(ratio > 0)) throw new RangeError(`ratio must be above 0, got ${ratio}`)
  return ratio / molarMass.Ca / (ratio / molarMass.Ca + 1 / molarMass.Mg)
}

/** Ca to Mg by mass that recipes aim at where a group says nothing: the trade's usual ratio (common practice). */
export const USUAL_CA_MG = 3
