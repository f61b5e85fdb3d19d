import type { RoundCounter } from '#core/groups'
import { DAY_MS, type Entry, momentMs } from '#core/records'

/** What of a counter was seen last: a number, or how much was said of young; and days ago. */
export interface LastSeen {
  seen: number | 'few' | 'many'
  days: number
}

/** What one entry says to each counter; null when it is about something else. */
const says: Readonly<Record<RoundCounter, (e: Entry) => LastSeen['seen'] | null>> = {
  young: e => (e.kind === 'young' ? (e.number ?? (e.amount === 'many' ? 'many' : 'few')) : null),
  clutch: e => (e.kind === 'clutch' && e.event === 'laid' ? 1 : null),
  dead: e => (e.kind === 'death' ? e.number : null),
  berried: e => (e.kind === 'berried' ? e.number : null),
  eggMass: e => (e.kind === 'eggMass' ? e.number : null),
  molts: e => (e.kind === 'molts' ? e.number : null),
  dull: e => (e.kind === 'dull' ? e.number : null),
  limbLoss: e => (e.kind === 'limbLoss' ? e.number : null),
}

/**
 * What was seen last of what a counter counts.
 * @param entries standing entries of the colony, by time
 * @returns null when nothing of it is in the log
 */
export function lastSeen(counter: RoundCounter, entries: readonly Entry[], nowMs: number): LastSeen | null {
  for (let i = entries.length - 1; i >= 0; i--) {
    const seen = says[counter](entries[i]!)
    if (seen !== null) return { seen, days: (nowMs - momentMs(entries[i]!.at)) / DAY_MS }
  }
  return null
}

/** Skins are reckoned over two weeks at most, and over one where nobody knows when somebody looked last. */
const MOST_DAYS = 14
const UNKNOWN_DAYS = 7

/** Days since a glass was looked at before this round. */
export function daysSinceLook(entries: readonly Entry[], roundId: string, nowMs: number): number {
  const last = entries.findLast(e => e.kind === 'visit' && e.outcome === 'looked' && e.roundId !== roundId)
  return last ? Math.min(MOST_DAYS, (nowMs - momentMs(last.at)) / DAY_MS) : UNKNOWN_DAYS
}

/** Days in which something can still be told of the last food. */
const FOOD_DAYS = 3

/** Whether food was given of which something can be told. */
export const fedLately = (entries: readonly Entry[], nowMs: number): boolean =>
  entries.some(e => e.kind === 'feeding' && e.food !== undefined && momentMs(e.at) > nowMs - FOOD_DAYS * DAY_MS)
