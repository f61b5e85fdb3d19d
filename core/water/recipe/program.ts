import type { Water } from '#core/records'
import { USUAL_CA_MG } from '../chemistry/hardness'
import { type AmountKey, amountKeys, molarMass } from '../chemistry/ions'
import type { Dose } from '../chemistry/salts'
import type { Goals } from './goals'
import { type Readouts, readoutsOf, type RecipeKey, recipeKeys, type Slopes } from '../chemistry/readouts'
import { importance } from './weights'

/** One change as a question for linear programming. */
export interface ChangeQuestion {
  tank: Water
  netL: number
  changeL: number
  sources: readonly { water: Water; maxL?: number }[]
  doses: readonly { dose: Dose; maxG?: number }[]
  goals: Goals
  /** largest change of each value in this one change; nothing for a first fill */
  step: Partial<Readouts>
  /** litres of each source, when they are settled already */
  fixedL?: readonly number[]
}

/**
 * A linear program: minimise cost·x with x ≥ 0 and low ≤ row·x ≤ high. Rows hold coefficients by variable; no entry is
 * 0.
 */
export interface LinearProgram {
  /** names of the variables, for reading */
  variables: string[]
  cost: number[]
  rows: { name: string; coefficients: Map<number, number>; low: number; high: number }[]
}

/** Cost of a mmol of sodium and of potassium in a litre of tank: kept low where there is a choice (from memory). */
const SODIUM_COST = 0.06
const POTASSIUM_COST = 0.12
/**
 * Cost of a mg/L in the bucket by which the salts that are added miss the usual calcium to magnesium: they are kept in
 * that ratio.
 */
const ADDED_RATIO_COST = 0.004
/**
 * Calcium to magnesium by mass outside which the bucket as a whole is put right, and what a mg/L of it costs (from
 * memory).
 */
const RATIO_BAND = [1.5, 8] as const
const BAND_COST = 0.012
/** Cost of a gram: of equal recipes the one with fewer salts and more of the keeper's own water. */
const GRAM_COST = 1e-4
/** A box is never dissolved to more than half its solubility: it has to go in within minutes. */
const SOLUBLE_SHARE = 0.5

/**
 * Sets up one change: litres of each source and grams of each salt are the variables, with one pair of variables for
 * what
 * each goal is missed by. Amounts are conserved: tank after = tank·(1 − V/N) + Σ litres·source/N + Σ grams·dose/N.
 * The result is a least-absolute-deviations fit with bounds (Charnes, Cooper & Ferguson 1955).
 * @param slopes how readouts follow from amounts near `near`
 */
