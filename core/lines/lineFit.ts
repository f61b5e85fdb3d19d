import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { normalFrom, type Ranged, STREAM_STEP, streamAt, uniformAt } from '#core/stats'
import type { LineHistory } from './history'
import { cellsOf, type Graded, lineModel, type LineModel } from './lineModel'
import type { LineRun } from './lineRun'

/**
 * What is thought of the heritability of a graded trait before anything was selected: a beta curve with its mean near
 * a third (from memory; colours of shrimp have hardly been measured).
 */
export const HERITABILITY_PRIOR = { alpha: 2, beta: 3.5 } as const

/** A line of which the fit has drawn one possible truth. */
export interface LineDraw {
  heritability: number
  run: LineRun
}

/** What the grades of a line say. */
export interface LineFit {
  model: LineModel
  /** of the founders, without grading error: middle and likely range (80 %) */
  heritability: Ranged
  /** how much narrower the range is than what was thought before anything was selected: 0 nothing, 1 all */
  learnt: number
  /** possible truths, each as likely as the others */
  draws: LineDraw[]
}

/** How wide a rung is, in standard deviations of the trait. */
export function rungWidth({ draws }: Pick<LineFit, 'draws'>): number {
  const { cuts } = draws[Math.floor(draws.length / 2)]!.run.eyes.values().next().value!
  return cuts.length > 1 ? (cuts.at(-1)! - cuts[0]!) / (cuts.length - 1) : 1
}

/** What was learnt below this share of the range tells nothing yet (from memory). */
export const LEARNT_AT_LEAST = 0.2

const NODES = 24
/** The node nearest to what was thought before. */
const MIDDLE = 8
/** On the log scale: one in four hundred. */
const FAR_OFF = 6
const DRAWS = 400
const STEPS = 12
const NEAR = 1e-3
const NUDGE = 1e-4
const HIGHEST = 0.95

/** The most likely latents at one heritability, how sure they are, and how well they fit. */
interface Peak {
  heritability: number
  at: Float64Array
  curvature: CholeskyDecomposition
  logEvidence: number
}

/**
 * Fits a line: at each heritability of a grid the most likely course of its generations by Fisher scoring, weighed by
 * Laplace's approximation (Tierney & Kadane 1986, J. Am. Stat. Assoc. 81: 82). Drift, grading error, environments and
 * finite numbers are unknowns of the course, so that the range of the heritability holds them.
 * @param seed of the draws; the same log gives the same fit
 * @throws RangeError for a line in which nothing was graded
 */
export function fitLine(history: LineHistory, seed = 1): LineFit {
  const cells = cellsOf(history)
  if (!cells.some(c => c.total > 0)) throw new RangeError('a line needs a grading, got none')
  const model = lineModel(history)
  const peaks = peaksOf(model, cells)
  const highest = Math.max(...peaks.map(p => p?.logEvidence ?? -Infinity))
  const weights = peaks.map((p, i) => (p ? priorOf(nodeAt(i)) * Math.exp(p.logEvidence - highest) : 0))
  const range = (w: readonly number[]): Ranged => ({
    low: quantileOfGrid(w, 0.1),
    value: quantileOfGrid(w, 0.5),
    high: quantileOfGrid(w, 0.9),
  })
  const heritability = range(weights)
  const before = range(peaks.map((_, i) => priorOf(nodeAt(i))))
  const learnt = Math.max(0, 1 - (heritability.high - heritability.low) / (before.high - before.low))
  return { model, heritability, learnt, draws: drawsOf(model, peaks, weights, seed) }
}

const nodeAt = (i: number): number => (HIGHEST * (i + 0.5)) / NODES
const priorOf = (h: number): number => h ** (HERITABILITY_PRIOR.alpha - 1) * (1 - h) ** (HERITABILITY_PRIOR.beta - 1)

/**
 * The peaks of the grid, from the middle of what was thought before outwards; what is too far off to weigh anything is
 * left out.
 */
function peaksOf(model: LineModel, cells: readonly Graded[]): (Peak | null)[] {
  const peaks = new Array<Peak | null>(NODES).fill(null)
  const worth = (p: Peak) => p.logEvidence + Math.log(priorOf(p.heritability))
  const middle = peakAt(model, cells, nodeAt(MIDDLE), new Float64Array(model.size))
  peaks[MIDDLE] = middle
  let best = worth(middle)
  for (const by of [1, -1]) {
    let { at } = middle
    for (let i = MIDDLE + by; i >= 0 && i < NODES; i += by) {
      const peak = peakAt(model, cells, nodeAt(i), at)
      peaks[i] = peak
      at = peak.at
      best = Math.max(best, worth(peak))
      if (worth(peak) < best - FAR_OFF) break
    }
  }
  return peaks
}

/** Quantile of weights on the grid of heritabilities, each spread evenly over its cell. */
function quantileOfGrid(weights: readonly number[], p: number): number {
  const all = weights.reduce((a, b) => a + b, 0)
  let sum = 0
  for (const [i, w] of weights.entries()) {
    if (w > 0 && sum + w >= p * all) return (HIGHEST * (i + (p * all - sum) / w)) / NODES
    sum += w
  }
  return HIGHEST
}

