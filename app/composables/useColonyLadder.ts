import { presentRungs } from '#core/records'

/** The line that a colony holds, and its ladders, the main one first. */
export function useColonyLadder(colonyId: Ref<string>) {
  const room = useRoomStore()
  const { laddersOf } = useLadders()
  const colony = computed(() => room.colonyById.get(colonyId.value))
  const line = computed(() => room.lines.find(l => l.id === colony.value?.lineId))
  const ladders = computed(() => (line.value ? laddersOf(line.value) : []))
  const ladder = computed(() => ladders.value[0])
  const rungs = computed(() => (ladder.value ? presentRungs(ladder.value) : []))
  return { colony, line, ladders, ladder, rungs }
}
