import betaQuantile from '@stdlib/stats-base-dists-beta-quantile'
import gammaQuantile from '@stdlib/stats-base-dists-gamma-quantile'

/**
 * Exact interval of a share, e.g. of found among hidden animals.
 * Source: Clopper & Pearson (1934), Biometrika 26: 404, through beta quantiles.
 * @param x those with luck
 * @param n all of them, 1 or more
 * @param level chance that the interval holds the truth, at least
 * @throws RangeError when x does not lie in 0 to n
 */
export function binomialInterval(x: number, n: number, level: number): [number, number] {
  if (!(n >= 1)) throw new RangeError(`n must be 1 or more, got ${n}`)
  if (!(x >= 0 && x <= n)) throw new RangeError(`x must lie in 0 to ${n}, got ${x}`)
  const tail = (1 - level) / 2
  return [x === 0 ? 0 : betaQuantile(tail, x, n - x + 1), x === n ? 1 : betaQuantile(1 - tail, x + 1, n - x)]
}

/**
 * Exact interval of the mean behind a Poisson count; that of a rate, divided by the exposure.
 * Source: Garwood (1936), Biometrika 28: 437, through gamma quantiles.
 * @param events counted, zero or more
 * @throws RangeError for a negative count
 */
export function poissonInterval(events: number, level: number): [number, number] {
  if (!(events >= 0)) throw new RangeError(`events must be 0 or more, got ${events}`)
  const tail = (1 - level) / 2
  return [events === 0 ? 0 : gammaQuantile(tail, events, 1), gammaQuantile(1 - tail, events + 1, 1)]
}
