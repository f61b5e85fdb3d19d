import { effectiveBySexes } from './effectiveSize'
import { UNEVENNESS } from './familySizes'
import type { BreederSet } from './history'

/** How fast a choice of breeders loses variety. */
export interface Variety {
  males: number
  females: number
  /** effective size, with the usual unevenness of families */
  effective: number
  /** by how much inbreeding rises in a generation */
  perGeneration: number
}

/**
 * Effective size of a choice: each sex counts by its number less what unevenness of families takes
 * (Ne = 4 Nm′Nf′/(Nm′ + Nf′), N′ = N/(1 + unevenness); after Crow & Kimura 1970, ch. 7).
 */
export function varietyAmong(breeders: readonly BreederSet[]): Variety {
  const many = (sex: 'male' | 'female') =>
    breeders.reduce((sum, b) => sum + (b.sex === sex ? b.number : b.sex === 'mixed' ? b.number / 2 : 0), 0)
  const [males, females] = [many('male'), many('female')]
  const effective = effectiveBySexes(males / (1 + UNEVENNESS.male), females / (1 + UNEVENNESS.female))
  return { males, females, effective, perGeneration: effective > 0 ? 1 / (2 * effective) : 1 }
}

/** Inbreeding after some more generations of a choice like this one. */
export const inbreedingWith = (now: number, perGeneration: number, generations: number): number =>
  1 - (1 - now) * (1 - perGeneration) ** generations

/** Generations of a choice like this one until inbreeding comes to a limit; none where it is there. */
export function generationsLeft(now: number, perGeneration: number, limit: number): number {
  if (now >= limit) return 0
  return Math.log((1 - limit) / (1 - now)) / Math.log(1 - perGeneration)
}
