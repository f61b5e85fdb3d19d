import type { ResolvedGroup } from '#core/groups'
import type { ChangeWater } from '#core/records'
import { type Salt, saltsFor } from './hardness'
import { afterChange, waterForStep } from './waterChange'

/** The two values that the first recipes correct. */
export type Hardnesses = { ghDh: number, khDh: number }
type Key = keyof Hardnesses
const keys = ['ghDh', 'khDh'] as const

/** One water change of a staged correction. */
export interface CorrectionStep {
  /** days after the first change */
  afterDays: number
  before: Hardnesses
  after: Hardnesses
  /** what the new water holds once mixed */
  newWater: Hardnesses
  /** litres of the keeper's change water and of pure water that make up the change */
  sourceL: number
  pureL: number
  grams: Record<Salt, number>
}

/** A staged correction, or why there is none. */
export type Correction =
  | { ok: true, goal: Hardnesses, changeL: number, everyDays: number, largestStep: Hardnesses, steps: CorrectionStep[], reached: boolean }
  | { ok: false, issue: 'unknownHardness' | 'alreadyThere' }

export interface CorrectionInput {
  /** present water; a missing value is unknown and makes a recipe impossible */
  now: Partial<Hardnesses>
  group: Pick<ResolvedGroup, 'targets' | 'largestStepPerWeek' | 'change'>
  netL: number
  /** litres of one change; the school's share of the net volume when left out */
  changeL?: number
  source: ChangeWater
}

/** Changes of a top-up-only school while a correction runs: small and weekly (common practice). */
const QUIET_CHANGE = { share: 0.1, everyDays: 7 }
/** More steps than this is no plan that a keeper follows; what is missing then is said. */
const MAX_STEPS = 12
/** Steps when the group data name none (from memory). */
const DEFAULT_STEP: Hardnesses = { ghDh: 0.7, khDh: 0.5 }

/**
 * Where a correction aims: the group's aim, or a fifth of the way into the preferred range from the nearer edge, so that
 * the value does not sit on the edge; a value inside the range stays as it is.
 */
export function correctionGoal(now: Hardnesses, group: CorrectionInput['group']): Hardnesses {
  const goal = { ...now }
  for (const key of keys) {
    const target = group.targets[key]
    if (!target) continue
    const [low, high] = target.preferred
    if (now[key] >= low && now[key] <= high) continue
    const inside = now[key] < low ? low + (high - low) / 5 : high - (high - low) / 5
    goal[key] = target.aim ?? inside
  }
  return goal
}

/**
 * Plans a staged correction of GH and KH by ordinary water changes.
 * Each change moves a value by at most the group's largest weekly step; what is not being corrected stays as it is,
 * because the new water is made to match. The keeper's own change water is thinned with pure water until neither value
 * exceeds what is wanted, then salts fill up the rest.
 * Assumes a well-mixed glass and no other source or sink (carbonate stones, active soil): both are said beside the recipe.
 * @returns steps in order of time, or the issue
 * @throws RangeError when litres are not above zero or the change is larger than the glass
 */
export function planCorrection({ now, group, netL, changeL, source }: CorrectionInput): Correction {
  if (!(netL > 0)) throw new RangeError(`netL must be above 0, got ${netL}`)
  const { share, everyDays } = group.change ?? QUIET_CHANGE
  const litres = changeL ?? netL * share
  if (!(litres > 0 && litres <= netL)) throw new RangeError(`changeL must lie above 0 and at most ${netL}, got ${litres}`)
  const { ghDh, khDh } = now
  if (ghDh === undefined || khDh === undefined) return { ok: false, issue: 'unknownHardness' }

  let current: Hardnesses = { ghDh, khDh }
  const goal = correctionGoal(current, group)
  if (keys.every(k => near(current[k], goal[k]))) return { ok: false, issue: 'alreadyThere' }
  const largestStep: Hardnesses = {
    ghDh: group.largestStepPerWeek.ghDh?.value ?? DEFAULT_STEP.ghDh,
    khDh: group.largestStepPerWeek.khDh?.value ?? DEFAULT_STEP.khDh,
  }
  const f = litres / netL
  const steps: CorrectionStep[] = []
  while (steps.length < MAX_STEPS && keys.some(k => !near(current[k], goal[k]))) {
    const newWater = {} as Hardnesses
    for (const key of keys) {
      // equal steps look calmer on the stair than large ones with a small last one
      const missing = goal[key] - current[key]
      const count = Math.ceil(Math.abs(missing) / largestStep[key] - 1e-9)
      const step = count > 0 ? missing / count : 0
      newWater[key] = Math.max(0, waterForStep(current[key], step, f))
    }
    const sourceShare = Math.min(1, ...keys.filter(k => source[k] > 0).map(k => newWater[k] / source[k]))
    const usesSource = keys.some(k => source[k] > 0)
    const sourceL = usesSource ? litres * sourceShare : 0
    const fill = (key: Key) => Math.max(0, newWater[key] - source[key] * sourceL / litres)
    const after = { ghDh: afterChange(current.ghDh, f, newWater.ghDh), khDh: afterChange(current.khDh, f, newWater.khDh) }
    steps.push({
      afterDays: steps.length * everyDays,
      before: current,
      after,
      newWater,
      sourceL,
      pureL: litres - sourceL,
      grams: saltsFor(fill('ghDh'), fill('khDh'), litres),
    })
    current = after
  }
  return { ok: true, goal, changeL: litres, everyDays, largestStep, steps, reached: keys.every(k => near(current[k], goal[k])) }
}

/** A tenth of a degree is finer than any kit. */
const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.1
