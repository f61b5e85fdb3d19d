import { normalFrom, quickExp, streamAt } from '#core/stats'
import { broodsIn } from './broodsIn'
import { luckAt } from './luck'
import type { Look, PopulationQuestion } from './question'
import { counted, SEEN, SIGHT } from './stages'
import type { Futures, Start } from './futures'

/** Weeks ahead for which a look is judged. */
const AHEAD = 8
/** Answers that are tried for each look. */
const TRIES = 24
/** A sample is taken as a fifth of the tank. */
const SAMPLE = { share: 0.2, sdLog: 0.35 }

/**
 * What to look at next: how much each look would narrow the number in eight weeks, on average over the answers that it
 * may give (preposterior analysis; Raiffa & Schlaifer 1961). Answers are drawn from the futures themselves, and the
 * futures weighed by them.
 * @param futures that start from `start` in turn
 * @returns looks, the most telling first
 */
export function looksAhead(question: PopulationQuestion, start: Start, futures: Futures): Look[] {
  const { size } = futures
  const week = Math.min(AHEAD, futures.weeks)
  const from = (i: number) => Math.floor(((i + 0.5) * start.size) / size)
  const then = Float64Array.from({ length: size }, (_, i) => Math.log(futures.totals[week * size + i]! + 0.5))
  const now = Float64Array.from({ length: size }, (_, i) => counted(start.cloud, start.size, from(i)))
  const seen = Float64Array.from({ length: size }, (_, i) => start.cloud[SEEN * start.size + from(i)]!)
  const eye = Float64Array.from({ length: size }, (_, i) => start.cloud[SIGHT * start.size + from(i)]!)
  const broods = Float64Array.from({ length: size }, (_, i) => broodsIn(start.cloud, start.size, from(i)))
  const before = spread(then, () => 1)
  if (!(before > 1e-6)) return []
  const key = streamAt(question.seed, -11)
  const log = (x: number) => Math.log(Math.max(x, 0.5))
  const looks: { what: Look['what']; mean: (i: number) => number; sd: (i: number) => number }[] = [
    {
      what: 'fullCount',
      mean: i => log(now[i]!) + seen[i]!,
      sd: i =>
        Math.hypot(
          question.fullCount.sdLog,
          Math.sqrt((1 - question.fullCount.share) / Math.max(now[i]! * question.fullCount.share, 0.5)),
        ),
    },
    {
      what: 'sample',
      mean: i => log(now[i]!),
      sd: i => Math.hypot(SAMPLE.sdLog, Math.sqrt((1 - SAMPLE.share) / Math.max(now[i]! * SAMPLE.share, 0.5))),
    },
  ]
  const sight = question.broodSight
  if (sight)
    looks.push({
      what: 'broods',
      mean: i => Math.log(broods[i]! * sight.share + 0.5) + eye[i]!,
      sd: i => Math.hypot(sight.sdLog, Math.sqrt(1 / Math.max(broods[i]! * sight.share, 0.5))),
    })
  return looks
    .map(({ what, mean, sd }, nth) => {
      const means = Float64Array.from({ length: size }, (_, i) => mean(i))
      const sds = Float64Array.from({ length: size }, (_, i) => sd(i))
      let left = 0
      for (let t = 0; t < TRIES; t++) {
        const truth = Math.floor(((t + 0.5) * size) / TRIES)
        const y = means[truth]! + sds[truth]! * normalFrom(luckAt(key, t, nth))
        left += spread(then, i => quickExp(-0.5 * ((y - means[i]!) / sds[i]!) ** 2) / sds[i]!)
      }
      return { what, left: Math.min(1, left / TRIES / before) }
    })
    .toSorted((a, b) => a.left - b.left)
}

/** Weighted standard deviation. */
function spread(values: Float64Array, weight: (i: number) => number): number {
  let sum = 0
  let first = 0
  let second = 0
  for (let i = 0; i < values.length; i++) {
    const w = weight(i)
    sum += w
    first += w * values[i]!
    second += w * values[i]! * values[i]!
  }
  return sum > 1e-12 ? Math.sqrt(Math.max(0, second / sum - (first / sum) ** 2)) : 0
}
