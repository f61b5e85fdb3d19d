import type { Entry } from '#core/records'
import { AS_LOGGED } from '~/forms/readFields'

/** The waters that a change can be logged with; a correction may leave what was written down. */
export function usePourChoice(correcting: () => Entry | null | undefined) {
  const { usable } = useKnownSources()
  const options = computed(() => {
    const entry = correcting()
    const logged = entry && 'water' in entry && entry.water
    return [
      ...(logged ? [{ value: AS_LOGGED, title: 'as it was written down' }] : []),
      ...usable.value.map(({ source }) => ({ value: source.id, title: source.name })),
    ]
  })
  return { usable, options }
}
