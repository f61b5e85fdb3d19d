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
/** points of a beginning that is not known to the day */
const POINTS = 8

/**
 * Where so many of the broods that nobody follows vanish too early to have hatched, females hide and come back, and
 * what is called a hatch there is one by chance.
 */
const HIDING = 0.25
const isKnown = ({ who, sign }: Pick<Brood, 'who' | 'sign'>) => who !== null || sign === 'clutch'

/** The watched lengths of broods that hatched: one of each, however many began together. */
export function watchedLengths(broods: readonly Brood[], clock: ThermalClock): WatchedLength[] {
  const stretch = (fromMs: number, toMs: number, weight: number): Stretch => ({
    ...{ from: clock.daysAt(fromMs), to: clock.daysAt(toMs), weight },
  })
  const gone = broods.filter(b => b.end && !isKnown(b))
  const hiding = gone.filter(b => b.end!.how === 'lost').length >= Math.max(1, HIDING * gone.length)
  return broods.flatMap(brood => {
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
}

/**
 * A keeper's own pace, from the broods of which both ends were seen: begin and hatch lie between two looks each, and
 * the chance of that is summed over the prior of the pace (interval-censored log-normal lengths).
 * @param law of the group, before anything was seen
 */
export function ownPace(lengths: readonly WatchedLength[], law: HatchLaw): OwnPace {
  if (lengths.length === 0) return ANY_PACE
  const logs = Array.from({ length: GRID }, (_, k) => MOST_SD * ANY_PACE.sd * ((2 * k) / (GRID - 1) - 1))
  const weights = logs.map(log => {
    const prior = -0.5 * (log / ANY_PACE.sd) ** 2
    return lengths.reduce((sum, l) => sum + Math.log(chanceOfLength(l, law.meanLog + log, law.betweenSd)), prior)
  })
  const best = Math.max(...weights)
  const chances = weights.map(w => Math.exp(w - best))
  const total = chances.reduce((a, b) => a + b, 0)
  const mean = logs.reduce((s, log, k) => s + (log * chances[k]!) / total, 0)
  const variance = logs.reduce((s, log, k) => s + ((log - mean) ** 2 * chances[k]!) / total, 0)
  return { log: mean, sd: Math.sqrt(variance), broods: lengths.length }
}

/** Chance that a brood begins and hatches where its looks have it, when its length is log-normal. */
function chanceOfLength({ began, hatched, doubt }: WatchedLength, meanLog: number, sd: number): number {
  let sum = 0
  for (const { from, to, weight } of began)
    for (let k = 0; k < POINTS; k++) {
      const begin = from + ((k + 0.5) / POINTS) * (to - from)
      for (const h of hatched)
        sum += (weight / POINTS) * h.weight * chanceBetween(h.from - begin, h.to - begin, { meanLog, sd })
    }
  const any = hatched.reduce((all, h) => all + (h.weight * (h.to - h.from)) / ANY_LENGTH, 0)
  return (1 - doubt) * sum + doubt * any
}

/**
 * Chance that a log-normal length lies between two bounds; none at or below zero.
 * @param high Infinity where it has not ended yet
 */
export function chanceBetween(low: number, high: number, { meanLog, sd }: { meanLog: number; sd: number }): number {
  const below = (x: number) => (x <= 0 ? 0 : x === Infinity ? 1 : normalBelow(Math.log(x), meanLog, sd))
  return Math.max(0, below(high) - below(low))
}
