import type { Id, Moment } from './id'
import { momentMs } from './moments'
import type { Stay } from './stays'

/** The stay at a moment: before the first it is the first, and between two the one that ended last. */
export function stayAt(stays: readonly Stay[], atMs: number): Stay {
  return stays.findLast(s => momentMs(s.from) <= atMs) ?? stays[0]!
}

/** The glass in which something stands now: that of its last stay. */
export const presentGlassId = ({ stays }: { stays: readonly Stay[] }): Id => stays.at(-1)!.glassId

/**
 * Stays after a move: what is past stays where it was. A move on the day of the last one, or before it, replaces it.
 * @example colony.stays = movedTo(colony.stays, newGlassId, toMoment(Date.now()))
 * @returns the same stays when it stands in that glass already
 */
export function movedTo(stays: readonly Stay[], glassId: Id, at: Moment): Stay[] {
  const last = stays.at(-1)
  if (last?.glassId === glassId && last.to === undefined) return [...stays]
  const before = stays.filter(s => s.from < at).map(s => (s.to === undefined || s.to > at ? { ...s, to: at } : s))
  const previous = before.at(-1)
  // back to where it was until this very moment: as if it had never left
  if (previous?.glassId === glassId && previous.to === at) return [...before.slice(0, -1), openAgain(previous)]
  return [...before, { glassId, from: at }]
}

const openAgain = ({ glassId, from }: Stay): Stay => ({ glassId, from })
