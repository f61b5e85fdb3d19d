import { type Meeting, meetingOf, worstMeeting } from '#core/care'
import { type Colony, type Glass, type Id, waterOf } from '#core/records'

/** Whom the animals of a colony meet in a glass, and in its water. */
export function useMeeting() {
  const room = useRoomStore()
  const waterIdOf = (glass: Glass) => waterOf(glass, Date.now(), room.glassById).id
  /** How a colony stands to all that live in a glass. */
  const meetsIn = (colony: Colony, glassId: Id): Meeting =>
    worstMeeting(
      (room.coloniesByGlass.get(glassId) ?? [])
        .filter(c => c.id !== colony.id)
        .map(c => meetingOf(colony, c, room.lines)),
    )
  /** Colonies that would cross with one, and hang or stand in the same water as a glass, but not in it. */
  function besideIn(colony: Colony, glassId: Id): Colony[] {
    const glass = room.glassById.get(glassId)
    if (!glass) return []
    return room.glasses
      .filter(g => g.id !== glassId && waterIdOf(g) === waterIdOf(glass))
      .flatMap(g => room.coloniesByGlass.get(g.id) ?? [])
      .filter(c => c.id !== colony.id && meetingOf(colony, c, room.lines) === 'crosses')
  }
  return { meetsIn, besideIn }
}
