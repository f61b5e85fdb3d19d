import { type Target, toleratedOf } from '#core/groups'
import {
  DAY_MS,
  type Evidence,
  type Message,
  type TestMethod,
  type ValueKey,
  type Verdict,
  WEEK_MS,
} from '#core/records'
import { lineAt, type WeightedLine, weightedLine, Z80 } from '#core/stats'
import { freshDays } from './methodDoubt'

/** How a value came about: by a test, or reckoned from what was poured. */
export type ReadingMethod = TestMethod | 'reckoned'

/** One reading of one value, oldest first in lists. */
export interface ValueReading {
  entryId: string
  at: number
  value: number
  sd: number
  method: ReadingMethod
}

/** Keys of the messages that a water verdict is made of. */
export type WaterMessageKey =
  | 'water.noReading'
  | 'water.tooOld'
  | 'water.onTarget'
  | 'water.steadyAtEdge'
  | 'water.rising'
  | 'water.falling'
  | 'water.above'
  | 'water.below'
  | 'water.slidAbove'
  | 'water.slidBelow'
  | 'water.poison'
  | 'water.reasonSlope'
  | 'water.reasonSteady'
  | 'water.reasonTooFew'
  | 'water.reasonForecast'
  | 'water.reasonWeak'
  | 'water.reasonJump'
  | 'water.reasonNearLimit'
  | 'water.swing'
  | 'water.reasonSwing'
  | 'water.reasonReckoned'
  | 'water.doTest'
  | 'water.doRetest'
  | 'water.doNothing'
  | 'water.doRaise'
  | 'water.doLower'
  | 'water.doEmergencyChange'
  | 'water.doSteadyCo2'

/** How one value stands: verdict, the numbers of its strip, and its trend. Moments are milliseconds. */
export interface ValueVerdict extends Verdict<WaterMessageKey> {
  key: ValueKey
  target: Target
  tolerated: readonly [number, number]
  latest: ValueReading | null
  /** up to eight readings that the trend was read from, oldest first */
  window: ValueReading[]
  ageDays: number | null
  /** change per week with its 80 % range, null with fewer than two readings */
  trendPerWeek: { value: number; low: number; high: number } | null
  /** where the value will be four weeks after today if nothing is done, with its 80 % range */
  inFourWeeks: { value: number; low: number; high: number } | null
}

/** Readings older than this say nothing about today's drift (from memory). */
const WINDOW_DAYS = 120
const WINDOW_READINGS = 8

/** What is judged: one value, its ranges, and its readings, oldest first, in the canonical unit. */
export interface ValueAsked {
  key: ValueKey
  target: Target
  readings: readonly ValueReading[]
  /** today */
  nowMs: number
  /** largest change per week for these animals, when known */
  largestStep?: number | undefined
}

/**
 * Judges one value: level against range, steadiness, where it will be in four weeks, and the age of the reading.
 *
 * "Stable beats perfect" (common practice): a value outside the preferred range but inside the tolerated one that
 * is shown to be steady is on target; one inside the preferred range that will leave it within four weeks is drifting.
 * Off needs more than one weak reading: the reading must lie outside the tolerated range by more than its own doubt,
 * or two in a row outside, or it must be outside the preferred range and on its way out of the tolerated one.
 * @example judgeValue({ key: 'khDh', target: { preferred: [3, 8] }, readings: story.readings.get('khDh'), nowMs })
 */
export function judgeValue(asked: ValueAsked): ValueVerdict {
  const { key, target, readings, nowMs } = asked
  const latest = readings.at(-1) ?? null
  const window = readings.filter(r => r.at >= nowMs - WINDOW_DAYS * DAY_MS).slice(-WINDOW_READINGS)
  const tolerated = toleratedOf(key, target)
  const range = { low: target.preferred[0], high: target.preferred[1], tolLow: tolerated[0], tolHigh: tolerated[1] }
  const ageDays = latest ? (nowMs - latest.at) / DAY_MS : null
  const unknown = { state: 'unknown', reasons: [], actions: [msg('water.doTest', { key })] } as const
  const told = { key, target, tolerated, latest, window, ageDays, evidence: evidenceOf(key, readings) }
  if (!latest) {
    const conclusion = msg('water.noReading', { key, ...range })
    return { ...told, ...unknown, actions: [...unknown.actions], reasons: [], conclusion, ...NO_TREND }
  }
  const stands = standing(asked, latest, window, range)
  const trends = { trendPerWeek: stands.trend, inFourWeeks: stands.ahead }
  if (ageDays! > freshDays[key]) {
    const conclusion = msg('water.tooOld', { key, value: latest.value, days: ageDays!, ...range })
    return { ...told, ...trends, ...unknown, actions: [...unknown.actions], reasons: [], conclusion }
  }
  return { ...told, ...trends, ...judged(stands, reasonsOf(stands, asked.largestStep)) }
}

