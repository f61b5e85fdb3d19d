import { DAY_MS, possibleRange, type ValueKey, WEEK_MS } from '#core/records'
import { Z80 } from '#core/stats'
import { freshDays } from './methodDoubt'
import { pathAt, type PathPoint, valuePath, type ValueStep } from './valuePath'
import type { ValueAsked, ValueReading, ValueVerdict } from './valueShapes'

// from memory, tried on glasses that are well and on slides (docs/science.md)
/** A trend is told from so much chance that it has this direction. */
const SURE_OF_DIRECTION = 0.8
/** For so many days a step is news. */
const STEP_DAYS = 28
/** Days between tests where nobody knows, and what is believed at most and at least. */
const TESTS = { usual: 14, least: 2, most: 21 }

/** A value as it stands: its level against the ranges, and its way. */
export interface Standing {
  key: ValueKey
  latest: ValueReading
  window: readonly ValueReading[]
  range: { low: number; high: number; tolLow: number; tolHigh: number }
  trend: NonNullable<ValueVerdict['trendPerWeek']>
  ahead: NonNullable<ValueVerdict['inFourWeeks']>
  /** its trend when that is certain and large enough to be news to a keeper, else null */
  moves: { value: number } | null
  /** where it surely came from within the window, beyond the tests' doubt and without a step; else null */
  came: { from: number; weeks: number } | null
  /** the newest tests lie together: outside the preferred range, and no further apart than tests stray */
  settled: boolean
  /** the last step, while it is news */
  step: ValueStep | null
  /** side of the preferred range on which the level lies */
  side: 'in' | 'high' | 'low'
  /** which way it goes: chance that it rises */
  rises: number
  /** chances of lying outside the preferred and the tolerated range, now and before the next two tests are made */
  outside: { now: number; soon: number; beyondNow: number; beyondSoon: number }
  /** chance that conductivity rises, where it speaks for this value */
  saltsRise: number | null
  /** a strip or a guess */
  weak: boolean
  /** nothing of it is right */
  poison: boolean
}

/** How a value stands today, from its readings. */
export function standing(
  { key, nowMs, readings, conductivity }: ValueAsked,
  latest: ValueReading,
  window: readonly ValueReading[],
  range: Standing['range'],
): Standing {
  const path = valuePath(key, readings, breadthOf(range, latest))
  const now = pathAt(path, nowMs)
  const soon = pathAt(path, nextTwoTests(readings, nowMs))
  const in4 = pathAt(path, nowMs + 4 * WEEK_MS)
  const [least] = possibleRange[key]
  const trend = { value: now.slope, low: now.slope - Z80 * now.slopeSd, high: now.slope + Z80 * now.slopeSd }
  const { rises } = now
  const sure = Math.max(rises, 1 - rises) > SURE_OF_DIRECTION
  const tested = window.filter(r => r.method !== 'reckoned').length
  // a trend that is certain but smaller than the doubt of one reading within four weeks is no news to a keeper
  const news = tested >= 3 && sure && Math.abs(trend.value) * 4 > latest.sd
  // below nothing there is nothing: such an edge cannot be left
  const out = (p: PathPoint, low: number, high: number) => (low > least ? p.below(low) : 0) + 1 - p.below(high)
  return {
    key,
    latest,
    window,
    range,
    trend,
    ahead: {
      value: Math.max(least, in4.level),
      low: Math.max(least, in4.level - Z80 * in4.sd),
      high: Math.max(least, in4.level + Z80 * in4.sd),
    },
    moves: news ? { value: trend.value } : null,
    came: cameFrom(window, path.steps.at(-1)?.at ?? 0, now),
    settled: isSettled(window, range),
    step: path.steps.findLast(s => s.at > nowMs - STEP_DAYS * DAY_MS) ?? null,
    side: now.level > range.high ? 'high' : now.level < range.low ? 'low' : 'in',
    rises,
    outside: {
      now: out(now, range.low, range.high),
      soon: out(soon, range.low, range.high),
      beyondNow: out(now, range.tolLow, range.tolHigh),
      beyondSoon: out(soon, range.tolLow, range.tolHigh),
    },
    saltsRise: saltsRise(conductivity, breadthOf(range, latest), nowMs),
    weak: latest.method === 'strip' || latest.method === 'guess',
    poison: range.high === 0,
  }
}

/** The oldest reading of the window since the last step, where the level has surely left it. */
function cameFrom(window: readonly ValueReading[], sinceMs: number, now: PathPoint): Standing['came'] {
  const first = window.find(r => r.at >= sinceMs)
  const last = window.at(-1)!
  if (!first || Math.abs(now.level - first.value) < 2 * Math.hypot(first.sd, now.sd)) return null
  return { from: first.value, weeks: (last.at - first.at) / WEEK_MS }
}

function isSettled(window: readonly ValueReading[], { low, high }: Standing['range']): boolean {
  const newest = window.filter(r => r.method !== 'reckoned').slice(-4)
  const values = newest.map(r => r.value)
  return (
    newest.length >= 3 &&
    values.every(v => v > high || v < low) &&
    Math.max(...values) - Math.min(...values) <= 2 * Math.max(...newest.map(r => r.sd))
  )
}

/** A degree of GH with what comes with it, µS/cm (from memory). */
const US_PER_DEGREE = 35

/** Chance that conductivity rises, on the scale of a breadth of GH; null of too few readings, or of old ones. */
function saltsRise(readings: readonly ValueReading[] = [], breadthDh: number, nowMs: number): number | null {
  const latest = readings.at(-1)
  if (readings.length < 3 || !latest || nowMs - latest.at > freshDays.conductivityUsCm * DAY_MS) return null
  return pathAt(valuePath('conductivityUsCm', readings, US_PER_DEGREE * breadthDh), nowMs).rises
}

/** The range's breadth; where it is a point, what is tolerated, or the test's own doubt. */
export const breadthOf = ({ low, high, tolLow, tolHigh }: Standing['range'], latest: ValueReading) =>
  high > low ? high - low : Math.max(tolHigh - tolLow, 2 * latest.sd)

/** When the keeper will have tested twice more, at the usual pace. */
function nextTwoTests(readings: readonly ValueReading[], nowMs: number): number {
  const tests = readings.filter(r => r.method !== 'reckoned').slice(-7)
  const gaps = tests
    .slice(1)
    .map((r, i) => (r.at - tests[i]!.at) / DAY_MS)
    .filter(days => days > 0.5)
    .sort((a, b) => a - b)
  const usual = gaps.length > 0 ? gaps[Math.floor(gaps.length / 2)]! : TESTS.usual
  const days = Math.min(TESTS.most, Math.max(TESTS.least, usual))
  return Math.max(nowMs + days * DAY_MS, (tests.at(-1)?.at ?? nowMs) + 2 * days * DAY_MS)
}
