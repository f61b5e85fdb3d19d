import betaCdf from '@stdlib/stats-base-dists-beta-cdf'
import betaQuantile from '@stdlib/stats-base-dists-beta-quantile'
import gammaCdf from '@stdlib/stats-base-dists-gamma-cdf'
import gammaQuantile from '@stdlib/stats-base-dists-gamma-quantile'
import gammaln from '@stdlib/math-base-special-gammaln'
import { logChoose } from './logChoose'

/** What is believed of a rate: a gamma distribution, worth `shape` events in an exposure of `rate`. */
export interface GammaBelief {
  shape: number
  rate: number
}

/**
 * Belief in a rate after events were counted in an exposure (Gelman et al., Bayesian Data Analysis, ch. 2).
 * @param exposure in the unit that the rate is per: molts, weeks, animals
 */
export const seenEvents = ({ shape, rate }: GammaBelief, events: number, exposure: number): GammaBelief => ({
  shape: shape + events,
  rate: rate + exposure,
})
export const gammaMean = ({ shape, rate }: GammaBelief): number => shape / rate
export const gammaQuantileOf = ({ shape, rate }: GammaBelief, p: number): number => gammaQuantile(p, shape, rate)
/** Chance that the rate is above a value. */
export const gammaAbove = ({ shape, rate }: GammaBelief, value: number): number => 1 - gammaCdf(value, shape, rate)

/**
 * Chances of none, one, two … events in an exposure under such a belief: negative binomial, since the rate itself is
 * not known. They are given until less than a millionth is left over.
 */
export function eventChances({ shape, rate }: GammaBelief, exposure: number): number[] {
  const p = exposure / (rate + exposure)
  const chances: number[] = []
  let chance = Math.exp(shape * Math.log1p(-p))
  for (let k = 0, sum = 0; sum < 1 - 1e-6 && k < 10_000; k++) {
    chances.push(chance)
    sum += chance
    chance *= (p * (shape + k)) / (k + 1)
  }
  return chances
}

/** What is believed of a share: a beta distribution, worth `a` with luck and `b` without. */
export interface BetaBelief {
  a: number
  b: number
}
/** Belief in a share after so many of n had luck. */
export const seenShare = ({ a, b }: BetaBelief, x: number, n: number): BetaBelief => ({ a: a + x, b: b + n - x })
export const betaMean = ({ a, b }: BetaBelief): number => a / (a + b)
export const betaSd = ({ a, b }: BetaBelief): number => Math.sqrt((a * b) / (a + b + 1)) / (a + b)
export const betaQuantileOf = ({ a, b }: BetaBelief, p: number): number => betaQuantile(p, a, b)
/** Chance that the share is above a value. */
export const betaAbove = ({ a, b }: BetaBelief, value: number): number => 1 - betaCdf(value, a, b)

const logBeta = (a: number, b: number) => gammaln(a) + gammaln(b) - gammaln(a + b)
/** Logarithm of the chance of so many with luck among n under a belief in the share: beta-binomial. */
export const logChanceOf = ({ a, b }: BetaBelief, x: number, n: number): number =>
  logChoose(n, x) + logBeta(a + x, b + n - x) - logBeta(a, b)
