import type { Device, StreamState } from '~/devices/stream'

/**
 * A device's newest reading and the state of its line, while the component lives. `key` opens the line anew when it
 * changes; null closes it.
 */
export function useDevice<T>(make: () => Device<T>, key: () => unknown) {
  const reading = shallowRef<T | null>(null)
  const state = ref<StreamState>('connecting')
  watch(
    key,
    (now, _before, onCleanup) => {
      reading.value = null
      if (now === null) return
      onCleanup(
        make().listen(
          r => {
            reading.value = r
          },
          s => {
            state.value = s
          },
        ),
      )
    },
    { immediate: true },
  )
  return { reading, state }
}
