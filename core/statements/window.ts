import { type Heads, headsTotal, WEEK_MS } from '#core/records'
import type { PopulationEvent } from '#core/population'
import { Z80 } from '#core/stats'

/**
 * Steps that a fit lives through at most: weeks of thirteen years, days of two for animals that live in days. What lies
 * before says nothing of today any more, and a colony that was begun in another century must not hold up the others.
 */
export const MOST_STEPS = 700

/** The part of a log that is lived through. */
export interface FitWindow {
  startMs: number
  founders: Heads
  /** doubt of their number, on the log scale */
  foundersSd?: number
  /** what lies before this moment is left out; null when nothing is */
  leftOutBefore: number | null
}

/**
 * Where a fit begins. A log that is too long begins later, with the number that was counted last before, or with the
 * founders and what came and went.
 */
export function fitWindow(
  began: { startMs: number; founders: Heads },
  events: readonly PopulationEvent[],
  { dtWeeks, mostSteps }: { dtWeeks: number; mostSteps: number },
  nowMs: number,
): FitWindow {
  const earliest = nowMs - mostSteps * dtWeeks * WEEK_MS
  if (began.startMs >= earliest) return { ...began, leftOutBefore: null }
  const before = events.filter(e => e.at < earliest)
  const counted = before.findLast(e => e.kind === 'count')
  const since = counted?.at ?? began.startMs
  const first = counted?.kind === 'count' ? counted.evidence.value : headsTotal(began.founders)
  const moved = before.reduce((sum, e) => (e.kind === 'step' && e.at > since ? sum + e.change : sum), 0)
  const unsexed = Math.min(MOST_FOUNDERS, Math.max(0, Math.round(first + moved)))
  const founders = { females: 0, males: 0, unsexed, halfGrown: 0, young: 0 }
  const foundersSd =
    counted?.kind === 'count'
      ? Math.max(LEAST_SD, Math.log((counted.evidence.high + 0.5) / (counted.evidence.low + 0.5)) / (2 * Z80))
      : UNCOUNTED_SD
  return { startMs: earliest, founders, foundersSd, leftOutBefore: earliest }
}

/** Doubt of a number that stands for what lies before: at least, and where nobody ever counted (from memory). */
const LEAST_SD = 0.1
const UNCOUNTED_SD = 0.4

/** Each founder is drawn by itself. */
const MOST_FOUNDERS = 20_000
