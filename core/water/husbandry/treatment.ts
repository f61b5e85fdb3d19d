import { DAY_MS } from '#core/records'
import type { AnimalKind } from '#core/groups'

/** Active substances that the planner knows; it plans by substance and net volume, never by product. */
export const substanceIds = ['fenbendazole', 'flubendazole', 'praziquantel'] as const
export type SubstanceId = (typeof substanceIds)[number]

/** What is taken for granted of a substance. Doses are from memory: the label and the vet come first. */
export interface Substance {
  /** usual dose of active substance in mg/L */
  usualMgL: number
  /** more than this is refused */
  mostMgL: number
  against: readonly ('flatworms' | 'hydra' | 'roundworms' | 'flukes')[]
  /** kinds that are harmed: many snails die from benzimidazoles (common practice) */
  harms: readonly AnimalKind[]
  dissolves: 'badly' | 'slowly'
  secondDose: boolean
}

export const substances: Readonly<Record<SubstanceId, Substance>> = {
  // 1 g of 22.2 % granules in 100 mL, 1 mL for each US gallon (common practice) is 0.59 mg/L
  fenbendazole: {
    usualMgL: 0.6,
    mostMgL: 2.4,
    against: ['flatworms', 'hydra'],
    harms: ['snail'],
    dissolves: 'badly',
    secondDose: true,
  },
  flubendazole: {
    usualMgL: 0.5,
    mostMgL: 2,
    against: ['flatworms', 'hydra', 'roundworms'],
    harms: ['snail'],
    dissolves: 'badly',
    secondDose: true,
  },
  praziquantel: { usualMgL: 2.5, mostMgL: 10, against: ['flukes'], harms: [], dissolves: 'slowly', secondDose: true },
}

/** A dose as it is weighed and drawn up. */
export interface TreatmentDose {
  activeMg: number
  productG: number
  /** stock solution: grams of product in so many millilitres, and millilitres of it for this glass */
  stock: { productG: number; millilitres: number; doseMl: number }
}

export type TreatmentIssue = 'tooMuch' | 'badStrength' | 'badVolume'
export interface TreatmentDay {
  day: number
  atMs: number
  what: 'removeCarbon' | 'dose' | 'change' | 'secondDose' | 'carbonBack'
}
export type TreatmentPlan =
  { ok: true; dose: TreatmentDose; calendar: TreatmentDay[] } | { ok: false; issue: TreatmentIssue; most: number }

/** A syringe holds this much; larger doses call for a stronger stock. */
const SYRINGE_ML = 20
const STOCK_ML = 100
/** Two weeks: eggs survive the first dose (common practice). */
export const SECOND_DOSE_DAYS = 14
/** A part of the water goes three to five days after a dose (common practice). */
export const CHANGE_AFTER_DOSE_DAYS = 4
/** Carbon takes what is left out a day after the last change (from memory). */
export const CARBON_AFTER_DOSE_DAYS = 5

/**
 * Plans a treatment by active substance: dose for the net volume, as product and as a stock solution that a syringe can
 * measure, and the days of water change and second dose (common practice: part change after three to five days, second
 * dose two weeks after the first because eggs survive).
 * @param activeMgL wanted concentration of active substance
 * @param strength active substance in the product, share by mass
 * @param netL net litres: gross less substrate, rock and what is not filled
 * @param startMs day of the first dose
 * @param stockGPer100Ml strength of the stock in grams of product in 100 mL; chosen when left out
 */
export function planTreatment({
  substance,
  activeMgL,
  strength,
  netL,
  startMs,
  stockGPer100Ml,
}: {
  substance: SubstanceId
  activeMgL: number
  strength: number
  netL: number
  startMs: number
  stockGPer100Ml?: number
}): TreatmentPlan {
  const known = substances[substance]
  if (!(strength > 0 && strength <= 1)) return { ok: false, issue: 'badStrength', most: 1 }
  if (!(netL > 0 && netL <= 5000)) return { ok: false, issue: 'badVolume', most: 5000 }
  if (!(activeMgL > 0 && activeMgL <= known.mostMgL)) return { ok: false, issue: 'tooMuch', most: known.mostMgL }
  const activeMg = activeMgL * netL
  const productG = activeMg / strength / 1000
  const perMl =
    (stockGPer100Ml ?? [0.1, 0.2, 0.5, 1, 2, 5, 10].find(g => productG / (g / STOCK_ML) <= SYRINGE_ML) ?? 10) / STOCK_ML
  const calendar: TreatmentDay[] = []
  const on = (day: number, what: TreatmentDay['what']) => calendar.push({ day, atMs: startMs + day * DAY_MS, what })
  on(0, 'removeCarbon')
  on(0, 'dose')
  on(CHANGE_AFTER_DOSE_DAYS, 'change')
  if (known.secondDose) {
    on(SECOND_DOSE_DAYS, 'secondDose')
    on(SECOND_DOSE_DAYS + CHANGE_AFTER_DOSE_DAYS, 'change')
  }
  on((known.secondDose ? SECOND_DOSE_DAYS : 0) + CARBON_AFTER_DOSE_DAYS, 'carbonBack')
  return {
    ok: true,
    dose: {
      activeMg,
      productG,
      stock: { productG: perMl * STOCK_ML, millilitres: STOCK_ML, doseMl: productG / perMl },
    },
    calendar,
  }
}

/** Kinds in a glass that a substance harms. */
export const harmed = (substance: SubstanceId, kinds: readonly AnimalKind[]): AnimalKind[] =>
  [...new Set(kinds)].filter(k => substances[substance].harms.includes(k))
