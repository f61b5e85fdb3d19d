import gammaln from '@stdlib/math-base-special-gammaln'

/** What catches that are set aside one after the other say of the number. */
export interface RemovalEstimate {
  caught: number
  /** most likely whole number; null when the catches do not fall, so that any number fits */
  zippin: number | null
  zippinStandardError: number | null
  /** chance of one animal to be caught in one pass */
  catchShare: number
  /** weighted towards sense: defined whenever something was caught */
  carleStrub: number
  carleStrubStandardError: number
  /** numbers that the profile likelihood holds likely; the upper end is null when nothing bounds it */
  interval: [number, number | null]
}

/** Numbers beyond this many times the catch are no longer told apart. */
const FARTHEST = 60

/**
 * Number of animals from removal passes: catch, set aside, catch again with the same effort. What falls from pass to
 * pass tells how many are left.
 * Sources: Zippin (1956), Biometrics 12: 163 and (1958); Carle & Strub (1978), Biometrics 34: 621; interval by profile
 * likelihood.
 * @param catches of the passes, two or more
 * @param drop in log-likelihood that bounds the interval: half the chi-square quantile of one degree of freedom
 * @throws RangeError for fewer than two passes or a negative catch
 */
export function removalPasses(catches: readonly number[], drop: number): RemovalEstimate {
  if (catches.length < 2) throw new RangeError(`catches must be two or more, got ${catches.length}`)
  for (const c of catches) if (!(c >= 0)) throw new RangeError(`a catch must be 0 or more, got ${c}`)
  const k = catches.length
  const total = catches.reduce((a, b) => a + b, 0)
  // animals times the passes that each of them stayed out of
  const x = catches.reduce((sum, c, i) => sum + (k - 1 - i) * c, 0)
  const most = Math.max(total + 20, total * FARTHEST)
  const likelihood = (n: number) => {
    const p = total / (k * n - x)
    return (
      gammaln(n + 1) -
      gammaln(n - total + 1) +
      (total > 0 ? total * Math.log(p) : 0) +
      (p < 1 ? (k * n - x - total) * Math.log1p(-p) : 0)
    )
  }
  let best = total
  let bestLog = likelihood(total)
  for (let n = total + 1; n <= most; n++) {
    const l = likelihood(n)
    if (l > bestLog) {
      best = n
      bestLog = l
    }
  }
  // Seber & Whale (1970): only catches that fall enough have a largest likelihood at all
  const bounded = total > 0 && x > (total * (k - 1)) / 2 && best < most
  let low = best
  while (low > total && likelihood(low - 1) >= bestLog - drop) low--
  let high = best
  while (high < most && likelihood(high + 1) >= bestLog - drop) high++
  const carle = carleStrub(k, total, x)
  const open = total > 0 && x <= (total * (k - 1)) / 2
  return {
    caught: total,
    zippin: bounded ? best : null,
    zippinStandardError: bounded ? standardError(k, total, best, total / (k * best - x)) : null,
    catchShare: total / (k * (bounded ? best : carle) - x),
    carleStrub: carle,
    carleStrubStandardError: standardError(k, total, carle, total / (k * carle - x)),
    interval: [open ? total : low, open || high >= most ? null : high],
  }
}

function carleStrub(k: number, total: number, x: number): number {
  for (let n = total; ; n++) {
    let product = (n + 1) / (n - total + 1)
    for (let i = 1; i <= k; i++) product *= (k * n - x - total + 1 + k - i) / (k * n - x + 2 + k - i)
    if (product <= 1) return n
  }
}

function standardError(k: number, total: number, n: number, p: number): number {
  if (n === total || p >= 1) return 0
  return Math.sqrt((n * (n - total) * total) / (total * total - (n * (n - total) * (k * p) ** 2) / (1 - p)))
}
