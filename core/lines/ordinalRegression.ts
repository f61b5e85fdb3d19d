import { inverse, Matrix, solve } from 'ml-matrix'
import { normalBelow, normalDensity, zQuantile } from '#core/stats'

/** Grades of animals that are alike in what they are held against. */
export interface GradedAlike {
  /** animals on each rung, the lowest first */
  counts: readonly number[]
  /** what they are held against: a generation, or cover and depth */
  x: readonly number[]
}

/** A cumulative probit: P(rung ≤ k) = Φ(cut_k − slopes · x). */
export interface OrdinalRegression {
  cuts: number[]
  slopes: number[]
  logLikelihood: number
  /** covariance of the cuts, then the slopes */
  covariance: number[][]
}

const MOST_STEPS = 60
const NEAR = 1e-10

/**
 * Cuts and slopes by maximum likelihood, or, with a prior, where likelihood and prior together are highest: Newton's
 * method on the exact second derivatives, with steps halved as long as they lead down or past one another (McCullagh
 * 1980, J. R. Stat. Soc. B 42: 109).
 * @param groups of at least two rungs, each of which somebody stands on
 * @param priorSd of each slope about none; no prior when missing
 * @throws RangeError for a rung on which nobody stands
 */
export function ordinalRegression(groups: readonly GradedAlike[], priorSd = Infinity): OrdinalRegression {
  const rungs = groups[0]?.counts.length ?? 0
  const totals = Array.from({ length: rungs }, (_, k) => groups.reduce((sum, g) => sum + g.counts[k]!, 0))
  if (rungs < 2 || totals.some(n => n === 0)) throw new RangeError('a fit of rungs needs an animal on each of them')
  const about = { groups, cuts: rungs - 1, pull: 1 / priorSd ** 2 }
  let at = [...start(totals), ...groups[0]!.x.map(() => 0)]
  let here = derivatives(about, at)
  for (let step = 0; step < MOST_STEPS; step++) {
    const move = solve(here.information, Matrix.columnVector(here.score)).to1DArray()
    let size = 1
    let next = at.map((v, i) => v + move[i]!)
    let there = derivatives(about, next)
    while (!(there.height >= here.height - NEAR) && size > NEAR) {
      size /= 2
      next = at.map((v, i) => v + size * move[i]!)
      there = derivatives(about, next)
    }
    at = next
    here = there
    if (Math.max(...move.map(Math.abs)) * size < NEAR) break
  }
  return {
    ...{ cuts: at.slice(0, rungs - 1), slopes: at.slice(rungs - 1), logLikelihood: here.logLikelihood },
    covariance: inverse(here.information).to2DArray(),
  }
}

/** Cuts of all groups together. */
function start(totals: readonly number[]): number[] {
  const all = totals.reduce((a, b) => a + b, 0)
  let below = 0
  return totals.slice(0, -1).map(n => zQuantile((below += n) / all))
}

interface About {
  groups: readonly GradedAlike[]
  cuts: number
  pull: number
}

/** Logarithm of the likelihood with the prior, its slope, and the negative of its curvature, at cuts and slopes. */
function derivatives({ groups, cuts, pull }: About, at: readonly number[]) {
  const size = at.length
  let logLikelihood = 0
  const score = new Array<number>(size).fill(0)
  const information = Matrix.zeros(size, size)
  const add = (i: number, j: number, v: number) => information.set(i, j, information.get(i, j) + v)
  for (const { counts, x } of groups) {
    const far = x.reduce((sum, v, d) => sum + v * at[cuts + d]!, 0)
    // a rung's chance lies between two cuts; what each of them moves is its own place and the slopes
    const edges = [-Infinity, ...at.slice(0, cuts).map(cut => cut - far), Infinity]
    for (const [k, n] of counts.entries()) {
      if (n === 0) continue
      const [low, high] = [edges[k]!, edges[k + 1]!]
      const p = normalBelow(high, 0, 1) - normalBelow(low, 0, 1)
      if (!(p > 0)) return { logLikelihood: -Infinity, height: -Infinity, score, information }
      logLikelihood += n * Math.log(p)
      const [up, down] = [normalDensity(high), normalDensity(low)]
      const sides = [
        { place: k, first: up, second: up > 0 ? -high * up : 0 },
        { place: k - 1, first: -down, second: down > 0 ? low * down : 0 },
      ].filter(side => side.place >= 0 && side.place < cuts)
      const gradient = new Map<number, number>()
      for (const { place, first, second } of sides) {
        const moves = [[place, 1] as const, ...x.map((v, d) => [cuts + d, -v] as const)]
        for (const [i, m] of moves) {
          gradient.set(i, (gradient.get(i) ?? 0) + m * first)
          for (const [j, o] of moves) add(i, j, -(n * m * o * second) / p)
        }
      }
      for (const [i, g] of gradient) {
        score[i] = score[i]! + (n * g) / p
        for (const [j, h] of gradient) add(i, j, (n * g * h) / (p * p))
      }
    }
  }
  let height = logLikelihood
  for (let i = cuts; i < size; i++) {
    height -= (pull * at[i]! ** 2) / 2
    score[i]! -= pull * at[i]!
    add(i, i, pull)
  }
  return { logLikelihood, height, score, information }
}

/**
 * Chances of the rungs of one more animal, with the doubt of the fit: each cut is a normal number of its own
 * (the Laplace approximation; MacKay 1992, Neural Comput. 4: 720).
 */
export function rungChances({ cuts, slopes, covariance }: OrdinalRegression, x: readonly number[]): number[] {
  const far = slopes.reduce((sum, s, d) => sum + s * x[d]!, 0)
  const below = cuts.map((cut, k) => {
    const gradient = [...cuts.map((_, i) => (i === k ? 1 : 0)), ...x.map(v => -v)]
    const variance = gradient.reduce(
      (sum, g, i) => sum + gradient.reduce((inner, h, j) => inner + g * h * covariance[i]![j]!, 0),
      0,
    )
    return normalBelow((cut - far) / Math.sqrt(1 + Math.max(0, variance)), 0, 1)
  })
  // doubt that differs from cut to cut may cross two of them by a hair
  const rising = below.map((_, k) => Math.max(...below.slice(0, k + 1)))
  return [...rising, 1].map((p, k) => p - (k > 0 ? rising[k - 1]! : 0))
}
