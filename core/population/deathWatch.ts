import { WEEK_MS } from '#core/records'
import { countCusumFor, eventChances, poissonReference } from '#core/stats'
import { DYING, LUCK_SHAPE, type Toll } from './deaths'
import { DYING_WEEKS } from './futures'
import type { DeathsTold, PopulationQuestion } from './question'

/**
 * One in so many weeks at most the alarm cries wolf where the usual deaths are known; they are not, and so it is a
 * little more than the two years that are wanted.
 */
const FALSE_ALARM_WEEKS = 130
/** The alarm stands for so long after what raised it, and so far back the dead are told where there is none. */
const STANDS_WEEKS = 3
const LATELY_WEEKS = 12
/** Expected deaths that differ by less, on the log scale, have the same limit: each takes a while to be found. */
const SAME = 0.1
/** Least deaths in a step that are reckoned with: less would let a single one count for years. */
const LEAST_USUAL = 0.02

/** An alarm that was raised: in which step, and since which the dead had been more than usual. */
export interface Raised {
  step: number
  since: number
}

/**
 * Watches the dead that are found step by step against those that would be found as a rule: a cumulative sum whose
 * limit follows from the run length that is wanted. After an alarm it begins anew.
 * @param toll the dead of each step
 * @returns all alarms that were raised
 */
export function deathAlarms(toll: readonly Toll[], dtWeeks: number): Raised[] {
  const raised: Raised[] = []
  const limit = limitsFor(FALSE_ALARM_WEEKS / dtWeeks)
  let sum = 0
  let since = 0
  for (const [step, t] of toll.entries()) {
    if (sum === 0) since = step
    const expected = Math.max(LEAST_USUAL, t.share * t.usual)
    sum = Math.max(0, sum + t.found - poissonReference(expected, DYING.times))
    if (sum >= DYING.least - 1 && foundFrom(toll, since, step) >= DYING.least && sum > limit(expected)) {
      raised.push({ step, since })
      sum = 0
    }
  }
  return raised
}

const foundFrom = (toll: readonly Toll[], from: number, to: number) =>
  toll.slice(from, to + 1).reduce((sum, t) => sum + t.found, 0)

/** Limits for the run length that is wanted, each found once. */
function limitsFor(steps: number) {
  const known = new Map<number, number>()
  return (expected: number): number => {
    // rounded up: too high a limit cries wolf less, not more
    const cell = Math.ceil(Math.log(expected) / SAME)
    const like = Math.exp(SAME * cell)
    const found =
      known.get(cell) ??
      countCusumFor(
        eventChances({ shape: LUCK_SHAPE, rate: LUCK_SHAPE / like }, 1),
        poissonReference(like, DYING.times),
        steps,
      ).limit
    known.set(cell, found)
    return found
  }
}

/** The dead of each step without those that died in a molt. */
export const besideMolts = (toll: readonly Toll[]): Toll[] =>
  toll.map(t => ({ ...t, found: t.found - t.molts, molts: 0 }))

/** What is told of the dead: since the trouble began where an alarm stands, and else of the last weeks. */
export function watchDeaths({ startMs, rates }: PopulationQuestion, toll: readonly Toll[]): DeathsTold {
  const { dtWeeks } = rates
  const last = toll.length - 1
  const since = standingSince(deathAlarms(toll, dtWeeks), last, STANDS_WEEKS / dtWeeks)
  const from = since ?? Math.max(0, last + 1 - Math.round(LATELY_WEEKS / dtWeeks))
  const told = toll.slice(from)
  const sum = (of: (t: Toll) => number) => told.reduce((all, t) => all + of(t), 0)
  return {
    alarm: since !== null,
    found: sum(t => t.found),
    // what is found in the trouble itself says nothing of the keeper
    usual: toll[from]!.share * sum(t => t.usual),
    molts: sum(t => t.molts),
    // the dead of a step are those nearest to its end
    sinceMs: startMs + Math.max(0, from - 0.5) * dtWeeks * WEEK_MS,
  }
}

/** Since which step there is trouble, where the last alarm still stands; alarms that follow each other are one. */
function standingSince(raised: readonly Raised[], last: number, stands: number): number | null {
  let [until, since]: [number, number | null] = [last, null]
  for (const alarm of raised.toReversed()) {
    if (until - alarm.step >= stands) break
    until = since = alarm.since
  }
  return since
}

/** Most that goes on dying, per animal and week. */
const MOST_DYING = 0.2

/**
 * Deaths that go on beside the usual ones, per animal and week: what was found of late beyond the model's own, the
 * older the less.
 */
export function dyingPerWeek(toll: readonly Toll[], dtWeeks: number, animals: number): number {
  const fade = dtWeeks / DYING_WEEKS
  const excess = toll.reduce((sum, t, step) => sum + t.excess * Math.exp((step + 1 - toll.length) * fade), 0)
  return Math.min(MOST_DYING, excess / DYING_WEEKS / Math.max(animals, 1))
}