export function changeProgram(q: ChangeQuestion, slopes: Slopes, near: Water): LinearProgram {
  const variables: string[] = []
  const cost: number[] = []
  const rows: LinearProgram['rows'] = []
  const variable = (name: string, price: number): number => {
    variables.push(name)
    return cost.push(price) - 1
  }
  const kept = 1 - q.changeL / q.netL
  const columns: { water: Water }[] = []
  const price = (w: Water) => (SODIUM_COST * w.naMmolL + POTASSIUM_COST * w.kMmolL) / q.netL
  const litres = q.sources.map((s, i) => {
    columns.push({ water: s.water })
    return variable(`litres ${i}`, price(s.water))
  })
  const usable = q.doses.map((d, i) => {
    const index = variable(`grams ${i}`, price(d.dose.perGramL) + GRAM_COST)
    columns.push({ water: d.dose.perGramL })
    return index
  })
  // settled litres fill the bucket already: asking twice, to the last bit, would leave no room for their rounding
  if (!q.fixedL)
    rows.push({ name: 'bucket', coefficients: new Map(litres.map(i => [i, 1])), low: q.changeL, high: q.changeL })
  q.sources.forEach((s, i) => {
    const fixed = q.fixedL?.[i]
    if (fixed !== undefined)
      rows.push({ name: `fixed ${i}`, coefficients: new Map([[litres[i]!, 1]]), low: fixed, high: fixed })
    else if (s.maxL !== undefined)
      rows.push({ name: `litres ${i}`, coefficients: new Map([[litres[i]!, 1]]), low: 0, high: s.maxL })
  })
  q.doses.forEach((d, i) => {
    const soluble = d.dose.dissolving === 'hardly' ? 0 : d.dose.solubilityGL * q.changeL * SOLUBLE_SHARE
    rows.push({
      name: `grams ${i}`,
      coefficients: new Map([[usable[i]!, 1]]),
      low: 0,
      high: Math.min(soluble, d.maxG ?? Infinity),
    })
  })

  const nearReadouts = readoutsOf(near)
  const before = readoutsOf(q.tank)
  /** a sum of amounts in the tank after the change, as coefficients and the part that does not depend on them */
  const after = (weights: Partial<Record<AmountKey, number>>) => {
    const coefficients = new Map<number, number>()
    let constant = 0
    for (const key of amountKeys) {
      const weight = weights[key]
      if (!weight) continue
      constant += weight * kept * q.tank[key]
      columns.forEach(({ water }, i) => {
        if (water[key] !== 0) coefficients.set(i, (coefficients.get(i) ?? 0) + (weight * water[key]) / q.netL)
      })
    }
    return { coefficients, constant }
  }
  for (const key of recipeKeys) {
    const goal = q.goals[key]
    const step = q.step[key]
    if (!goal && step === undefined) continue
    const sum = after(slopes[key])
    // straight through the point where the slopes were taken
    let atNear = 0
    for (const amount of amountKeys) atNear += (slopes[key][amount] ?? 0) * near[amount]
    const constant = sum.constant + nearReadouts[key] - atNear
    if (step !== undefined)
      rows.push({
        name: `step ${key}`,
        coefficients: sum.coefficients,
        low: before[key] - step - constant,
        high: before[key] + step - constant,
      })
    if (!goal) continue
    const price = importance[key] * goal.weight
    const over = variable(`over ${key}`, price)
    const under = variable(`under ${key}`, price)
    rows.push({
      name: `high ${key}`,
      coefficients: new Map([...sum.coefficients, [over, -1]]),
      low: -Infinity,
      high: goal.high - constant,
    })
    rows.push({
      name: `low ${key}`,
      coefficients: new Map([...sum.coefficients, [under, 1]]),
      low: goal.low - constant,
      high: Infinity,
    })
  }
  // sea salt brings its own proportions
  if (!q.goals.salinityGKg) {
    /** Ca − ratio·Mg in mg/L of the bucket, over some columns */
    const excess = (ratio: number, from: number) =>
      new Map(
        columns.flatMap(({ water }, i): [number, number][] => {
          const value = (water.caMmolL * molarMass.Ca - ratio * water.mgMmolL * molarMass.Mg) / q.changeL
          return i < from || value === 0 ? [] : [[i, value]]
        }),
      )
    const pair = (name: string, price: number) =>
      [variable(`too much calcium, ${name}`, price), variable(`too little calcium, ${name}`, price)] as const
    const [addedMore, addedLess] = pair('added', ADDED_RATIO_COST)
    rows.push({
      name: 'added ratio',
      coefficients: new Map([...excess(USUAL_CA_MG, q.sources.length), [addedMore, -1], [addedLess, 1]]),
      low: 0,
      high: 0,
    })
    const [more, less] = pair('bucket', BAND_COST)
    rows.push({
      name: 'most calcium',
      coefficients: new Map([...excess(RATIO_BAND[1], 0), [more, -1]]),
      low: -Infinity,
      high: 0,
    })
    rows.push({
      name: 'least calcium',
      coefficients: new Map([...excess(RATIO_BAND[0], 0), [less, 1]]),
      low: 0,
      high: Infinity,
    })
  }
  return { variables, cost, rows }
}

/** The keys that a question limits. */
export const limitedKeys = (step: Partial<Readouts>): RecipeKey[] => recipeKeys.filter(k => step[k] !== undefined)
