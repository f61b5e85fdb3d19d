import { effectiveBySexes, effectiveFor } from './effectiveSize'
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

/** What may be lost a generation so that so many of them stay within a limit, from no inbreeding. */
export const rateWithin = (limit: number, generations: number): number => 1 / (2 * effectiveFor(limit, generations))

/** More males than these nobody keeps apart. */
const MOST_MALES = 60

/**
 * Least number of males with which so many females lose no more than a rate.
 * @returns null where no number of males is enough
 */
export function malesFor(females: number, perGeneration: number): number | null {
  for (let males = 1; males <= MOST_MALES; males++) {
    const effective = effectiveBySexes(males / (1 + UNEVENNESS.male), females / (1 + UNEVENNESS.female))
    if (1 / (2 * effective) <= perGeneration) return males
  }
  return null
}

/** Inbreeding over the generations to come, from now on. */
export interface InbreedingAhead {
  /** bred on at a rate */
  asBefore: number
  /** with unrelated mates once, whose young begin anew, and then at the same rate */
  afterOutcross: number
}

/** @returns now, and so many generations after it */
export const inbreedingAhead = (now: number, perGeneration: number, generations: number): InbreedingAhead[] =>
  Array.from({ length: generations + 1 }, (_, t) => ({
    asBefore: inbreedingWith(now, perGeneration, t),
    afterOutcross: t === 0 ? now : inbreedingWith(0, perGeneration, t - 1),
  }))

/** Unrelated founders that would hold as much variety as inbreeding has left; null before any was lost. */
export const foundersHolding = (inbreeding: number): number | null =>
  inbreeding > 0.001 ? Math.max(1, 1 / (2 * inbreeding)) : null
