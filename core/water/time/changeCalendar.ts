import { DAY_MS } from '#core/records'
import { isPartChange, type WaterStory } from './events'

/** A day early or late never matters (common practice); more than this before its day is early. */
const EARLY_DAYS = 1.5

/** When water was changed last, when the next change may be poured, and whether pouring today would be early. */
export interface ChangeCalendar {
  lastMs: number | null
  nextMs: number
  early: boolean
}

/**
 * The next change of a glass: not sooner than its school's days after the last one, so that what a week allows is not
 * poured twice. Fills do not count.
 */
export function changeCalendar(
  story: Pick<WaterStory, 'events'>,
  netL: number,
  everyDays: number,
  nowMs: number,
): ChangeCalendar {
  const lastMs = story.events.findLast(e => isPartChange(e, netL))?.at ?? null
  const nextMs = lastMs === null ? nowMs : Math.max(nowMs, lastMs + everyDays * DAY_MS)
  return { lastMs, nextMs, early: nextMs > nowMs + EARLY_DAYS * DAY_MS }
}
