import { randomNormal } from 'd3-random'
import { WEEK_MS } from '#core/records'
import { quantileSorted, type Random } from '#core/stats'
import type { State } from './kalman'
import { crowding, FORGET_WEEKS, WEATHER_SD } from './logLinear'
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
 * Runs all futures of a colony after taking some animals today.
 * The numbers follow the same rules as the fit: growth times crowding, chance of births and deaths, growth that wanders.
 * Fewer than half an animal is none, for good.
 * @param take animals taken out today, zero or more
 * @param visit called with future, week (0 = today) and number; return false to stop that future early
 */
export function runFutures(model: FutureModel, noise: FutureNoise, take: number, visit: (future: number, week: number, n: number) => boolean): void {
  const { state, capacity, growthPrior, turnoverPerWeek, deathRatePerWeek } = model
  // Cholesky factor of today's covariance
  const l00 = Math.sqrt(Math.max(0, state.p00))
  const l10 = l00 > 0 ? state.p01 / l00 : 0
  const l11 = Math.sqrt(Math.max(0, state.p11 - l10 * l10))
  const keep = Math.exp(-1 / FORGET_WEEKS)
  const growthSd = growthPrior.sd * Math.sqrt(1 - keep * keep)
  const { draws, futures, weeks } = noise
  let d = 0
  for (let f = 0; f < futures; f++, d = f * (2 + 2 * weeks)) {
    const z0 = draws[d++]!
    let growth = state.m1 + l10 * z0 + l11 * draws[d++]!
    let n = Math.max(0, Math.exp(state.m0 + l00 * z0) - take)
    if (n < 0.5) n = 0
    if (!visit(f, 0, n)) continue
    for (let week = 1; week <= weeks; week++) {
      const chance = Math.sqrt(turnoverPerWeek / Math.max(n, 1) + WEATHER_SD * WEATHER_SD)
      // an estimate above the capacity does not drop to it overnight
      const ceiling = Math.max(capacity, n)
      n *= Math.exp(growth * crowding(n, capacity, growth) - deathRatePerWeek + chance * draws[d++]!)
      if (n < 0.5) n = 0
      else if (n > ceiling) n = ceiling
      growth = keep * growth + (1 - keep) * growthPrior.value + growthSd * draws[d++]!
      if (!visit(f, week, n)) break
    }
  }
}

/**
 * The fan: quantiles of the futures for each week from today.
 * @param nowMs today in milliseconds
 * @returns weeks + 1 points
 */
export function futureFan(model: FutureModel, noise: FutureNoise, nowMs: number): BandPoint[] {
  const columns = Array.from({ length: noise.weeks + 1 }, () => new Float64Array(noise.futures))
  runFutures(model, noise, 0, (f, week, n) => {
    columns[week]![f] = n
    return true
  })
  return columns.map((column, week) => {
    column.sort()
    const q = (p: number) => quantileSorted(column, p)
    return { at: nowMs + week * WEEK_MS, p10: q(0.1), p25: q(0.25), p50: q(0.5), p75: q(0.75), p90: q(0.9) }
  })
}

/** Chance that the number falls under a minimum at any time from today to the end of the futures, when some are taken today. */
export function riskOfFallingUnder(minimum: number, model: FutureModel, noise: FutureNoise, take: number): number {
  let fallen = 0
  runFutures(model, noise, take, (_f, _week, n) => {
    // half an animal of grace: the model's number is not whole, the keeper's minimum is
    if (n >= minimum - 0.5) return true
    fallen++
    return false
  })
  return fallen / noise.futures
}

/**
 * The most that can be taken today so that the risk of falling under the minimum stays under the allowed one.
 * The risk rises with the take because all takes share their draws. The search starts at a guess, doubles its stride
 * until it has the answer between two takes, and then halves the interval: half as many runs as from nought.
 */
export function largestTake(minimum: number, allowedRisk: number, model: FutureModel, noise: FutureNoise): { take: number, riskNow: number, riskAfter: number } {
  const { riskNow, guess } = riskAndGuess(minimum, allowedRisk, model, noise)
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
function riskAndGuess(minimum: number, allowedRisk: number, model: FutureModel, noise: FutureNoise): { riskNow: number, guess: number } {
  const starts = new Float64Array(noise.futures)
  const lowest = new Float64Array(noise.futures).fill(Infinity)
  runFutures(model, noise, 0, (f, week, n) => {
    if (week === 0) starts[f] = n
    if (n < lowest[f]!) lowest[f] = n
    return true
  })
  const fallen = lowest.filter(n => n < minimum - 0.5).length
  const takes = starts.map((n, f) => (lowest[f]! > 0 ? n * (1 - minimum / lowest[f]!) : -n)).sort()
  return { riskNow: fallen / noise.futures, guess: Math.round(quantileSorted(takes, allowedRisk)) }
}
