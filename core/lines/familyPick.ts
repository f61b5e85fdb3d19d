import { breederGroups } from './breederGroups'
import { chosenOf } from './chosen'
import { optimalContributions } from './contributions'
import { UNEVENNESS } from './familySizes'
import { groupKinships } from './groupKinship'
import type { LineFit } from './lineFit'
import { bestOf, type Stock } from './picks'
import { rowIn } from './rowIn'
import { sharedOut } from './trays'

/** How many of each family, by rung, are kept. */
export interface FamilyKept {
  groupId: string
  females: number[]
  males: number[]
}

/** Whom to keep of several families, and what comes of it. */
export interface FamilyPick {
  keep: FamilyKept[]
  /** mean breeding value of the young, in standard deviations of the founders, above that of all that could breed */
  gain: number
  /** mean kinship of the families' young, by the families they come of */
  kinship: number
}

/** Animals of one family, sex and rung: of them nobody tells one from another. */
interface Kind {
  stock: number
  female: boolean
  rung: number
  there: number
  merit: number
}

/** Families fewer than this hold too little to choose between (the proposal is then that of the best rungs). */
export const FAMILIES_LEAST = 4

/**
 * Whom to keep of several families so that the young gain most at a kinship no higher than that of the best rungs,
 * taken from whatever family (optimal contributions, Meuwissen 1997; merits are those that the fit gives each rung of
 * each family, so that a good family's lesser animals may beat a poor one's best).
 * @param stocks grown animals of each family by rung
 * @param many breeders of each sex
 * @returns both choices, or null where there are too few families or animals
 */
export function familyPick(
  fit: LineFit,
  stocks: readonly Stock[],
  many: { females: number; males: number },
): { proposed: FamilyPick; bestRungs: FamilyPick } | null {
  const kinds = kindsOf(fit, stocks)
  const there = (female: boolean) => kinds.filter(k => k.female === female).reduce((n, k) => n + k.there, 0)
  if (stocks.length < FAMILIES_LEAST || there(true) < many.females || there(false) < many.males) return null
  const kin = kinshipsOf(fit, stocks)
  const best = bestRungs(kinds, many)
  const limit = meanKinship(kinds, sharesIn(kinds, best), kin)
  const most = kinds.map(k => Math.min(0.5, (0.5 * k.there) / (k.female ? many.females : many.males)))
  const asked = {
    merit: kinds.map(k => k.merit),
    coancestry: kinds.map(a => kinds.map(b => kin[a.stock]![b.stock]!)),
    males: kinds.map(k => !k.female),
    most,
  }
  const { shares } = optimalContributions(asked, limit)
  const told = (numbers: readonly number[]): FamilyPick => {
    const own = sharesIn(kinds, numbers)
    return {
      keep: stocks.map((s, i) => keptOf(s, i, kinds, numbers)),
      gain: own.reduce((sum, x, i) => sum + x * kinds[i]!.merit, 0),
      kinship: meanKinship(kinds, own, kin),
    }
  }
  // whole animals spoil a little of what parts of them promised: both beginnings are bettered, one for one
  const found = [best, wholeOf(kinds, shares, many)].map(start => told(bettered(kinds, start, kin, limit)))
  const allowed = found.filter(f => f.kinship <= limit + NEAR)
  return { proposed: allowed.toSorted((a, b) => b.gain - a.gain)[0]!, bestRungs: told(best) }
}

const NEAR = 1e-9
const MOST_SWAPS = 400

/**
 * Exchanges one animal for another of its sex as long as that gains, and keeps kinship under its limit; where it lies
 * above, what lowers it most for what it costs comes first.
 */
function bettered(
  kinds: readonly Kind[],
  start: readonly number[],
  kin: readonly (readonly number[])[],
  limit: number,
): number[] {
  const numbers = [...start]
  const of = (female: boolean) => start.reduce((n, x, i) => n + (kinds[i]!.female === female ? x : 0), 0)
  const part = { true: 1 / (2 * Math.max(1, of(true))), false: 1 / (2 * Math.max(1, of(false))) }
  const step = (i: number) => part[kinds[i]!.female ? 'true' : 'false']
  const kinOf = (i: number, j: number) => kin[kinds[i]!.stock]![kinds[j]!.stock]!
  // what each kind has to do with all that are kept
  const with_ = kinds.map((_, i) => numbers.reduce((sum, n, j) => sum + n * step(j) * kinOf(i, j), 0))
  let kinship = numbers.reduce((sum, n, i) => sum + n * step(i) * with_[i]!, 0)
  for (let swap = 0; swap < MOST_SWAPS; swap++) {
    let best: { out: number; into: number; worth: number; kinship: number } | null = null
    for (const [out, k] of kinds.entries()) {
      if (numbers[out] === 0) continue
      for (const [into, other] of kinds.entries()) {
        if (into === out || other.female !== k.female || numbers[into]! >= other.there) continue
        const s = step(out)
        const gain = s * (other.merit - k.merit)
        const bend = s * s * (kinOf(out, out) + kinOf(into, into) - 2 * kinOf(out, into))
        const next = kinship + 2 * s * (with_[into]! - with_[out]!) + bend
        const over = kinship > limit + NEAR
        if (over ? next >= kinship - NEAR : next > limit + NEAR || gain <= NEAR) continue
        const worth = over ? (kinship - next) / (Math.max(0, -gain) + 1e-4) : gain
        if (!best || worth > best.worth) best = { out, into, worth, kinship: next }
      }
    }
    if (!best) break
    const { out, into } = best
    numbers[out]!--
    numbers[into]!++
    for (const i of kinds.keys()) with_[i]! += step(out) * (kinOf(i, into) - kinOf(i, out))
    kinship = best.kinship
  }
  return numbers
}

