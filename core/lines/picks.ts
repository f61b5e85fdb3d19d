import { type Variety, varietyAmong } from './effectiveBreeders'
import type { BreederSet } from './history'
import type { LineFit } from './lineFit'
import { nextGeneration, type NextGeneration } from './nextGeneration'

/** Grown animals of one group that could breed, by rung, lowest first. */
export interface Stock {
  groupId: string
  grader: string
  females: readonly number[]
  males: readonly number[]
}

/** A choice of the best, and what comes of it. */
export interface Pick {
  /** share of the grown animals that is kept to breed */
  share: number
  breeders: BreederSet[]
  next: NextGeneration
  variety: Variety
}

/** Shares that are tried, from hardly any to nearly all. */
const SHARES = [0.04, 0.06, 0.08, 0.1, 0.13, 0.17, 0.22, 0.28, 0.36, 0.46, 0.6, 0.8, 1] as const

const total = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

/**
 * So many of the best: from the highest rung down.
 * @param many no more than there are
 */
export function bestOf(rungs: readonly number[], many: number): number[] {
  let left = Math.min(many, total(rungs))
  return rungs
    .toReversed()
    .map(n => {
      const taken = Math.min(n, left)
      left -= taken
      return taken
    })
    .toReversed()
}

/** Breeders of both sexes from numbers by rung. */
export function breedersFrom(
  { groupId, grader }: { groupId: string; grader: string },
  { females, males }: { females: readonly number[]; males: readonly number[] },
): BreederSet[] {
  return (
    [
      ['female', females],
      ['male', males],
    ] as const
  ).map(([sex, rungs]) => ({ groupId, sex, number: total(rungs), rungs, grader }))
}

/**
 * The whole curve of choices, hardest first: the same share of each sex, always the best, at least one male and two
 * females. What it costs in numbers is for the population model to say.
 */
export function pickCurve(fit: LineFit, stock: Stock, young: number): Pick[] {
  const seen = new Set<string>()
  const found: Pick[] = []
  for (const share of SHARES) {
    const females = bestOf(stock.females, Math.max(2, Math.round(share * total(stock.females))))
    const males = bestOf(stock.males, Math.max(1, Math.round(share * total(stock.males))))
    const key = `${females.join()} ${males.join()}`
    if (seen.has(key) || total(females) === 0 || total(males) === 0) continue
    seen.add(key)
    const breeders = breedersFrom(stock, { females, males })
    const kept = (total(females) + total(males)) / (total(stock.females) + total(stock.males))
    found.push({
      share: kept,
      breeders,
      next: nextGeneration(fit, { breeders, young }),
      variety: varietyAmong(breeders),
    })
  }
  return found
}

/**
 * The choice of a curve that gains most among those that stay within what the keeper allows of inbreeding a generation,
 * and of which the number comes back; the widest where none does.
 * @param comesBack whether a choice leaves enough to grow
 */
export function proposedPick(
  curve: readonly Pick[],
  { perGeneration, comesBack }: { perGeneration: number; comesBack: (pick: Pick) => boolean },
): Pick | null {
  const fair = curve.filter(p => p.variety.perGeneration <= perGeneration && comesBack(p))
  const gain = (p: Pick) => p.next.gain.value
  return fair.toSorted((a, b) => gain(b) - gain(a))[0] ?? curve.at(-1) ?? null
}
