import type { Targets } from '#core/groups'
import type { Underway } from './underway'
import { type Readouts, type RecipeKey, recipeKeys } from '../chemistry/readouts'

/** Where a value is to end: between `low` and `high`, the same number twice for a point. */
export interface Goal {
  low: number
  high: number
  /** cost of a missed unit against the usual */
  weight: number
  /** the range within which it may end without the goal being missed, where that is not the point itself */
  within?: readonly [number, number]
}
export type Goals = Partial<Record<RecipeKey, Goal>>

/** How a recipe is led: by hardness, or by the conductivity that a mineral mix brings (bee shrimp). */
export type RecipeMode = 'minerals' | 'conductivity'

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
    const goesOn = side === 'low' ? now[key] < aimFrom('low') : side === 'high' ? now[key] > aimFrom('high') : false
    if (now[key] >= low && now[key] <= high && !goesOn) {
      goals[key] = key === 'calciumMgL' || key === 'conductivityUsCm' ? { low, high, weight: 1 } : hold
      continue
    }
    const inside = aimFrom(side ?? (now[key] < low ? 'low' : 'high'))
    goals[key] = key === 'calciumMgL' ? { low, high, weight: 1 } : { low: inside, high: inside, weight: 1 }
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

/** Where the first fill aims: the group's aim or the middle of the preferred range; anywhere inside is right too. */
export function fillGoals(targets: Targets, mode: RecipeMode): Goals {
  const goals: Goals = {}
  for (const key of recipeKeys) {
    const target = targets[key]
    if (!target) continue
    const [low, high] = target.preferred
    const point = target.aim ?? (low + high) / 2
    goals[key] =
      key === 'calciumMgL' || (key === 'conductivityUsCm' && mode === 'minerals')
        ? { low, high, weight: 0.5 }
        : { low: point, high: point, weight: 1, within: [low, high] }
  }
  return ledBy(mode, goals, targets)
}

/** Led by conductivity, hardness follows the mix: it only has to stay within what is preferred. */
function ledBy(mode: RecipeMode, goals: Goals, targets: Targets): Goals {
  if (mode === 'minerals' || !goals.conductivityUsCm) return goals
  goals.conductivityUsCm = { ...goals.conductivityUsCm, weight: 12 }
  for (const key of ['ghDh', 'khDh'] as const) {
    const target = targets[key]
    if (target) goals[key] = { low: target.preferred[0], high: target.preferred[1], weight: 0.3 }
  }
  return goals
}

/** How far a value is outside its goal; 0 inside. Positive when it is too low. */
export function missing(goal: Pick<Goal, 'low' | 'high'>, value: number): number {
  return value < goal.low ? goal.low - value : value > goal.high ? goal.high - value : 0
}
