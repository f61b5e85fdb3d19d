import { DAY_MS, type EntryOf } from '#core/records'
import { normalBelow } from '#core/stats'
import type { ThermalClock } from '#core/warmth'
import { type Beginning, type BroodLook, MISSED, type WatchedBrood } from './hatchDays'
import { type BroodSign, type HatchLaw, lawSd } from './hatchLaw'

/** How a brood ended, and between which two looks. */
export interface BroodEnd {
  how: 'hatched' | 'lost'
  fromMs: number
  toMs: number
  /** the look after that, which did not find it either: the one before may have missed it */
  againMs?: number
}

/** One brood, or several that began together, as the log tells them. Moments are milliseconds. */
export interface Brood extends WatchedBrood {
  /** the entry that saw it first */
  key: string
  sign: BroodSign
  /** the animal that carries it, where one is followed */
  who: string | null
  /** females that carry, masses, clutches */
  number: number
  looks: BroodLook[]
  firstSeenMs: number
  lastSeenMs: number
  /** where a clutch lies; females carry theirs with them */
  place: 'inPlace' | 'incubator' | null
  /** how far above the water a clutch was laid, cm */
  aboveCm?: number
  /** why a clutch was lost */
  lostTo?: NonNullable<EntryOf<'clutch'>['lostTo']>
  /** young that came out, where somebody counted */
  young: number | null
  end: BroodEnd | null
}

/** What broods are read by. */
export interface BroodReader {
  law: HatchLaw
  clock: ThermalClock
}

/** Standard deviations beyond which a brood is another one. */
const FAR = 2

/** Days of the thermal clock after which a brood has hardly ever not hatched. */
export const longestDays = (law: HatchLaw): number => Math.exp(law.meanLog + FAR * lawSd(law))
/** Days of the thermal clock before which a brood has hardly ever hatched. */
export const shortestDays = (law: HatchLaw): number => Math.exp(law.meanLog - FAR * lawSd(law))

/** Where no look tells when a brood began, it is no older than the longest one. */
export function beginBefore(atMs: number, law: HatchLaw, clock: ThermalClock): number {
  return clock.msAt(clock.daysAt(atMs) - longestDays(law))
}

/**
 * How a brood that is gone ended: hatched where it may have been ready by then, else lost.
 * @param fromMs the last look that found it
 * @param toMs the first that did not
 */
export function endBetween(
  brood: Pick<Brood, 'began'>,
  { fromMs, toMs }: { fromMs: number; toMs: number },
  { law, clock }: BroodReader,
): BroodEnd {
  const earliest = Math.min(...brood.began.map(b => clock.daysAt(b.fromMs))) + shortestDays(law)
  return { how: clock.daysAt(toMs) >= earliest ? 'hatched' : 'lost', fromMs, toMs }
}

/** A second look that finds none bears out the first. */
export function foundGone(brood: Brood | undefined, firstMs: number | undefined, at: number): void {
  if (brood?.end && brood.end.toMs === firstMs) brood.end.againMs ??= at
}

/** A look before it may have missed a brood so often that more than this many are not worth following. */
const MISSES = 2
/** Eggs are missed while they are fresh, for so many days (from memory). */
const FRESH_DAYS = 10

/**
 * When a brood may have begun that was seen first at a moment: after the look before, or, where that one missed it,
 * after the one before that.
 * @param before earlier looks that did not find it, the oldest first
 * @param earliestMs no brood that is still there is older
 */
export function beginnings(atMs: number, before: readonly number[], earliestMs: number): Beginning[] {
  const stretches: Beginning[] = []
  let toMs = atMs
  for (let missed = 0; missed <= MISSES && toMs > earliestMs; missed++) {
    const looked = before.at(-1 - missed)
    // without another look nothing bounds what may have been missed: who wrote “none” is believed
    if (looked === undefined && missed > 0) break
    const fresh = missed > 0 ? toMs - FRESH_DAYS * DAY_MS : -Infinity
    const fromMs = Math.max(looked ?? -Infinity, earliestMs, fresh)
    // as likely as it is long, and so much less for each look that must have missed it
    if (toMs > fromMs) stretches.push({ fromMs, toMs, weight: MISSED ** missed * (toMs - fromMs) })
    toMs = fromMs
  }
  return stretches.length > 0 ? stretches : [{ fromMs: atMs - DAY_MS / 24, toMs: atMs, weight: 1 }]
}

/** A new brood, seen for the first time. */
export function broodFrom(
  of: Pick<Brood, 'key' | 'sign' | 'who' | 'number'> & Partial<Pick<Brood, 'place'>>,
  began: readonly Beginning[],
  look: BroodLook,
): Brood {
  return {
    ...{ place: null, ...of, began, looks: [look] },
    ...{ firstSeenMs: look.at, lastSeenMs: look.at, young: null, end: null },
  }
}

/**
 * Chance that a brood has not hatched by a moment, given that it was there when it was seen last: by its middle
 * beginning, which is near enough to tell old eggs from new ones at each look of a long log.
 */
export function lastsUntil(
  brood: Pick<Brood, 'began' | 'lastSeenMs'>,
  atMs: number,
  { law, clock }: BroodReader,
): number {
  const weight = brood.began.reduce((sum, b) => sum + b.weight, 0)
  const began = brood.began.reduce((sum, b) => sum + (b.weight / weight) * clock.daysAt((b.fromMs + b.toMs) / 2), 0)
  const left = (ms: number) => {
    const days = clock.daysAt(ms) - began
    return days <= 0 ? 1 : 1 - normalBelow(Math.log(days), law.meanLog, lawSd(law))
  }
  return left(atMs) / Math.max(1e-9, left(brood.lastSeenMs))
}

/**
 * Whether eggs that are there again after a look that found none are the same ones, which that look missed: held
 * against new ones of a female that was free again.
 * @param brood that was taken for ended at the look without
 */
export function missedThen(
  brood: Brood,
  { noneMs, atMs }: { noneMs: number; atMs: number },
  reader: BroodReader,
): boolean {
  const gap = (atMs - noneMs) / DAY_MS
  const same = MISSED * lastsUntil(brood, atMs, reader)
  const another = (1 - lastsUntil(brood, noneMs, reader)) * (gap / (reader.law.restDays + gap))
  return same > another
}
