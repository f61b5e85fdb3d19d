import { type Id, WEEK_MS } from '#core/records'
import type { Ranged } from '#core/stats'
import { type LineFit, rungWidth } from './lineFit'
import type { Renewal } from './renewal'
import { rangeOf } from './sharesTold'

/** How fast a colony that breeds all the time improves. */
export interface WeeklyPace {
  /** rungs a week, by its genes */
  weekly: Ranged
  /** over so many weeks */
  overWeeks: number
}

/** Generations that a pace is told over: what lies further back tells little of today. */
const GENERATIONS = 3

/**
 * Breeding values of the stretches of a colony against time: the slope by least squares, in each possible truth of the
 * fit. A generation’s response is as much as comes in the parents’ mean age (response by time is response by generation
 * over the length of one; Rendel & Robertson 1950, J. Genet. 50: 1).
 * @param stretches their groups in the line’s history, and when they began, oldest first
 * @returns null while all of them lie within less than half a generation
 */
export function paceByTime(
  { model, draws }: LineFit,
  stretches: readonly { id: Id; fromMs: number }[],
  { parentsAgeWeeks }: Pick<Renewal, 'parentsAgeWeeks'>,
): WeeklyPace | null {
  const untilMs = stretches.at(-1)?.fromMs ?? 0
  const own = stretches
    .map(({ id, fromMs }) => ({ row: model.rowOf.get(id)!, week: (fromMs - untilMs) / WEEK_MS }))
    .filter(s => s.week >= -GENERATIONS * parentsAgeWeeks)
  const overWeeks = -(own[0]?.week ?? 0)
  if (overWeeks < parentsAgeWeeks / 2) return null
  const middle = own.reduce((sum, s) => sum + s.week, 0) / own.length
  const spread = own.reduce((sum, s) => sum + (s.week - middle) ** 2, 0)
  const step = rungWidth({ draws })
  const slopes = draws.map(
    ({ run }) => own.reduce((sum, s) => sum + (s.week - middle) * run.standings[s.row]!.mean, 0) / spread / step,
  )
  return { weekly: rangeOf(slopes), overWeeks }
}
