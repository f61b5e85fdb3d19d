import { kinshipOfShares } from './kinshipOfShares'
import { bestOf } from './picks'
import { sharedOut } from './trays'

/** Animals of one family, sex and rung: of them nobody tells one from another. */
export interface Kind {
  stock: number
  female: boolean
  rung: number
  there: number
  /** breeding value above the mean of its sex, in standard deviations of the founders */
  merit: number
}

/** Breeders of each sex. */
export interface Many {
  females: number
  males: number
}

/** Kinds that may be kept, and how their families are related: mean kinship of two different animals, by family. */
export interface Choice {
  kinds: readonly Kind[]
  kin: readonly (readonly number[])[]
}

const NEAR = 1e-9
const MOST_SWAPS = 400

const manyOf = (kinds: readonly Kind[], numbers: readonly number[], female: boolean) =>
  numbers.reduce((n, x, i) => n + (kinds[i]!.female === female ? x : 0), 0)

/** Share in the young of one animal of each kind: each sex gives a half, each of its animals alike. */
const partsOf = (kinds: readonly Kind[], numbers: readonly number[]): number[] => {
  const [females, males] = [true, false].map(f => 1 / (2 * Math.max(1, manyOf(kinds, numbers, f))))
  return kinds.map(k => (k.female ? females! : males!))
}

/** Shares in the young of each kind. */
export const sharesIn = (kinds: readonly Kind[], numbers: readonly number[]): number[] =>
  partsOf(kinds, numbers).map((part, i) => part * numbers[i]!)

const kinOf = ({ kinds, kin }: Choice, a: number, b: number) => kin[kinds[a]!.stock]![kinds[b]!.stock]!

/** Mean kinship of two parents of so many of each kind, and so of their young, but that some have the same parent. */
export const kinshipOfYoung = (choice: Choice, numbers: readonly number[]): number =>
  kinshipOfShares(sharesIn(choice.kinds, numbers), (i, j) => kinOf(choice, i, j))

/** Whether a kinship is no higher than a limit, but for the last digits. */
export const within = (kinship: number, limit: number): boolean => kinship <= limit + NEAR

/**
 * Exchanges one animal for another of its sex as long as that gains, and keeps kinship under its limit; where it lies
 * above, what lowers it most for what it costs comes first.
 */
export function bettered(choice: Choice, start: readonly number[], limit: number): number[] {
  const { kinds } = choice
  const numbers = [...start]
  const parts = partsOf(kinds, start)
  // what each kind has to do with all that are kept
  const with_ = kinds.map((_, i) => numbers.reduce((sum, n, j) => sum + n * parts[j]! * kinOf(choice, i, j), 0))
  let kinship = kinshipOfYoung(choice, numbers)
  for (let swap = 0; swap < MOST_SWAPS; swap++) {
    let best: { out: number; into: number; worth: number; kinship: number } | null = null
    for (const [out, k] of kinds.entries()) {
      if (numbers[out] === 0) continue
      for (const [into, other] of kinds.entries()) {
        if (into === out || other.female !== k.female || numbers[into]! >= other.there) continue
        const part = parts[out]!
        const gain = part * (other.merit - k.merit)
        const bend = kinOf(choice, out, out) + kinOf(choice, into, into) - 2 * kinOf(choice, out, into)
        const next = kinship + 2 * part * (with_[into]! - with_[out]!) + part ** 2 * bend
        const over = !within(kinship, limit)
        if (over ? next >= kinship - NEAR : !within(next, limit) || gain <= NEAR) continue
        const worth = over ? (kinship - next) / (Math.max(0, -gain) + 1e-4) : gain
        if (!best || worth > best.worth) best = { out, into, worth, kinship: next }
      }
    }
    if (!best) break
    const { out, into } = best
    numbers[out]!--
    numbers[into]!++
    for (const i of kinds.keys()) with_[i]! += parts[out]! * (kinOf(choice, i, into) - kinOf(choice, i, out))
    kinship = best.kinship
  }
  return numbers
}

/** Kinds of one sex by rung, lowest first. */
function byRung(kinds: readonly Kind[], female: boolean): number[][] {
  const top = Math.max(...kinds.map(k => k.rung))
  return Array.from({ length: top + 1 }, (_, rung) =>
    [...kinds.keys()].filter(i => kinds[i]!.female === female && kinds[i]!.rung === rung),
  )
}

const thereOf = (kinds: readonly Kind[], which: readonly number[]) => which.reduce((n, i) => n + kinds[i]!.there, 0)

/** The best rungs of each sex, of all families alike. */
export function bestRungs(kinds: readonly Kind[], many: Many): number[] {
  const numbers = kinds.map(() => 0)
  for (const female of [true, false]) {
    const rungs = byRung(kinds, female)
    const there = rungs.map(here => thereOf(kinds, here))
    for (const [rung, wanted] of bestOf(there, female ? many.females : many.males).entries()) {
      const here = rungs[rung]!
      const split = sharedOut(
        wanted,
        here.map(i => kinds[i]!.there),
      )
      for (const [at, i] of here.entries()) numbers[i] = split[at]!
    }
  }
  return numbers
}

/**
 * What lot adds to the kinship of two young of the best rungs: of a rung that is kept in part they are taken as they
 * come, so that it is by lot how many are of each family (hypergeometric), and relatives come together more often than
 * their mean numbers say.
 */
export function addedByLot(choice: Choice, best: readonly number[]): number {
  const { kinds } = choice
  const parts = partsOf(kinds, best)
  return [...byRung(kinds, true), ...byRung(kinds, false)].reduce((sum, here) => {
    const there = thereOf(kinds, here)
    const taken = here.reduce((n, i) => n + best[i]!, 0)
    if (taken === 0 || taken === there) return sum
    const shares = here.map(i => kinds[i]!.there / there)
    const own = here.reduce((n, i, at) => n + shares[at]! * kinOf(choice, i, i), 0)
    const all = kinshipOfShares(shares, (a, b) => kinOf(choice, here[a]!, here[b]!))
    return sum + ((parts[here[0]!]! ** 2 * taken * (there - taken)) / (there - 1)) * (own - all)
  }, 0)
}

/** Whole animals of each kind that come nearest to their shares, no more than there are. */
export function wholeOf(kinds: readonly Kind[], shares: readonly number[], many: Many): number[] {
  const numbers = kinds.map(() => 0)
  for (const female of [true, false]) {
    const own = [...kinds.keys()].filter(i => kinds[i]!.female === female)
    const wanted = female ? many.females : many.males
    const split = sharedOut(
      wanted,
      own.map(i => shares[i]!),
    )
    let left = 0
    for (const [j, i] of own.entries()) {
      numbers[i] = Math.min(split[j]!, kinds[i]!.there)
      left += split[j]! - numbers[i]
    }
    for (const i of own.toSorted((a, b) => shares[b]! - shares[a]! || kinds[b]!.merit - kinds[a]!.merit)) {
      const more = Math.min(left, kinds[i]!.there - numbers[i]!)
      numbers[i]! += more
      left -= more
    }
  }
  return numbers
}
