import { normalBelow, normalDensity, zQuantile } from '#core/stats'

/** What keeping a share of a large population does to a trait, in standard deviations of it. */
export interface Selection {
  /** where the line is drawn */
  cut: number
  /** how far the mean of those kept lies above that of all */
  intensity: number
  /** share of the variance among those kept that is gone: i(i − x) (Bulmer 1971, Am. Nat. 105: 201) */
  narrowing: number
}

/**
 * Keeping the best share of many: i = φ(x)/p.
 * Source: Falconer & Mackay (1996), Introduction to Quantitative Genetics, ch. 11.
 * @throws RangeError for a share outside (0, 1)
 */
export function selectionOf(share: number): Selection {
  const cut = zQuantile(1 - share)
  const intensity = normalDensity(cut) / share
  return { cut, intensity, narrowing: intensity * (intensity - cut) }
}

const FAR = 9
const NODES = 1800

/**
 * The same where few were looked at: the expected mean of the best of so many. An animal is kept when fewer than so
 * many others are better; the mean of those kept is summed over where it may lie (order statistics; David & Nagaraja
 * 2003, ch. 3).
 * @param kept of them, at least one
 * @throws RangeError for more kept than looked at
 */
export function intensityOfFew(kept: number, looked: number): number {
  if (!(kept >= 1 && kept <= looked)) throw new RangeError(`kept must lie between 1 and ${looked}, got ${kept}`)
  const step = (2 * FAR) / NODES
  let sum = 0
  for (let i = 1; i < NODES; i++) {
    const x = -FAR + i * step
    sum += x * normalDensity(x) * fewerThan(kept, looked - 1, 1 - normalBelow(x, 0, 1))
  }
  return (looked / kept) * sum * step
}

/** Chance that fewer than k of n have something that each has with a chance. */
function fewerThan(k: number, n: number, chance: number): number {
  if (k > n || chance <= 0) return 1
  if (chance >= 1) return 0
  let term = (1 - chance) ** n
  let sum = term
  for (let j = 1; j < k; j++) {
    term *= ((n - j + 1) * chance) / (j * (1 - chance))
    sum += term
  }
  return Math.min(1, sum)
}

/**
 * Selection differential of a choice of both sexes, each with its own share: the mean of the two, in units of the
 * trait.
 * @param sd of the trait among all
 */
export const differentialOf = (shares: { males: number; females: number }, sd: number): number =>
  (sd * (intensityOfShare(shares.males) + intensityOfShare(shares.females))) / 2

/** All of them kept is no selection. */
const intensityOfShare = (share: number) => (share >= 1 ? 0 : selectionOf(share).intensity)

/** Response to a selection differential (the breeder's equation; Lush 1937). */
export const responseTo = (differential: number, heritability: number): number => heritability * differential