/** All kinds of animals that could breed, with what each is worth: the mean over the draws of the fit. */
function kindsOf({ model, draws }: LineFit, stocks: readonly Stock[]): Kind[] {
  const found: Kind[] = []
  for (const [stock, s] of stocks.entries())
    for (const female of [true, false])
      for (const [rung, there] of (female ? s.females : s.males).entries())
        if (there > 0) found.push({ stock, female, rung, there, merit: 0 })
  const row = stocks.map(s => rowIn(model.rowOf, s.groupId, 'line'))
  for (const kind of found) {
    const s = stocks[kind.stock]!
    const rungs = s.females.map((_, k) => (k === kind.rung ? 1 : 0))
    for (const { run } of draws) {
      const eye = run.eyes.get(s.grader) ?? run.eyes.values().next().value!
      const shift = eye.shift + (kind.female ? 1 : -1) * run.sexes
      const { mean } = chosenOf(
        { rungs, number: 1 },
        {
          standing: run.standings[row[kind.stock]!]!,
          ...{ eye: { ...eye, shift }, environment: run.rest, unevenness: UNEVENNESS[kind.female ? 'female' : 'male'] },
        },
      )
      kind.merit += mean / draws.length
    }
  }
  // above the mean of each sex: only differences count
  for (const female of [true, false]) {
    const own = found.filter(k => k.female === female)
    const all = own.reduce((n, k) => n + k.there, 0)
    const mean = own.reduce((sum, k) => sum + (k.there / all) * k.merit, 0)
    for (const k of own) k.merit -= mean
  }
  return found
}

/** Mean kinship of two different animals of two families. */
function kinshipsOf({ model }: LineFit, stocks: readonly Stock[]): number[][] {
  const kin = groupKinships(breederGroups(model.history.groups))
  const n = kin.inbreeding.length
  const rows = stocks.map(s => rowIn(model.rowOf, s.groupId, 'line'))
  return rows.map(a => rows.map(b => kin.between[a * n + b]!))
}

/** The best rungs of each sex, of all families alike. */
function bestRungs(kinds: readonly Kind[], many: { females: number; males: number }): number[] {
  const numbers = kinds.map(() => 0)
  for (const female of [true, false]) {
    const own = [...kinds.entries()].filter(([, k]) => k.female === female)
    const top = Math.max(...own.map(([, k]) => k.rung))
    const byRung = Array.from({ length: top + 1 }, (_, r) =>
      own.reduce((n, [, k]) => n + (k.rung === r ? k.there : 0), 0),
    )
    for (const [rung, wanted] of bestOf(byRung, female ? many.females : many.males).entries()) {
      const here = own.filter(([, k]) => k.rung === rung)
      const split = sharedOut(
        wanted,
        here.map(([, k]) => k.there),
      )
      for (const [i, [at]] of here.entries()) numbers[at] = split[i]!
    }
  }
  return numbers
}

/** Shares in the young: each sex gives a half, each of its animals alike. */
function sharesIn(kinds: readonly Kind[], numbers: readonly number[]): number[] {
  const of = (female: boolean) => numbers.reduce((n, x, i) => n + (kinds[i]!.female === female ? x : 0), 0)
  const [females, males] = [of(true), of(false)]
  return numbers.map((n, i) => n / (2 * Math.max(1, kinds[i]!.female ? females : males)))
}

/** Whole animals of each kind that come nearest to their shares, no more than there are. */
function wholeOf(
  kinds: readonly Kind[],
  shares: readonly number[],
  many: { females: number; males: number },
): number[] {
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

const meanKinship = (kinds: readonly Kind[], shares: readonly number[], kin: readonly (readonly number[])[]): number =>
  shares.reduce(
    (sum, a, i) => sum + shares.reduce((inner, b, j) => inner + a * b * kin[kinds[i]!.stock]![kinds[j]!.stock]!, 0),
    0,
  )

function keptOf(s: Stock, stock: number, kinds: readonly Kind[], numbers: readonly number[]): FamilyKept {
  const of = (female: boolean) =>
    s.females.map((_, rung) =>
      kinds.reduce((n, k, i) => n + (k.stock === stock && k.female === female && k.rung === rung ? numbers[i]! : 0), 0),
    )
  return { groupId: s.groupId, females: of(true), males: of(false) }
}
