import { type EntryOf, type Id, momentMs, WEEK_MS } from '#core/records'
import type { Renewal } from './renewal'

/** Gradings that are told together: of a generation, or of a stretch of time. */
export interface Part {
  id: Id
  n: number
  fromMs: number
  own: EntryOf<'grading'>[]
}

/** Gradings that lie less far apart are of one stretch of time, in a line without generations. */
const STRETCH_WEEKS = 5

/** Stretches of time of animals that breed all the time, oldest first. */
export function stretchesOf(gradings: readonly EntryOf<'grading'>[]): Part[] {
  const parts: Part[] = []
  for (const e of gradings.toSorted((a, b) => (a.at < b.at ? -1 : 1))) {
    const last = parts.at(-1)
    if (last && momentMs(e.at) - last.fromMs < STRETCH_WEEKS * WEEK_MS) last.own.push(e)
    else parts.push({ id: e.id, n: parts.length + 1, fromMs: momentMs(e.at), own: [e] })
  }
  return parts
}

/**
 * When animals that breed all the time are graded again: half of the grown are new then.
 * @param fromMs when they were graded last
 */
export const gradeAgainMs = (fromMs: number, { halfNewWeeks }: Pick<Renewal, 'halfNewWeeks'>): number =>
  fromMs + halfNewWeeks * WEEK_MS
