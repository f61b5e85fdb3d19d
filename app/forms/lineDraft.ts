import { begun, type Line } from '#core/records'
import { newId } from '~/data/newId'

/** A line that begins: all of its species group cross with it, and it has no ladder yet. */
export const newLineRecord = (about: Pick<Line, 'roomId' | 'name' | 'groupId'>, nowMs: number): Line => ({
  ...begun(newId(), nowMs),
  ...about,
  crossingGroup: about.groupId,
  ladderIds: [],
})
