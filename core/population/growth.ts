import { WEEK_MS } from '#core/records'
import { Z80 } from '#core/stats'
import type { Fit } from './fit'
import type { Futures } from './futures'
import { spread80 } from './particles'
import type { PopulationAnswer, PopulationQuestion, Range } from './question'

/** Weeks over which growth is told. */
const GROWTH_WEEKS = 8

/** A colony that changes by less than this in a week, either way, holds steady (from memory). */
export const STEADY = 0.015

/** Growth per week over the coming weeks, and how sure its direction is. */
export interface Growth extends Range {
  /** share of the futures that grow */
  rising: number
  /** share of them that hold steady */
  steady: number
}

/**
 * Growth per week over the coming weeks, read from futures in which nothing is taken: the mean change of the logarithm,
 * told as a share. Chance and mood are in it, as they will be in what comes.
 */
export function growthAhead({ totals, size }: Futures): Growth {
  const growth = new Float64Array(size)
  // half an animal stands for none: a colony that dies out has no logarithm
  const log = (n: number) => Math.log(Math.max(n, 0.5))
  for (let i = 0; i < size; i++)
    growth[i] = Math.expm1((log(totals[GROWTH_WEEKS * size + i]!) - log(totals[i]!)) / GROWTH_WEEKS)
  // of few animals many futures stay as they are: half of those count as risen
  const share = (test: (g: number) => boolean) => growth.filter(test).length / size
  return {
    ...spread80(growth.sort()),
    rising: share(g => g > 0) + share(g => g === 0) / 2,
    steady: share(g => Math.abs(g) < STEADY),
  }
}

/**
 * Change per week over the last eight weeks of the estimate, with what came and went put back; the spread is that of
 * both ends.
 */
export function recentChange({ events, nowMs }: PopulationQuestion, { path }: Fit): PopulationAnswer['recent'] {
  const now = path.at(-1)!
  const then = path.findLast(p => p.at <= nowMs - GROWTH_WEEKS * WEEK_MS)
  if (!then) return null
  const weeks = (nowMs - then.at) / WEEK_MS
  let moved = 0
  for (const e of events)
    if (e.kind === 'step' && !e.death && !e.hatched && e.at > then.at && e.at <= nowMs) moved += e.change
  const log = (n: number) => Math.log(Math.max(n, 0.5))
  const change = log(now.p50 - moved) - log(then.p50)
  const sd = (b: typeof now) => (log(b.p90) - log(b.p10)) / (2 * Z80)
  const wide = Z80 * Math.hypot(sd(now), sd(then))
  const perWeek = (x: number) => Math.expm1(x / weeks)
  return {
    perWeek: { value: perWeek(change), low: perWeek(change - wide), high: perWeek(change + wide) },
    weeks,
    from: then.p50,
    moved,
  }
}
