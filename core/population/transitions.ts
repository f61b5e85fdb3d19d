import type { State, Transition } from './kalman'
import type { PopulationQuestion } from './population'

/**
 * Growth wanders around the group's default and forgets in about this many weeks; spread of the level from week to week
 * that is not chance of births and deaths. Both from memory.
 */
export const FORGET_WEEKS = 20
export const WEATHER_SD = 0.02

/** Share of the intrinsic growth that is left when n animals use a capacity (logistic); decline is not damped. */
export function crowding(n: number, capacity: number, growth: number): number {
  return growth > 0 ? Math.max(0.05, 1 - n / capacity) : 1
}

/** Time that passes: growth times crowding, chance of births and deaths, growth that drifts back to the group’s. */
export function drift(s: State, dt: number, capacity: number, prior: PopulationQuestion['growthPrior'], turnover: number): Transition {
  const n = Math.exp(s.m0)
  const keep = Math.exp(-dt / FORGET_WEEKS)
  return {
    f00: 1,
    f01: dt * crowding(n, capacity, s.m1),
    f11: keep,
    b0: 0,
    b1: (1 - keep) * prior.value,
    q00: dt * (turnover / Math.max(n, 1) + WEATHER_SD ** 2),
    q11: (1 - keep * keep) * prior.sd ** 2,
  }
}

/** Adds a known number of animals: log N' = log(N + k), linearised about the present mean. */
export function knownStep(s: State, change: number): Transition {
  const n = Math.exp(s.m0)
  // more taken out than were thought to be there: what is left is small and badly known, never nothing
  const after = Math.max(n + change, 1, 0.05 * n)
  const f00 = Math.min(n / after, 4)
  return { f00, f01: 0, f11: 1, b0: Math.log(after) - f00 * s.m0, b1: 0, q00: n + change < 1 ? 0.25 : 0, q11: 0 }
}

/** Nothing moves, but level and growth become less certain. */
export const opening = (levelVar: number, growthVar: number): Transition => ({ f00: 1, f01: 0, f11: 1, b0: 0, b1: 0, q00: levelVar, q11: growthVar })
