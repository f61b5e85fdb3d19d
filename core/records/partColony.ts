import type { Colony, Heads } from './colony'
import { headsTotal } from './headsTotal'
import { begun } from './edited'
import type { EntryOf } from './entry'
import type { Id, Moment } from './id'
import { toMoment } from './moments'
import { movedTo } from './stayAt'

/** What an entry of the log gets beside what it says. */
export interface EntryStamp {
  id: Id
  loggedAt: Moment
  keeper?: string
}

/** A part of a colony that goes into another glass. */
export interface PartAsked {
  id: Id
  name: string
  glassId: Id
  /** who goes, by sex and size */
  heads: Heads
  /** those of them that are followed */
  animalIds?: readonly Id[]
  /** how many of them carry eggs; missing where nobody looked */
  berried?: number
  atMs: number
  nowMs: number
  stamp: EntryStamp
}

/**
 * Parts a colony: a new colony of the same line, habits and own figures in another glass, and the move of its first
 * animals, one entry that both colonies' numbers follow from. Taking that entry back undoes the parting of numbers.
 */
export function partColony(colony: Colony, asked: PartAsked): { colony: Colony; move: EntryOf<'move'> } {
  const { id, name, glassId, atMs, nowMs } = asked
  const at = toMoment(atMs)
  const { minimumKeep: _k, minimumFemales: _f, basedOn: _b, ended: _e, ...same } = colony
  return {
    colony: {
      ...same,
      ...begun(id, nowMs),
      name,
      fromColonyId: colony.id,
      founders: { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 },
      startedAt: at,
      stays: movedTo([], glassId, at),
    },
    move: moveOf(colony.id, id, asked),
  }
}

/**
 * Joins a colony to another: the move of those that are left, and the ending of the first.
 * @param into the colony that goes on
 * @param going who goes, those of them that are followed, and when
 */
export function joinColony(
  colony: Colony,
  into: Colony,
  going: Going,
): { colony: Colony; move: EntryOf<'move'> | null } {
  return {
    colony: { ...colony, ended: { at: toMoment(going.atMs), why: 'merged', intoId: into.id } },
    move: headsTotal(going.heads) > 0 ? moveOf(colony.id, into.id, going) : null,
  }
}

/** Who goes from one colony to another. */
type Going = Pick<PartAsked, 'heads' | 'animalIds' | 'berried' | 'atMs' | 'stamp'>

function moveOf(colonyId: Id, toColonyId: Id, { heads, animalIds = [], berried, atMs, stamp }: Going): EntryOf<'move'> {
  return {
    ...{ ...stamp, at: toMoment(atMs), kind: 'move', colonyId, toColonyId, number: headsTotal(heads), parts: heads },
    ...(animalIds.length > 0 && { animalIds: [...animalIds] }),
    ...(berried !== undefined && { berried }),
  }
}
