import { normalFrom } from '#core/stats'
import type { GradedSex } from './history'

/**
 * How unevenly breeders share in the young: the variance of their expected shares over the square of the mean, on top
 * of the chance of whose egg it is. Nobody sees it in a glass where all breed together. Males differ much, because few
 * of them find most of the females that have just molted. From memory, hardly known.
 */
export const UNEVENNESS: Readonly<Record<GradedSex, number>> = { male: 0.7, female: 0.3, mixed: 0.5 }

/** Spread of the unevenness on the log scale: two and a half times as much or as little (from memory). */
export const UNEVENNESS_SD = 0.9

/** How unevenly males and females breed in one possible pedigree. */
export const unevenDrawn = (uniform: () => number) => {
  const of = (sex: GradedSex) => UNEVENNESS[sex] * Math.exp(UNEVENNESS_SD * normalFrom(uniform()))
  return { male: of('male'), female: of('female') }
}
