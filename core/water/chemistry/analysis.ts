import type { Analysis, AnalysisKey, Water } from '#core/records'
import { CONDUCTIVITY_ERROR, estimateConductivity } from './conductivity'
import { calciumShare, MEQ_PER_DKH, MMOL_PER_DGH } from './hardness'
import { type AmountKey, amountKeys, charge, chargeBalance, ionKeys, molarMass, pureWater, waterOf } from './ions'
import { seaSaltIons } from './seaSalt'
import { gramsPerLitreFromSalinity } from './seawater'

/** What had to be assumed to complete a partial analysis; the sentences are in app/words. */
export type Assumption =
  | 'caMgSplit'
  | 'hardnessFromConductivity'
  | 'noHardness'
  | 'alkalinityUnknown'
  | 'sodiumBalances'
  | 'chlorideSulfateSplit'
  | 'sodiumChlorideForConductivity'
  | 'seaSaltProportions'

/** An analysis made whole: what was measured is kept apart from what follows. */
export interface CompletedAnalysis {
  water: Water
  /** lowest and highest value of each amount over the assumptions that the analysis leaves open */
  range: Record<AmountKey, readonly [number, number]>
  measured: AnalysisKey[]
  assumptions: Assumption[]
  /** charges of what was measured, when both sides were */
  balance: ReturnType<typeof chargeBalance> | null
  /**
   * measured conductivity by estimated, when measured ions leave nothing open and the two differ by more than their
   * error
   */
  conductivityMismatch: number | null
}

/** Ways to fill what is open: Ca's part of GH by moles, and chloride's part of the anions that are left. */
interface Guess {
  caShare: number
  chlorideShare: number
  alkalinityOfHardness: number
}
/** From memory: fresh waters lie between 60 and 90 % Ca; the trade's 3:1 by mass is 65 %, most taps lie higher. */
const usual: Guess = { caShare: 0.78, chlorideShare: 0.5, alkalinityOfHardness: 0.7 }
const corners: readonly Guess[] = [0.6, 0.92].flatMap(caShare =>
  [0.15, 0.85].flatMap(chlorideShare =>
    [0.2, 1].map(alkalinityOfHardness => ({ caShare, chlorideShare, alkalinityOfHardness })),
  ),
)

/**
 * Completes what is known of a water to a whole set of amounts, with stated assumptions and a range.
 * GH without calcium is split as in most taps; charges that are left are balanced by sodium, or by chloride and
 * sulfate; conductivity that the ions do not explain is taken as sodium chloride. Nothing measured is changed.
 * @param values measured values; an empty set is pure water
 * @param options.caMgByMass Ca to Mg that is known otherwise, e.g. of the mix the water was made with
 */
export function completeAnalysis(values: Analysis['values'], options: { caMgByMass?: number } = {}): CompletedAnalysis {
  const measured = (Object.keys(values) as AnalysisKey[]).filter(k => values[k] !== undefined)
  const typical = options.caMgByMass === undefined ? usual : { ...usual, caShare: calciumShare(options.caMgByMass) }
  const { water, assumptions } = fill(values, typical)
  const range = Object.fromEntries(amountKeys.map(k => [k, [water[k], water[k]]])) as Record<
    AmountKey,
    [number, number]
  >
  for (const guess of corners) {
    const other = fill(values, options.caMgByMass === undefined ? guess : { ...guess, caShare: typical.caShare }).water
    for (const key of amountKeys)
      range[key] = [Math.min(range[key][0], other[key]), Math.max(range[key][1], other[key])]
  }
  const has = (...keys: AnalysisKey[]) => keys.every(k => values[k] !== undefined)
  const complete =
    has('khDh', 'sodiumMgL', 'chlorideMgL', 'sulfateMgL') &&
    (has('calciumMgL', 'magnesiumMgL') || (has('ghDh') && (has('calciumMgL') || has('magnesiumMgL'))))
  const estimated = estimateConductivity({ ...water, conductivityOffsetUsCm: 0 })
  const ratio = values.conductivityUsCm !== undefined && estimated > 0 ? values.conductivityUsCm / estimated : 1
  return {
    water,
    range,
    measured,
    assumptions,
    balance: complete ? chargeBalance(water) : null,
    conductivityMismatch: complete && Math.abs(ratio - 1) > 2 * CONDUCTIVITY_ERROR ? ratio : null,
  }
}

