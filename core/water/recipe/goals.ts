import type { Targets } from '#core/groups'
import type { Underway } from './underway'
import { type Readouts, type RecipeKey, recipeKeys } from '../chemistry/readouts'
import { nearEnough } from './weights'
import { khForPh, USUAL_C, USUAL_CO2 } from '../chemistry/settling'

/** Where a value is to end: between `low` and `high`, the same number twice for a point. */
export interface Goal {
  low: number
  high: number
  /** cost of a missed unit against the usual */
  weight: number
  /** the range within which it may end without the goal being missed, where that is not the point itself */
  within?: readonly [number, number]
}
export interface Goals extends Partial<Record<RecipeKey, Goal>> {
  /** calcium to magnesium by mass that the keeper wants in what is added; the usual one where nothing is said */
  caMgByMass?: number
}

/** How a recipe is led: by hardness, or by the conductivity that a mineral mix brings (bee shrimp). */
export type RecipeMode = 'minerals' | 'conductivity'

/** Of the width of a range: a correction that came so far in from the edge is done (from memory). */
const INSIDE = 0.1

/** Where a corrected value may come to rest without being short of its aim: inside, and not on the very edge. */
const insideOf = ([low, high]: readonly [number, number]): [number, number] => [
  low + (high - low) * INSIDE,
  high - (high - low) * INSIDE,
]

/** The group's own aim or the middle of what is preferred: where “exactly to the middle” goes. */
const middleOf = (target: { preferred: readonly [number, number]; aim?: number | undefined }): number =>
  target.aim ?? (target.preferred[0] + target.preferred[1]) / 2

/**
 * Where a correction aims: a value inside its preferred range stays as it is ("stable beats perfect"); one outside goes
 * to the group's aim, or a fifth of the way into the range from the nearer edge, so that it does not sit on the edge.
 * Hardness without a target stays as it is.
 * @param now what the tank shows
 * @param targets of the animals in the glass
 * @param underway values that earlier changes are bringing back: they go on to their aim
 */
export function correctionGoals(now: Readouts, targets: Targets, mode: RecipeMode, underway: Underway = {}): Goals {
  const goals: Goals = {}
  for (const key of recipeKeys) {
    const target = targets[key]
    const hold: Goal = { low: now[key], high: now[key], weight: 0.5 }
    if (!target) {
      if (key === 'ghDh' || key === 'khDh') goals[key] = hold
      continue
    }
    const [low, high] = target.preferred
    hold.within = [low, high]
    if (key === 'conductivityUsCm' && mode === 'minerals') {
      goals[key] = { low, high, weight: 0.5 }
      continue
    }
    const aimFrom = (side: 'low' | 'high') =>
      target.aim ?? (side === 'low' ? low + (high - low) / 5 : high - (high - low) / 5)
    const side = underway[key]
    const goesOn = side !== undefined && (aimFrom(side) - now[key]) * (side === 'low' ? 1 : -1) > nearEnough[key]
    if (now[key] >= low && now[key] <= high && !goesOn) {
      goals[key] = key === 'calciumMgL' || key === 'conductivityUsCm' ? { low, high, weight: 1 } : hold
      continue
    }
    const aim = aimFrom(side ?? (now[key] < low ? 'low' : 'high'))
    goals[key] =
      key === 'calciumMgL'
        ? { low, high, weight: 1 }
        : { low: aim, high: aim, weight: 1, within: insideOf(target.preferred) }
  }
  return ledBy(mode, goals, targets)
}

/**
 * How a recipe is led where the keeper did not choose: by conductivity where the group aims at one and a mix is at
 * hand.
 * @param hasMix whether a mineral mix stands on the shelf
 */
export const usualMode = (targets: Targets, hasMix: boolean): RecipeMode =>
  hasMix && targets.conductivityUsCm?.aim !== undefined ? 'conductivity' : 'minerals'

/** A pH that needs less KH than this asks for none: acid waters live without (from memory), °dH. */
const NO_KH = 0.5

/**
 * The KH that a preferred pH asks for: without alkalinity a pH of 7 to 8 holds no night. A group's own range of KH is
 * narrowed from below; a group without one gets the range that goes with its pH. In sea water the salt brings it.
 * @returns the target of KH; undefined where neither it nor pH is wanted
 */
export function khWithPh(targets: Targets): Targets['khDh'] {
  const { ph, khDh, salinityGKg } = targets
  if (!ph || salinityGKg) return khDh
  const needs = (value: number) => Math.ceil(khForPh(value, USUAL_CO2.usual, USUAL_C) * 10) / 10
  const least = needs(ph.preferred[0])
  if (least < NO_KH) return khDh
  if (!khDh) {
    const most = needs(ph.preferred[1])
    return { preferred: [least, most], aim: Math.min(most, least * 2), basis: ph.basis }
  }
  const [low, high] = khDh.preferred
  if (least <= low) return khDh
  const from = Math.min(least, high)
  return { ...khDh, preferred: [from, high], ...(khDh.aim !== undefined && { aim: Math.max(khDh.aim, from) }) }
}

/** Where the first fill aims: the group's aim or the middle of the preferred range; anywhere inside is right too. */
export function fillGoals(own: Targets, mode: RecipeMode): Goals {
  const goals: Goals = {}
  const khDh = khWithPh(own)
  const targets: Targets = { ...own, ...(khDh && { khDh }) }
  for (const key of recipeKeys) {
    const target = targets[key]
    if (!target) continue
    const [low, high] = target.preferred
    const point = middleOf(target)
    goals[key] =
      key === 'calciumMgL' || (key === 'conductivityUsCm' && mode === 'minerals')
        ? { low, high, weight: 0.5 }
        : { low: point, high: point, weight: 1, within: [low, high] }
  }
  return ledBy(mode, goals, targets)
}

/**
 * The same goals without what is right anyway: every value goes to the group's aim or the middle of what is preferred.
 * Only for a keeper who asks for it; the largest steps hold as ever.
 */
export function exactGoals(goals: Goals, targets: Targets): Goals {
  const exact: Goals = { ...goals }
  for (const key of recipeKeys) {
    const goal = goals[key]
    const target = targets[key]
    if (!goal?.within || !target) continue
    const point = middleOf(target)
    exact[key] = { low: point, high: point, weight: Math.max(1, goal.weight) }
  }
  return exact
}

/** Led by conductivity, hardness follows the mix: it only has to stay within what is preferred. */
function ledBy(mode: RecipeMode, goals: Goals, targets: Targets): Goals {
  if (mode === 'minerals' || !goals.conductivityUsCm) return goals
  goals.conductivityUsCm = { ...goals.conductivityUsCm, weight: 12 }
  for (const key of ['ghDh', 'khDh'] as const) {
    const target = targets[key]
    const [low, high] = target?.preferred ?? []
    if (low !== undefined && high !== undefined) goals[key] = { low, high, weight: 0.3, within: [low, high] }
  }
  return goals
}

/** How far a value is outside its goal; 0 inside. Positive when it is too low. */
export function missing(goal: Pick<Goal, 'low' | 'high'>, value: number): number {
  return value < goal.low ? goal.low - value : value > goal.high ? goal.high - value : 0
}
