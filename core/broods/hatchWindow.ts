import type { Care } from '#core/groups'
import { DAY_MS, type Entry, momentMs } from '#core/records'

/** When young may come. Moments are milliseconds. */
export interface HatchWindow {
  fromMs: number
  toMs: number
  /** the sighting that began it */ seenMs: number
  /** most seen at once in this run */ number: number
}

/** Eggs that show eyes hatch within days (from memory). */
const EYED_DAYS = 7

/**
 * When eggs hatch that were seen at a moment. They were laid after the last look that found none, and not longer ago
 * than they take: the window is as wide as that leaves it.
 * @param seenMs when they were seen first
 * @param beforeMs the last look without any, null when nobody looked
 * @param days from laying to the hatch
 */
export function hatchWindow(
  seenMs: number,
  beforeMs: number | null,
  days: readonly [number, number],
  eyed = false,
): { fromMs: number; toMs: number } {
  if (eyed) return { fromMs: seenMs, toMs: seenMs + EYED_DAYS * DAY_MS }
  const laidFrom = Math.max(beforeMs ?? -Infinity, seenMs - days[0] * DAY_MS)
  return { fromMs: laidFrom + days[0] * DAY_MS, toMs: seenMs + days[1] * DAY_MS }
}

/** Eggs with eyes are still there, and not for long: what was reckoned before gives way where it does not fit. */
function eyedWindow({ fromMs, toMs }: HatchWindow, atMs: number): Pick<HatchWindow, 'fromMs' | 'toMs'> {
  const latest = atMs + EYED_DAYS * DAY_MS
  return {
    fromMs: fromMs < latest ? Math.max(fromMs, atMs) : atMs,
    toMs: toMs > atMs ? Math.min(toMs, latest) : latest,
  }
}

/**
 * Young that a colony's log lets expect: from the run of sightings after the last look that found nothing, or after the
 * last young.
 * @param entries standing entries of the colony, by time
 * @returns null when nothing is on the way
 */
export function youngExpected(brood: Care['brood'], entries: readonly Entry[]): HatchWindow | null {
  if (!brood || brood.sign === 'clutch') return null
  let beforeMs: number | null = null
  let run: HatchWindow | null = null
  for (const e of entries) {
    const at = momentMs(e.at)
    if (e.kind === 'young') {
      run = null
      continue
    }
    if (e.kind !== brood.sign) continue
    if (e.number === 0) {
      run = null
      beforeMs = at
      continue
    }
    const eyed = e.kind === 'berried' && (e.eyed ?? 0) > 0
    if (run) {
      run.number = Math.max(run.number, e.number)
      if (eyed) Object.assign(run, eyedWindow(run, at))
    } else run = { ...hatchWindow(at, beforeMs, brood.days.range, eyed), seenMs: at, number: e.number }
  }
  return run
}
