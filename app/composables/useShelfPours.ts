import { currentEntries, type Entry, momentMs } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOfKinds } from '~/data/log'

/**
 * Standing entries in which something of the shelf may have been weighed out: only what was written since the oldest
 * stock was noted.
 */
export function useShelfPours() {
  const room = useRoomStore()
  const sinceMs = computed(() =>
    Math.min(...room.shelf.filter(i => i.stockG !== undefined).map(i => momentMs(i.editedAt))),
  )
  const { value: pours } = useLiveQuery<Entry[]>(
    () =>
      Number.isFinite(sinceMs.value)
        ? entriesOfKinds(openDb(), ['waterChange', 'topUp', 'withdrawal'], sinceMs.value)
        : Promise.resolve([]),
    [],
    () => sinceMs.value,
  )
  return computed(() => currentEntries(pours.value))
}
