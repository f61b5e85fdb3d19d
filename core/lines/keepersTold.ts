import type { EntryOf } from '#core/records'
import type { Ranged } from '#core/stats'
import { type Agreement, weightedKappa } from './agreement'
import { pairedSessions } from './gradings'
import { gradedIn, gradedTwiceIn } from './history'
import { type LineFit, rungWidth } from './lineFit'
import type { LineRead, LineRecords } from './lineHistory'
import { rangeOf } from './sharesTold'

/** How a keeper sees beside the one who graded most. */
export interface KeeperTold {
  name: string
  graded: number
  /** by how many rungs higher than the first keeper; none for the first */
  shift: Ranged | null
  /** standard deviation of the error, in rungs; a figure from memory where the same animals were never graded twice */
  blur: Ranged
  measured: boolean
}

/** Two keepers' grades of the same animals. */
export interface AgreementTold extends Agreement {
  graders: readonly [string, string]
  n: number
  atMs: number
}

/** How each keeper sees, in rungs. */
export function keepersOf(fit: LineFit): KeeperTold[] {
  const { history, graders } = fit.model
  const step = rungWidth(fit)
  return graders.map((name, i) => {
    const eyes = fit.draws.map(d => d.run.eyes.get(name)!)
    const pairs = history.groups.flatMap(g => g.twice.filter(t => t.graders.includes(name)))
    const alone = history.groups.flatMap(g => g.gradings.filter(x => x.grader === name))
    return {
      name,
      graded: total(alone.map(g => gradedIn(g.cells))) + total(pairs.map(gradedTwiceIn)),
      shift: i === 0 ? null : rangeOf(eyes.map(e => e.shift / step)),
      blur: rangeOf(eyes.map(e => Math.sqrt(e.blur) / step)),
      measured: pairs.length > 0,
    }
  })
}

/** How well keepers agree, session by session. */
export function agreementsOf({ ladder }: LineRecords, { generations }: LineRead): AgreementTold[] {
  const gradings: EntryOf<'grading'>[] = generations.flatMap(g => g.gradings)
  return pairedSessions(gradings, ladder).flatMap(({ second, twice }) => {
    const n = gradedTwiceIn(twice)
    const used = twice.table.some((row, i) => total(row) !== row[i])
    if (n < 2) return []
    const agreement = used ? weightedKappa(twice.table, 'linear') : { kappa: 1, se: 0 }
    return [{ ...agreement, graders: twice.graders, n, atMs: Date.parse(second.at) }]
  })
}

const total = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
