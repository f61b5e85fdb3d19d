import type { Care } from '#core/groups'
import { DAY_MS, type Entry, momentMs, WEEK_MS } from '#core/records'
import { gammaAbove, type GammaBelief, gammaMean, gammaQuantileOf, seenEvents, Z80, zQuantile } from '#core/stats'
import { moltFailures } from './failures'
import { type AlarmPoint, moltChart, type MoltTrouble, paceAt, SHARES_FOUND, tooFewAt, watchMolts } from './moltAlarm'
import { type ExpectedMolts, moltCourse, moltsBetween, type Stretch } from './moltCourse'

/** Weeks over which failures are told against molts, as the trade does. */
export const TOLD_WEEKS = 8

/** A figure with its 80 % range. */
interface Range {
  value: number
  low: number
  high: number
}

/** What the log says of a colony's molts. */
export interface MoltWatch {
  /** failures found in the last eight weeks, and molts of grown animals that are to be expected in them */
  failed: number
  molts: Range
  /** skins that all of them shed in a day at present */
  perDay: number
  /** failures that such molts bring as a rule, and the share of molts that is accepted */
  usual: number
  level: number
  /** failures per molt, those that nobody found too */
  rate: Range
  /** the trouble that stands, if any */
  trouble: MoltTrouble | null
  /** troubles before it */
  past: MoltTrouble[]
  /** whether three weeks hold too few molts to tell anything */
  tooFew: boolean
  /** skins found in the last eight weeks, skins to be expected, and the share that is found in this glass */
  skins: { found: number; expected: Range; share: Range }
  path: AlarmPoint[]
  /**
   * failures above what is accepted that raise it; molts and weeks between two false alarms at the accepted level; null
   * where none was ever logged: a limit is reckoned only for something to hold against it
   */
  alarm: { failures: number; molts: number; weeks: number } | null
}

/** What a watch goes by. */
export interface MoltsAsked {
  molts: NonNullable<Care['molts']>
  startMs: number
  stretches: readonly Stretch[]
  /** standing entries of the colony, by time */
  entries: readonly Entry[]
  /** failures per molt that are accepted */
  level: number
  nowMs: number
}

/**
 * Holds the molts that failed against those that happened, and the skins that were found against those that were shed.
 * @returns null for a log without a day
 */
export function moltWatch({ molts, startMs, stretches, entries, level, nowMs }: MoltsAsked): MoltWatch | null {
  const course = moltCourse(molts, startMs, stretches)
  if (course.length === 0) return null
  const failures = moltFailures(entries)
  const { path, troubles } = watchMolts(course, failures, { level, nowMs })
  const fromMs = nowMs - TOLD_WEEKS * WEEK_MS
  const failed = failures.filter(f => f.at > fromMs && f.at <= nowMs).reduce((sum, f) => sum + f.number, 0)
  const happened = moltsBetween(course, fromMs, nowMs, 'grown')
  const { perWeek, sdLog } = paceAt(course, nowMs)
  const trouble = troubles.at(-1)?.untilMs === null ? troubles.at(-1)! : null
  return {
    ...{ failed, level, path, trouble },
    molts: spreadOf(happened, sdLog),
    usual: level * happened,
    rate: failureRate(failed, happened, sdLog),
    past: troubles.filter(t => t !== trouble),
    perDay: moltsBetween(course, nowMs - WEEK_MS, nowMs, 'all') / 7,
    tooFew: tooFewAt(course, nowMs),
    skins: skinsOf(course, entries, { fromMs, nowMs, sdLog }),
    alarm: failures.length > 0 ? alarmAt(perWeek, level) : null,
  }
}

function alarmAt(perWeek: number, level: number): MoltWatch['alarm'] {
  const { limit, molts } = moltChart(perWeek, level)
  return { failures: limit, molts, weeks: molts / Math.max(1, perWeek) }
}

const spreadOf = (value: number, sdLog: number): Range => ({
  value,
  low: value * Math.exp(-Z80 * sdLog),
  high: value * Math.exp(Z80 * sdLog),
})

/** Draws of the colony's number for the rate. */
const NUMBERS = /* @__PURE__ */ [0.1, 0.3, 0.5, 0.7, 0.9].map(zQuantile)
/** What is believed of a rate of failures before any was seen (Jeffreys' prior; Gelman et al., ch. 2). */
const UNSEEN: GammaBelief = { shape: 0.5, rate: 0 }

/** Failures per molt: gamma–Poisson, over the numbers that the colony may have and the shares that may be found. */
function failureRate(failed: number, molts: number, sdLog: number): Range {
  const beliefs = SHARES_FOUND.flatMap(share =>
    NUMBERS.map(z => seenEvents(UNSEEN, failed, Math.max(1e-6, molts * Math.exp(z * sdLog) * share))),
  )
  const at = (p: number) => quantileOver(beliefs, p)
  return { value: at(0.5), low: at(0.1), high: at(0.9) }
}

/** A quantile over several beliefs that are equally likely, at most 1. */
function quantileOver(beliefs: readonly GammaBelief[], p: number): number {
  const above = (x: number) => beliefs.reduce((sum, b) => sum + gammaAbove(b, x), 0) / beliefs.length
  if (above(1) > 1 - p) return 1
  let [low, high] = [0, 1]
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (above(middle) > 1 - p) low = middle
    else high = middle
  }
  return high
}

/** Three in ten skins are found, hardly known: others eat them, and they drift behind leaves (from memory). */
const SKINS: GammaBelief = { shape: 1.5, rate: 5 }
/** A skin lies for about so many days (from memory). */
const SKIN_DAYS = 7

function skinsOf(
  course: readonly ExpectedMolts[],
  entries: readonly Entry[],
  { fromMs, nowMs, sdLog }: { fromMs: number; nowMs: number; sdLog: number },
): MoltWatch['skins'] {
  let belief = SKINS
  let found = 0
  let before = -Infinity
  for (const e of entries) {
    if (e.kind !== 'molts') continue
    const at = momentMs(e.at)
    belief = seenEvents(belief, e.number, moltsBetween(course, Math.max(before, at - SKIN_DAYS * DAY_MS), at, 'all'))
    if (at > fromMs && at <= nowMs) found += e.number
    before = at
  }
  const share = (p: number) => Math.min(1, gammaQuantileOf(belief, p))
  return {
    found,
    expected: spreadOf(moltsBetween(course, fromMs, nowMs, 'all'), sdLog),
    share: { value: Math.min(1, gammaMean(belief)), low: share(0.1), high: share(0.9) },
  }
}
