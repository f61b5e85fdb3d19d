import { quantileSorted } from '#core/stats'
import { type FutureModel, type FutureNoise, futuresAsThingsAre } from './futures'

/** When a colony first reaches a number: weeks, infinite where fewer futures than that ever do within the time looked at. */
export interface WeeksToReach { p10: number, p50: number, p90: number, /** share of futures that reach it at all */ reachedShare: number }

/**
 * When a number is first reached, over many futures.
 * @param number wanted animals
 * @param model where the futures start and what they obey
 * @param noise draws; their weeks are how far is looked
 */
export function weeksToReach(number: number, model: FutureModel, noise: FutureNoise): WeeksToReach {
  const numbers = futuresAsThingsAre(model, noise)
  const { futures, weeks } = noise
  const first = new Float64Array(futures)
  let reached = 0
  for (let f = 0; f < futures; f++) {
    let week = 0
    while (week <= weeks && numbers[f * (weeks + 1) + week]! < number) week++
    first[f] = week > weeks ? Infinity : week
    if (week <= weeks) reached++
  }
  first.sort()
  const q = (p: number) => first[Math.min(futures - 1, Math.floor(p * futures))]!
  return { p10: q(0.1), p50: q(0.5), p90: q(0.9), reachedShare: reached / futures }
}

/** A colony on its first day, known only by its group: the growth is the group's with its spread. */
export function starterModel(starters: number, growth: { value: number, sd: number }, turnoverPerWeek: number, capacity: number): FutureModel {
  if (!(starters >= 1)) throw new RangeError(`starters must be 1 or more, got ${starters}`)
  return { state: { m0: Math.log(starters), m1: growth.value, p00: 0, p01: 0, p11: growth.sd ** 2 }, capacity, growthPrior: growth, turnoverPerWeek, deathRatePerWeek: 0 }
}

/** Quantiles of the number after some weeks, for a starter colony. */
export function numberAfter(weeks: number, model: FutureModel, noise: FutureNoise): { p10: number, p50: number, p90: number } {
  if (!(Number.isInteger(weeks) && weeks >= 0 && weeks <= noise.weeks)) throw new RangeError(`weeks must be a whole number from 0 to ${noise.weeks}, got ${weeks}`)
  const numbers = futuresAsThingsAre(model, noise)
  const column = Float64Array.from({ length: noise.futures }, (_, f) => numbers[f * (noise.weeks + 1) + weeks]!).sort()
  return { p10: quantileSorted(column, 0.1), p50: quantileSorted(column, 0.5), p90: quantileSorted(column, 0.9) }
}