const NO_TREND = { trendPerWeek: null, inFourWeeks: null }

/** A value as it stands: its level against the ranges, and its way. */
interface Standing {
  key: ValueKey
  latest: ValueReading
  window: readonly ValueReading[]
  range: { low: number; high: number; tolLow: number; tolHigh: number }
  trend: ValueVerdict['trendPerWeek']
  ahead: ValueVerdict['inFourWeeks']
  /** its trend when that is certain and large enough to be news to a keeper, else null */
  moves: { value: number } | null
  steady: boolean
  side: 'in' | 'high' | 'low'
  /** a strip or a guess */
  weak: boolean
  /** nothing of it is right */
  poison: boolean
}

function standing(
  { key, nowMs }: ValueAsked,
  latest: ValueReading,
  window: readonly ValueReading[],
  range: Standing['range'],
): Standing {
  const line = weightedLine(window.map(r => ({ x: (r.at - nowMs) / WEEK_MS, y: r.value, sd: r.sd })))
  const trend = line && {
    value: line.slope,
    low: line.slope - line.t80 * line.slopeSe,
    high: line.slope + line.t80 * line.slopeSe,
  }
  const moving = trend !== null && window.length >= 3 && (trend.low > 0 || trend.high < 0)
  // a trend that is certain but smaller than the doubt of one reading within four weeks is no news to a keeper
  const moves = moving && Math.abs(trend.value) * 4 > latest.sd ? trend : null
  return {
    key,
    latest,
    window,
    range,
    trend,
    ahead: line && forecast(line, latest, nowMs),
    moves,
    steady: window.length >= 3 && !moves,
    side: latest.value > range.high ? 'high' : latest.value < range.low ? 'low' : 'in',
    weak: latest.method === 'strip' || latest.method === 'guess',
    poison: range.high === 0,
  }
}

function reasonsOf(s: Standing, largestStep: number | undefined): Message<WaterMessageKey>[] {
  const { key, latest, window, moves, ahead } = s
  const first = window[0]!
  const reasons: Message<WaterMessageKey>[] = []
  if (moves) {
    const weeks = (latest.at - first.at) / WEEK_MS
    reasons.push(msg('water.reasonSlope', { key, perWeek: moves.value, from: first.value, to: latest.value, weeks }))
  } else reasons.push(msg(s.steady ? 'water.reasonSteady' : 'water.reasonTooFew', { key, n: window.length }))
  if (moves && ahead)
    reasons.push(
      msg('water.reasonForecast', { key, value: ahead.value, low: Math.max(0, ahead.low), high: ahead.high }),
    )
  const jump = lastJump(window, largestStep)
  if (jump) reasons.push(msg('water.reasonJump', { key, ...jump }))
  if (latest.method === 'reckoned') reasons.push(msg('water.reasonReckoned', { key, sd: latest.sd }))
  if (s.weak) reasons.push(msg('water.reasonWeak', { key, sd: latest.sd }))
  return reasons
}

type Judged = Pick<ValueVerdict, 'state' | 'conclusion' | 'reasons' | 'actions'>

function judged(s: Standing, reasons: Message<WaterMessageKey>[]): Judged {
  const { key, latest, window, range, moves, ahead } = s
  const weeks = (latest.at - window[0]!.at) / WEEK_MS
  const values = { key, value: latest.value, from: window[0]!.value, weeks, ...range }
  if (isOff(s)) return off(s, values, reasons)
  if (s.poison && latest.value - latest.sd <= 0)
    return { state: 'onTarget', conclusion: msg('water.onTarget', values), reasons: [], actions: [] }
  if (s.side !== 'in') return atTheEdge(s, values, reasons)
  if (moves && ahead && (ahead.value > range.high || ahead.value < range.low)) {
    const rises = moves.value > 0
    return {
      state: 'drifting',
      conclusion: msg(rises ? 'water.rising' : 'water.falling', values),
      reasons,
      actions: [msg(rises ? 'water.doLower' : 'water.doRaise', { key })],
    }
  }
  return { state: 'onTarget', conclusion: msg('water.onTarget', values), reasons, actions: [] }
}

