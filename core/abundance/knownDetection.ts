/**
 * Number behind a count whose share is known: with every number held equally likely before, those missed are negative
 * binomial, so the mean is (seen + 1)/share − 1.
 * Source: Link (2013), Ecology 94: 2173 (binomial N with known p); closed form by the negative binomial series.
 * @param seen animals, zero or more
 * @param share found of those there, above 0 and at most 1
 * @throws RangeError outside these
 */
export function knownDetection(seen: number, share: number): { mean: number, variance: number } {
  if (!(seen >= 0)) throw new RangeError(`seen must be 0 or more, got ${seen}`)
  if (!(share > 0 && share <= 1)) throw new RangeError(`share must lie above 0 and at most 1, got ${share}`)
  return { mean: (seen + 1) / share - 1, variance: (seen + 1) * (1 - share) / (share * share) }
}
