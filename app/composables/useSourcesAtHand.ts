import type { Entry } from '#core/records'
import { sourceWater } from '#core/water'
import type { SourceAtHand } from '~/forms/readDraft'
import { AS_LOGGED } from '~/forms/readFields'

/** The room's waters as far as they are known, to choose from; a correction may leave what was written down. */
export function useSourcesAtHand(correcting: () => Entry | null | undefined) {
  const room = useRoomStore()
  const usable = computed(() =>
    room.sources.flatMap(({ id, name, ...source }): SourceAtHand[] => {
      const known = sourceWater(source)
      return known ? [{ id, name, water: known.water }] : []
    }),
  )
  const options = computed(() => {
    const entry = correcting()
    const logged = entry && 'water' in entry && entry.water
    return [
      ...(logged ? [{ value: AS_LOGGED, title: 'as it was written down' }] : []),
      ...usable.value.map(u => ({ value: u.id, title: u.name })),
    ]
  })
  return { usable, options }
}
