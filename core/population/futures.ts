import { randomNormal } from 'd3-random'
import { WEEK_MS } from '#core/records'
import { quantileSorted, type Random } from '#core/stats'
import type { State } from './kalman'
import { crowding, FORGET_WEEKS, WEATHER_SD } from './transitions'
import type { BandPoint } from './population'

/** Weeks that futures look ahead. */
export const FUTURE_WEEKS = 26

/**
 * Standard normal draws for many futures, made once and used for every colony and every take (common random numbers), so
 * that a difference between two answers is never a difference of luck.
 * Layout: future by future; for each, two draws for today's state and then two a week (level, growth).
 */
export interface FutureNoise { futures: number, weeks: number, draws: Float64Array }

/**
 * Draws the noise for a number of futures.
 * @param random seeded generator
 * @param futures how many, 1 or more
 */
export function drawFutureNoise(random: Random, futures: number, weeks = FUTURE_WEEKS): FutureNoise {
  if (!(futures >= 1)) throw new RangeError(`futures must be 1 or more, got ${futures}`)
  const normal = randomNormal.source(random)()
  const draws = new Float64Array(futures * (2 + 2 * weeks))
  for (let i = 0; i < draws.length; i++) draws[i] = normal()
  return { futures, weeks, draws }
}

/** What a future starts from and obeys. */
export interface FutureModel {
  state: State
  capacity: number
  growthPrior: { value: number, sd: number }
  turnoverPerWeek: number
  deathRatePerWeek: number
}

/**
 * Lives all futures of a colony through after taking some animals today.
 * The numbers follow the same rules as the fit: growth times crowding, chance of births and deaths, growth that wanders.
 * Fewer than half an animal is none, for good.
 * One plain loop without callbacks: it runs a quarter of a million steps for each colony.
 * @param take animals taken out today, zero or more
 * @param under a future that falls under this number is counted and not lived further
 * @param numbers filled with the numbers, by future, then week (0 = today); left out when only the count is wanted
 * @returns how many futures fell under the number
 */
export function liveFutures(model: FutureModel, noise: FutureNoise, take: number, under = -1, numbers?: Float64Array): number {
  const { state, capacity, growthPrior, turnoverPerWeek, deathRatePerWeek } = model
  // Cholesky factor of today's covariance
  const l00 = Math.sqrt(Math.max(0, state.p00))
  const l10 = l00 > 0 ? state.p01 / l00 : 0
  const l11 = Math.sqrt(Math.max(0, state.p11 - l10 * l10))
  const keep = Math.exp(-1 / FORGET_WEEKS)
  const growthSd = growthPrior.sd * Math.sqrt(1 - keep * keep)
  const { draws, futures, weeks } = noise
  let fallen = 0
  for (let f = 0; f < futures; f++) {
    let d = f * (2 + 2 * weeks)
    const z0 = draws[d++]!
    let growth = state.m1 + l10 * z0 + l11 * draws[d++]!
    let n = Math.max(0, Math.exp(state.m0 + l00 * z0) - take)
    for (let week = 0; ; week++) {
      if (n < 0.5) n = 0
      if (numbers) numbers[f * (weeks + 1) + week] = n
      if (n < under) {
        fallen++
        break
      }
      if (week === weeks) break
      const chance = Math.sqrt(turnoverPerWeek / Math.max(n, 1) + WEATHER_SD * WEATHER_SD)
      // an estimate above the capacity does not drop to it overnight
      const ceiling = Math.max(capacity, n)
      n = Math.min(ceiling, n * Math.exp(growth * crowding(n, capacity, growth) - deathRatePerWeek + chance * draws[d++]!))
      growth = keep * growth + (1 - keep) * growthPrior.value + growthSd * draws[d++]!
    }
  }
  return fallen
}

/** The futures when nothing is taken: what the fan and the search for the largest take start from. */
export function futuresAsThingsAre(model: FutureModel, noise: FutureNoise): Float64Array {
  const numbers = new Float64Array(noise.futures * (noise.weeks + 1))
  liveFutures(model, noise, 0, -1, numbers)
  return numbers
}

/**
 * The fan: quantiles of the futures for each week from today.
 * @param numbers futures as things are
 * @param nowMs today in milliseconds
 * @returns weeks + 1 points
 */
export function futureFan(numbers: Float64Array, { futures, weeks }: FutureNoise, nowMs: number): BandPoint[] {
  const column = new Float64Array(futures)
  return Array.from({ length: weeks + 1 }, (_, week) => {
    for (let f = 0; f < futures; f++) column[f] = numbers[f * (weeks + 1) + week]!
    column.sort()
    const q = (p: number) => quantileSorted(column, p)
    return { at: nowMs + week * WEEK_MS, p10: q(0.1), p25: q(0.25), p50: q(0.5), p75: q(0.75), p90: q(0.9) }
  })
}

/** Chance that the number falls under a minimum at any time from today to the end of the futures, when some are taken today. */
export function riskOfFallingUnder(minimum: number, model: FutureModel, noise: FutureNoise, take: number): number {
  // half an animal of grace: the model's number is not whole, the keeper's minimum is
  return liveFutures(model, noise, take, minimum - 0.5) / noise.futures
}

/**
 * The most that can be taken today so that the risk of falling under the minimum stays under the allowed one.
 * The risk rises with the take because all takes share their draws. The search starts at a guess, doubles its stride
 * until it has the answer between two takes, and then halves the interval: half as many runs as from nought.
 * @param numbers futures as things are, when they are known already
 */
export function largestTake(minimum: number, allowedRisk: number, model: FutureModel, noise: FutureNoise, numbers = futuresAsThingsAre(model, noise)): { take: number, riskNow: number, riskAfter: number } {
  const { riskNow, guess } = riskAndGuess(minimum, allowedRisk, numbers, noise)
  if (riskNow >= allowedRisk) return { take: 0, riskNow, riskAfter: riskNow }
  let good = 0
  let riskAfter = riskNow
  // more than the likely number is never offered, however little must stay
  let bad = Math.max(1, Math.ceil(Math.exp(model.state.m0) - minimum) + 1)
  let below = false
  let above = false
  let stride = Math.max(1, Math.round(guess / 50))
  for (let next = guess; bad - good > 1; stride *= 2) {
    const take = Math.min(bad - 1, Math.max(good + 1, next))
    const risk = riskOfFallingUnder(minimum, model, noise, take)
    if (risk < allowedRisk) {
      good = take
      riskAfter = risk
      below = true
    }
    else {
      bad = take
      above = true
    }
    next = below && above ? Math.floor((good + bad) / 2) : below ? good + stride : bad - stride
  }
  return { take: good, riskNow, riskAfter }
}

/**
 * The risk when none are taken, and a guess of the largest take: if all of a future scaled with its start, taking k of N
 * would leave the lowest point at (N − k)/N of what it was. Crowding and chance do not scale, hence only a guess.
 */
function riskAndGuess(minimum: number, allowedRisk: number, numbers: Float64Array, { futures, weeks }: FutureNoise): { riskNow: number, guess: number } {
  let fallen = 0
  const takes = new Float64Array(futures)
  for (let f = 0; f < futures; f++) {
    const future = numbers.subarray(f * (weeks + 1), (f + 1) * (weeks + 1))
    let lowest = Infinity
    for (const n of future) lowest = Math.min(lowest, n)
    if (lowest < minimum - 0.5) fallen++
    takes[f] = lowest > 0 ? future[0]! * (1 - minimum / lowest) : -future[0]!
  }
  return { riskNow: fallen / futures, guess: Math.round(quantileSorted(takes.sort(), allowedRisk)) }
}
