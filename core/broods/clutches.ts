import type { Care } from '#core/groups'
import { DAY_MS, type Entry, type EntryOf, momentMs } from '#core/records'

export type ClutchState = 'open' | 'hatched' | 'lost'
/** One clutch as the log tells it. Moments are milliseconds. */
export interface Clutch {
  id: string
  laidMs: number
  /** the last time that somebody wrote about it */
  seenMs: number
  state: ClutchState
  place: 'inPlace' | 'incubator'
  fromMs: number
  toMs: number
  young: number | null
}

/**
 * The clutches of a colony, oldest first.
 * @param days from laying to the hatch
 * @param entries standing entries of the colony, by time
 */
export function clutchesOf(brood: Care['brood'], entries: readonly Entry[]): Clutch[] {
  if (brood?.sign !== 'clutch') return []
  const [first, last] = brood.days.range
  const clutches = new Map<string, Clutch>()
  for (const e of entries.filter((e): e is EntryOf<'clutch'> => e.kind === 'clutch')) {
    const at = momentMs(e.at)
    if (e.event === 'laid')
      clutches.set(e.id, {
        id: e.id,
        laidMs: at,
        seenMs: at,
        state: 'open',
        place: e.place ?? 'inPlace',
        fromMs: at + first * DAY_MS,
        toMs: at + last * DAY_MS,
        young: null,
      })
    const clutch = e.clutchId === undefined ? undefined : clutches.get(e.clutchId)
    if (!clutch) continue
    clutch.seenMs = Math.max(clutch.seenMs, at)
    if (e.place) clutch.place = e.place
    if (e.event === 'hatched' || e.event === 'lost') clutch.state = e.event
    if (e.young !== undefined) clutch.young = e.young
  }
  return [...clutches.values()]
}
