import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { type EntryOf, type Id, type Ladder, momentMs, presentRungs, type RungCount } from '#core/records'
import { equalDraws, normalFrom, type Ranged, STREAM_STEP, streamAt, uniformAt, Z80 } from '#core/stats'
import { varietyAmong } from './effectiveBreeders'
import { countsOn, graderOf, seenIn } from './gradings'
import type { BreederSet, LineGroup } from './history'
import { HERITABILITY_PRIOR, type LineFit, rungWidth } from './lineFit'
import type { LineRead } from './lineHistory'
import { LINE_PRIOR } from './lineModel'
import { gainsOf } from './nextGeneration'
import { ordinalRegression } from './ordinalRegression'
import { meanRungOf, rangeOf } from './sharesTold'

/** What another trait did while the line was bred for its main one. */
export interface Beside {
  ladderId: Id
  /** each generation by today's rungs of that ladder, each animal once; nobody where it was not graded */
  counts: number[][]
  meanRungs: (number | null)[]
  /** rungs of it that go with one rung of the main trait in breeding value; null before two generations were graded */
  perRung: Ranged | null
  /** how much narrower that range is than what was thought before: 0 nothing, 1 all */
  learnt: number
  /** possible slopes, in standard deviations of each; each with the draw of the fit that it goes with */
  slopes: { draw: number; slope: number }[]
  /** rungs of it to a standard deviation */
  rungsPerSd: number
}

/**
 * What is thought of a slope before anything was graded, in standard deviations of each trait: its own standard
 * deviation about none (from memory).
 */
export const SLOPE_PRIOR_SD = 0.5
/** Means of a whole generation on one rung would lie anywhere: so far off at most, in standard deviations. */
const FAR = 3
/** The middle of all generations lies anywhere, so far off that it says nothing. */
const ANYWHERE = 10
const SEED = 11
/** Nobody knows that of the other trait: the middle of what is thought of any. */
const USUAL_HERITABILITY = HERITABILITY_PRIOR.alpha / (HERITABILITY_PRIOR.alpha + HERITABILITY_PRIOR.beta)

/** What one keeper graded of one generation and sex. */
interface Cell {
  row: number
  grader: string
  sex: RungCount['sex']
  counts: number[]
}

/**
 * Correlated response of a trait that nobody selects by: the slope of its generations' means on the breeding values of
 * the main trait (Falconer & Mackay 1996, ch. 19: r·h₂/h₁ for each unit of response). The means are those of a
 * cumulative probit; food and warmth of a year, drift, keepers and sexes are errors that generations share, as large as
 * in the main fit. Generalised least squares with a normal prior, in each possible truth of the main fit, which the
 * means themselves weigh.
 * @param gradings standing ones of the line's colonies, of any ladder
 */
export function besideTrait(
  ladder: Ladder,
  gradings: readonly EntryOf<'grading'>[],
  { read, fit }: { read: LineRead; fit: LineFit },
): Beside {
  const cells = cellsOf(ladder, gradings, read)
  const rungs = presentRungs(ladder).map((_, k) => k)
  const counts = read.generations.map((_, row) =>
    rungs.map(k => cells.reduce((sum, c) => sum + (c.row === row ? c.counts[k]! : 0), 0)),
  )
  const graded = counts.map(c => c.some(n => n > 0))
  const told = {
    ...{ ladderId: ladder.id, counts },
    meanRungs: counts.map((c, row) => (graded[row] ? meanRungOf(c) : null)),
  }
  const seen = graded.filter(Boolean).length < 2 ? null : meansOf(cells)
  if (!seen) return { ...told, perRung: null, learnt: 0, slopes: [], rungsPerSd: 1 }
  const rows = read.generations.map(g => fit.model.rowOf.get(g.id)!)
  const { groups } = fit.model.history
  const own = rows.map(row => groups[row]!)
  const spread = spreadOf(seen.covariance, cells, own)
  const slopes = slopesOf(seen.means, spread, { cells, rows, fit })
  const perRung = rangeOf(slopes.map(s => (s.slope * rungWidth(fit)) / seen.width))
  const prior = (2 * Z80 * SLOPE_PRIOR_SD * rungWidth(fit)) / seen.width
  const learnt = Math.max(0, 1 - (perRung.high - perRung.low) / prior)
  return { ...told, perRung, learnt, slopes, rungsPerSd: 1 / seen.width }
}

/**
 * By how much another trait will change in the young of some breeders, in mean rungs of its ladder: what goes with the
 * main trait, and its own drift among those who breed.
 * @returns null where the slope is not known
 */
export function besideNext(
  { slopes, rungsPerSd }: Pick<Beside, 'slopes' | 'rungsPerSd'>,
  fit: LineFit,
  { breeders, young }: { breeders: readonly BreederSet[]; young: number },
): Ranged | null {
  if (slopes.length === 0) return null
  const gains = gainsOf(fit, { breeders, young })
  const drift = Math.sqrt(USUAL_HERITABILITY * (2 * varietyAmong(breeders).perGeneration + 1 / (2 * young)))
  return rangeOf(slopes.map(({ draw, slope }, i) => rungsPerSd * (slope * gains[draw]! + drift * luckOf(1, i))))
}

