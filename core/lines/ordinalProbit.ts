import { ordinalRegression } from './ordinalRegression'

/** Grades of one group of animals, and what they are held against: a generation, a week. */
export interface GradedGroup {
  /** animals on each rung, the lowest first */
  counts: readonly number[]
  x: number
}

/** A cumulative probit: P(rung ≤ k) = Φ(cut_k − slope · x). */
export interface OrdinalFit {
  cuts: number[]
  slope: number
  logLikelihood: number
  /** standard errors: of each cut, then of the slope */
  se: number[]
}

/**
 * Cuts and slope by maximum likelihood.
 * @param groups of at least two rungs, each of which somebody stands on
 * @throws RangeError for a rung on which nobody stands, and for groups that all lie at one x
 */
export function fitOrdinal(groups: readonly GradedGroup[]): OrdinalFit {
  const empty = groups[0]?.counts.some((_, k) => groups.every(g => g.counts[k] === 0))
  if (groups.length > 0 && !empty && new Set(groups.map(g => g.x)).size < 2)
    throw new RangeError('a slope needs groups at two places at least')
  const { cuts, slopes, logLikelihood, covariance } = ordinalRegression(groups.map(g => ({ ...g, x: [g.x] })))
  return { cuts, slope: slopes[0]!, logLikelihood, se: covariance.map((row, i) => Math.sqrt(row[i]!)) }
}
