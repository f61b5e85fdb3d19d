import { DAY_MS, WEEK_MS } from '#core/records'
import { weightedLine, Z80 } from '#core/stats'
import { type BoxKey, boxKeys } from './box'
import type { WaterStory } from './events'

/** A rate learnt from the log with its 80 % range. */
export interface LearntRate {
  value: number
  low: number
  high: number
  n: number
}
/** What a glass does by itself, learnt from its own log. */
export interface LearntHabits {
  /** litres a day, from logged top-ups; null without two of them */
  evaporationLPerDay: LearntRate | null
  /** change per week of each value beyond logged changes and top-ups; only where three readings or more tell */
  driftPerWeek: Partial<Record<BoxKey, LearntRate>>
}

/** Older entries say little about how a tank behaves now (from memory). */
const WINDOW_DAYS = 120

/**
 * Learns evaporation and drift of a glass. What logged changes and top-ups did is taken off the readings first, so a
 * tank that is held up by its changes still shows its slide.
 * @param story the glass's log as `waterStory` reads it
 * @param nowMs today
 */
export function learnHabits(story: WaterStory, nowMs: number): LearntHabits {
  const since = nowMs - WINDOW_DAYS * DAY_MS
  const topUps = story.events.filter(e => e.kind === 'topUp' && e.at >= since)
  let evaporationLPerDay: LearntRate | null = null
  if (topUps.length >= 2) {
    // the first top-up replaced what went before the window: it only starts the clock
    const rates = topUps
      .slice(1)
      .map((e, i) => ({ days: Math.max(0.25, (e.at - topUps[i]!.at) / DAY_MS), litres: e.litres }))
    const days = rates.reduce((s, r) => s + r.days, 0)
    const value = rates.reduce((s, r) => s + r.litres, 0) / days
    const spread =
      rates.length > 1
        ? Math.sqrt(
            rates.reduce((s, r) => s + r.days * (r.litres / r.days - value) ** 2, 0) / days / (rates.length - 1),
          )
        : value * 0.4
    evaporationLPerDay = { value, low: Math.max(0, value - Z80 * spread), high: value + Z80 * spread, n: topUps.length }
  }
  const driftPerWeek: LearntHabits['driftPerWeek'] = {}
  for (const key of boxKeys) {
    const own = (story.readings.get(key) ?? []).filter(r => r.method !== 'reckoned' && r.at >= since)
    if (own.length < 3) continue
    const jumps = story.jumps.filter(j => j.key === key)
    const line = weightedLine(
      own.map(r => ({
        x: (r.at - nowMs) / WEEK_MS,
        y: r.value - jumps.reduce((s, j) => (j.at <= r.at && j.at >= since ? s + j.by : s), 0),
        sd: r.sd,
      })),
    )
    if (!line) continue
    driftPerWeek[key] = {
      value: line.slope,
      low: line.slope - line.t80 * line.slopeSe,
      high: line.slope + line.t80 * line.slopeSe,
      n: own.length,
    }
  }
  return { evaporationLPerDay, driftPerWeek }
}

/** Weeks over which logged changes are averaged. */
const CHANGES_WEEKS = 12

/** Litres a day that logged changes come to over the last twelve weeks. */
export const changedLPerDay = (story: Pick<WaterStory, 'events'>, nowMs: number): number =>
  story.events
    .filter(e => e.kind === 'change' && e.at > nowMs - CHANGES_WEEKS * WEEK_MS)
    .reduce((s, e) => s + e.litres, 0) /
  (CHANGES_WEEKS * 7)

/** A drift that is clear of chance; anything less is not carried into a forecast. */
export const clearDrift = (rate: LearntRate | undefined): number =>
  rate && (rate.low > 0 || rate.high < 0) ? rate.value : 0
