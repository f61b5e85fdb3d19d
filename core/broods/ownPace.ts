import { normalBelow } from '#core/stats'
import type { ThermalClock } from '#core/warmth'
import type { Brood } from './brood'
import { MISSED } from './hatchDays'
import { ANY_PACE, type HatchLaw, type OwnPace } from './hatchLaw'

/** A stretch of the thermal clock, and how likely it is beside the others. */
interface Stretch {
  from: number
  to: number
  weight: number
}

/** A brood of which both ends were seen, in days of the thermal clock. */
export interface WatchedLength {
  began: Stretch[]
  hatched: Stretch[]
  /** chance that it was another one, or hid, and so tells nothing of the pace */
  doubt: number
}

/**
 * Whoever is followed, or lies in one place, is hardly taken for another; of females that nobody follows some hide at
 * one look and are there at the next (from memory).
 */
const DOUBT = { known: 0.05, anybody: 0.3 }
/** Then it may have been of any length up to so many days. */
const ANY_LENGTH = 45

/** Longer between two looks, and they tell nothing of the pace. */
const TELLING_DAYS = 12
const GRID = 81
/** no pace lies further out than so many standard deviations */
const MOST_SD = 3
/** Nodes and weights over a beginning that is not known to the day (Gauss–Legendre, Abramowitz & Stegun 25.4). */
const NODES = [
  [0.046910077, 0.118463443],
  [0.230765345, 0.239314335],
  [0.5, 0.284444444],
  [0.769234655, 0.239314335],
  [0.953089923, 0.118463443],
] as const

/**
 * Where so many of the broods that nobody follows vanish too early to have hatched, females hide and come back, and
 * what is called a hatch there is one by chance.
 */
const HIDING = 0.25
/**
 * Broods that a pace is read from: what was long ago was at other food, and after so many the spread between broods is
 * all that is left.
 */
const TELLING_BROODS = 32
const isKnown = ({ who, sign }: Pick<Brood, 'who' | 'sign'>) => who !== null || sign === 'clutch'

/** The watched lengths of the last broods that hatched: one of each, however many began together. */
export function watchedLengths(broods: readonly Brood[], clock: ThermalClock): WatchedLength[] {
  const stretch = (fromMs: number, toMs: number, weight: number): Stretch => ({
    ...{ from: clock.daysAt(fromMs), to: clock.daysAt(toMs), weight },
  })
  const gone = broods.filter(b => b.end && !isKnown(b))
  const hiding = gone.filter(b => b.end!.how === 'lost').length >= Math.max(1, HIDING * gone.length)
  const watched = broods.flatMap(brood => {
    const { end, began } = brood
    if (end?.how !== 'hatched' || (hiding && !isKnown(brood))) return []
    const all = began.reduce((sum, b) => sum + b.weight, 0)
    const length: WatchedLength = {
      doubt: DOUBT[isKnown(brood) ? 'known' : 'anybody'],
      began: began.map(b => stretch(b.fromMs, b.toMs, b.weight / all)),
      hatched: [
        stretch(end.fromMs, end.toMs, 1),
        ...(end.againMs === undefined ? [] : [stretch(end.toMs, end.againMs, MISSED)]),
      ],
    }
    const [first, last] = [length.began[0]!, length.hatched[0]!]
    return first.to - first.from + last.to - last.from <= 2 * TELLING_DAYS ? [length] : []
  })
  return watched.slice(-TELLING_BROODS)
}

/**
 * A keeper's own pace, from the broods of which both ends were seen: begin and hatch lie between two looks each, and
 * the chance of that is summed over the prior of the pace (interval-censored log-normal lengths).
 * @param all lengths, those of the colony itself first
 * @param law of the group, before anything was seen
 */
export function ownPace(all: readonly WatchedLength[], law: HatchLaw): OwnPace {
  if (all.length === 0) return ANY_PACE
  const lengths = all.slice(0, TELLING_BROODS)
  const logs = Array.from({ length: GRID }, (_, k) => MOST_SD * ANY_PACE.sd * ((2 * k) / (GRID - 1) - 1))
  const means = logs.map(log => law.meanLog + log)
  const weights = logs.map(log => -0.5 * (log / ANY_PACE.sd) ** 2)
  for (const length of lengths)
    for (const [k, chance] of chancesOf(length, means, law.betweenSd).entries()) weights[k]! += Math.log(chance)
  const best = Math.max(...weights)
  const chances = weights.map(w => Math.exp(w - best))
  const total = chances.reduce((a, b) => a + b, 0)
  const mean = logs.reduce((s, log, k) => s + (log * chances[k]!) / total, 0)
  const variance = logs.reduce((s, log, k) => s + ((log - mean) ** 2 * chances[k]!) / total, 0)
  return { log: mean, sd: Math.sqrt(variance), broods: lengths.length }
}

/** Chance that a brood begins and hatches where its looks have it, when its length is log-normal, mean by mean. */
function chancesOf({ began, hatched, doubt }: WatchedLength, means: readonly number[], sd: number): number[] {
  const any = hatched.reduce((all, h) => all + (h.weight * (h.to - h.from)) / ANY_LENGTH, 0)
  // worked out once, since each pace is held against all of them
  const lengths = began.flatMap(({ from, to, weight }) =>
    NODES.flatMap(([at, share]) => {
      const begin = from + at * (to - from)
      return hatched.map(h => ({ low: h.from - begin, high: h.to - begin, weight: weight * share * h.weight }))
    }),
  )
  return means.map(meanLog => {
    const sum = lengths.reduce((all, l) => all + l.weight * chanceBetween(l.low, l.high, { meanLog, sd }), 0)
    return (1 - doubt) * sum + doubt * any
  })
}

/**
 * Chance that a log-normal length lies between two bounds; none at or below zero.
 * @param high Infinity where it has not ended yet
 */
export function chanceBetween(low: number, high: number, { meanLog, sd }: { meanLog: number; sd: number }): number {
  const below = (x: number) => (x <= 0 ? 0 : x === Infinity ? 1 : normalBelow(Math.log(x), meanLog, sd))
  return Math.max(0, below(high) - below(low))
}
