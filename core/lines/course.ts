import type { Id } from '#core/records'
import type { Ranged } from '#core/stats'
import type { LineFit } from './lineFit'
import { sharesBelow } from './lineRun'
import { rangeOf } from './sharesTold'

/**
 * Mean rung of some groups as their genes have it: in a usual year, at the usual age, without a keeper's error or a
 * keeper's shift, over the possible truths of the fit.
 * @param ids of groups of the line's history
 */
export function courseOf({ model, draws }: LineFit, ids: readonly Id[]): Ranged[] {
  return ids.map(id => {
    const row = model.rowOf.get(id)!
    return rangeOf(
      draws.map(({ run }) => {
        const { mean, variance } = run.standings[row]!
        return sharesBelow(run, { mean, variance }).reduce((rung, below) => rung + 1 - below, 1)
      }),
    )
  })
}
