import type { Practice } from '#core/records'
import { binomialInterval } from '#core/stats'

/** A keeper's own share of found animals, with its doubt. */
export interface HitRate {
  share: number
  sdLog: number
  /** pictures that it is drawn from, those of like density counting most */ pictures: number
}

/** Pictures of other densities count less: half at about twice or half the density. */
const DENSITY_WIDTH = 0.6
/** Before anything was practised: nine in ten, give or take. As much as two animals of knowledge. */
const PRIOR = { share: 0.9, animals: 2 }
/** Spread from count to count that practice never takes away (from memory). */
const LEAST_SD = 0.05

/**
 * A keeper's hit rate at a stage and density, from practised pictures: beta-binomial, weighed by how like their density
 * was. Marks where nothing was count as found, since they stand in the keeper's number as well.
 * @param practice pictures of one keeper
 * @param density animals on a square decimetre
 * @returns null when nothing of that stage was practised
 */
export function hitRateOf(practice: readonly Practice[], stage: Practice['stage'], density: number): HitRate | null {
  const of = practice.filter(p => p.stage === stage)
  if (of.length === 0) return null
  const weights = of.map(p => Math.exp(-0.5 * (Math.log(p.density / Math.max(density, 0.01)) / DENSITY_WIDTH) ** 2))
  let shown = PRIOR.animals
  let marked = PRIOR.animals * PRIOR.share
  for (const [i, p] of of.entries()) {
    shown += weights[i]! * p.shown
    marked += weights[i]! * (p.found + p.strays)
  }
  const share = marked / shown
  // what differs from picture to picture beside chance
  const pictures = weights.reduce((a, b) => a + b, 0)
  let between = 0
  for (const [i, p] of of.entries()) {
    const own = (p.found + p.strays) / p.shown
    between += weights[i]! * Math.max(0, (own - share) ** 2 - (share * Math.max(0, 1 - share)) / p.shown)
  }
  const spread = pictures > 1 ? Math.sqrt(between / pictures) / share : 0.15
  const doubt = Math.sqrt(Math.max(0.02, share * Math.abs(1 - share)) / shown) / share
  return { share: Math.min(1.5, share), sdLog: Math.hypot(Math.max(LEAST_SD, spread), doubt), pictures: of.length }
}

/**
 * What was found in all of some pictures, with its exact 80 % range (Clopper & Pearson 1934). Marks on nothing are left
 * out.
 */
export function foundShare(
  practice: readonly Practice[],
): { share: number; low: number; high: number; pictures: number } | null {
  const shown = practice.reduce((s, p) => s + p.shown, 0)
  if (shown === 0) return null
  const found = practice.reduce((s, p) => s + Math.min(p.found, p.shown), 0)
  const [low, high] = binomialInterval(found, shown, 0.8)
  return { share: found / shown, low, high, pictures: practice.length }
}

/** Marks that lie on an animal, each animal once, and those that lie on none. */
export function scoreMarks(
  marks: readonly { x: number; y: number }[],
  animals: readonly { x: number; y: number }[],
  reach: number,
): { found: number; strays: number; missed: { x: number; y: number }[] } {
  const pairs = marks
    .flatMap((m, i) => animals.map((a, j) => ({ i, j, d: Math.hypot(m.x - a.x, m.y - a.y) })))
    .filter(p => p.d <= reach)
    .sort((p, q) => p.d - q.d)
  const usedMarks = new Set<number>()
  const hit = new Set<number>()
  for (const { i, j } of pairs) {
    if (usedMarks.has(i) || hit.has(j)) continue
    usedMarks.add(i)
    hit.add(j)
  }
  return { found: hit.size, strays: marks.length - usedMarks.size, missed: animals.filter((_, j) => !hit.has(j)) }
}
