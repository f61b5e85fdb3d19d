import type { Water } from '#core/records'
import { RATIO_BAND, USUAL_CA_MG } from '../chemistry/hardness'
import { amountKeys, molarMass } from '../chemistry/ions'
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
/** What a mg/L outside the band of calcium to magnesium costs (from memory). */
const BAND_COST = 0.012
/** How much dearer the ratio of what is added becomes where the keeper asks for one. */
const ASKED_RATIO = 10
/** Cost of a gram: of equal recipes the one with fewer salts and more of the keeper's own water. */
const GRAM_COST = 1e-4
/** A box is never dissolved to more than half its solubility: it has to go in within minutes. */
const SOLUBLE_SHARE = 0.5

/**
 * Sets up one change: litres of each source and grams of each salt are the variables, with one pair of variables for
 * what each goal is missed by. Amounts are conserved: tank after = tank·(1 − V/N) + Σ litres·source/N + Σ grams·dose/N.
 * The result is a least-absolute-deviations fit with bounds (Charnes, Cooper & Ferguson 1955).
 * @param slopes how readouts follow from amounts near `near`
 */
export function changeProgram(q: ChangeQuestion, slopes: Slopes, near: Water): LinearProgram {
  const program = new Program()
  const sodium = (w: Water) => (SODIUM_COST * w.naMmolL + POTASSIUM_COST * w.kMmolL) / q.netL
  q.sources.forEach((s, i) => program.variable(`litres ${i}`, sodium(s.water)))
  q.doses.forEach((d, i) => program.variable(`grams ${i}`, sodium(d.dose.perGramL) + GRAM_COST))
  /** waters of the variables so far: a litre of each source, a gram of each box in a litre */
  const columns = [...q.sources.map(s => s.water), ...q.doses.map(d => d.dose.perGramL)]
  boundStock(program, q)
  missGoals(program, { q, slopes, near, columns })
  // sea salt brings its own proportions
  if (!q.goals.salinityGKg) keepRatio(program, q, columns)
  const { variables, cost, rows } = program
  return { variables, cost, rows }
}

/** A program that is being set up. */
class Program implements LinearProgram {
  readonly variables: string[] = []
  readonly cost: number[] = []
  readonly rows: LinearProgram['rows'] = []
  /** @returns the index of the new variable */
  variable(name: string, price: number): number {
    this.variables.push(name)
    return this.cost.push(price) - 1
  }
  row(name: string, coefficients: Iterable<readonly [number, number]>, low: number, high: number): void {
    this.rows.push({ name, coefficients: new Map(coefficients), low, high })
  }
}

/** The bucket is full, no source gives more than there is, and no box more than dissolves. Litres come first. */
function boundStock(program: Program, q: ChangeQuestion): void {
  // settled litres fill the bucket already: asking twice, to the last bit, would leave no room for their rounding
  if (!q.fixedL)
    program.row(
      'bucket',
      q.sources.map((_, i) => [i, 1]),
      q.changeL,
      q.changeL,
    )
  q.sources.forEach((s, i) => {
    const fixed = q.fixedL?.[i]
    if (fixed !== undefined) program.row(`fixed ${i}`, [[i, 1]], fixed, fixed)
    else if (s.maxL !== undefined) program.row(`litres ${i}`, [[i, 1]], 0, s.maxL)
  })
  q.doses.forEach(({ dose, maxG }, i) => {
    const soluble = dose.dissolving === 'hardly' ? 0 : dose.solubilityGL * q.changeL * SOLUBLE_SHARE
    program.row(`grams ${i}`, [[q.sources.length + i, 1]], 0, Math.min(soluble, maxG ?? Infinity))
  })
}

/** What readouts follow from. */
interface Linear {
  q: ChangeQuestion
  slopes: Slopes
  near: Water
  columns: readonly Water[]
}

/** Every goal has a pair of variables for what it is missed by; what has a largest step keeps to it. */
function missGoals(program: Program, linear: Linear): void {
  const { q } = linear
  const before = readoutsOf(q.tank)
  const nearReadouts = readoutsOf(linear.near)
  for (const key of recipeKeys) {
    const goal = q.goals[key]
    const step = q.step[key]
    if (!goal && step === undefined) continue
    const { coefficients, constant } = readoutAfter(key, linear, nearReadouts)
    if (step !== undefined)
      program.row(`step ${key}`, coefficients, before[key] - step - constant, before[key] + step - constant)
    if (!goal) continue
    const price = importance[key] * goal.weight
    const over = program.variable(`over ${key}`, price)
    const under = program.variable(`under ${key}`, price)
    program.row(`high ${key}`, [...coefficients, [over, -1]], -Infinity, goal.high - constant)
    program.row(`low ${key}`, [...coefficients, [under, 1]], goal.low - constant, Infinity)
  }
}

/** A readout of the tank after the change: coefficients of the variables and the part that depends on none. */
function readoutAfter(key: RecipeKey, { q, slopes, near, columns }: Linear, nearReadouts: Readouts) {
  const kept = 1 - q.changeL / q.netL
  const coefficients = new Map<number, number>()
  let constant = nearReadouts[key]
  for (const amount of amountKeys) {
    const slope = slopes[key][amount]
    if (!slope) continue
    // straight through the point where the slopes were taken
    constant += slope * (kept * q.tank[amount] - near[amount])
    columns.forEach((water, i) => {
      if (water[amount] !== 0) coefficients.set(i, (coefficients.get(i) ?? 0) + (slope * water[amount]) / q.netL)
    })
  }
  return { coefficients, constant }
}

/** Keeps calcium to magnesium usual in what is added, and the bucket as a whole within its band. */
function keepRatio(program: Program, q: ChangeQuestion, columns: readonly Water[]): void {
  /** Ca − ratio·Mg in mg/L of the bucket, over some columns */
  const excess = (ratio: number, from: number) =>
    columns.flatMap((water, i): [number, number][] => {
      const value = (water.caMmolL * molarMass.Ca - ratio * water.mgMmolL * molarMass.Mg) / q.changeL
      return i < from || value === 0 ? [] : [[i, value]]
    })
  const pair = (name: string, price: number) =>
    [
      program.variable(`too much calcium, ${name}`, price),
      program.variable(`too little calcium, ${name}`, price),
    ] as const
  const asked = q.goals.caMgByMass
  const [addedMore, addedLess] = pair('added', ADDED_RATIO_COST * (asked === undefined ? 1 : ASKED_RATIO))
  program.row('added ratio', [...excess(asked ?? USUAL_CA_MG, q.sources.length), [addedMore, -1], [addedLess, 1]], 0, 0)
  const [more, less] = pair('bucket', BAND_COST)
  program.row('most calcium', [...excess(RATIO_BAND[1], 0), [more, -1]], -Infinity, 0)
  program.row('least calcium', [...excess(RATIO_BAND[0], 0), [less, 1]], 0, Infinity)
}

/** The keys that a question limits. */
export const limitedKeys = (step: Partial<Readouts>): RecipeKey[] => recipeKeys.filter(k => step[k] !== undefined)
