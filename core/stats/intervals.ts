import betaQuantile from '@stdlib/stats-base-dists-beta-quantile'

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
 * Exact interval of the mean behind a Poisson count, found by halving: the means at which as few, or as many, as were
 * counted would be seen in half of what the level leaves over.
 * Source: Garwood (1936), Biometrika 28: 437.
 * @param events counted, zero or more
 * @throws RangeError for a negative count
 */
export function poissonInterval(events: number, level: number): [number, number] {
  if (!(events >= 0)) throw new RangeError(`events must be 0 or more, got ${events}`)
  const tail = (1 - level) / 2
  const highest = events + 20 + 10 * Math.sqrt(events + 1)
  return [
    events === 0 ? 0 : meanWhere(mean => 1 - poissonCdf(events - 1, mean) > tail, highest),
    meanWhere(mean => poissonCdf(events, mean) < tail, highest),
  ]
}

/** Chance of so many or fewer, summed from the largest term so that nothing underflows. */
function poissonCdf(events: number, mean: number): number {
  let sum = 0
  let logTerm = -mean
  for (let k = 0; k <= events; k++) {
    if (k > 0) logTerm += Math.log(mean / k)
    sum += Math.exp(logTerm)
  }
  return sum
}

/** The least mean at which a condition that stays true once it is true begins to hold. */
function meanWhere(holds: (mean: number) => boolean, highest: number): number {
  let low = 0
  let high = highest
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    if (holds(middle)) high = middle
    else low = middle
  }
  return (low + high) / 2
}
