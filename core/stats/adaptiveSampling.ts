import { normalFrom } from './draw'
import { streamAt, uniformAt } from './stream'

/** What a belief is sampled from: a standard normal number for each thing that is not known, and what was seen. */
export interface SampledBelief {
  dims: number
  /**
   * Logarithm of the likelihood of all that was seen.
   * @param z one standard normal number for each dimension, at an offset in a long list
   */
  logLikelihood: (z: Float64Array, offset: number) => number
  seed: number
  /** draws of each round */
  size: number
}

/** Draws that are worth a weight each; the weights sum to 1. Draw i lies at i × dims. */
export interface WeightedDraws {
  draws: Float64Array
  weights: Float64Array
  /** how many equal draws they are worth: 1/Σw² (Kong, Liu & Wong 1994) */
  effective: number
}

/** Rounds at most; a belief that little was seen of is there after two. */
const MOST_ROUNDS = 10
/** Of each round at least so many draws must count, else the likelihood is let in by part only. */
const COUNT = 0.08
/** Proposals are wider than what they were learnt from, and so large a share of them comes from the prior. */
const WIDER = 1.35
const FROM_PRIOR = 0.1

/**
 * Samples a belief whose prior is standard normal in every dimension by population Monte Carlo: each round draws from a
 * normal fitted to the round before, mixed with the prior; the likelihood is let in step by step, so that no round
 * hangs on a few draws. Everything is reckoned from the seed.
 * Sources: Cappé, Guillin, Marin & Robert (2004), J. Comput. Graph. Stat. 13: 907; tempering after Neal (2001), Stat.
 * Comput. 11: 125; the mixed proposal after Hesterberg (1995), Technometrics 37: 185.
 * @returns the draws of the last round, in which the whole likelihood counts
 */
export function sampleBelief({ dims, logLikelihood, seed, size }: SampledBelief): WeightedDraws {
  let proposal: Proposal | null = null
  for (let round = 0; ; round++) {
    const draws = drawn(proposal, { dims, size, seed: streamAt(seed, round) })
    const likelihood = new Float64Array(size)
    const correction = new Float64Array(size)
    for (let i = 0; i < size; i++) {
      likelihood[i] = logLikelihood(draws, i * dims)
      correction[i] = proposal ? -logRatio(proposal, draws, i * dims) : 0
    }
    const part = round === MOST_ROUNDS ? 1 : partThatCounts(likelihood, correction)
    const weights = weighed(likelihood, correction, part)
    if (part === 1 && (proposal || effectiveOf(weights) > size / 3))
      return { draws, weights, effective: effectiveOf(weights) }
    proposal = fitted(draws, weights, dims)
  }
}

/** A normal to draw from: its middle, and the lower root of its covariance, row by row. */
interface Proposal {
  dims: number
  mean: Float64Array
  root: Float64Array
  logDet: number
}

function drawn(
  proposal: Proposal | null,
  { dims, size, seed }: { dims: number; size: number; seed: number },
): Float64Array {
  const draws = new Float64Array(size * dims)
  const z = new Float64Array(dims)
  for (let i = 0; i < size; i++) {
    const key = streamAt(seed, i)
    for (let d = 0; d < dims; d++) z[d] = normalFrom(uniformAt(key + d + 1))
    const prior = !proposal || i % Math.round(1 / FROM_PRIOR) === 0
    for (let d = 0; d < dims; d++) {
      let value = prior ? z[d]! : proposal.mean[d]!
      if (!prior) for (let e = 0; e <= d; e++) value += proposal.root[d * dims + e]! * z[e]!
      draws[i * dims + d] = value
    }
  }
  return draws
}

