// the package has no types of its own, and every project that reads this file must find ours
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./quadprog.d.ts" />
import { rootBetween } from '#core/stats'
import { solveQP } from 'quadprog'
import { kinshipOfShares } from './kinshipOfShares'

/** Who may breed, what each is worth, and how they are related. */
export interface Candidates {
  /** breeding value of each, in any unit */
  merit: readonly number[]
  /** kinship of each with each, with itself on the diagonal */
  coancestry: readonly (readonly number[])[]
  /** where sexes are told apart each side gives a half */
  males?: readonly boolean[]
  /** most that each may give; no bound when missing */
  most?: readonly number[]
}

/** Shares in the young, and what comes of them. */
export interface Contributions {
  shares: number[]
  /** mean merit */
  gain: number
  /** mean kinship of the shares with each other */
  kinship: number
  /** false where nobody can stay below the limit: then the shares are those of the least kinship */
  reached: boolean
}

/** Prices of kinship, on the log scale: where next to nothing but merit counts, and next to nothing but kinship. */
const [CHEAP, DEAR] = [-12, 21]
/** So near is the price looked for, on the log scale. */
const CLOSE = 1e-7
/** Bounds that leave no choice at all would be refused for the last digit of a sum. */
const HAIR = 1e-9
/** Added to the diagonal, as a part of what stands there: too little for a share to move but in its last digits. */
const FLAT = 2e-5

/**
 * Shares in the young that bring most merit with a mean kinship no higher than a limit (Meuwissen 1997, J. Anim. Sci.
 * 75: 934), by quadratic programming (Goldfarb & Idnani 1983) at the price of kinship that comes up to the limit.
 * @throws RangeError where the sizes do not fit, a side has nobody, or the bounds leave too little
 */
export function optimalContributions(candidates: Candidates, limit: number): Contributions {
  check(candidates)
  const at = (price: number) => told(candidates, sharesAt(candidates, Math.exp(price)))
  const left = (price: number) => limit - at(price).kinship
  const least = at(DEAR)
  if (least.kinship > limit + HAIR) return { ...least, reached: false }
  const most = at(CHEAP)
  if (most.kinship <= limit) return { ...most, reached: true }
  // on the side of the price where kinship keeps to the limit
  return { ...at(rootBetween(left, CHEAP, DEAR, CLOSE) + CLOSE), reached: true }
}

function check({ merit, coancestry, males, most }: Candidates) {
  const n = merit.length
  if (n === 0 || coancestry.length !== n || coancestry.some(row => row.length !== n))
    throw new RangeError(`kinship must be a square of ${n} candidates`)
  if (males && (males.length !== n || !males.includes(true) || !males.includes(false)))
    throw new RangeError('contributions need candidates of both sexes')
  if (most && (most.length !== n || most.some(m => !(m >= 0))))
    throw new RangeError('the most that each may give is a share')
  const sides = sidesOf({ merit, males })
  const ofSide = (side: readonly number[]) => side.reduce((sum, s, i) => sum + s * most![i]!, 0)
  if (most && sides.some(side => ofSide(side) < 1 / sides.length - HAIR))
    throw new RangeError('the most that all may give is too little')
}

/** Who belongs to each side that gives its share: males and females, or all as one. */
const sidesOf = ({ merit, males }: Pick<Candidates, 'merit' | 'males'>): number[][] =>
  males ? [males.map(m => (m ? 1 : 0)), males.map(m => (m ? 0 : 1))] : [merit.map(() => 1)]

const told = (candidates: Candidates, shares: number[]): Omit<Contributions, 'reached'> => ({
  shares,
  gain: shares.reduce((sum, s, i) => sum + s * candidates.merit[i]!, 0),
  kinship: kinshipOfShares(shares, (i, j) => candidates.coancestry[i]![j]!),
})

/** Most merit less a price times kinship. */
function sharesAt({ merit, coancestry, males, most }: Candidates, price: number): number[] {
  const n = merit.length
  const sides = sidesOf({ merit, males })
  // divided by the price where that is high, so that the numbers stay about one
  const [ofKin, ofMerit] = price > 1 ? [1, 1 / price] : [price, 1]
  // relatives of one family have rows alike: the solver, which begins where nothing is bound, wants a little more on
  // the diagonal, or that beginning lies so far away that the bounds are lost in its last digits
  const more = FLAT * (ofKin + ofMerit * (Math.max(...merit) - Math.min(...merit)))
  const D = from1(coancestry.map((row, i) => from1(row.map((k, j) => 2 * ofKin * k + (i === j ? more : 0)))))
  const own = (i: number, sign: number) => merit.map((_, j) => (i === j ? sign : 0))
  // each side its share, nobody less than none, and nobody more than may be
  const A = from1(merit.map((_, i) => from1([...sides.map(s => s[i]!), ...own(i, 1), ...(most ? own(i, -1) : [])])))
  const b = from1([...sides.map(() => 1 / sides.length), ...merit.map(() => 0), ...(most ?? []).map(m => -m - HAIR)])
  const { solution, message } = solveQP(D, from1(merit.map(m => m * ofMerit)), A, b, sides.length)
  if (message) throw new RangeError(`kinship is not one of real animals: ${message}`)
  return Array.from({ length: n }, (_, i) => Math.max(0, solution[i + 1]!))
}

/** The solver counts from one. */
const from1 = <T>(list: readonly T[]): T[] => [undefined as T, ...list]
