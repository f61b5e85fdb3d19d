import { logChoose, normalBelow, normalDensity, type Ranged, zQuantile } from '#core/stats'

/** One generation of a line: how many were looked at, and how many of them fell back. */
export interface ThrowbackLook {
  looked: number
  thrownBack: number
  /** whether those that fell back were kept from breeding */
  culled: boolean
}

/**
 * How animals that fall back may come about: by one recessive gene that the others carry; by many small things of which
 * some fall under a line; or as fixed shares of a crossing, one in two and one in four.
 */
export const inheritances = ['recessive', 'many', 'oneInTwo', 'oneInFour'] as const
export type Inheritance = (typeof inheritances)[number]

/** How well a way of inheritance fits, and what it has the next generation be. */
export interface InheritanceTold {
  how: Inheritance
  /** chance that it is this one, each as likely as the others before anything was seen */
  chance: number
  /** share that falls back in the next generation */
  next: Ranged
}

/** A way that a line may have gone: the share of each generation that falls back, and of the next. */
interface Path {
  shares: number[]
  next: number
  weight: number
}

/** Shares and frequencies are tried at so many places, evenly. */
const STEPS = 400
const places = /* @__PURE__ */ Array.from({ length: STEPS }, (_, i) => (i + 0.5) / STEPS)
/** Heritabilities of a pattern that are tried, with what each is worth (from memory: about a third, hardly known). */
const HERITABILITIES = [
  [0.1, 1],
  [0.25, 2],
  [0.4, 2],
  [0.6, 1],
] as const

/**
 * Holds the shares that fell back, generation after generation, against each way of inheritance. One recessive gene in
 * a line that mates at random shows in q² of the animals; where these do not breed q falls to q/(1 + q). Of many small
 * things those under a line are q as well, and where they do not breed the mean rises by heritability times what was
 * selected.
 * Sources: Falconer & Mackay (1996), ch. 2 (selection against a recessive), 11 and 18 (liability). Ways are weighed by
 * their likelihood over all their frequencies (Kass & Raftery 1995, J. Am. Stat. Assoc. 90: 773).
 * @param looks oldest first
 * @throws RangeError for none, or more that fell back than were looked at
 */
export function inheritanceOf(looks: readonly ThrowbackLook[]): InheritanceTold[] {
  if (looks.length === 0) throw new RangeError('inheritance needs a generation that was looked at, got none')
  for (const { looked, thrownBack } of looks)
    if (thrownBack > looked) throw new RangeError(`${thrownBack} of ${looked} cannot have fallen back`)
  const told = inheritances.map(how => {
    const paths = pathsOf[how](looks)
    const worth = paths.map(p => p.weight * Math.exp(logChance(p.shares, looks)))
    const all = worth.reduce((a, b) => a + b, 0)
    return { how, all, next: rangeOf(paths, worth, all) }
  })
  const sum = told.reduce((s, t) => s + t.all, 0)
  return told.map(({ how, all, next }) => ({ how, chance: sum > 0 ? all / sum : 1 / told.length, next }))
}

/** How a line goes from one generation to the next. */
interface Law {
  shareOf: (state: number) => number
  /** its state when those that fell back did not breed */
  culled: (state: number) => number
}
const recessive: Law = { shareOf: q => q * q, culled: q => q / (1 + q) }
const many = (heritability: number): Law => ({
  shareOf: z => normalBelow(z, 0, 1),
  culled: z => raised(z, heritability),
})
const HERITABILITY_WORTH = HERITABILITIES.reduce((sum, [, weight]) => sum + weight, 0)

const pathsOf: Readonly<Record<Inheritance, (looks: readonly ThrowbackLook[]) => Path[]>> = {
  recessive: looks => places.map(q => ({ ...path(looks, q, recessive), weight: 1 / STEPS })),
  many: looks =>
    HERITABILITIES.flatMap(([heritability, weight]) =>
      places.map(share => ({
        ...path(looks, zQuantile(share), many(heritability)),
        weight: weight / HERITABILITY_WORTH / STEPS,
      })),
    ),
  oneInTwo: looks => [fixed(looks, 0.5)],
  oneInFour: looks => [fixed(looks, 0.25)],
}

/** Where the line lies against the mean of the young when those under it did not breed. */
const raised = (z: number, heritability: number): number =>
  z - (heritability * normalDensity(z)) / (1 - normalBelow(z, 0, 1))

const fixed = (looks: readonly ThrowbackLook[], share: number): Path => ({
  ...{ shares: looks.map(() => share), next: share, weight: 1 },
})

/** A way from a state on, generation by generation. */
function path(looks: readonly ThrowbackLook[], from: number, { shareOf, culled }: Law): Omit<Path, 'weight'> {
  let state = from
  const shares = looks.map(look => {
    const share = shareOf(state)
    if (look.culled) state = culled(state)
    return share
  })
  return { shares, next: shareOf(state) }
}

/** Logarithm of the chance of what was seen. */
const logChance = (shares: readonly number[], looks: readonly ThrowbackLook[]): number =>
  looks.reduce((sum, { looked, thrownBack }, i) => {
    const share = Math.min(1 - 1e-12, Math.max(1e-12, shares[i]!))
    const rest = looked - thrownBack
    return sum + logChoose(looked, thrownBack) + thrownBack * Math.log(share) + rest * Math.log1p(-share)
  }, 0)

/** The middle and the likely range of the next share, over all ways. */
function rangeOf(paths: readonly Path[], worth: readonly number[], all: number): Ranged {
  const order = paths.map((p, i) => [p.next, worth[i]!] as const).toSorted((a, b) => a[0] - b[0])
  const at = (p: number) => {
    let sum = 0
    for (const [next, w] of order) {
      sum += w
      if (sum >= p * all) return next
    }
    return order.at(-1)![0]
  }
  return { low: at(0.1), value: at(0.5), high: at(0.9) }
}
