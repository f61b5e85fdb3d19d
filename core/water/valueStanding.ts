import { DAY_MS, type Message, type ValueKey, WEEK_MS } from '#core/records'
import { lineAt, type WeightedLine, weightedLine, Z80 } from '#core/stats'
import { msg, type ValueAsked, type ValueReading, type ValueVerdict, type WaterMessageKey } from './valueShapes'

/** A value as it stands: its level against the ranges, and its way. */
export interface Standing {
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

/** How a value stands today, from the readings in its window. */
export function standing(
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

/** What is said for it: its way, where that leads, a step that was too large, and how weak the evidence is. */
export function reasonsOf(s: Standing, largestStep: number | undefined): Message<WaterMessageKey>[] {
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

/**
 * Four weeks after today from the latest reading along the fitted slope. Starting at the reading, not on the line,
 * keeps the arrow of the strip at the tick; the reading's own doubt and the slope's are both in the range.
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