function fill(v: Analysis['values'], guess: Guess): { water: Water; assumptions: Assumption[] } {
  const assumptions: Assumption[] = []
  if ((v.salinityGKg ?? 0) >= 1) {
    // brackish and sea water: the salt's own proportions, and the alkalinity that was measured
    const water = waterOf(seaSaltIons(gramsPerLitreFromSalinity(v.salinityGKg!, 25)))
    if (v.khDh !== undefined) water.alkalinityMeqL = v.khDh * MEQ_PER_DKH
    if (v.nitrateMgL !== undefined) water.no3MmolL = v.nitrateMgL / molarMass.NO3
    return { water, assumptions: ['seaSaltProportions'] }
  }
  const w: Water = { ...pureWater }
  const ca = v.calciumMgL === undefined ? undefined : v.calciumMgL / molarMass.Ca
  const mg = v.magnesiumMgL === undefined ? undefined : v.magnesiumMgL / molarMass.Mg
  let hardness = v.ghDh === undefined ? undefined : v.ghDh * MMOL_PER_DGH
  if (
    hardness === undefined &&
    (ca === undefined || mg === undefined) &&
    v.conductivityUsCm !== undefined &&
    v.khDh === undefined
  ) {
    // nothing but conductivity: calcium bicarbonate and a little of the rest give about 33 µS/cm for a degree (from
    // memory)
    hardness = (v.conductivityUsCm / 33) * MMOL_PER_DGH * 0.9
    assumptions.push('hardnessFromConductivity')
  } else if (hardness === undefined && ca === undefined && mg === undefined && v.khDh !== undefined)
    assumptions.push('noHardness')
  w.caMmolL =
    ca ?? (hardness === undefined ? 0 : mg === undefined ? hardness * guess.caShare : Math.max(0, hardness - mg))
  w.mgMmolL =
    mg ??
    (hardness === undefined
      ? ca === undefined
        ? 0
        : (ca * (1 - guess.caShare)) / guess.caShare
      : Math.max(0, hardness - w.caMmolL))
  if ((ca === undefined) !== (mg === undefined) ? hardness === undefined : ca === undefined && (hardness ?? 0) > 0)
    assumptions.push('caMgSplit')
  w.naMmolL = v.sodiumMgL === undefined ? 0 : v.sodiumMgL / molarMass.Na
  w.kMmolL = v.potassiumMgL === undefined ? 0 : v.potassiumMgL / molarMass.K
  w.clMmolL = v.chlorideMgL === undefined ? 0 : v.chlorideMgL / molarMass.Cl
  w.so4MmolL = v.sulfateMgL === undefined ? 0 : v.sulfateMgL / molarMass.SO4
  w.no3MmolL = v.nitrateMgL === undefined ? 0 : v.nitrateMgL / molarMass.NO3
  if (v.khDh !== undefined) w.alkalinityMeqL = v.khDh * MEQ_PER_DKH
  else if (w.caMmolL + w.mgMmolL > 0) {
    w.alkalinityMeqL = 2 * (w.caMmolL + w.mgMmolL) * guess.alkalinityOfHardness
    assumptions.push('alkalinityUnknown')
  }
  balance(w, v, guess, assumptions)
  if (v.conductivityUsCm !== undefined) explainConductivity(w, v, assumptions)
  return { water: w, assumptions }
}

