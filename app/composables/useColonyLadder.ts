import { presentRungs } from '#core/records'

/** The line that a colony holds, and the ladder by which it is graded. */
export function useColonyLadder(colonyId: Ref<string>) {
  const room = useRoomStore()
  const colony = computed(() => room.colonyById.get(colonyId.value))
  const line = computed(() => room.lines.find(l => l.id === colony.value?.lineId))
  const ladder = computed(() => room.ladders.find(l => l.id === line.value?.ladderIds[0]))
  const rungs = computed(() => (ladder.value ? presentRungs(ladder.value) : []))
  return { colony, line, ladder, rungs }
}
