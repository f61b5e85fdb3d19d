import { inverse, Matrix, solve } from 'ml-matrix'
import { normalBelow, normalDensity, zQuantile } from '#core/stats'

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

const MOST_STEPS = 60
const NEAR = 1e-10

/**
 * Cuts and slope by maximum likelihood: Newton's method on the exact second derivatives, with steps halved as long as
 * they lead down or past one another (McCullagh 1980, J. R. Stat. Soc. B 42: 109).
 * @param groups of at least two rungs, each of which somebody stands on
 * @throws RangeError for a rung on which nobody stands, and for groups that all lie at one x
 */
export function fitOrdinal(groups: readonly GradedGroup[]): OrdinalFit {
  const rungs = groups[0]?.counts.length ?? 0
  const totals = Array.from({ length: rungs }, (_, k) => groups.reduce((sum, g) => sum + g.counts[k]!, 0))
  if (rungs < 2 || totals.some(n => n === 0)) throw new RangeError('a fit of rungs needs an animal on each of them')
  if (new Set(groups.map(g => g.x)).size < 2) throw new RangeError('a slope needs groups at two places at least')
  let at = start(totals)
  let here = derivatives(groups, at)
  for (let step = 0; step < MOST_STEPS; step++) {
    const move = solve(here.information, Matrix.columnVector(here.score)).to1DArray()
    let size = 1
    let next = at.map((v, i) => v + move[i]!)
    let there = derivatives(groups, next)
    while (!(there.logLikelihood >= here.logLikelihood - NEAR) && size > NEAR) {
      size /= 2
      next = at.map((v, i) => v + size * move[i]!)
      there = derivatives(groups, next)
    }
    at = next
    here = there
    if (Math.max(...move.map(Math.abs)) * size < NEAR) break
  }
  const se = inverse(here.information).diagonal().map(Math.sqrt)
  return { cuts: at.slice(0, -1), slope: at.at(-1)!, logLikelihood: here.logLikelihood, se }
}

/** Cuts of all groups together, and no slope. */
function start(totals: readonly number[]): number[] {
  const all = totals.reduce((a, b) => a + b, 0)
  let below = 0
  return [...totals.slice(0, -1).map(n => zQuantile((below += n) / all)), 0]
}

/** Logarithm of the likelihood, its slope, and the negative of its curvature, at some cuts and a slope. */
function derivatives(
  groups: readonly GradedGroup[],
  at: readonly number[],
): { logLikelihood: number; score: number[]; information: Matrix } {
  const size = at.length
  const last = size - 1
  let logLikelihood = 0
  const score = new Array<number>(size).fill(0)
  const information = Matrix.zeros(size, size)
  for (const { counts, x } of groups) {
    // a rung's chance lies between two cuts; what each of them moves is its own place and the slope
    const edges = [-Infinity, ...at.slice(0, -1).map(cut => cut - at[last]! * x), Infinity]
    for (const [k, n] of counts.entries()) {
      if (n === 0) continue
      const [low, high] = [edges[k]!, edges[k + 1]!]
      const p = normalBelow(high, 0, 1) - normalBelow(low, 0, 1)
      if (!(p > 0)) return { logLikelihood: -Infinity, score, information }
      logLikelihood += n * Math.log(p)
      const [up, down] = [normalDensity(high), normalDensity(low)]
      const [bend, unbend] = [up > 0 ? -high * up : 0, down > 0 ? -low * down : 0]
      const parts = [
        { place: k, first: up, second: bend },
        { place: k - 1, first: -down, second: -unbend },
      ].filter(part => part.place >= 0 && part.place < last)
      const slope = parts.reduce((sum, part) => sum - x * part.first, 0)
      const gradient = [...parts.map(part => [part.place, part.first] as const), [last, slope] as const]
      for (const [i, g] of gradient) {
        score[i] = score[i]! + (n * g) / p
        for (const [j, h] of gradient) information.set(i, j, information.get(i, j) + (n * g * h) / (p * p))
      }
      for (const { place, second } of parts)
        for (const [i, j, share] of [
          [place, place, 1],
          [place, last, -x],
          [last, place, -x],
          [last, last, x * x],
        ] as const)
          information.set(i, j, information.get(i, j) - (n * share * second) / p)
    }
  }
  return { logLikelihood, score, information }
}
