import { randomNormal } from 'd3-random'
import {
  DAY_MS,
  Entry,
  type Glass,
  netLitres,
  possibleRange,
  type Source,
  type ValueKey,
  valueKeys,
} from '#core/records'
import { readingSd } from '#core/water'
import { poured as pouredFrom } from './buckets'
import { type Making, weeksBefore } from './making'
import type { GlassPlan, WaterPlan } from './planShapes'

/** Hour of the records' evening tests (UTC): the hidden pH swing shows only there. */
const DUSK_HOUR = 18

/** How many weeks ago a glass was set up. */
export const weeksOf = (plan: GlassPlan): number =>
  Math.max(plan.curing?.weeks ?? 0, ...plan.colonies.map(c => c.began))

type Readings = Partial<Record<ValueKey, { value: number; method: WaterPlan['method'] }>>

/** Water tests of a glass, each value at its own distance, with the doubt of its method. */
export function waterTests(making: Making, plan: GlassPlan, glass: Glass): Entry[] {
  const random = making.randomFor(`water of ${plan.name}`)
  const normal = randomNormal.source(random)
  const weeks = Math.min(60, weeksOf(plan))
  const entries: Entry[] = []
  const due = new Map<ValueKey, number>()
  const phase = random() * 0.8
  for (let left = weeks; left >= 0.1; left -= 1) {
    const weeksLeft = Math.max(0.1, left - phase)
    if (making.away(weeksLeft * 7) || random() < 0.08) continue
    const dusk = random() < 0.4
    const at = new Date(Math.round(weeksBefore(making, weeksLeft)))
    at.setUTCHours(dusk ? DUSK_HOUR : 7, Math.floor(random() * 60), 0, 0)
    const readings: Readings = {}
    for (const key of valueKeys) {
      const value = plan.water[key]
      if (!value || left > (due.get(key) ?? Infinity) || weeksLeft < (value.stopped ?? 0)) continue
      due.set(key, left - value.every)
      const truth = trueValue(value, weeksLeft, at, dusk)
      const noisy = truth + readingSd(key, value.method, truth) * 0.6 * normal()()
      readings[key] = { value: rounded(key, value.method, noisy), method: value.method }
    }
    if (Object.keys(readings).length === 0 || at.getTime() > making.untilMs) continue
    const stamp = making.stamp(at.getTime(), random)
    entries.push(Entry.parse({ ...stamp, glassId: glass.id, kind: 'waterTest', readings }))
  }
  return entries
}

/** Changes and top-ups as the keepers wrote them down. */
export function poured(making: Making, plan: GlassPlan, glass: Glass, sources: readonly Source[]): Entry[] {
  const random = making.randomFor(`poured into ${plan.name}`)
  const net = netLitres(glass)
  const entries: Entry[] = []
  const write = (weeksLeft: number, rest: object) => {
    const ms = Math.round(weeksBefore(making, weeksLeft) - random() * 0.6 * DAY_MS)
    entries.push(Entry.parse({ ...making.stamp(ms, random), glassId: glass.id, ...rest }))
  }
  const { changes, topUps } = plan
  const skipped = (week: number) => making.away(week * 7) || random() < 0.06
  if (changes)
    for (let week = changes.from; week > 0.4; week -= changes.every)
      if (!skipped(week)) write(week, { kind: 'waterChange', litres: Number((net * changes.share).toFixed(1)) })
  if (topUps)
    for (let week = topUps.from; week > 0.3; week -= 1) if (!skipped(week)) write(week, topUp(topUps, week, sources))
  return entries
}

/** One top-up: pure water, or tap water where somebody was lazy. */
function topUp(topUps: NonNullable<GlassPlan['topUps']>, week: number, sources: readonly Source[]) {
  const [pure, tap] = sources as [Source, Source]
  const withTap = topUps.tap && week <= topUps.tap.from ? topUps.tap.litres : 0
  const pours = [
    { source: pure, litres: topUps.pureL - withTap },
    { source: tap, litres: withTap },
  ]
  return { kind: 'topUp', litres: topUps.pureL, ...pouredFrom(pours) }
}

function trueValue(plan: WaterPlan, weeksLeft: number, at: Date, dusk: boolean): number {
  const drift = plan.drift && weeksLeft < plan.drift.from ? plan.drift.perWeek * (plan.drift.from - weeksLeft) : 0
  const month = at.getUTCMonth() + at.getUTCDate() / 31
  return (
    plan.base + drift + (plan.season ?? 0) * Math.cos(((month - 7.5) / 6) * Math.PI) + (dusk ? (plan.dusk ?? 0) : 0)
  )
}

/** Kits are read to half a degree, strips to whole steps, probes to their last digit. */
function rounded(key: ValueKey, method: WaterPlan['method'], value: number): number {
  const step =
    key === 'conductivityUsCm' || key === 'humidityPct'
      ? 1
      : key === 'nitrateMgL'
        ? 1
        : method === 'strip'
          ? 1
          : key === 'ghDh' || key === 'khDh'
            ? 0.2
            : 0.1
  const [low, high] = possibleRange[key]
  return Math.min(high, Math.max(low, Number((Math.round(value / step) * step).toFixed(2))))
}
