import type { SpeciesGroup } from '#core/groups'

/** So many times outside the usual range stone is remarked on; keepers are not exact about it (from memory). */
const FAR = 2

/** Carbonate stone in a glass, g/L, against what its animals' keepers use. */
export interface StoneRemark {
  key: 'unwanted' | 'tooMuch' | 'tooLittle'
  have: number
  low: number
  high: number
}

/**
 * Whether carbonate stone, sand or shell lies far outside what a group's keepers use.
 * @param carbonateG grams in the glass
 * @param netL litres of water, above 0
 * @returns null where it is usual, or near enough
 * @throws RangeError for litres not above 0
 */
export function carbonateRemark({ setup }: SpeciesGroup, carbonateG: number, netL: number): StoneRemark | null {
  if (!(netL > 0)) throw new RangeError(`netL must be above 0, got ${netL}`)
  const have = carbonateG / netL
  const [low, high] = setup.carbonateGL?.range ?? [0, 0]
  if (high === 0) return have > 0 ? { key: 'unwanted', have, low, high } : null
  if (have > FAR * high) return { key: 'tooMuch', have, low, high }
  return have < low / FAR ? { key: 'tooLittle', have, low, high } : null
}
