import { normalBelow, normalDensity } from '#core/stats'

/**
 * A graded trait as a threshold model: what makes the grade is normal and not seen, the grade is between which cuts it
 * lies. Source: Wright (1934), Genetics 19: 506; Falconer & Mackay (1996), ch. 18.
 */
export interface Graded {
  mean: number
  sd: number
  /** between the rungs, rising */
  cuts: readonly number[]
}

/** Ends of a rung in standard deviations from the mean. */
function endsOf({ mean, sd, cuts }: Graded, rung: number): { low: number; high: number } {
  return {
    low: rung === 0 ? -Infinity : (cuts[rung - 1]! - mean) / sd,
    high: rung === cuts.length ? Infinity : (cuts[rung]! - mean) / sd,
  }
}
const between = ({ low, high }: { low: number; high: number }) => normalBelow(high, 0, 1) - normalBelow(low, 0, 1)

/** Share of each rung, the lowest first. */
export const rungShares = (graded: Graded): number[] =>
  Array.from({ length: graded.cuts.length + 1 }, (_, rung) => between(endsOf(graded, rung)))

/** Mean of what lies under each rung. */
export const rungMeans = (graded: Graded): number[] =>
  Array.from({ length: graded.cuts.length + 1 }, (_, rung) => {
    const ends = endsOf(graded, rung)
    return graded.mean + (graded.sd * (normalDensity(ends.low) - normalDensity(ends.high))) / between(ends)
  })

/**
 * Mean of what lies under those that are kept.
 * @param kept share of each rung that breeds, the lowest first
 */
export function keptMean(graded: Graded, kept: readonly number[]): number {
  const shares = rungShares(graded).map((share, rung) => share * kept[rung]!)
  const all = shares.reduce((a, b) => a + b, 0)
  return rungMeans(graded).reduce((sum, mean, rung) => sum + mean * shares[rung]!, 0) / all
}

const FAR = 8
const NODES = 400

/**
 * Rungs of the young of two parents of which only the rungs are known: their own liabilities lie anywhere within their
 * rungs, the young about the mean that they pass on, with what segregates. Parents are unrelated and of an unselected
 * line; the variance is held.
 * @param heritability of the liability
 */
export function youngShares(
  graded: Graded,
  { sireRung, damRung, heritability }: { sireRung: number; damRung: number; heritability: number },
): number[] {
  const [sire, dam] = [nodesIn(graded, sireRung), nodesIn(graded, damRung)]
  const sd = Math.sqrt(1 - heritability ** 2 / 2)
  const shares = graded.cuts.map(() => 0)
  for (const s of sire)
    for (const d of dam)
      for (const [k, cut] of graded.cuts.entries())
        shares[k]! +=
          s.weight * d.weight * normalBelow((cut - graded.mean) / graded.sd, (heritability * (s.z + d.z)) / 2, sd)
  return [...shares, 1].map((below, k) => below - (k > 0 ? shares[k - 1]! : 0))
}

/** Places within a rung with their chances, by Simpson's rule. */
function nodesIn(graded: Graded, rung: number): { z: number; weight: number }[] {
  const { low, high } = endsOf(graded, rung)
  const [from, to] = [Math.max(low, -FAR), Math.min(high, FAR)]
  const many = Math.max(20, 2 * Math.round((NODES * (to - from)) / (4 * FAR)))
  const nodes = Array.from({ length: many + 1 }, (_, i) => {
    const z = from + ((to - from) * i) / many
    return { z, weight: normalDensity(z) * (i === 0 || i === many ? 1 : i % 2 === 1 ? 4 : 2) }
  })
  const all = nodes.reduce((sum, n) => sum + n.weight, 0)
  return nodes.map(n => ({ z: n.z, weight: n.weight / all }))
}
