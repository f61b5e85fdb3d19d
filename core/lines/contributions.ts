// the package has no types of its own, and every project that reads this file must find ours
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./quadprog.d.ts" />
import { solveQP } from 'quadprog'

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

/** Prices of kinship that are tried, on the log scale, from next to none to all that counts. */
const PRICES = 12
/** As near as this the kinship goes by the price nearly in a line. */
const NEARBY = 0.2
const CLOSE = 1e-10
const MOST_ASKED = 60
/** Bounds that leave no choice at all would be refused for the last digit of a sum. */
const HAIR = 1e-9

/**
 * Shares in the young that bring most merit with a mean kinship no higher than a limit (Meuwissen 1997, J. Anim. Sci.
 * 75: 934), by quadratic programming (Goldfarb & Idnani 1983) with the price of kinship found by halving.
 * @throws RangeError where the sizes do not fit, a side has nobody, or the bounds leave too little
 */
export function optimalContributions(candidates: Candidates, limit: number): Contributions {
  check(candidates)
  const least = sharesAt(candidates, 1e9)
  if (kinshipOf(candidates, least) > limit + 1e-9) return told(candidates, least, false)
  return told(candidates, atLimit(candidates, { limit, shares: least }), true)
}

/**
 * Shares whose kinship comes up to the limit, by the price of kinship on the log scale: halved until it is near, then
 * by false position with the end that stays weighed down (Illinois; Dowell & Jarratt 1971, BIT 11: 168), which asks a
 * third as often.
 */
function atLimit(candidates: Candidates, { limit, shares }: { limit: number; shares: number[] }): number[] {
  const at = (price: number) => {
    const found = sharesAt(candidates, Math.exp(price))
    return { price, shares: found, over: kinshipOf(candidates, found) - limit }
  }
  let low = at(-PRICES)
  if (low.over <= 0) return low.shares
  let high = { price: PRICES, shares, over: kinshipOf(candidates, shares) - limit }
  let [before, weight] = [0, { low: 1, high: 1 }]
  for (let i = 0; i < MOST_ASKED && high.over < -CLOSE; i++) {
    const [a, b] = [weight.low * low.over, weight.high * high.over]
    const far = high.price - low.price > NEARBY
    const next = at(far ? (low.price + high.price) / 2 : (high.price * a - low.price * b) / (a - b))
    const side = Math.sign(next.over)
    const again = !far && side === before
    if (side > 0) [low, weight] = [next, { low: 1, high: again ? weight.high / 2 : 1 }]
    else [high, weight] = [next, { low: again ? weight.low / 2 : 1, high: 1 }]
    before = side
  }
  return high.shares
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

const told = (candidates: Candidates, shares: number[], reached: boolean): Contributions => ({
  shares,
  gain: shares.reduce((sum, s, i) => sum + s * candidates.merit[i]!, 0),
  kinship: kinshipOf(candidates, shares),
  reached,
})

/** Mean kinship of shares with each other. */
const kinshipOf = ({ coancestry }: Candidates, shares: readonly number[]): number =>
  shares.reduce((sum, a, i) => shares.reduce((inner, b, j) => inner + a * b * coancestry[i]![j]!, sum), 0)

/** Most merit less a price times kinship. */
function sharesAt({ merit, coancestry, males, most }: Candidates, price: number): number[] {
  const n = merit.length
  const sides = sidesOf({ merit, males })
  // divided by the price where that is high, so that the numbers stay about one
  const [ofKin, ofMerit] = price > 1 ? [1, 1 / price] : [price, 1]
  // relatives of one family have rows alike: the solver, which begins where nothing is bound, wants a hair more on the
  // diagonal, or that beginning lies so far away that the bounds are lost in its last digits
  const widest = Math.max(...merit) - Math.min(...merit)
  const hair = 1e-7 * ofKin + 1e-5 * ofMerit * widest
  const D = from1(coancestry.map((row, i) => from1(row.map((k, j) => 2 * ofKin * k + (i === j ? hair : 0)))))
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
