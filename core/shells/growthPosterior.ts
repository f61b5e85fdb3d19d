import { equalDraws } from '#core/stats'
import { type GrowthLaw, sizeSd } from './growthLaw'
import { curveFrom, type GrowthCurve, sizeAt } from './vonBertalanffy'

/** A size that was read, at a time in weeks of the thermal clock. */
export interface SizeAt {
  weeks: number
  mm: number
}

/** A growth curve with a birth. */
export interface BornCurve extends GrowthCurve {
  /** weeks of the thermal clock */
  born: number
}

/** Curves that are all equally likely: what is believed of one animal. */
export interface GrowthBelief {
  curves: readonly BornCurve[]
  /** whether its own sizes moved the curve, and not only its place on it */
  own: boolean
}

/** Size at a time of the thermal clock, mm; an animal is no smaller than when it hatches. */
export const sizeThen = (curve: BornCurve, weeks: number): number => sizeAt(curve, Math.max(0, weeks - curve.born))

/** Fewer sizes than these say nothing of an animal's own curve. */
export const OWN_SIZES = 4
const GRID = 13
const FAR = 2.5
const BIRTHS = 60
/** So many curves stand for all: each as often as it is likely. */
const DRAWS = 400
/** Cells that are worth less than this share of the best one are left out of the second grid. */
const HARDLY = 1e-5

/**
 * Full size, pace and birth of one animal on a grid, weighed by its sizes. With fewer than four sizes the group's curve
 * is kept, and only the birth is read from them. The grid of births is laid out twice: where the first one leaves
 * hardly anything is left out of the second.
 * @param born between which times of the thermal clock it was born, weeks
 * @returns null when no curve of the group leads through the sizes
 */
export function growthBelief(
  law: GrowthLaw,
  sizes: readonly SizeAt[],
  born: { from: number; to: number },
): GrowthBelief | null {
  const own = sizes.length >= OWN_SIZES
  const rough = onGrid(law, sizes, born)
  const best = bestOf(rough.logs)
  if (best === -Infinity) return null
  if (born.to <= born.from) return { curves: drawn(rough), own }
  const cell = (born.to - born.from) / BIRTHS
  let [first, last] = [Infinity, -Infinity]
  for (const [i, log] of rough.logs.entries()) {
    if (log <= best + Math.log(HARDLY)) continue
    const at = rough.births[i % BIRTHS]!
    first = Math.min(first, at)
    last = Math.max(last, at)
  }
  const within = { from: Math.max(born.from, first - cell), to: Math.min(born.to, last + cell) }
  return { curves: drawn(onGrid(law, sizes, within)), own }
}

/** Curves and births, and the logarithm of what each pair is worth: the births of a curve lie beside each other. */
interface Grid {
  curves: readonly GrowthCurve[]
  births: readonly number[]
  logs: Float64Array
}
const bestOf = (logs: Float64Array) => logs.reduce((most, log) => Math.max(most, log), -Infinity)

function onGrid(law: GrowthLaw, sizes: readonly SizeAt[], born: { from: number; to: number }): Grid {
  const own = sizes.length >= OWN_SIZES
  const many = born.to > born.from ? BIRTHS : 1
  const births = Array.from({ length: many }, (_, b) =>
    many === 1 ? born.to : born.from + ((b + 0.5) / many) * (born.to - born.from),
  )
  const curves: GrowthCurve[] = []
  const logs = new Float64Array(GRID * GRID * many)
  for (let i = 0; i < GRID * GRID; i++) {
    const zMost = zAt(i % GRID)
    const zPace = zAt(Math.floor(i / GRID))
    const curve = curveFrom(law.hatchMm, law.mostMm * Math.exp(law.mostSd * zMost), law.k * Math.exp(law.kSd * zPace))
    curves.push(curve)
    const here = logs.subarray(i * many, (i + 1) * many)
    for (const [b, at] of births.entries()) here[b] = logChance(curve, at, sizes)
    // of the group’s curve alone, each is worth what it was, whatever the sizes say
    const kept = own ? 0 : logSum(here)
    const prior = -0.5 * (zMost * zMost + zPace * zPace)
    for (let b = 0; b < many; b++) here[b] = kept === -Infinity ? kept : prior + here[b]! - kept
  }
  return { curves, births, logs }
}
const zAt = (n: number): number => -FAR + (2 * FAR * n) / (GRID - 1)

