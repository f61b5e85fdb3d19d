import type { Ladder, Line } from '#core/records'

/** The ladders by which lines are graded. */
export function useLadders() {
  const room = useRoomStore()
  /** Those of a line, the main one first. */
  const laddersOf = (line: Line): Ladder[] => line.ladderIds.flatMap(id => room.ladders.find(l => l.id === id) ?? [])
  /** The one by which it is bred. */
  const mainOf = (line: Line): Ladder | undefined => laddersOf(line)[0]
  return { laddersOf, mainOf }
}
