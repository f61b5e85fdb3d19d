import {
  binomialFrom,
  normalFrom,
  quantileSorted,
  quickNormalBelow,
  type Ranged,
  STREAM_STEP,
  streamAt,
  uniformAt,
} from '#core/stats'
import { breederGroups } from './breederGroups'
import { groupKinships } from './groupKinship'
import type { BreederSet } from './history'
import type { LineFit } from './lineFit'
import { LINE_PRIOR, type LineRun, youngOf } from './lineModel'

/** What the young of some breeders will be. */
export interface NextGeneration {
  /** share of each rung among those that grow up, the lowest first */
  shares: Ranged[]
  /** share on a rung or above it; of the lowest it is all */
  upFrom: Ranged[]
  /** mean rung, from 1 */
  meanRung: Ranged
  /** how far the breeding values rise above those of the breeders' groups, in standard deviations of the founders */
  gain: Ranged
}

/** What is asked of the young. */
export interface YoungAsked {
  breeders: readonly BreederSet[]
  /** how many of them grow up: few differ more from what is expected */
  young: number
  /** as whom they are graded; as they truly are when missing */
  grader?: string
  seed?: number
}

/** Young of which nobody says how many: so many (from memory). */
export const USUAL_YOUNG = 100

/**
 * The rungs of the next generation, over all possible truths of the fit: what the breeders pass on, who of them really
 * breeds, what segregates, the food and warmth of the next generation, and that so many grow up.
 * @throws RangeError for no breeders, or ones of one sex alone
 */
export function nextGeneration(fit: LineFit, { breeders, young, grader, seed = 7 }: YoungAsked): NextGeneration {
  checkBreeders(breeders)
  const { history } = fit.model
  const rowOf = new Map(history.groups.map((g, row) => [g.id, row]))
  const lost = inbredOf(fit, breeders)
  const many = Math.max(2, Math.round(young))
  const shares: number[][] = Array.from({ length: history.rungs }, () => [])
  const gains: number[] = []
  for (const [d, { heritability, run }] of fit.draws.entries()) {
    // each draw has its own stream, so that two choices share all their luck
    let turn = streamAt(seed, d)
    const uniform = () => uniformAt((turn = (turn + STREAM_STEP) | 0))
    const made = youngOf(breeders, run, rowOf, heritability * (1 - lost))
    const drift = Math.sqrt(made.doubt + made.segregating / many)
    const mean = made.mean + drift * normalFrom(uniform())
    const environment = LINE_PRIOR.environment * normalFrom(uniform())
    gains.push(mean - meanOfGroups(breeders, run, rowOf))
    let left = many
    let done = 0
    const below = belowOf(run, { mean: mean + environment, variance: made.variance, grader })
    for (let k = 0; k < history.rungs; k++) {
      const upTo = k < below.length ? below[k]! : 1
      const chance = done < 1 ? (upTo - done) / (1 - done) : 1
      const here = k === history.rungs - 1 ? left : binomialFrom(uniform(), left, Math.min(1, Math.max(0, chance)))
      shares[k]!.push(here / many)
      left -= here
      done = upTo
    }
  }
  return told(shares, gains)
}

/** Shares below each border, both sexes together. */
function belowOf(
  run: LineRun,
  { mean, variance, grader }: { mean: number; variance: number; grader: string | undefined },
): number[] {
  const eye = grader === undefined ? undefined : run.eyes.get(grader)
  const { cuts } = eye ?? run.eyes.values().next().value!
  const sd = Math.sqrt(variance + run.rest + (eye?.blur ?? 0) + run.sexes ** 2)
  return cuts.map(cut => quickNormalBelow((cut - mean - (eye?.shift ?? 0)) / sd))
}

function checkBreeders(breeders: readonly BreederSet[]) {
  const many = (sex: BreederSet['sex']) => breeders.reduce((sum, b) => sum + (b.sex === sex ? b.number : 0), 0)
  const [males, females, mixed] = [many('male'), many('female'), many('mixed')]
  if (males + mixed === 0 || females + mixed === 0)
    throw new RangeError(`young need males and females, got ${males} and ${females}`)
}

/** Mean inbreeding of the breeders themselves. */
function inbredOf({ model }: LineFit, breeders: readonly BreederSet[]): number {
  const kin = groupKinships(breederGroups(model.history.groups))
  const all = breeders.reduce((sum, b) => sum + b.number, 0)
  return breeders.reduce((sum, b) => sum + (b.number / all) * kin.inbreeding[kin.rowOf.get(b.groupId)!]!, 0)
}

/** Mean breeding value of the groups that the breeders are of, each side a half. */
function meanOfGroups(
  breeders: readonly BreederSet[],
  { standings }: LineRun,
  rowOf: ReadonlyMap<string, number>,
): number {
  const side = (sex: 'male' | 'female') => {
    const own = breeders.filter(b => b.sex === sex || b.sex === 'mixed')
    const all = own.reduce((sum, b) => sum + b.number, 0)
    return own.reduce((sum, b) => sum + (b.number / all) * standings[rowOf.get(b.groupId)!]!.mean, 0)
  }
  return (side('male') + side('female')) / 2
}

/** Middle and likely range (80 %) of values, each as likely as the others. */
export function rangeOf(values: readonly number[]): Ranged {
  const sorted = values.toSorted((a, b) => a - b)
  return { low: quantileSorted(sorted, 0.1), value: quantileSorted(sorted, 0.5), high: quantileSorted(sorted, 0.9) }
}

function told(shares: readonly number[][], gains: readonly number[]): NextGeneration {
  const draws = gains.map((_, d) => shares.map(s => s[d]!))
  const upFrom = shares.map((_, k) => rangeOf(draws.map(s => s.slice(k).reduce((a, b) => a + b, 0))))
  const mean = draws.map(s => s.reduce((sum, share, k) => sum + share * (k + 1), 0))
  return { shares: shares.map(s => rangeOf(s)), upFrom, meanRung: rangeOf(mean), gain: rangeOf(gains) }
}
