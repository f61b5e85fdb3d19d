import { binomialFrom, normalFrom, type Ranged, STREAM_STEP, streamAt, uniformAt } from '#core/stats'
import { type BreederSet, bothSexes, type LineHistory, type Stayed } from './history'
import type { LineFit } from './lineFit'
import { LINE_PRIOR, withStayed, youngOf } from './lineModel'
import { type LineRun, sharesBelow } from './lineRun'
import { rangeOf, type SharesTold, sharesTold } from './sharesTold'

/** What the young of some breeders will be. */
export interface NextGeneration extends SharesTold {
  /** share of each rung among those that grow up, the lowest first */
  shares: Ranged[]
  /** how far the breeding values rise above those of the breeders' groups, in standard deviations of the founders */
  gain: Ranged
}

/** Young that a generation is thought to have: as many as the newest that was graded, within reason (from memory). */
const YOUNG: readonly [number, number] = [20, 200]

/** How many young are thought to grow up, for every forecast of a line alike. */
export function usualYoung({ groups }: LineHistory): number {
  const graded = groups.findLast(g => !g.spare && g.gradings.length + g.twice.length > 0)
  return Math.min(YOUNG[1], Math.max(YOUNG[0], graded?.size ?? 0))
}

/** What is asked of the young. */
export interface YoungAsked {
  breeders: readonly BreederSet[]
  /** how many of them grow up: few differ more from what is expected */
  young: number
  /** as whom they are graded; as they truly are when missing */
  grader?: string
  /** whom they join, where the animals breed all the time */
  stayed?: Stayed
  seed?: number
}

/**
 * The rungs of the next generation, over all possible truths of the fit: what the breeders pass on, who of them really
 * breeds, what segregates, the food and warmth of the next generation, and that so many grow up.
 * @throws RangeError for no breeders, or ones of one sex alone
 */
export function nextGeneration(fit: LineFit, asked: YoungAsked): NextGeneration {
  const { young, grader } = asked
  const { rungs } = fit.model.history
  const many = manyOf(young)
  const possible = youngDrawn(fit, asked)
  const draws = possible.map(drawn => {
    const { run, uniform } = drawn
    const { mean, variance, environment } = joined(drawn, asked.stayed, fit)
    const shares: number[] = []
    let left = many
    let done = 0
    const below = sharesBelow(run, { mean: mean + environment, variance, ...(grader !== undefined && { grader }) })
    for (let k = 0; k < rungs; k++) {
      const upTo = k < below.length ? below[k]! : 1
      const chance = done < 1 ? (upTo - done) / (1 - done) : 1
      const here = k === rungs - 1 ? left : binomialFrom(uniform(), left, Math.min(1, Math.max(0, chance)))
      shares.push(here / many)
      left -= here
      done = upTo
    }
    return shares
  })
  const shares = Array.from({ length: rungs }, (_, k) => rangeOf(draws.map(s => s[k]!)))
  return { shares, ...sharesTold(draws), gain: rangeOf(possible.map(p => p.gain)) }
}

/** The young in an environment of their own, and those whom they have joined, as one. */
function joined(
  { mean, variance, run, uniform }: ReturnType<typeof youngDrawn>[number],
  stayed: Stayed | undefined,
  fit: LineFit,
): { mean: number; variance: number; environment: number } {
  const environment = LINE_PRIOR.environment * normalFrom(uniform())
  if (!stayed) return { mean, variance, environment }
  const all = withStayed({ mean, variance, environment, raised: 0, doubt: 0 }, stayed, run, fit.model.rowOf)
  return { ...all, mean: all.mean + Math.sqrt(all.doubt) * normalFrom(uniform()) }
}

/** How far the breeding values of the young rise, in each possible truth of the fit (as `gain` of the young). */
export const gainsOf = (fit: LineFit, asked: Omit<YoungAsked, 'grader' | 'stayed'>): number[] =>
  youngDrawn(fit, asked).map(y => y.gain)

const manyOf = (young: number) => Math.max(2, Math.round(young))

/** The young in each possible truth, with the luck that is left of it. */
function youngDrawn(fit: LineFit, { breeders, young, seed = 7 }: Omit<YoungAsked, 'grader' | 'stayed'>) {
  if (!bothSexes(breeders)) throw new RangeError('young need males and females that breed')
  const { rowOf } = fit.model
  const segregates = fit.model.segregates(breeders)
  return fit.draws.map(({ heritability, run }, d) => {
    // each draw has its own stream, so that two choices share all their luck
    let turn = streamAt(seed, d)
    const uniform = () => uniformAt((turn = (turn + STREAM_STEP) | 0))
    const made = youngOf(breeders, run, rowOf, heritability * segregates)
    const drift = Math.sqrt(made.doubt + made.segregating / manyOf(young))
    const mean = made.mean + drift * normalFrom(uniform())
    return { mean, variance: made.variance, run, uniform, gain: mean - meanOfGroups(breeders, run, rowOf) }
  })
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
