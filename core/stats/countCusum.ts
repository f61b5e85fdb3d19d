import { type Move, runLength } from './runLength'

/**
 * Cumulative sums of counts: each period adds what was counted and takes off what is allowed for; above its limit the
 * sum signals. Its unit is one count.
 */
export interface CountCusum {
  /** taken off in each period */
  reference: number
  /** the sum signals above it */
  limit: number
}

/** Unit steps of a count within which sums are reckoned: finer for rare counts. */
const FINEST = 0.05
const COARSEST = 0.25

/**
 * Reference of a sum that is to find a mean so many times the usual: the mean at which both are as likely.
 * Source: Lucas (1985), Technometrics 27: 129.
 * @param mean usual count of a period, above 0
 * @param times 1 or more
 * @example poissonReference(1, Math.E) // 1.718
 */
export const poissonReference = (mean: number, times: number): number => (mean * (times - 1)) / Math.log(times)

/**
 * Average run length of a sum of counts that are as usual, in periods.
 * @param chances of none, one, two … in a period; what they leave over is taken to signal
 */
export const countRunLength = (chances: readonly number[], { reference, limit }: CountCusum): number => {
  const grid = gridOf(reference)
  return runLength(movesOf(chances, grid), Math.floor(limit * grid.perCount + 1e-9))
}

/**
 * Least limit at which a sum gives no more false alarms than one in so many periods.
 * @param chances of none, one, two … in a period that is as usual
 * @param periods between two false alarms, at least
 * @returns the chart; its reference is brought to the grid, no lower than a twentieth of a count
 */
export function countCusumFor(chances: readonly number[], reference: number, periods: number): CountCusum {
  const grid = gridOf(reference)
  const moves = movesOf(chances, grid)
  let [low, high] = [-1, 1]
  while (runLength(moves, high) < periods) [low, high] = [high, 2 * high]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (runLength(moves, middle) < periods) low = middle
    else high = middle
  }
  return { reference: grid.perPeriod / grid.perCount, limit: high / grid.perCount }
}

/** A grid on which reference and counts are whole: units taken off in a period, and units that one count adds. */
interface Grid {
  perPeriod: number
  perCount: number
}

function gridOf(reference: number): Grid {
  const wanted = Math.max(FINEST, reference)
  const perPeriod = Math.ceil(wanted / COARSEST)
  return { perPeriod, perCount: Math.max(1, Math.round(perPeriod / wanted)) }
}

const movesOf = (chances: readonly number[], { perPeriod, perCount }: Grid): Move[] =>
  chances.map((chance, count) => ({ chance, by: count * perCount - perPeriod }))

/**
 * A sum of looks at single animals, of which some have failed (Bernoulli CUSUM): whole scores, as the exact run length
 * needs them. The score of a failure against one of a success is the ratio of their log likelihoods.
 * Source: Reynolds & Stoumbos (1999), J. Qual. Technol. 31: 87.
 */
export interface BernoulliCusum {
  /** added for each that failed; one is taken off for each other */
  failure: number
  /** the sum signals at it */
  limit: number
}

/**
 * Score of a failure where one success takes off one: to be rounded to a whole number.
 * @param accepted share of failures that is accepted
 * @param bad share that is to be found, above it
 */
export const failureScore = (accepted: number, bad: number): number =>
  Math.log(bad / accepted) / Math.log((1 - accepted) / (1 - bad))

/**
 * Average run length in animals, exact.
 * @param share of failures in truth
 */
export const bernoulliRunLength = ({ failure, limit }: BernoulliCusum, share: number): number =>
  runLength(
    [
      { chance: share, by: failure },
      { chance: 1 - share, by: -1 },
    ],
    limit - 1,
  )
