import { normalDensity, quickNormalBelow } from '#core/stats'
import type { BreederSet } from './history'

/** A group of animals on the scale of the trait, in standard deviations of the founders without grading error. */
export interface Standing {
  /** mean breeding value, and its variance among the animals */
  mean: number
  variance: number
  /** what the environment of its growing up added to all */
  environment: number
  /** what their age, food and warmth added to all when they were graded */
  raised: number
}

/** How a keeper sees animals: what is graded is the trait, moved by a shift and blurred. */
export interface Eye {
  /** borders between the rungs, rising */
  cuts: readonly number[]
  shift: number
  /** variance of the keeper's error */
  blur: number
}

/** What the chosen pass on. */
export interface Chosen {
  /** mean breeding value */
  mean: number
  /** variance of breeding values among them */
  variance: number
  /** variance of the mean of what is passed on: who exactly they are, and how unevenly they breed */
  doubt: number
}

/** A rung's place in standard deviations: chance, mean, and variance within it. */
function rungOf(low: number, high: number): { mean: number; within: number } {
  const p = quickNormalBelow(high) - quickNormalBelow(low)
  // so far out that nobody should stand there: the animals lie at its near edge
  if (!(p > 1e-12)) return { mean: Number.isFinite(low) && low > 0 ? low : Math.min(high, 9), within: 0 }
  const [a, b] = [normalDensity(low), normalDensity(high)]
  const mean = (a - b) / p
  const bend = (Number.isFinite(low) ? low * a : 0) - (Number.isFinite(high) ? high * b : 0)
  return { mean, within: Math.max(0, 1 + bend / p - mean * mean) }
}

/**
 * Breeding values of animals that were chosen by their rungs. What is graded is normal, and so is the breeding value
 * given it; the mean of the chosen follows their rungs by regression, and their variance shrinks (Bulmer 1971).
 * @param environment variance of what is not passed on
 * @param unevenness variance of the chosen animals' shares in the young, over the square of their mean
 */
export function chosenOf(
  set: Pick<BreederSet, 'rungs' | 'number'>,
  { standing, eye, environment, unevenness }: { standing: Standing; eye: Eye; environment: number; unevenness: number },
): Chosen {
  const { mean, variance } = standing
  const total = set.rungs?.reduce((a, b) => a + b, 0) ?? 0
  if (!set.rungs || total === 0)
    return { mean, variance, doubt: ((1 + unevenness) * variance) / Math.max(1, set.number) }
  const seen = variance + environment + eye.blur
  const sd = Math.sqrt(seen)
  const at = mean + standing.environment + standing.raised + eye.shift
  const edge = (k: number) => (k === 0 ? -Infinity : k > eye.cuts.length ? Infinity : (eye.cuts[k - 1]! - at) / sd)
  let [first, second, within] = [0, 0, 0]
  for (const [k, n] of set.rungs.entries()) {
    if (n === 0) continue
    const rung = rungOf(edge(k), edge(k + 1))
    first += (n * rung.mean) / total
    second += (n * (rung.within + rung.mean ** 2)) / total
    within += (n * rung.within) / total
  }
  const regression = variance / seen
  const spread = variance * (1 - regression * (1 - (second - first * first)))
  const inRungs = variance * (1 - regression * (1 - within))
  return {
    mean: mean + regression * sd * first,
    variance: spread,
    doubt: (inRungs + unevenness * spread) / total,
  }
}

/** Several sets of one sex as one: weighed by how many of the young are theirs. */
export function joinChosen(sets: readonly { chosen: Chosen; weight: number }[]): Chosen {
  const all = sets.reduce((sum, s) => sum + s.weight, 0)
  const mean = sets.reduce((sum, s) => sum + (s.weight / all) * s.chosen.mean, 0)
  return {
    mean,
    variance: sets.reduce((sum, s) => sum + (s.weight / all) * (s.chosen.variance + (s.chosen.mean - mean) ** 2), 0),
    doubt: sets.reduce((sum, s) => sum + (s.weight / all) ** 2 * s.chosen.doubt, 0),
  }
}
