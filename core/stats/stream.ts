/**
 * Streams of uniform numbers that are found by counting, not by drawing in turn: particle 7 of week 12 gets the same
 * numbers whatever the others did. Two futures that differ in one decision therefore share all their luck (common
 * random numbers), and a filter that goes on from a checkpoint gives the same answer to the last bit as one that begins
 * anew.
 * A package's generator keeps one stream and must be drawn in order; a million short streams of it would cost more than
 * the simulation. Source: SplitMix (Steele, Lea & Flood 2014) in 32 bits, with the finaliser of MurmurHash3 (Appleby,
 * public domain).
 */

/** Step of the counter: 2³² divided by the golden ratio, made odd. */
export const STREAM_STEP = 0x9e3779b9

/**
 * Mixes a counter into 32 bits without pattern.
 * @param z any 32-bit integer
 * @returns a 32-bit integer, signed as bit operations leave it
 */
export function mix32(z: number): number {
  let h = z | 0
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return h ^ (h >>> 16)
}

/** A number in (0, 1), never 0 and never 1, from a counter. */
export const uniformAt = (counter: number): number => ((mix32(counter) >>> 0) + 0.5) / 4294967296

/**
 * Where a stream begins that belongs to several numbers at once, e.g. seed, week and particle.
 * @param parts whole numbers; what is beyond 32 bits is cut off
 */
export function streamAt(...parts: number[]): number {
  let h = 0x2545f491
  for (const part of parts) h = (mix32(h ^ Math.imul(part | 0, STREAM_STEP)) + 0x6d2b79f5) | 0
  return h
}