/** Logarithm of the chance of some sizes on a curve; nothing is measured before it hatched. */
function logChance(curve: GrowthCurve, born: number, sizes: readonly SizeAt[]): number {
  let log = 0
  for (const { weeks, mm } of sizes) {
    if (weeks < born) return -Infinity
    log -= 0.5 * ((mm - sizeAt(curve, weeks - born)) / sizeSd(mm)) ** 2
  }
  return log
}

function logSum(logs: Float64Array): number {
  const best = bestOf(logs)
  return best === -Infinity ? best : best + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - best), 0))
}

/** Takes the pairs as often as they are worth, in their order on the grid (systematic resampling; Kitagawa 1996). */
function drawn({ curves, births, logs }: Grid): BornCurve[] {
  const best = bestOf(logs)
  const weights = logs.map(log => Math.exp(log - best))
  return Array.from(equalDraws(weights, DRAWS), i => ({
    ...curves[Math.floor(i / births.length)]!,
    born: births[i % births.length]!,
  }))
}

/** What other animals of a keeper have taught: means on the log scale of full size and pace, with variances. */
export interface OwnGrowth {
  most: { log: number; variance: number }
  k: { log: number; variance: number }
}

/** Full size and pace of an animal whose own sizes told of them; null where they did not. */
export function ownGrowth({ curves, own }: GrowthBelief): OwnGrowth | null {
  if (!own) return null
  const moments = (of: 'mostMm' | 'k') => {
    const logs = curves.map(c => Math.log(c[of]))
    const log = logs.reduce((sum, l) => sum + l, 0) / logs.length
    return { log, variance: logs.reduce((sum, l) => sum + (l - log) ** 2, 0) / logs.length }
  }
  return { most: moments('mostMm'), k: moments('k') }
}

/** Keepers' animals differ from the group's usual ones by so much together, on the log scale (from memory). */
const KEEPER_SD = 0.1

/**
 * The law of a group as this keeper's other animals bend it: normal with a normal prior, each animal worth what its own
 * sizes told and what animals differ by among themselves (Gelman et al., Bayesian Data Analysis, ch. 5).
 */
export function taughtLaw(law: GrowthLaw, others: readonly OwnGrowth[]): GrowthLaw {
  const bent = (at: number, of: 'most' | 'k', sd: number) => {
    let [precision, sum] = [1 / KEEPER_SD ** 2, 0]
    for (const other of others) {
      // what its own curve was held to the group's by is taken off again
      const { log, variance } = other[of]
      const told = Math.max(0, 1 / Math.max(1e-9, variance) - 1 / sd ** 2)
      const worth = told > 0 ? 1 / (sd ** 2 + 1 / told) : 0
      const raw = told > 0 ? (log / variance - Math.log(at) / sd ** 2) / told - Math.log(at) : 0
      precision += worth
      sum += worth * raw
    }
    return at * Math.exp(sum / precision)
  }
  return { ...law, mostMm: bent(law.mostMm, 'most', law.mostSd), k: bent(law.k, 'k', law.kSd) }
}

/** Middle and likely range of something that each curve tells. */
export function rangeOfBelief(
  { curves }: GrowthBelief,
  of: (curve: BornCurve) => number,
): { low: number; value: number; high: number } {
  const order = Float64Array.from(curves, of).sort()
  const below = (share: number) => order[Math.max(0, Math.ceil(share * order.length - 1e-9) - 1)]!
  return { low: below(0.1), value: below(0.5), high: below(0.9) }
}

/**
 * The same of something that each curve tells in several ways, each with its share.
 * @param of values with their shares, which sum to 1
 */
export function rangeOfEach(
  { curves }: GrowthBelief,
  of: (curve: BornCurve) => readonly (readonly [value: number, share: number])[],
): { low: number; value: number; high: number } {
  const order = curves.flatMap(of).toSorted((a, b) => a[0] - b[0])
  let [i, sum] = [0, order[0]![1]]
  const below = (share: number) => {
    while (sum < share * curves.length - 1e-9 && i < order.length - 1) sum += order[++i]![1]
    return order[i]![0]
  }
  return { low: below(0.1), value: below(0.5), high: below(0.9) }
}
