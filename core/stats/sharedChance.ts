import { binomialFrom, manyLucky, noneOf, SUMMED_VARIANCE } from './draw'

/** A chance that a great many draws share: the sums that they are found in are worked out once, not for each. */
export interface SharedChance {
  p: number
  /** the rarer of the two outcomes, and whether it is the one without luck */
  rare: number
  mirrored: boolean
  /** numbers of animals up to which chances are summed up */
  most: number
  /** for each number of animals the sums of the chances of 0, 1, 2 …, worked out when they are first asked for */
  sums: (Float64Array | undefined)[]
}

/** Numbers of animals up to which sums are kept: large ones hardly come twice. */
const KEPT = 160

/** @param p chance, 0 to 1 */
export function sharedChance(p: number): SharedChance {
  const rare = Math.min(p, 1 - p)
  return { p, rare, mirrored: p > 0.5, most: SUMMED_VARIANCE / (rare * (1 - rare)), sums: [] }
}

/**
 * The same number as `binomialFrom(u, n, shared.p)`, found faster.
 * @param u in (0, 1)
 * @param n whole number, zero or more
 */
export function binomialShared(shared: SharedChance, u: number, n: number): number {
  const { rare, mirrored, most, sums } = shared
  const v = mirrored ? 1 - u : u
  let k = 0
  if (n > most) k = manyLucky(v, n, rare)
  else if (n > KEPT) k = binomialFrom(v, n, rare)
  else {
    const sum = sums[n] ?? sumUp(shared, n)
    while (v > sum[k]!) k++
  }
  return mirrored ? n - k : k
}

/** Sums are kept so far; what lies beyond is rarer than a uniform number can tell. */
const FAR = 1 - 1e-12

/** The sums for n animals: the terms in the order and the form in which `binomialFrom` adds them up. */
function sumUp({ rare, sums }: SharedChance, n: number): Float64Array {
  const odds = rare / (1 - rare)
  const sum: number[] = []
  let chance = noneOf(n, rare)
  for (let k = 0, all = chance; k < n && all < FAR; all += chance) {
    sum.push(all)
    k++
    chance *= (odds * (n - k + 1)) / k
  }
  return (sums[n] = Float64Array.from([...sum, Infinity]))
}
