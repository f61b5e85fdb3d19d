import { EGG_ROOMS, EYED_ROOMS } from '#core/broods'
import { broodsIn } from './broodsIn'
import type { WeighedParticles } from './particles'
import { EGGS, FIRST, SIGHT, YOUNG_1 } from './stages'

/** No entry of a look may rule a particle out: what was seen may always be a mistake. */
export const LOOK_FLOOR = 0.03

/** Broods that were seen, the share of broods that looks find with its spread, and of the seen those with eyes. */
interface BroodsSeen {
  seen: number
  share: number
  sdLog: number
  eyed?: number
}

/** How loosely the share with eyes is told: females are looked at from above, in a moment (from memory). */
const EYES_SD = 0.5

/**
 * Weighs by broods that were seen: a part of those there, with a spread. None seen among few is likely, among many not.
 * Where somebody said how many have eyes, so many of the broods should be that far.
 */
export function weighBroods(
  { cloud, size, logWeights }: WeighedParticles,
  { seen, share, sdLog, eyed }: BroodsSeen,
): void {
  for (let i = 0; i < size; i++) {
    const there = broodsIn(cloud, size, i)
    const mean = Math.max(0.05, there * share * Math.exp(cloud[SIGHT * size + i]!))
    logWeights[i] = logWeights[i]! + floored(looseCount(seen, mean, sdLog))
    if (eyed === undefined || seen === 0 || there === 0) continue
    let far = 0
    for (let room = 0; room < EGG_ROOMS; room++) far += EYED_ROOMS[room]! * cloud[(EGGS + room) * size + i]!
    logWeights[i] = logWeights[i]! + floored(looseCount(eyed, Math.max(0.05, (seen * far) / there), EYES_SD))
  }
}

const floored = (likely: number) => Math.log(LOOK_FLOOR + (1 - LOOK_FLOOR) * likely)

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
    logWeights[i] = logWeights[i]! + floored(likely)
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
