import { toleratedOf } from '#core/groups'
import { DAY_MS, type Evidence, type Message, type ValueKey, WEEK_MS } from '#core/records'
import { freshDays } from './methodDoubt'
import { msg, type ValueAsked, type ValueReading, type ValueVerdict, type WaterMessageKey } from './valueShapes'
import { reasonsOf, type Standing, standing } from './valueStanding'

/** Readings older than this say nothing about today's drift (from memory). */
const WINDOW_DAYS = 120
const WINDOW_READINGS = 8

/**
 * Judges one value: level against range, steadiness, where it will be in four weeks, and the age of the reading.
 *
 * "Stable beats perfect" (common practice): a value outside the preferred range but inside the tolerated one that is
 * shown to be steady is on target; one inside the preferred range that will leave it within four weeks is drifting.
 * Off needs more than one weak reading: the reading must lie outside the tolerated range by more than its own doubt, or
 * two in a row outside, or it must be outside the preferred range and on its way out of the tolerated one.
 * @example judgeValue({ key: 'khDh', target: { preferred: [3, 8] }, readings: story.readings.get('khDh'), nowMs })
 */
export function judgeValue(asked: ValueAsked): ValueVerdict {
  const { key, target, readings, nowMs } = asked
  const latest = readings.at(-1) ?? null
  const window = readings.filter(r => r.at >= nowMs - WINDOW_DAYS * DAY_MS).slice(-WINDOW_READINGS)
  const tolerated = toleratedOf(key, target)
  const range = { low: target.preferred[0], high: target.preferred[1], tolLow: tolerated[0], tolHigh: tolerated[1] }
  const ageDays = latest ? (nowMs - latest.at) / DAY_MS : null
  const untold = (conclusion: Judged['conclusion']): Judged => ({
    state: 'unknown',
    conclusion,
    reasons: [],
    actions: [msg('water.doTest', { key })],
  })
  const told = { key, target, tolerated, latest, window, ageDays, evidence: evidenceOf(key, readings) }
  if (!latest) return { ...told, ...NO_TREND, ...untold(msg('water.noReading', { key, ...range })) }
  const stands = standing(asked, latest, window, range)
  const trends = { trendPerWeek: stands.trend, inFourWeeks: stands.ahead }
  if (ageDays! > freshDays[key])
    return {
      ...told,
      ...trends,
      ...untold(msg('water.tooOld', { key, value: latest.value, days: ageDays!, ...range })),
    }
  return { ...told, ...trends, ...judged(stands, reasonsOf(stands, asked.largestStep)) }
}

const NO_TREND = { trendPerWeek: null, inFourWeeks: null }

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
