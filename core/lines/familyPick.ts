import { breederGroups } from './breederGroups'
import { chosenOf } from './chosen'
import { optimalContributions } from './contributions'
import { UNEVENNESS } from './familySizes'
import { groupKinships } from './groupKinship'
import type { LineFit } from './lineFit'
import type { Stock } from './picks'
import { rowIn } from './rowIn'
import {
  addedByLot,
  bestRungs,
  bettered,
  type Choice,
  type Kind,
  kinshipOfYoung,
  type Many,
  sharesIn,
  wholeOf,
  within,
} from './wholeAnimals'

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
  /** mean kinship of two parents of their young, by the families they come of */
  kinship: number
}

/** The pick, and what it is held against. */
export interface FamilyPicks {
  proposed: FamilyPick
  /** the best rungs from whatever family, as they come */
  bestRungs: FamilyPick
  /** share by which the pick gains more */
  more: number
}

/** Families fewer than this hold too little to choose between (the proposal is then that of the best rungs). */
export const FAMILIES_LEAST = 4
/**
 * What of the kinship that chance would add is left unspent: those that are chosen for their families are nearer kin
 * than families are on the mean (Wray & Thompson 1990), and the families of their parents are not told apart. With a
 * quarter left the kinship of simulated lines came out even.
 */
const LEFT_OVER = 0.3
/** Less than this is no gain that another could be held against. */
const NO_GAIN = 1e-6

/**
 * Whom to keep of several families so that the young gain most at a kinship no higher than that of the best rungs,
 * taken from whatever family (optimal contributions, Meuwissen 1997; merits are those that the fit gives each rung of
 * each family, so that a good family's lesser animals may beat a poor one's best).
 * @param stocks grown animals of each family by rung
 * @param many breeders of each sex, whole
 * @returns both choices, or null where there are too few families or animals, or a sex has nobody to breed
 */
export function familyPick(fit: LineFit, stocks: readonly Stock[], many: Many): FamilyPicks | null {
  const kinds = kindsOf(fit, stocks)
  const there = grownIn(stocks)
  const can = (sex: keyof Many) => many[sex] >= 1 && many[sex] <= there[sex]
  if (stocks.length < FAMILIES_LEAST || !can('females') || !can('males')) return null
  const choice = { kinds, kin: kinshipsOf(fit, stocks) }
  const best = bestRungs(kinds, many)
  const [spread, lot] = [kinshipOfYoung(choice, best), addedByLot(choice, best)]
  const limit = spread + (1 - LEFT_OVER) * lot
  const told = (numbers: readonly number[]): FamilyPick => ({
    keep: stocks.map((s, i) => keptOf(s, i, kinds, numbers)),
    gain: sharesIn(kinds, numbers).reduce((sum, x, i) => sum + x * kinds[i]!.merit, 0),
    kinship: kinshipOfYoung(choice, numbers),
  })
  // whole animals spoil a little of what parts of them promised: those parts, and the best rungs, are both bettered
  const found = [best, wholeOf(kinds, sharesAt(choice, many, limit), many)].map(start =>
    told(bettered(choice, start, limit)),
  )
  const allowed = found.filter(f => within(f.kinship, limit))
  const proposed = allowed.toSorted((a, b) => b.gain - a.gain)[0]!
  const asTheyCome = { ...told(best), kinship: spread + lot }
  return { proposed, bestRungs: asTheyCome, more: proposed.gain / Math.max(NO_GAIN, asTheyCome.gain) - 1 }
}

/** Grown animals of some stocks. */
export function grownIn(stocks: readonly Pick<Stock, 'females' | 'males'>[]): Many {
  const of = (sex: keyof Many) => stocks.flatMap(s => s[sex]).reduce((n, x) => n + x, 0)
  return { females: of('females'), males: of('males') }
}

/** Shares of each kind in the young, as if parts of animals could be kept. */
function sharesAt({ kinds, kin }: Choice, many: Many, limit: number): number[] {
  const asked = {
    merit: kinds.map(k => k.merit),
    coancestry: kinds.map(a => kinds.map(b => kin[a.stock]![b.stock]!)),
    males: kinds.map(k => !k.female),
    most: kinds.map(k => Math.min(0.5, (0.5 * k.there) / (k.female ? many.females : many.males))),
  }
  return optimalContributions(asked, limit).shares
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

function keptOf(s: Stock, stock: number, kinds: readonly Kind[], numbers: readonly number[]): FamilyKept {
  const of = (female: boolean) =>
    s.females.map((_, rung) =>
      kinds.reduce((n, k, i) => n + (k.stock === stock && k.female === female && k.rung === rung ? numbers[i]! : 0), 0),
    )
  return { groupId: s.groupId, females: of(true), males: of(false) }
}
