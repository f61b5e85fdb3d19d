import type { Water } from '#core/records'
import { estimateConductivity } from './conductivity'
import { ghOf, khOf, MEQ_PER_DKH, MMOL_PER_DGH } from './hardness'
import { type AmountKey, amountKeys, molarMass } from './ions'
import { gramsPerLitreFromSalinity, salinityFromGramsPerLitre } from './seawater'

/** Values that recipes steer: what kits and probes show of a water. */
export const recipeKeys = ['ghDh', 'khDh', 'calciumMgL', 'conductivityUsCm', 'salinityGKg'] as const
export type RecipeKey = (typeof recipeKeys)[number]
export type Readouts = Record<RecipeKey, number>

/** What kits and probes would show of a water, at 25 °C. */
export function readoutsOf(w: Water): Readouts {
  return {
    ghDh: ghOf(w),
    khDh: khOf(w),
    calciumMgL: w.caMmolL * molarMass.Ca,
    conductivityUsCm: estimateConductivity(w),
    salinityGKg: w.seaSaltGL > 0 ? salinityFromGramsPerLitre(w.seaSaltGL, 25) : 0,
  }
}

/**
 * How a readout changes with each amount, near a water. Hardnesses and salinity are straight; conductivity is taken
 * straight near `w`.
 */
export type Slopes = Record<RecipeKey, Partial<Record<AmountKey, number>>>

export function slopesAt(w: Water): Slopes {
  const here = estimateConductivity(w)
  const conductivityUsCm: Partial<Record<AmountKey, number>> = {}
  for (const key of amountKeys) {
    // the ions of sea salt count through its grams: a step in both keeps them together
    const step = key === 'seaSaltGL' ? 0 : 0.02
    conductivityUsCm[key] = step === 0 ? 0 : (estimateConductivity({ ...w, [key]: w[key] + step }) - here) / step
  }
  const gramsPerGKg =
    w.seaSaltGL > 0 ? w.seaSaltGL / salinityFromGramsPerLitre(w.seaSaltGL, 25) : gramsPerLitreFromSalinity(10, 25) / 10
  return {
    ghDh: { caMmolL: 1 / MMOL_PER_DGH, mgMmolL: 1 / MMOL_PER_DGH },
    khDh: { alkalinityMeqL: 1 / MEQ_PER_DKH },
    calciumMgL: { caMmolL: molarMass.Ca },
    conductivityUsCm,
    salinityGKg: { seaSaltGL: 1 / gramsPerGKg },
  }
}
