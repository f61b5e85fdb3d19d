import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** Draws a number in [0, 1). Passed in wherever chance is needed, so that the same seed gives the same answer. */
export type Random = () => number

/**
 * A seeded uniform generator (xoroshiro128+, package pure-rand).
 * @param seed any integer; seeds that lie close to each other begin alike, so that a row of them is hashed first
 * @returns a function that gives numbers in [0, 1), the same sequence for the same seed on every machine
 * @throws RangeError when the seed is not a safe integer
 */
export function seededRandom(seed: number): Random {
  if (!Number.isSafeInteger(seed)) throw new RangeError(`seed must be a whole number, got ${seed}`)
  const generator = xoroshiro128plus(seed)
  return () => uniformFloat64(generator)
}