const isBeyond = ({ range }: Standing, value: number) => value > range.tolHigh || value < range.tolLow
/** Whether it goes further out on the side where it stands. */
const goesOut = ({ moves, side }: Standing) => moves !== null && Math.sign(moves.value) === (side === 'high' ? 1 : -1)
const correction = ({ key, side }: Standing) => msg(side === 'high' ? 'water.doLower' : 'water.doRaise', { key })

function isOff(s: Standing): boolean {
  const { latest, window, range, ahead } = s
  const clearly = latest.value - latest.sd > range.tolHigh || latest.value + latest.sd < range.tolLow
  const twice = isBeyond(s, latest.value) && window.length >= 2 && isBeyond(s, window.at(-2)!.value)
  const leaving = s.side !== 'in' && ahead !== null && isBeyond(s, ahead.value) && goesOut(s)
  return clearly || twice || leaving
}

function off(s: Standing, values: Record<string, number | string>, reasons: Message<WaterMessageKey>[]): Judged {
  const { key } = s
  const state = 'off'
  if (s.poison)
    return {
      state,
      conclusion: msg('water.poison', values),
      reasons,
      actions: [msg('water.doEmergencyChange', { key })],
    }
  const above = goesOut(s) ? 'water.slidAbove' : 'water.above'
  const below = goesOut(s) ? 'water.slidBelow' : 'water.below'
  const conclusion = msg(s.side === 'high' ? above : below, values)
  return { state, conclusion, reasons, actions: [...(s.weak ? [msg('water.doRetest', { key })] : []), correction(s)] }
}

/** Outside the preferred range, and not off. */
function atTheEdge(s: Standing, values: Record<string, number | string>, reasons: Message<WaterMessageKey>[]): Judged {
  const { key, range } = s
  const returning = s.moves !== null && !goesOut(s)
  if (!isBeyond(s, s.latest.value) && s.steady && !returning)
    return {
      state: 'onTarget',
      conclusion: msg('water.steadyAtEdge', values),
      reasons,
      actions: [msg('water.doNothing', { key })],
    }
  const wait = msg(s.weak ? 'water.doRetest' : 'water.doNothing', { key })
  return {
    state: 'drifting',
    conclusion: msg(s.side === 'high' ? 'water.above' : 'water.below', values),
    reasons: [...reasons, msg('water.reasonNearLimit', { key, ...range })],
    actions: [s.weak || returning ? wait : correction(s)],
  }
}

/**
 * Four weeks after today from the latest reading along the fitted slope. Starting at the reading, not on the line,
 * keeps
 * the arrow of the strip at the tick; the reading's own doubt and the slope's are both in the range.
 */
function forecast(line: WeightedLine, latest: ValueReading, nowMs: number) {
  const weeks = (nowMs - latest.at) / WEEK_MS + 4
  // a line through two readings carries all their error into the slope: lean on the level until there are three
  const slope = line.n >= 3 ? line.slope : 0
  const atLatest = lineAt(line, (latest.at - nowMs) / WEEK_MS)
  const start =
    line.n >= 3
      ? (latest.value / latest.sd ** 2 + atLatest.value / atLatest.se ** 2) /
        (1 / latest.sd ** 2 + 1 / atLatest.se ** 2)
      : latest.value
  const half = Math.hypot(Z80 * latest.sd, line.t80 * line.slopeSe * weeks)
  const value = Math.max(0, start + slope * weeks)
  return { value, low: Math.max(0, value - half), high: value + half }
}

/**
 * The newest step between two readings that was larger than the animals take, beyond what the readings' doubt explains.
 */
function lastJump(window: readonly ValueReading[], largestStep: number | undefined) {
  if (largestStep === undefined) return null
  for (let i = window.length - 1; i > 0; i--) {
    const a = window[i - 1]!
    const b = window[i]!
    const weeks = Math.max(1, (b.at - a.at) / WEEK_MS)
    const by = b.value - a.value
    if (Math.abs(by) > largestStep * weeks + 2 * Math.hypot(a.sd, b.sd))
      return { by, days: (b.at - a.at) / DAY_MS, allowed: largestStep * weeks }
  }
  return null
}

function evidenceOf(key: ValueKey, readings: readonly ValueReading[]): Evidence[] {
  return readings
    .slice(-WINDOW_READINGS)
    .toReversed()
    .map(r => ({
      key: 'evidence.reading',
      values: { key, value: r.value, sd: r.sd, at: r.at, method: r.method },
      entryId: r.entryId,
    }))
}

const msg = (key: WaterMessageKey, values: Record<string, number | string>): Message<WaterMessageKey> => ({
  key,
  values,
})
