import { liveQuery } from '~/data/database'

/**
 * A query on the database as a shallow ref that follows every write, from other tabs too; ends with its scope. When it
 * is asked about something else it is empty again until the answer comes: the rows of the subject before are never
 * shown for the new one. What goes wrong is told where trouble with the database is told.
 */
export function useLiveQuery<T>(query: () => Promise<T>, initial: T, deps: () => unknown = () => undefined) {
  const value = shallowRef<T>(initial)
  const ready = ref(false)
  watch(
    deps,
    (_new, old, onCleanup) => {
      if (old !== undefined) {
        value.value = initial
        ready.value = false
      }
      const subscription = liveQuery(query).subscribe({
        next: v => {
          value.value = v
          ready.value = true
        },
        error: (error: unknown) => useTroubleStore().tellRead(error),
      })
      onCleanup(() => subscription.unsubscribe())
    },
    { immediate: true },
  )
  return { value, ready }
}
