import { type GrowthLaw, readingSd } from './growthLaw'

/** A size that was read, at a time in weeks of the thermal clock. */
export interface SizeAt {
  weeks: number
  mm: number
}

/** Growth curves with births, each with its weight: what is believed of one animal. */
export interface GrowthBelief {
  mostMm: Float64Array
  k: Float64Array
  /** weeks of the thermal clock */
  born: Float64Array
  /** summing to 1 */
  weights: Float64Array
  /** whether its own sizes moved the curve, and not only its place on it */
  own: boolean
}

/** Fewer sizes than these say nothing of an animal's own curve. */
export const OWN_SIZES = 4
const GRID = 13
const FAR = 2.5
const BIRTHS = 90
/** Cells that are worth less than this share of the best one are left out. */
const HARDLY = 1e-5

/**
 * Full size, pace and birth of one animal on a grid, weighed by its sizes. With fewer than four sizes the group's curve
 * is kept, and only the birth is read from them.
 * @param born between which times of the thermal clock it was born, weeks
 * @returns null when no curve of the group leads through the sizes
 */
export function growthBelief(
  law: GrowthLaw,
  sizes: readonly SizeAt[],
  born: { from: number; to: number },
): GrowthBelief | null {
  const own = sizes.length >= OWN_SIZES
  const births = born.to > born.from ? BIRTHS : 1
  const cells: { mostMm: number; k: number; born: number; log: number }[] = []
  for (let i = 0; i < GRID * GRID; i++) {
    const [zMost, zPace] = [i % GRID, Math.floor(i / GRID)].map(n => -FAR + (2 * FAR * n) / (GRID - 1)) as [
      number,
      number,
    ]
    const curve = { mostMm: law.mostMm * Math.exp(law.mostSd * zMost), k: law.k * Math.exp(law.kSd * zPace) }
    const prior = -0.5 * (zMost * zMost + zPace * zPace)
    const logs = Array.from({ length: births }, (_, b) => {
      const at = births === 1 ? born.to : born.from + ((b + 0.5) / births) * (born.to - born.from)
      return { born: at, log: logChance(law, curve, sizes, at) }
    })
    // of the group’s curve alone, each is worth what it was, whatever the sizes say
    const kept = own ? 0 : logSum(logs.map(l => l.log))
    if (kept === -Infinity) continue
    for (const l of logs) cells.push({ ...curve, born: l.born, log: prior + l.log - kept })
  }
  return weighed(cells, own)
}

/** Logarithm of the chance of some sizes on a curve that begins at a birth; nothing is measured before it hatched. */
function logChance(
  { hatchMm }: GrowthLaw,
  { mostMm, k }: { mostMm: number; k: number },
  sizes: readonly SizeAt[],
  born: number,
): number {
  let log = 0
  for (const { weeks, mm } of sizes) {
    if (weeks < born) return -Infinity
    const z = (mm - (mostMm - (mostMm - hatchMm) * Math.exp(-k * (weeks - born)))) / readingSd(mm)
    log -= 0.5 * z * z
  }
  return log
}

function logSum(logs: readonly number[]): number {
  const best = Math.max(...logs)
  return best === -Infinity ? best : best + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - best), 0))
}

function weighed(
  cells: readonly { mostMm: number; k: number; born: number; log: number }[],
  own: boolean,
): GrowthBelief | null {
  const best = cells.reduce((most, c) => Math.max(most, c.log), -Infinity)
  if (best === -Infinity) return null
  const kept = cells.filter(c => c.log > best + Math.log(HARDLY))
  const weights = Float64Array.from(kept, c => Math.exp(c.log - best))
  const sum = weights.reduce((a, b) => a + b, 0)
  return {
    mostMm: Float64Array.from(kept, c => c.mostMm),
    k: Float64Array.from(kept, c => c.k),
    born: Float64Array.from(kept, c => c.born),
    weights: weights.map(w => w / sum),
    own,
  }
}

/** What other animals of a keeper have taught: means on the log scale of full size and pace, with variances. */
export interface OwnGrowth {
  most: { log: number; variance: number }
  k: { log: number; variance: number }
}

/** Full size and pace of an animal whose own sizes told of them; null where they did not. */
export function ownGrowth({ mostMm, k, weights, own }: GrowthBelief): OwnGrowth | null {
  if (!own) return null
  const moments = (of: Float64Array) => {
    const log = of.reduce((sum, v, i) => sum + weights[i]! * Math.log(v), 0)
    return { log, variance: of.reduce((sum, v, i) => sum + weights[i]! * (Math.log(v) - log) ** 2, 0) }
  }
  return { most: moments(mostMm), k: moments(k) }
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
  { weights }: GrowthBelief,
  of: (i: number) => number,
): { low: number; value: number; high: number } {
  const order = Array.from(weights, (weight, i) => ({ weight, value: of(i) })).sort((a, b) => a.value - b.value)
  let sum = 0
  const ends: number[] = []
  const wanted = [0.1, 0.5, 0.9]
  for (const { weight, value } of order) {
    sum += weight
    while (ends.length < wanted.length && sum >= wanted[ends.length]! - 1e-12) ends.push(value)
  }
  const last = order.at(-1)!.value
  return { low: ends[0] ?? last, value: ends[1] ?? last, high: ends[2] ?? last }
}
