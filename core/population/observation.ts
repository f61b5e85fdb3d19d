import type { SpeciesGroup } from '#core/groups'
import type { CountMethod } from '#core/records'

/**
 * What a count says about the logarithm of the number of animals: mean y and variance r.
 *
 * The number seen is taken as a binomial part of those there, with the method's share, times a spread of the share
 * itself from count to count: r = sdLog² + (1 − share)/seen. The second term is the delta-method variance of log of a
 * binomial count (Lehmann, Elements of Large-Sample Theory, sec. 2.5; from memory).
 * @param seen animals seen, zero or more
 * @param method how they were counted
 * @param counting the group's shares
 * @param partShare share of the tank, for partOfTank
 * @throws RangeError for a negative count or a part outside (0, 1]
 */
export function observeCount(seen: number, method: CountMethod, counting: SpeciesGroup['counting'], partShare = 1): { y: number, r: number } {
  if (!(seen >= 0)) throw new RangeError(`seen must be 0 or more, got ${seen}`)
  if (!(partShare > 0 && partShare <= 1)) throw new RangeError(`partShare must lie above 0 and at most 1, got ${partShare}`)
  const { share, sdLog } = counting[method]
  const p = method === 'partOfTank' ? share * partShare : share
  // none seen still speaks: half an animal stands for it, with a spread of a factor e
  const animals = Math.max(seen, 0.5)
  return { y: Math.log(animals / p), r: sdLog * sdLog + (1 - p) / animals + (seen === 0 ? 1 : 0) }
}