/** Fills the charges that are missing with ions that were not measured. */
function balance(w: Water, v: Analysis['values'], guess: Guess, assumptions: Assumption[]): void {
  let spare = 0
  for (const key of ionKeys) spare += w[key] * charge[key]
  if (spare < -1e-9 && v.sodiumMgL === undefined) {
    w.naMmolL -= spare
    assumptions.push('sodiumBalances')
  }
  if (spare > 1e-9) {
    const chloride = v.chlorideMgL === undefined
    const sulfate = v.sulfateMgL === undefined
    const share = chloride && sulfate ? guess.chlorideShare : chloride ? 1 : 0
    if (chloride) w.clMmolL += spare * share
    if (sulfate) w.so4MmolL += (spare * (1 - share)) / 2
    if (chloride && sulfate) assumptions.push('chlorideSulfateSplit')
  }
}

/** Conductivity beyond what the ions give is sodium chloride where both are open, and an offset otherwise. */
function explainConductivity(w: Water, v: Analysis['values'], assumptions: Assumption[]): void {
  const wanted = v.conductivityUsCm!
  const open = v.sodiumMgL === undefined && v.chlorideMgL === undefined
  if (open && wanted > estimateConductivity(w) * 1.02 + 1) {
    // two steps of Newton's method: conductivity of NaCl is nearly straight at these strengths
    for (let i = 0; i < 4; i++) {
      const missing = wanted - estimateConductivity(w)
      const more = Math.max(-Math.min(w.naMmolL, w.clMmolL), missing / 115)
      w.naMmolL += more
      w.clMmolL += more
    }
    assumptions.push('sodiumChlorideForConductivity')
  }
  w.conductivityOffsetUsCm = wanted - estimateConductivity(w)
}

/**
 * Brings a reckoned water in line with new readings: what was measured is set, the rest is kept in its proportions, and
 * charges are balanced by sodium and chloride.
 * @param w water as reckoned so far
 * @param values new readings; values that are missing stay
 */
export function adjustTo(
  w: Water,
  values: Pick<Analysis['values'], 'ghDh' | 'khDh' | 'conductivityUsCm' | 'calciumMgL' | 'salinityGKg' | 'nitrateMgL'>,
): Water {
  if ((values.salinityGKg ?? 0) >= 1) return completeAnalysis(values).water
  const out: Water = { ...w }
  if (values.salinityGKg !== undefined) out.seaSaltGL = 0
  const hardness = w.caMmolL + w.mgMmolL
  if (values.ghDh !== undefined) {
    const wanted = values.ghDh * MMOL_PER_DGH
    const share = hardness > 0 ? w.caMmolL / hardness : usual.caShare
    out.caMmolL = wanted * share
    out.mgMmolL = wanted * (1 - share)
  }
  if (values.calciumMgL !== undefined) {
    const whole = out.caMmolL + out.mgMmolL
    out.caMmolL = values.calciumMgL / molarMass.Ca
    if (values.ghDh !== undefined) out.mgMmolL = Math.max(0, whole - out.caMmolL)
  }
  if (values.khDh !== undefined) out.alkalinityMeqL = values.khDh * MEQ_PER_DKH
  if (values.nitrateMgL !== undefined) out.no3MmolL = values.nitrateMgL / molarMass.NO3
  const { cationsMeqL, anionsMeqL } = chargeBalance(out)
  const spare = cationsMeqL - anionsMeqL
  if (spare > 0) {
    const fromSodium = Math.min(out.naMmolL, spare)
    out.naMmolL -= fromSodium
    out.clMmolL += spare - fromSodium
  } else {
    const fromChloride = Math.min(out.clMmolL, -spare)
    out.clMmolL -= fromChloride
    out.naMmolL += -spare - fromChloride
  }
  if (values.conductivityUsCm !== undefined) {
    out.conductivityOffsetUsCm = 0
    explainConductivity(out, { conductivityUsCm: values.conductivityUsCm }, [])
  }
  return out
}
