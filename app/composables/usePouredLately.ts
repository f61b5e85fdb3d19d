import { currentEntries, type Entry, WEEK_MS } from '#core/records'
import { pouredSince } from '#core/water'
import { openDb } from '~/data/database'
import { entriesOfKinds } from '~/data/log'

/** Weeks over which what was poured is summed up. */
export const POURED_WEEKS = 12

/** What was poured and weighed out in the last weeks, in this room. */
export function usePouredLately(nowMs: () => number) {
  const room = useRoomStore()
  const sinceMs = nowMs() - POURED_WEEKS * WEEK_MS
  const { value: entries } = useLiveQuery<Entry[]>(
    () => entriesOfKinds(openDb(), ['waterChange', 'topUp', 'withdrawal'], sinceMs),
    [],
  )
  const here = (e: Entry) => 'glassId' in e && e.glassId !== undefined && room.glassById.has(e.glassId)
  return computed(() => pouredSince(currentEntries(entries.value).filter(here), sinceMs))
}