/** A standard normal number, the same for the same place. */
const luckOf = (use: number, i: number): number =>
  normalFrom(uniformAt((streamAt(SEED, use) + Math.imul(i, STREAM_STEP)) | 0))

/** Gradings on a ladder by generation, keeper and sex. A second look at the same animals tells no new ones. */
function cellsOf(ladder: Ladder, gradings: readonly EntryOf<'grading'>[], { generations }: LineRead): Cell[] {
  const ids = new Set(gradings.map(e => e.id))
  const found = new Map<string, Cell>()
  for (const e of gradings) {
    const seen = seenIn(e, ladder)
    if (seen.length === 0 || (e.againOf && ids.has(e.againOf))) continue
    const named = generations.findIndex(g => g.id === e.generationId)
    const row =
      named >= 0
        ? named
        : Math.max(
            0,
            generations.findLastIndex(g => g.fromMs <= momentMs(e.at)),
          )
    for (const sex of ['female', 'male', 'unknown'] as const) {
      const own = countsOn(
        ladder,
        seen.filter(s => s.sex === sex),
      )
      if (own.every(n => n === 0)) continue
      const key = `${row} ${graderOf(e)} ${sex}`
      const before = found.get(key)?.counts
      found.set(key, { row, grader: graderOf(e), sex, counts: own.map((n, k) => n + (before?.[k] ?? 0)) })
    }
  }
  return [...found.values()].sort((a, b) => a.row - b.row)
}

/** Means of the cells beside the first, in standard deviations; null where all stand on one rung. */
function meansOf(cells: readonly Cell[]): { means: number[]; covariance: Matrix; width: number } | null {
  const rungs = cells[0]!.counts.map((_, k) => k).filter(k => cells.some(c => c.counts[k]! > 0))
  if (rungs.length < 2) return null
  const fitted = ordinalRegression(
    cells.map((c, i) => ({
      counts: rungs.map(k => c.counts[k]!),
      x: cells.slice(1).map((_, j) => (j + 1 === i ? 1 : 0)),
    })),
    FAR,
  )
  const { cuts } = fitted
  const covariance = Matrix.zeros(cells.length, cells.length)
  for (let i = 1; i < cells.length; i++)
    for (let j = 1; j < cells.length; j++)
      covariance.set(i, j, fitted.covariance[cuts.length + i - 1]![cuts.length + j - 1]!)
  const width = cuts.length > 1 ? (cuts.at(-1)! - cuts[0]!) / (rungs.at(-1)! - rungs[0]! - 1) : 1
  return { means: [0, ...fitted.slopes], covariance, width }
}

const sign: Readonly<Record<RungCount['sex'], number>> = { female: 1, male: -1, unknown: 0 }

/** All by which the means may differ but the slope: what was graded by chance, years, drift, keepers and sexes. */
function spreadOf(sampled: Matrix, cells: readonly Cell[], groups: readonly LineGroup[]): CholeskyDecomposition {
  let drifted = 0
  const drift = groups.map(g => (drifted += g.breeders.length > 0 ? 2 * varietyAmong(g.breeders).perGeneration : 0))
  const spread = Matrix.zeros(cells.length, cells.length)
  for (const [i, a] of cells.entries())
    for (const [j, b] of cells.slice(0, i + 1).entries()) {
      let both = sampled.get(i, j) + ANYWHERE ** 2 + USUAL_HERITABILITY * drift[Math.min(a.row, b.row)]!
      if (groups[a.row]!.period === groups[b.row]!.period) both += LINE_PRIOR.environment ** 2
      if (a.grader === b.grader) both += LINE_PRIOR.shift ** 2
      both += sign[a.sex] * sign[b.sex] * (LINE_PRIOR.sexes / 2) ** 2
      spread.set(i, j, both)
      spread.set(j, i, both)
    }
  return new CholeskyDecomposition(spread)
}

/** Possible slopes: in each possible truth a normal one, and as many of a truth as the means make it likely. */
function slopesOf(
  means: readonly number[],
  spread: CholeskyDecomposition,
  { cells, rows, fit }: { cells: readonly Cell[]; rows: readonly number[]; fit: LineFit },
) {
  const y = spread.solve(Matrix.columnVector([...means])).to1DArray()
  const truths = fit.draws.map(({ run }) => {
    const values = cells.map(c => run.standings[rows[c.row]!]!.mean)
    const solved = spread.solve(Matrix.columnVector(values)).to1DArray()
    const precision = 1 / SLOPE_PRIOR_SD ** 2 + values.reduce((sum, v, i) => sum + v * solved[i]!, 0)
    const middle = values.reduce((sum, v, i) => sum + v * y[i]!, 0) / precision
    return { middle, sd: 1 / Math.sqrt(precision), weight: (middle ** 2 * precision - Math.log(precision)) / 2 }
  })
  const most = Math.max(...truths.map(t => t.weight))
  const weights = Float64Array.from(truths, t => Math.exp(t.weight - most))
  return [...equalDraws(weights, truths.length)].map((draw, i) => ({
    draw,
    slope: truths[draw]!.middle + truths[draw]!.sd * luckOf(0, i),
  }))
}
