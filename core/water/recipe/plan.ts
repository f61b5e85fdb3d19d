import type { Bench, Water } from '#core/records'
import type { Dose } from '../chemistry/salts'
import { pureWater } from '../chemistry/ions'
import { type SolvedChange, solveChange } from './change'
import { type Goal, type Goals, missing } from './goals'
import type { Measuring } from './measure'
import { type Readouts, readoutsOf, type RecipeKey, recipeKeys } from '../chemistry/readouts'
import { importance, nearEnough } from './weights'

/** What there is to make water from. */
export interface OnHand {
  sources: readonly { id: string; water: Water; maxL?: number }[]
  shelf: readonly { id: string; dose: Dose; stockG?: number }[]
  bench: Measuring & Pick<Bench, 'jugStepL'>
}

export interface RecipeQuestion extends OnHand {
  tank: Water
  netL: number
  /** litres of one change; all of the net litres for a first fill */
  changeL: number
  everyDays: number
  goals: Goals
  /** largest change per week; nothing for a first fill */
  largestStepPerWeek: Partial<Readouts>
  /** litres of each source in the first change that the keeper chose, in the order of `sources` */
  chosenL?: readonly number[]
}

/** One change of a recipe: ids with what to pour and to weigh. */
export interface RecipeStep extends SolvedChange {
  /** days after the first change */
  afterDays: number
  changeL: number
  pours: { id: string; litres: number }[]
  weighs: { id: string; measured: NonNullable<SolvedChange['measured'][number]> }[]
}

export interface WaterRecipe {
  goals: Goals
  steps: RecipeStep[]
  reached: boolean
  /** goals that are missed at the end, most important first */
  shortOf: { key: RecipeKey; wanted: number; got: number }[]
  /** true when a smaller change than asked for had to be taken, so that no step is too large */
  smaller: boolean
  /** grams of each box that all steps take together, and whether that empties it */
  needs: { id: string; grams: number; usedUp: boolean }[]
}

export type RecipeIssue = 'noSource' | 'stepTooLarge' | 'noNearer'
export type RecipeAnswer = { ok: true; recipe: WaterRecipe } | { ok: false; issue: RecipeIssue }

/** More changes than this is no plan that a keeper follows; what is missing then is said. */
const MAX_STEPS = 26
/**
 * A further change has to bring all goals together nearer by so much (weighed as the solver does; a degree of GH is 1).
 */
const WORTH = 0.08
/** Shares of the wanted change that are tried when it would move a value too far. */
const SMALLER = [1, 0.75, 0.5, 0.35, 0.25, 0.15, 0.1, 0.06, 0.03]

/**
 * Plans the changes that bring a tank to its goals: each one moves no value by more than its weekly step (less when
 * changes come more often than weekly), and what is not corrected is held. Where every value is right already there is
 * one change, with water that keeps it so. For a first fill there is one step and no limit.
 * Assumes a well-mixed tank and no other source or sink; stones and active soil are said beside the recipe.
 * @throws RangeError when litres or days are not above zero, or the change is larger than the tank
 */
export function planRecipe(q: RecipeQuestion): RecipeAnswer {
  if (!(q.netL > 0)) throw new RangeError(`netL must be above 0, got ${q.netL}`)
  if (!(q.changeL > 0 && q.changeL <= q.netL))
    throw new RangeError(`changeL must lie above 0 and at most ${q.netL}, got ${q.changeL}`)
  if (!(q.everyDays > 0)) throw new RangeError(`everyDays must be above 0, got ${q.everyDays}`)
  if (q.sources.length === 0) return { ok: false, issue: 'noSource' }
  const filling = q.changeL === q.netL
  const limit = filling ? {} : stepLimit(q)
  const left = new Map(q.shelf.map(s => [s.id, s.stockG ?? Infinity]))
  const steps: RecipeStep[] = []
  let tank = q.tank
  let size = 0
  let smaller = false
  do {
    const chosenL = steps.length === 0 ? q.chosenL : undefined
    const found = solveSmaller(q, { tank, limit, left, chosenL, from: size })
    if (!found && steps.length === 0) return { ok: false, issue: 'stepTooLarge' }
    if (!found) break
    const nearer = shortfall(q.goals, readoutsOf(tank)) - shortfall(q.goals, readoutsOf(found.solved.after))
    // no nearer than before: another change of the same kind will not help either
    if (steps.length > 0 && nearer < WORTH) break
    if (!filling && !chosenL && !met(q.goals, readoutsOf(tank), aimed) && nearer < WORTH / 4)
      return { ok: false, issue: 'noNearer' }
    // as the water comes nearer to the bucket's, a larger change is no jump any more
    size = Math.max(0, found.size - 1)
    for (const [i, m] of found.solved.measured.entries())
      if (m) left.set(q.shelf[i]!.id, left.get(q.shelf[i]!.id)! - m.grams)
    smaller ||= found.size > 0
    steps.push(recipeStep(q, found, steps.length))
    tank = found.solved.after
  } while (!filling && steps.length < MAX_STEPS && !met(q.goals, readoutsOf(tank), aimed))
  return { ok: true, recipe: recipeOf(q, steps, smaller) }
}

/** What one change may move each value by: the week's largest step, less where changes come more often. */
function stepLimit({ largestStepPerWeek, everyDays }: RecipeQuestion): Partial<Readouts> {
  const limit: Partial<Readouts> = {}
  for (const key of recipeKeys) {
    const week = largestStepPerWeek[key]
    if (week !== undefined) limit[key] = week * Math.min(1, everyDays / 7)
  }
  return limit
}

