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

/**
 * Judges one value: level against range, steadiness, where it will be in four weeks, and the age of the reading.
 *
 * "Stable beats perfect" (common practice): a value outside the preferred range but inside the tolerated one that
 * is shown to be steady is on target; one inside the preferred range that will leave it within four weeks is drifting.
 * Off needs more than one weak reading: the reading must lie outside the tolerated range by more than its own doubt,
 * or two in a row outside, or it must be outside the preferred range and on its way out of the tolerated one.
 *
 * @param key which value
 * @param target its ranges
 * @param readings oldest first, in the canonical unit
 * @param nowMs today
 * @param largestStep largest change per week for these animals, when known
 */
export function judgeValue(
  key: ValueKey,
  target: Target,
  readings: readonly ValueReading[],
  nowMs: number,
  largestStep?: number,
): ValueVerdict {
  const tolerated = toleratedOf(key, target)
  const latest = readings.at(-1) ?? null
  const window = readings.filter(r => r.at >= nowMs - WINDOW_DAYS * DAY_MS).slice(-WINDOW_READINGS)
  const [low, high] = target.preferred
  const range = { low, high, tolLow: tolerated[0], tolHigh: tolerated[1] }
  const result = (partial: Partial<ValueVerdict> & Pick<ValueVerdict, 'state' | 'conclusion'>): ValueVerdict => ({
    key,
    target,
    tolerated,
    latest,
    window,
    ageDays: latest ? (nowMs - latest.at) / DAY_MS : null,
    trendPerWeek: null,
    inFourWeeks: null,
    reasons: [],
    actions: [],
    evidence: evidenceOf(key, readings),
    ...partial,
  })
  if (!latest)
    return result({
      state: 'unknown',
      conclusion: msg('water.noReading', { key, ...range }),
      actions: [msg('water.doTest', { key })],
    })

  const ageDays = (nowMs - latest.at) / DAY_MS
  const line = weightedLine(window.map(r => ({ x: (r.at - nowMs) / WEEK_MS, y: r.value, sd: r.sd })))
  const trend = line && {
    value: line.slope,
    low: line.slope - line.t80 * line.slopeSe,
    high: line.slope + line.t80 * line.slopeSe,
  }
  const ahead = line && forecast(line, latest, nowMs)
  const common = { trendPerWeek: trend, inFourWeeks: ahead }
  if (ageDays > freshDays[key])
    return result({
      ...common,
      state: 'unknown',
      conclusion: msg('water.tooOld', { key, value: latest.value, days: ageDays, ...range }),
      actions: [msg('water.doTest', { key })],
    })

  const reasons: Message<WaterMessageKey>[] = []
  const moving = trend !== null && window.length >= 3 && (trend.low > 0 || trend.high < 0)
  // a trend that is certain but smaller than the doubt of one reading within four weeks is no news to a keeper
  const matters = moving && Math.abs(trend.value) * 4 > latest.sd
  const steady = window.length >= 3 && !matters
  if (matters)
    reasons.push(
      msg('water.reasonSlope', {
        key,
        perWeek: trend.value,
        from: window[0]!.value,
        to: latest.value,
        weeks: (latest.at - window[0]!.at) / WEEK_MS,
      }),
    )
  else if (steady) reasons.push(msg('water.reasonSteady', { key, n: window.length }))
  else reasons.push(msg('water.reasonTooFew', { key, n: window.length }))
  if (matters && ahead)
    reasons.push(
      msg('water.reasonForecast', { key, value: ahead.value, low: Math.max(0, ahead.low), high: ahead.high }),
    )

  const jump = lastJump(window, largestStep)
  if (jump) reasons.push(msg('water.reasonJump', { key, by: jump.by, days: jump.days, allowed: jump.allowed }))
  if (latest.method === 'reckoned') reasons.push(msg('water.reasonReckoned', { key, sd: latest.sd }))
  const weak = latest.method === 'strip' || latest.method === 'guess'
  if (weak) reasons.push(msg('water.reasonWeak', { key, sd: latest.sd }))

  const v = latest.value
  const side = v > high ? 'high' : v < low ? 'low' : 'in'
  const beyond = (r: ValueReading) => r.value > tolerated[1] || r.value < tolerated[0]
  const clearlyBeyond = v - latest.sd > tolerated[1] || v + latest.sd < tolerated[0]
  const twiceBeyond = beyond(latest) && window.length >= 2 && beyond(window.at(-2)!)
  const leaving =
    matters &&
    ahead !== null &&
    side !== 'in' &&
    (ahead.value > tolerated[1] || ahead.value < tolerated[0]) &&
    Math.sign(trend.value) === (side === 'high' ? 1 : -1)
  const poison = high === 0

  const values = { key, value: v, from: window[0]!.value, weeks: (latest.at - window[0]!.at) / WEEK_MS, ...range }
  const correct = () => (side === 'high' ? msg('water.doLower', { key }) : msg('water.doRaise', { key }))
  if (clearlyBeyond || twiceBeyond || leaving) {
    const slid = matters && Math.sign(trend.value) === (side === 'high' ? 1 : -1)
    const conclusion = poison
      ? 'water.poison'
      : side === 'high'
        ? slid
          ? 'water.slidAbove'
          : 'water.above'
        : slid
          ? 'water.slidBelow'
          : 'water.below'
    return result({
      ...common,
      state: 'off',
      conclusion: msg(conclusion, values),
      reasons,
      actions: poison
        ? [msg('water.doEmergencyChange', { key })]
        : weak
          ? [msg('water.doRetest', { key }), correct()]
          : [correct()],
    })
  }
  if (poison && v - latest.sd <= 0)
    return result({ ...common, state: 'onTarget', conclusion: msg('water.onTarget', values), reasons: [], actions: [] })
  if (side !== 'in') {
    const returning = matters && Math.sign(trend.value) === (side === 'high' ? -1 : 1)
    if (!beyond(latest) && steady && !returning)
      return result({
        ...common,
        state: 'onTarget',
        conclusion: msg('water.steadyAtEdge', values),
        reasons,
        actions: [msg('water.doNothing', { key })],
      })
    reasons.push(msg('water.reasonNearLimit', { key, ...range }))
    return result({
      ...common,
      state: 'drifting',
      conclusion: msg(side === 'high' ? 'water.above' : 'water.below', values),
      reasons,
      actions: weak ? [msg('water.doRetest', { key })] : returning ? [msg('water.doNothing', { key })] : [correct()],
    })
  }
  if (matters && ahead && (ahead.value > high || ahead.value < low)) {
    return result({
      ...common,
      state: 'drifting',
      conclusion: msg(trend.value > 0 ? 'water.rising' : 'water.falling', values),
      reasons,
      actions: [trend.value > 0 ? msg('water.doLower', { key }) : msg('water.doRaise', { key })],
    })
  }
  return result({ ...common, state: 'onTarget', conclusion: msg('water.onTarget', values), reasons, actions: [] })
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
