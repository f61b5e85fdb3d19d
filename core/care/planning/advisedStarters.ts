import type { SpeciesGroup } from '#core/groups'

/** Fewer than this meet too seldom, however small the glass (from memory). */
const FEWEST = 3
/** More water takes more starters, but not in proportion: they have to find each other (from memory). */
const POWER = 0.7

/**
 * How many animals a colony is best begun with in a glass: as many as the group's keepers advise for their usual
 * litres, fewer in proportion in a smaller one, more in a larger one.
 * @param grossL litres of the glass when full, above 0
 * @returns whole animals, at least a few
 * @throws RangeError for litres not above 0
 */
export function advisedStarters(group: SpeciesGroup, grossL: number): number {
  if (!(grossL > 0)) throw new RangeError(`grossL must be above 0, got ${grossL}`)
  const { starters, startersInL } = group.stocking
  const size = grossL / startersInL.value
  const wanted = Math.round(starters.value * (size < 1 ? size : size ** POWER))
  return Math.max(Math.min(FEWEST, starters.value), wanted)
}