/** Where a recipe stands before its next change. */
interface Underway {
  tank: Water
  limit: Partial<Readouts>
  /** grams left in each box */
  left: ReadonlyMap<string, number>
  chosenL: readonly number[] | undefined
  /** the first of `SMALLER` to try: what was much too large before is too large again */
  from: number
}
interface Found {
  solved: SolvedChange
  changeL: number
  /** place in `SMALLER` */
  size: number
}

/** The next change, as large as its steps allow; a blend that the keeper chose is tried at one size alone. */
function solveSmaller(q: RecipeQuestion, { tank, limit, left, chosenL, from }: Underway): Found | null {
  const goals = stagedGoals(q.goals, readoutsOf(tank), limit)
  const doses = q.shelf.map(s => ({ dose: s.dose, maxG: left.get(s.id)! }))
  for (let size = from; size < SMALLER.length; size++) {
    const changeL = q.changeL * SMALLER[size]!
    const solved = solveChange(
      {
        tank,
        netL: q.netL,
        changeL,
        goals,
        step: limit,
        sources: q.sources,
        doses,
        ...(chosenL && { fixedL: chosenL }),
      },
      q.bench,
    )
    if (solved) return { solved, changeL, size }
    if (chosenL) return null
  }
  return null
}

const recipeStep = (q: RecipeQuestion, { solved, changeL }: Found, index: number): RecipeStep => ({
  ...solved,
  changeL,
  afterDays: index * q.everyDays,
  pours: solved.litres.flatMap((litres, i) => (litres > 0.0005 ? [{ id: q.sources[i]!.id, litres }] : [])),
  weighs: solved.measured.flatMap((measured, i) => (measured ? [{ id: q.shelf[i]!.id, measured }] : [])),
})

function recipeOf(q: RecipeQuestion, steps: RecipeStep[], smaller: boolean): WaterRecipe {
  const end = readoutsOf(steps.at(-1)!.after)
  const needs = new Map<string, number>()
  for (const step of steps) for (const w of step.weighs) needs.set(w.id, (needs.get(w.id) ?? 0) + w.measured.grams)
  return {
    goals: q.goals,
    steps,
    smaller,
    reached: met(q.goals, end, decisive),
    shortOf: recipeKeys.flatMap(key => {
      const goal = q.goals[key]
      const asked = goal && decisive(key, goal)
      if (!asked || Math.abs(missing(asked, end[key])) < nearEnough[key]) return []
      return [{ key, wanted: end[key] < asked.low ? asked.low : asked.high, got: end[key] }]
    }),
    needs: [...needs].map(([id, grams]) => {
      const stock = q.shelf.find(s => s.id === id)?.stockG ?? Infinity
      return { id, grams, usedUp: grams > stock - q.bench.scaleStepG }
    }),
  }
}

/** The question of a first fill: an empty glass, all of its litres at once, no largest step. */
export const fillQuestion = (onHand: OnHand, netL: number, goals: Goals): RecipeQuestion => ({
  ...onHand,
  tank: { ...pureWater },
  netL,
  changeL: netL,
  everyDays: 1,
  goals,
  largestStepPerWeek: {},
})

/** Goals of one change: equal steps look calmer on the stair than large ones with a small last one. */
function stagedGoals(goals: Goals, now: Readouts, step: Partial<Readouts>): Goals {
  const staged: Goals = { ...(goals.caMgByMass !== undefined && { caMgByMass: goals.caMgByMass }) }
  for (const key of recipeKeys) {
    const goal = goals[key]
    if (!goal) continue
    const away = missing(goal, now[key])
    const limit = step[key]
    if (limit === undefined || away === 0) staged[key] = goal
    else {
      const part = now[key] + away / Math.max(1, Math.ceil(Math.abs(away) / (limit * 0.97) - 1e-9))
      staged[key] = { ...goal, low: part, high: part }
    }
  }
  return staged
}

/**
 * What of a goal decides whether the end is right: where the value may lie; of a goal without such a range the point
 * that is aimed at; nothing of a soft wide one.
 */
function decisive(key: RecipeKey, goal: Goal): Pick<Goal, 'low' | 'high'> | null {
  if (goal.within) return { low: goal.within[0], high: goal.within[1] }
  return goal.weight >= 1 || key === 'calciumMgL' ? goal : null
}

/** What further changes go for: the aim itself of what is put right, not only where it may lie. */
const aimed = (key: RecipeKey, goal: Goal): Pick<Goal, 'low' | 'high'> | null =>
  goal.weight >= 1 ? goal : decisive(key, goal)

const met = (goals: Goals, now: Readouts, asks: typeof decisive): boolean =>
  recipeKeys.every(key => {
    const goal = goals[key]
    const asked = goal && asks(key, goal)
    return !asked || Math.abs(missing(asked, now[key])) < nearEnough[key]
  })

/** What is missing in all, weighed, so that progress can be judged. */
function shortfall(goals: Goals, now: Readouts): number {
  let sum = 0
  for (const key of recipeKeys) {
    const goal = goals[key]
    const asked = goal && aimed(key, goal)
    if (asked) sum += Math.abs(missing(asked, now[key])) * importance[key] * goal.weight
  }
  return sum
}