/** Logarithm of the density that was drawn from over that of the prior. */
function logRatio({ dims, mean, root, logDet }: Proposal, draws: Float64Array, at: number): number {
  const solved = new Float64Array(dims)
  let [own, prior] = [0, 0]
  for (let d = 0; d < dims; d++) {
    let rest = draws[at + d]! - mean[d]!
    for (let e = 0; e < d; e++) rest -= root[d * dims + e]! * solved[e]!
    solved[d] = rest / root[d * dims + d]!
    own += solved[d]! ** 2
    prior += draws[at + d]! ** 2
  }
  const over = (prior - own) / 2 - logDet
  return over > 300 ? over + Math.log(1 - FROM_PRIOR) : Math.log(FROM_PRIOR + (1 - FROM_PRIOR) * Math.exp(over))
}

/** How much of the likelihood can count so that enough draws do. */
function partThatCounts(likelihood: Float64Array, correction: Float64Array): number {
  const enough = (part: number) => effectiveOf(weighed(likelihood, correction, part)) >= COUNT * likelihood.length
  if (enough(1)) return 1
  let [low, high] = [0, 1]
  for (let i = 0; i < 16; i++) {
    const middle = (low + high) / 2
    if (enough(middle)) low = middle
    else high = middle
  }
  return low
}

function weighed(likelihood: Float64Array, correction: Float64Array, part: number): Float64Array {
  const logs = likelihood.map((l, i) => part * l + correction[i]!)
  const best = logs.reduce((a, b) => Math.max(a, b), -Infinity)
  if (best === -Infinity) return logs.fill(1 / logs.length)
  const weights = logs.map(l => Math.exp(l - best))
  const sum = weights.reduce((a, b) => a + b, 0)
  return weights.map(w => w / sum)
}

const effectiveOf = (weights: Float64Array): number => 1 / weights.reduce((sum, w) => sum + w * w, 0)

/** The normal with middle and covariance of weighted draws, somewhat wider. */
function fitted(draws: Float64Array, weights: Float64Array, dims: number): Proposal {
  const mean = new Float64Array(dims)
  weights.forEach((w, i) => {
    for (let d = 0; d < dims; d++) mean[d] = mean[d]! + w * draws[i * dims + d]!
  })
  const root = new Float64Array(dims * dims)
  weights.forEach((w, i) => {
    for (let d = 0; d < dims; d++)
      for (let e = 0; e <= d; e++)
        root[d * dims + e] =
          root[d * dims + e]! + WIDER ** 2 * w * (draws[i * dims + d]! - mean[d]!) * (draws[i * dims + e]! - mean[e]!)
  })
  return { dims, mean, root, logDet: toLowerRoot(root, dims) }
}

/** Least variance of a proposal: a dimension that has collapsed is opened again. */
const LEAST_VARIANCE = 1e-4

/**
 * The lower root of a covariance (Cholesky), in place.
 * @returns logarithm of the root's determinant
 */
function toLowerRoot(a: Float64Array, dims: number): number {
  let logDet = 0
  for (let d = 0; d < dims; d++) {
    for (let e = 0; e <= d; e++) {
      let sum = a[d * dims + e]!
      for (let f = 0; f < e; f++) sum -= a[d * dims + f]! * a[e * dims + f]!
      a[d * dims + e] = d === e ? Math.sqrt(Math.max(sum, LEAST_VARIANCE)) : sum / a[e * dims + e]!
    }
    logDet += Math.log(a[d * dims + d]!)
  }
  return logDet
}

/**
 * So many equal draws of weighted ones, by systematic resampling (Kitagawa 1996, J. Comput. Graph. Stat. 5: 1).
 * @param weights with any sum above nought
 * @returns indices, rising
 */
export function equalDraws(weights: Float64Array, size: number): Uint32Array {
  const taken = new Uint32Array(size)
  const all = weights.reduce((a, b) => a + b, 0)
  let sum = weights[0]!
  let from = 0
  for (let i = 0; i < size; i++) {
    while (sum < ((i + 0.5) / size) * all && from < weights.length - 1) sum += weights[++from]!
    taken[i] = from
  }
  return taken
}
