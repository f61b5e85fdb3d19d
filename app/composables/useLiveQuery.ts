import { liveQuery } from '~/data/database'

/** A query on the database as a shallow ref that follows every write, from other tabs too; ends with its scope. */
export function useLiveQuery<T>(query: () => Promise<T>, initial: T, deps: () => unknown = () => undefined) {
  const value = shallowRef<T>(initial)
  const ready = ref(false)
  watch(
    deps,
    (_new, _old, onCleanup) => {
      const subscription = liveQuery(query).subscribe({
        next: v => {
          value.value = v
          ready.value = true
        },
        error: e => {
          throw e
        },
      })
      onCleanup(() => subscription.unsubscribe())
    },
    { immediate: true },
  )
  return { value, ready }
}
