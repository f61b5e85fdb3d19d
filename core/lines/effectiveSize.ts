/**
 * Effective size of a population with so many males and females that breed at random: 4 Nm Nf / (Nm + Nf).
 * Source: Wright (1931), Genetics 16: 97.
 */
export const effectiveBySexes = (males: number, females: number): number =>
  males + females > 0 ? (4 * males * females) / (males + females) : 0

/**
 * Effective size where families are of uneven size, in a population that keeps its number: (4N − 2)/(Vk + 2).
 * Source: Wright (1938), Science 87: 430; Crow & Kimura (1970), ch. 7 (from memory).
 * @param animals that breed
 * @param variance of the number of young that breed, among the animals; 2 by chance alone
 */
export const effectiveByFamilies = (animals: number, variance: number): number => (4 * animals - 2) / (variance + 2)

/**
 * Effective size over generations: their harmonic mean, so that a bottleneck weighs most (Wright 1938).
 * @throws RangeError for none
 */
export function effectiveOver(sizes: readonly number[]): number {
  if (sizes.length === 0) throw new RangeError('effective size needs at least one generation, got none')
  return sizes.length / sizes.reduce((sum, ne) => sum + 1 / ne, 0)
}

/** Inbreeding after generations of some effective sizes, from none: 1 − ∏(1 − 1/2Ne). */
export const inbreedingAfter = (sizes: readonly number[]): number =>
  1 - sizes.reduce((kept, ne) => kept * (1 - 1 / (2 * ne)), 1)

/** Generations at one effective size until inbreeding comes to a limit. */
export const generationsUntil = (limit: number, effective: number): number =>
  Math.log(1 - limit) / Math.log(1 - 1 / (2 * effective))

/** Effective size that keeps inbreeding under a limit for so many generations. */
export const effectiveFor = (limit: number, generations: number): number =>
  1 / (2 * (1 - (1 - limit) ** (1 / generations)))

/** Share of the founders' variety that so many of them hold: 1 − 1/2n. */
export const varietyOf = (founders: number): number => 1 - 1 / (2 * founders)

/** Chance that a gene which has some share in the whole is among the founders at all. */
export const chanceHeld = (share: number, founders: number): number => 1 - (1 - share) ** (2 * founders)

/**
 * Inbreeding, generation by generation, of a box in which so many males and females breed at random and the young take
 * their places: exact, where the effective size is a rule of thumb that is too high for one male with many females.
 * The first generation of young is not inbred.
 * Source: coancestry recursion, Caballero (1994), Heredity 73: 657.
 * @returns inbreeding of generation 1, 2, …
 */
export function inbreedingOfBox({ males, females }: { males: number; females: number }, generations: number): number[] {
  const found: number[] = []
  // of two different animals of a generation, and of one with itself
  let [coancestry, inbreeding] = [0, 0]
  const among = (n: number) => (1 + inbreeding) / (2 * n) + (1 - 1 / n) * coancestry
  for (let t = 0; t < generations; t++) {
    found.push(coancestry)
    const next = (among(males) + 2 * coancestry + among(females)) / 4
    ;[coancestry, inbreeding] = [next, coancestry]
  }
  return found
}
