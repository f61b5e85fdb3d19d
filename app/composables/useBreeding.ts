import { breedingCore, gradeAgainMs, renewalOf, runningOf, seenIn, stretchesOf, weeksUntilGrown } from '#core/lines'
import { groupOf } from '#core/groups'
import { type Colony, type Entry, type Line, type RungCount, WEEK_MS } from '#core/records'

/** Who breeds of a line just now. */
export function useBreeding() {
  const room = useRoomStore()
  /** Choices of breeders of the newest generation that are at it, or were, and whose young nobody graded. */
  function breedersOf(line: Line) {
    const newest = room.generations.filter(g => g.lineId === line.id).at(-1)
    return runningOf(room.breedingGroups, newest?.id)
  }
  /** When the first of their young are grown, as usual for the group; null where nobody breeds. */
  function grownMs(line: Line): number | null {
    const [first] = breedersOf(line).toSorted((a, b) => (a.from < b.from ? -1 : 1))
    return first ? Date.parse(first.from) + weeksUntilGrown(groupOf(line.groupId).stages) * WEEK_MS : null
  }
  /** Those of a colony that breed for its line now: nobody offers them. */
  function coreOf(colony: Colony): RungCount[] {
    const line = room.lines.find(l => l.id === colony.lineId)
    return line ? breedingCore(breedersOf(line), colony.id) : []
  }
  /** When the young of those that breed in a colony are grown; null where none breed in it, or breed no more. */
  function grownIn(colony: Colony): number | null {
    const line = room.lines.find(l => l.id === colony.lineId)
    return line && breedersOf(line).some(b => b.colonyId === colony.id) ? grownMs(line) : null
  }
  /**
   * When half of the grown are new since a colony was graded whose line breeds all the time; null elsewhere, and where
   * it was graded once alone: nobody who looked one time is asked for ever.
   */
  function halfNewIn(colony: Colony, entries: readonly Entry[]): number | null {
    const line = room.lines.find(l => l.id === colony.lineId)
    if (!line || line.spareColonyId === colony.id || room.generations.some(g => g.lineId === line.id)) return null
    const ladder = room.ladders.find(l => l.id === line.ladderIds[0])
    const stretches = stretchesOf(
      entries.filter(e => e.kind === 'grading').filter(e => ladder && seenIn(e, ladder).length > 0),
    )
    return stretches.length > 1 ? gradeAgainMs(stretches.at(-1)!.fromMs, renewalOf(groupOf(line.groupId))) : null
  }
  return { breedersOf, coreOf, grownIn, grownMs, halfNewIn }
}
