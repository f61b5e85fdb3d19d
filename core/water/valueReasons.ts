import { DAY_MS, type Message, type ValueKey, WEEK_MS } from '#core/records'
import type { WaterEvent } from './time/waterEvent'
import type { ValueStep } from './valuePath'
import { msg, type ValueAsked, type ValueReading, type WaterMessageKey } from './valueShapes'
import { breadthOf, type Standing } from './valueStanding'

/** What a steady value moves by within four weeks at most, as a part of its range. */
const STEADY = 0.5

/** What is said for it: its way, where that leads, a step, and how weak the evidence is. */
export function reasonsOf(s: Standing, { events = [], largestStep }: ValueAsked): Message<WaterMessageKey>[] {
  const { key, latest, window, moves, ahead, step } = s
  const first = window.find(r => !step || r.at >= step.at) ?? latest
  const since = window.filter(r => r.at >= first.at)
  const reasons: Message<WaterMessageKey>[] = []
  if (step) reasons.push(...stepReasons(key, step, events))
  if (moves) {
    const weeks = (latest.at - first.at) / WEEK_MS
    reasons.push(msg('water.reasonSlope', { key, perWeek: moves.value, from: first.value, to: latest.value, weeks }))
    const { value, low, high } = ahead
    reasons.push(msg('water.reasonForecast', { key, value, low, high }))
  } else if (s.came) reasons.push(msg('water.reasonCame', { key, ...s.came, to: latest.value }))
  else if (since.length < 3) reasons.push(msg('water.reasonTooFew', { key, n: since.length }))
  else reasons.push(msg(isSteady(s) ? 'water.reasonSteady' : 'water.reasonUnclear', { key, n: since.length }))
  const jump = lastJump(window, largestStep)
  if (jump) reasons.push(msg('water.reasonJump', { key, ...jump }))
  if (latest.method === 'reckoned') reasons.push(msg('water.reasonReckoned', { key, sd: latest.sd }))
  if (s.weak) reasons.push(msg('water.reasonWeak', { key, sd: latest.sd }))
  return reasons
}

/** Steady is shown, not what nobody can tell: four weeks of it move the value by little of its range. */
function isSteady({ trend, range, latest }: Standing): boolean {
  const most = 4 * Math.max(Math.abs(trend.low), Math.abs(trend.high))
  return most < STEADY * breadthOf(range, latest) + latest.sd
}

/** The step, and what was poured meanwhile. */
function stepReasons(
  key: ValueKey,
  { since, at, from, to }: ValueStep,
  events: readonly WaterEvent[],
): Message<WaterMessageKey>[] {
  const poured = events.filter(e => e.at > since && e.at <= at).toSorted((a, b) => b.litres - a.litres)[0]
  return [
    msg('water.reasonStep', { key, from, to, since, at }),
    poured
      ? msg('water.reasonStepPoured', { key, at: poured.at, litres: poured.litres, known: poured.water ? 1 : 0 })
      : msg('water.reasonStepUnknown', { key, since, at }),
  ]
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
