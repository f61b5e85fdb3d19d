import type { SaltId, MineralContent, Water } from '#core/records'
import { calciumShare, MEQ_PER_DKH, MMOL_PER_DGH } from './hardness'
import { amountKeys, molarMass, pureWater, waterOf } from './ions'
import { estimateConductivity } from './conductivity'
import { DRY_SHARE, seaSaltIons } from './seaSalt'

/**
 * How a solid goes into tank water. Stones and powders of calcium carbonate hardly dissolve near neutral pH: they are
 * media, not doses.
 */
export type Dissolving = 'readily' | 'slowly' | 'hardly'

/** Chemistry of a salt. Solubility is grams in a litre at 20 °C (CRC Handbook, from memory). */
export interface Salt {
  formula: string
  molarMass: number
  perMole: Partial<Water>
  solubilityGL: number
  dissolving: Dissolving
}

/** All salts by id; amounts are mmol (meq for alkalinity) released by one mmol. */
export const salts: Readonly<Record<SaltId, Salt>> = {
  // counted as bicarbonate: CaCO3 + CO2 + H2O → Ca + 2 HCO3
  calciumCarbonate: {
    formula: 'CaCO₃',
    molarMass: molarMass.CaCO3,
    perMole: { caMmolL: 1, alkalinityMeqL: 2 },
    solubilityGL: 0.014,
    dissolving: 'hardly',
  },
  calciumSulfateDihydrate: {
    formula: 'CaSO₄·2H₂O',
    molarMass: molarMass.CaSO4_2H2O,
    perMole: { caMmolL: 1, so4MmolL: 1 },
    solubilityGL: 2.4,
    dissolving: 'slowly',
  },
  calciumChlorideDihydrate: {
    formula: 'CaCl₂·2H₂O',
    molarMass: molarMass.CaCl2_2H2O,
    perMole: { caMmolL: 1, clMmolL: 2 },
    solubilityGL: 980,
    dissolving: 'readily',
  },
  magnesiumSulfateHeptahydrate: {
    formula: 'MgSO₄·7H₂O',
    molarMass: molarMass.MgSO4_7H2O,
    perMole: { mgMmolL: 1, so4MmolL: 1 },
    solubilityGL: 710,
    dissolving: 'readily',
  },
  magnesiumChlorideHexahydrate: {
    formula: 'MgCl₂·6H₂O',
    molarMass: molarMass.MgCl2_6H2O,
    perMole: { mgMmolL: 1, clMmolL: 2 },
    solubilityGL: 1670,
    dissolving: 'readily',
  },
  sodiumBicarbonate: {
    formula: 'NaHCO₃',
    molarMass: molarMass.NaHCO3,
    perMole: { naMmolL: 1, alkalinityMeqL: 1 },
    solubilityGL: 96,
    dissolving: 'readily',
  },
  potassiumBicarbonate: {
    formula: 'KHCO₃',
    molarMass: molarMass.KHCO3,
    perMole: { kMmolL: 1, alkalinityMeqL: 1 },
    solubilityGL: 337,
    dissolving: 'readily',
  },
  sodiumChloride: {
    formula: 'NaCl',
    molarMass: molarMass.NaCl,
    perMole: { naMmolL: 1, clMmolL: 1 },
    solubilityGL: 359,
    dissolving: 'readily',
  },
  potassiumSulfate: {
    formula: 'K₂SO₄',
    molarMass: molarMass.K2SO4,
    perMole: { kMmolL: 2, so4MmolL: 1 },
    solubilityGL: 111,
    dissolving: 'readily',
  },
  seaSalt: { formula: 'sea salt', molarMass: Number.NaN, perMole: {}, solubilityGL: 300, dissolving: 'readily' },
}

/** What one gram of something on the shelf adds to one litre, and how it dissolves. */
export interface Dose {
  perGramL: Water
  solubilityGL: number
  dissolving: Dissolving
}

/** A typical mineral mix dissolves like the chlorides and sulfates that it is made of (from memory). */
const MIX_SOLUBILITY = 50

/**
 * What one gram of a box's content adds to a litre.
 * Of a mix only what it raises is known: its hardness is split by its Ca to Mg ratio, and the other ions are chosen so
 * that charges balance (sodium for surplus alkalinity, chloride for surplus hardness); what its conductivity differs
 * from theirs is kept as an offset.
 */
export function doseOf(content: MineralContent): Dose {
  if (content.by === 'salt') {
    const salt = salts[content.salt]
    const perGramL =
      content.salt === 'seaSalt'
        ? waterOf(seaSaltIons(DRY_SHARE))
        : waterOf(Object.fromEntries(amountKeys.map(k => [k, ((salt.perMole[k] ?? 0) * 1000) / salt.molarMass])))
    return { perGramL, solubilityGL: salt.solubilityGL, dissolving: salt.dissolving }
  }
  const hardness = content.ghDh * MMOL_PER_DGH
  const share = calciumShare(content.caMgByMass)
  const alkalinityMeqL = content.khDh * MEQ_PER_DKH
  const spare = 2 * hardness - alkalinityMeqL
  const ions = waterOf({
    caMmolL: hardness * share,
    mgMmolL: hardness * (1 - share),
    alkalinityMeqL,
    naMmolL: Math.max(0, -spare),
    clMmolL: Math.max(0, spare),
  })
  // conductivity bends: compare at the strength of tank water, not at a whole gram in a litre
  const gramsL = content.conductivityUsCm > 0 ? 250 / content.conductivityUsCm : 0
  const explained = gramsL > 0 ? estimateConductivity(scaled(ions, gramsL)) / gramsL : 0
  return {
    perGramL: {
      ...ions,
      conductivityOffsetUsCm: content.conductivityUsCm > 0 ? content.conductivityUsCm - explained : 0,
    },
    solubilityGL: MIX_SOLUBILITY,
    dissolving: 'readily',
  }
}

/** All amounts times a factor. */
export function scaled(w: Water, factor: number): Water {
  const out: Water = { ...pureWater }
  for (const key of amountKeys) out[key] = w[key] * factor
  return out
}
