/**
 * Mean kinship of two genes drawn by shares in the young.
 * @param kin kinship of the one at a place with the one at another
 */
export const kinshipOfShares = (shares: readonly number[], kin: (i: number, j: number) => number): number =>
  shares.reduce((sum, a, i) => shares.reduce((inner, b, j) => inner + a * b * kin(i, j), sum), 0)
