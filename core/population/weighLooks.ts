import type { WeighedParticles } from './particles'
import { EGGS_1, EGGS_2, FIRST, SIGHT, YOUNG_1 } from './stages'

/** No entry of a look may rule a particle out: what was seen may always be a mistake. */
export const LOOK_FLOOR = 0.03

/**
 * Weighs by broods that were seen: a part of those there, with a spread. None seen among few is likely, among many not.
 * @param look broods seen, the share of broods that looks find, and its spread
 * @param broodSize eggs of one brood
 */
export function weighBroods(
  { cloud, size, logWeights }: WeighedParticles,
  { seen, share, sdLog }: { seen: number; share: number; sdLog: number },
  broodSize: number,
): void {
  for (let i = 0; i < size; i++) {
    const there = (cloud[EGGS_1 * size + i]! + cloud[EGGS_2 * size + i]!) / broodSize
    const mean = Math.max(0.05, there * share * Math.exp(cloud[SIGHT * size + i]!))
    logWeights[i] = logWeights[i]! + Math.log(LOOK_FLOOR + (1 - LOOK_FLOOR) * looseCount(seen, mean, sdLog))
  }
}

/** Share of hatchlings and small young that is seen at a look, and its spread (from memory). */
const YOUNG_SIGHT = { share: 0.25, sdLog: 0.8 }

/** Weighs by young that were seen; few are up to a dozen. */
export function weighYoung({ cloud, size, logWeights }: WeighedParticles, amount: number | 'few' | 'many'): void {
  for (let i = 0; i < size; i++) {
    const there = cloud[FIRST * size + i]! + cloud[YOUNG_1 * size + i]!
    const mean = Math.max(0.05, there * YOUNG_SIGHT.share)
    const likely =
      typeof amount === 'number'
        ? looseCount(amount, mean, YOUNG_SIGHT.sdLog)
        : Math.max(1e-4, likelyMany(mean, amount))
    logWeights[i] = logWeights[i]! + Math.log(LOOK_FLOOR + (1 - LOOK_FLOOR) * likely)
  }
}

/** Chance to speak of few or of many young when so many are in sight: few from 1, many from a dozen. */
function likelyMany(mean: number, amount: 'few' | 'many'): number {
  const some = 1 - Math.exp(-mean)
  const many = 1 / (1 + (12 / mean) ** 2)
  return amount === 'many' ? many : some * (1 - many)
}

/** Chance of a count whose mean itself has a spread: negative binomial, against its own highest chance. */
function looseCount(seen: number, mean: number, sdLog: number): number {
  const k = 1 / (Math.exp(sdLog * sdLog) - 1)
  // what does not hang on the mean falls out of the ratio
  const best = Math.max(seen, 0.05)
  return Math.exp(seen * Math.log(mean / best) + (seen + k) * Math.log((k + best) / (k + mean)))
}
