import { sourceWater } from '#core/water'

/** The room's sources, each with its water as far as it is known, and those that can be poured. */
export function useKnownSources() {
  const room = useRoomStore()
  const sources = computed(() => room.sources.map(source => ({ source, known: sourceWater(source) })))
  const usable = computed(() =>
    sources.value.flatMap(({ source, known }) => (known ? [{ source, water: known.water }] : [])),
  )
  return { sources, usable }
}
