import normalCdf from '@stdlib/stats-base-dists-normal-cdf'
import { Matrix, solve } from 'ml-matrix'

/** A smoothed path with its limits, one point a reading. */
export interface EwmaPoint {
  value: number
  low: number
  high: number
  outside: boolean
}

/** How strongly a path is smoothed, and how wide its limits are. */
export interface EwmaChart {
  /** weight of the newest reading, 0.2 as usual */
  lambda: number
  /** L, 2.86 for a false alarm in about 370 readings */
  width: number
}
const USUAL: EwmaChart = { lambda: 0.2, width: 2.86 }

/**
 * Exponentially weighted moving average with time-varying limits (Roberts 1959; Lucas & Saccucci 1990): sees small
 * slides that single readings hide. Z_t = λ·x_t + (1 − λ)·Z_(t−1), limits centre ± L·σ·√(λ/(2 − λ)·(1 − (1 − λ)^2t)).
 * @param values readings in order of time
 * @param centre where the path starts
 * @param sigma scatter of single readings, 0 or more
 * @throws RangeError for λ outside (0, 1]
 */
export function ewma(
  values: readonly number[],
  centre: number,
  sigma: number,
  { lambda, width }: EwmaChart = USUAL,
): EwmaPoint[] {
  check(lambda)
  let z = centre
  return values.map((x, i) => {
    z = lambda * x + (1 - lambda) * z
    const half = width * sigma * Math.sqrt((lambda / (2 - lambda)) * (1 - (1 - lambda) ** (2 * (i + 1))))
    return { value: z, low: centre - half, high: centre + half, outside: Math.abs(z - centre) > half }
  })
}

/** Cells that the band between the limits is cut into, an odd number so that one lies about the centre. */
const CELLS = 201

/**
 * Average run length of the path with its settled limits, for normal values (Lucas & Saccucci 1990, Technometrics
 * 32: 1, by the Markov chain of Brook & Evans).
 * @param shift of the mean, in standard deviations of a reading
 * @throws RangeError for λ outside (0, 1]
 */
export function ewmaRunLength({ lambda, width }: EwmaChart, shift: number): number {
  check(lambda)
  const limit = width * Math.sqrt(lambda / (2 - lambda))
  const cell = (2 * limit) / CELLS
  const edge = (i: number) => -limit + i * cell
  const away = Matrix.eye(CELLS, CELLS)
  for (let from = 0; from < CELLS; from++) {
    const old = (1 - lambda) * (edge(from) + cell / 2)
    const below = (to: number) => normalCdf((edge(to) - old) / lambda, shift, 1)
    for (let to = 0; to < CELLS; to++) away.set(from, to, away.get(from, to) - (below(to + 1) - below(to)))
  }
  return solve(away, Matrix.ones(CELLS, 1)).get((CELLS - 1) / 2, 0)
}

function check(lambda: number) {
  if (!(lambda > 0 && lambda <= 1)) throw new RangeError(`lambda must lie above 0 and at most 1, got ${lambda}`)
}
