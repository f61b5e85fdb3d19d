import type { OutlookAnswer, OutlookAsk } from '#core/outlook'
import { type ScenarioChange, type TakeKind, WEEK_MS } from '#core/records'
import { formatNumber } from '#core/units'
import { num, percent, whole } from './numbers'
import { type UnitPrefs, valueText, volumeText } from './unitPrefs'
import { dayText, weeksText } from './when'

/** Whom a take goes for. */
export const takeKindWord: Readonly<Record<TakeKind, string>> = {
  any: 'any',
  halfGrown: 'half-grown',
  adults: 'grown',
  females: 'grown females',
  males: 'grown males',
}

/** "25 °C, no fish, 4 half-grown out each week": what is different in a scenario. */
export function changeText(change: ScenarioChange, units: UnitPrefs): string {
  const parts = [
    change.temperatureC !== undefined && valueText('temperatureC', change.temperatureC, units),
    change.roomFactor !== undefined && `${formatNumber(change.roomFactor, 1)} times the food and surface`,
    change.secondTankL !== undefined && `a second tank of ${volumeText(change.secondTankL, units)}`,
    change.fish !== undefined && (change.fish === 'none' ? 'fish out' : 'small fish in'),
    change.putIn !== undefined && `${change.putIn} put in`,
    change.takeNow && `${formatNumber(change.takeNow.number, 0)} ${takeKindWord[change.takeNow.of]} out today`,
    change.weekly && `${formatNumber(change.weekly.number, 1)} ${takeKindWord[change.weekly.of]} out each week`,
  ].filter(Boolean)
  return parts.length > 0 ? parts.join(', ') : 'as things are'
}

/** "50 half-grown by about 12 Jan (likely 3 Jan to 2 Feb)". */
export function reachText({ reach }: Pick<OutlookAnswer, 'reach'>, ask: OutlookAsk, nowMs: number): string {
  const day = (weeks: number) => dayText(nowMs + weeks * WEEK_MS, nowMs)
  if (reach.p50 === 0) return 'there already'
  if (reach.reachedShare < 0.1) return `hardly within ${weeksText(ask.weeks)}`
  if (!Number.isFinite(reach.p50)) return `${num(percent(reach.reachedShare))} chance within ${weeksText(ask.weeks)}`
  return (
    `about ${num(day(reach.p50))}, likely ${day(reach.p10)} to ` +
    `${Number.isFinite(reach.p90) ? day(reach.p90) : 'later'}`
  )
}

/** "full by about March (83 %)". */
export function fullText({ full }: Pick<OutlookAnswer, 'full'>, nowMs: number): string {
  if (full.chance < 0.05 || full.week === null) return 'hardly'
  return full.week < 0.5
    ? `${num(percent(full.chance))}, now`
    : `${num(percent(full.chance))}, about ${dayText(nowMs + full.week * WEEK_MS, nowMs)}`
}

/** One sentence that compares a scenario with things as they are. */
export function comparedText(mine: OutlookAnswer, now: OutlookAnswer, weeks: number): string {
  const a = mine.fan[weeks]?.p50 ?? 0
  const b = now.fan[weeks]?.p50 ?? 0
  const difference = a - b
  if (Math.abs(difference) < Math.max(1, 0.03 * b)) return `In ${weeksText(weeks)} about as many as if nothing changes.`
  return (
    `In ${weeksText(weeks)} about ${num(whole(Math.abs(difference)))} ${difference > 0 ? 'more' : 'fewer'} ` +
    `than if nothing changes: ${num(whole(a))} instead of ${num(whole(b))}.`
  )
}