/** Logarithm of the chance of what was graded. */
function logLikelihood(cells: readonly Graded[], chances: Float64Array): number {
  let sum = 0
  for (const { counts, at } of cells)
    for (const [k, n] of counts.entries()) if (n > 0) sum += n * Math.log(chances[at + k]!)
  return sum
}
const logPrior = (z: Float64Array) => -z.reduce((sum, x) => sum + x * x, 0) / 2

/** Fisher scoring on standard normal latents: steps are halved as long as they lead down. */
function peakAt(model: LineModel, cells: readonly Graded[], heritability: number, start: Float64Array): Peak {
  let at = start.slice()
  let run = model.run(at, heritability)
  let here = logLikelihood(cells, run.chances) + logPrior(at)
  let curvature = curvatureAt(model, cells, heritability, { at, run })
  for (let step = 0; step < STEPS; step++) {
    const move = curvature.information.solve(Matrix.columnVector([...curvature.score])).to1DArray()
    let size = 1
    let gained = -1
    while (size > 0.01) {
      const next = at.map((x, i) => x + size * move[i]!)
      const there = model.run(next, heritability)
      const value = logLikelihood(cells, there.chances) + logPrior(next)
      if (value >= here) {
        gained = value - here
        ;[at, run, here] = [next, there, value]
        break
      }
      size /= 2
    }
    // so near the peak the curvature is what it was a step before
    if (gained < NEAR) break
    curvature = curvatureAt(model, cells, heritability, { at, run })
  }
  const lower = curvature.information.lowerTriangularMatrix
  let halfLogDet = 0
  for (let i = 0; i < model.size; i++) halfLogDet += Math.log(lower.get(i, i))
  return { heritability, at, curvature: curvature.information, logEvidence: here - halfLogDet }
}

/** Slope of the logarithm of the posterior, and its expected curvature, from how each chance moves with each latent. */
function curvatureAt(
  model: LineModel,
  cells: readonly Graded[],
  heritability: number,
  { at, run }: { at: Float64Array; run: LineRun },
): { score: Float64Array; information: CholeskyDecomposition } {
  const { size } = model
  const { chances } = run
  const moved = Array.from({ length: size }, (_, i) => {
    const z = at.slice()
    z[i]! += NUDGE
    const there = model.run(z, heritability, { run, latent: i }).chances
    for (let c = 0; c < there.length; c++) there[c] = (there[c]! - chances[c]!) / NUDGE
    return there
  })
  const score = at.map(x => -x)
  const weights = new Float64Array(chances.length)
  for (const { counts, total, at: first } of cells)
    for (const [k, n] of counts.entries()) {
      const c = first + k
      const p = chances[c]!
      weights[c] = total / p
      if (n > 0) for (let i = 0; i < size; i++) score[i]! += (n * moved[i]![c]!) / p
    }
  const information = Matrix.eye(size, size)
  for (let i = 0; i < size; i++)
    for (let j = 0; j <= i; j++) {
      let sum = information.get(i, j)
      const [a, b] = [moved[i]!, moved[j]!]
      for (let c = 0; c < weights.length; c++) sum += weights[c]! * a[c]! * b[c]!
      information.set(i, j, sum)
      information.set(j, i, sum)
    }
  return { score, information: new CholeskyDecomposition(information) }
}

/** Possible truths: heritabilities in step with their weights, and about each peak its normal curve. */
function drawsOf(
  model: LineModel,
  peaks: readonly (Peak | null)[],
  weights: readonly number[],
  seed: number,
): LineDraw[] {
  const stream = streamAt(seed, 0)
  const inverses = new Map<Peak, Matrix>()
  let turn = 0
  return Array.from({ length: DRAWS }, (_, d) => {
    const heritability = quantileOfGrid(weights, (d + 0.5) / DRAWS)
    const cell = Math.min(NODES - 1, Math.floor((heritability * NODES) / HIGHEST))
    const peak = peaks[cell] ?? peaks.find(p => p !== null)!
    let toLatents = inverses.get(peak)
    if (!toLatents) {
      toLatents = inverseTransposed(peak.curvature.lowerTriangularMatrix)
      inverses.set(peak, toLatents)
    }
    const z = Float64Array.from({ length: model.size }, () =>
      normalFrom(uniformAt(stream + Math.imul(turn++, STREAM_STEP))),
    )
    const latents = peak.at.slice()
    for (let i = 0; i < model.size; i++) for (let j = i; j < model.size; j++) latents[i]! += toLatents.get(i, j) * z[j]!
    return { heritability, run: model.run(latents, heritability) }
  })
}

/** Transpose of the inverse of a lower triangle. */
function inverseTransposed(lower: Matrix): Matrix {
  const n = lower.rows
  const found = Matrix.zeros(n, n)
  for (let column = 0; column < n; column++)
    for (let row = column; row < n; row++) {
      let sum = row === column ? 1 : 0
      for (let k = column; k < row; k++) sum -= lower.get(row, k) * found.get(column, k)
      found.set(column, row, sum / lower.get(row, row))
    }
  return found
}
