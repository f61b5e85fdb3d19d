/**
 * Fetches what will be opened next once the room is told and the page has nothing to do. What cannot be fetched now is
 * fetched when it is opened.
 * @param fetchAhead begins the fetching
 */
export function useFetchAhead(fetchAhead: () => Promise<unknown>[]): void {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const begin = () => void Promise.allSettled(fetchAhead())
  whenever(
    () => room.colonies.length > 0 && statements.complete && statements.busy === 0,
    () => {
      // not every browser has idle callbacks
      if ('requestIdleCallback' in window) requestIdleCallback(begin)
      else setTimeout(begin, 500)
    },
    { immediate: true, once: true },
  )
}
