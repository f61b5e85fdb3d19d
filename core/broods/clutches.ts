import { DAY_MS, type Entry, type EntryOf, momentMs } from '#core/records'
import { type Brood, broodFrom } from './brood'

/** A clutch is found the morning after, or a day later (from memory). */
const FOUND_DAYS = 1.5

/**
 * The clutches of a colony, oldest first; each is known by the entry that found it.
 * @param entries standing entries of the colony, by time
 */
export function clutchesOf(entries: readonly Entry[]): Brood[] {
  const clutches = new Map<string, Brood>()
  for (const e of entries.filter((e): e is EntryOf<'clutch'> => e.kind === 'clutch')) {
    const at = momentMs(e.at)
    if (e.event === 'laid') {
      const of = { key: e.id, sign: 'clutch', who: null, number: 1, place: e.place ?? 'inPlace' } as const
      clutches.set(
        e.id,
        broodFrom(of, [{ fromMs: at - FOUND_DAYS * DAY_MS, toMs: at, weight: 1 }], { at, there: true }),
      )
    }
    const clutch = e.clutchId === undefined ? undefined : clutches.get(e.clutchId)
    if (!clutch) continue
    if (e.aboveCm !== undefined) clutch.aboveCm = e.aboveCm
    if (e.lostTo) clutch.lostTo = e.lostTo
    if (e.place) clutch.place = e.place
    if (e.young !== undefined) clutch.young = e.young
    if (e.event === 'hatched' || e.event === 'lost') clutch.end = { how: e.event, fromMs: clutch.lastSeenMs, toMs: at }
    else clutch.looks.push({ at, there: true })
    clutch.lastSeenMs = Math.max(clutch.lastSeenMs, at)
  }
  return [...clutches.values()]
}
