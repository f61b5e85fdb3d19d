import gammaln from '@stdlib/math-base-special-gammaln'
import { zQuantile } from '#core/stats'

/** One catch, marking and second catch. */
export interface Recapture {
  /** marked and let go */ marked: number
  /** caught later */ caught: number
  /** of these, with a mark */ recaptured: number
}

/** What one recapture says of the number. */
export interface RecaptureEstimate {
  /** marked × caught / recaptured; null when none came back */
  lincolnPetersen: number | null
  /** the estimator that is used: hardly biased, and defined when none came back */
  chapman: number
  variance: number
  standardError: number
  /** normal interval about Chapman's; its lower end may lie under what was seen */
  interval: [number, number]
  /** whole numbers that an exact test would not refuse; the upper end is null when none came back */
  exact: [number, number | null]
}

/**
 * Number of animals from marks: some are marked, let go, and looked for among a second catch. Marks must stay on: a
 * shell keeps its spot of paint, a molting animal sheds it.
 * Sources: Chapman (1951), Univ. California Publ. Statistics 1: 131; Seber (1982), The Estimation of Animal Abundance,
 * sec. 3.1; exact interval by inverting the hypergeometric test (Buonaccorsi 1992).
 * @param level chance that the intervals hold the truth
 * @throws RangeError when fewer were caught or marked than came back
 */
export function markRecapture({ marked, caught, recaptured }: Recapture, level: number): RecaptureEstimate {
  if (!(recaptured >= 0 && recaptured <= Math.min(marked, caught)))
    throw new RangeError(`recaptured must lie in 0 to ${Math.min(marked, caught)}, got ${recaptured}`)
  const chapman = ((marked + 1) * (caught + 1)) / (recaptured + 1) - 1
  const variance =
    ((marked + 1) * (caught + 1) * (marked - recaptured) * (caught - recaptured)) /
    ((recaptured + 1) ** 2 * (recaptured + 2))
  const standardError = Math.sqrt(variance)
  const z = zQuantile((1 + level) / 2)
  return {
    lincolnPetersen: recaptured > 0 ? (marked * caught) / recaptured : null,
    chapman,
    variance,
    standardError,
    interval: [chapman - z * standardError, chapman + z * standardError],
    exact: exactInterval({ marked, caught, recaptured }, (1 - level) / 2),
  }
}

const logChoose = (n: number, k: number) =>
  k < 0 || k > n ? -Infinity : gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1)

/** A catch among which some bore marks. */
interface Catch {
  marked: number
  caught: number
  recaptured: number
}

/** Chance of just so many, or with `more` of so many or more, marked ones in a catch out of n. */
function tail(n: number, { marked, caught, recaptured }: Catch, more: boolean): number {
  const whole = logChoose(n, caught)
  let sum = 0
  const from = more ? recaptured : Math.max(0, caught - (n - marked))
  const to = more ? Math.min(marked, caught) : recaptured
  for (let k = from; k <= to; k++) sum += Math.exp(logChoose(marked, k) + logChoose(n - marked, caught - k) - whole)
  return sum
}

function exactInterval(seen: Catch, alpha: number): [number, number | null] {
  const { marked, caught, recaptured } = seen
  const least = marked + caught - recaptured
  // few in all make many marks likely: the larger the number, the likelier so many recaptures or fewer
  const low = tail(least, seen, false) > alpha ? least : lastWhere(n => tail(n, seen, false) <= alpha, least) + 1
  if (recaptured === 0) return [low, null]
  return [low, lastWhere(n => tail(n, seen, true) > alpha, Math.max(low, Math.ceil((marked * caught) / recaptured)))]
}

/**
 * The last whole number from `from` on for which a condition holds that, once it fails, fails for good; in strides,
 * since numbers may be large.
 */
function lastWhere(holds: (n: number) => boolean, from: number): number {
  let at = from
  let stride = Math.max(1, Math.round(from / 4))
  while (stride >= 1) {
    while (holds(at + stride)) at += stride
    stride = Math.floor(stride / 2)
  }
  return at
}
