import { countsIn, type Standings, standingTotal } from '#core/lines'
import {
  begun,
  type BreedingGroup,
  type Colony,
  DAY_MS,
  Entry,
  type EntryOf,
  type Heads,
  type Order,
  type RungCount,
  toMoment,
} from '#core/records'
import { newId } from '~/data/newId'

/** Where the trays go when the breeders are set. */
export interface BreedTyped {
  /** colony in which they breed */
  breedIn: string
  /** a colony, or how they leave */
  partTo: string
}
/** Ways out for those that are parted, beside another colony. */
export const partOutlets = { given: 'given away', culled: 'culled, humanely' } as const

const headsOf = (list: readonly RungCount[]): Heads => {
  const of = (sex: RungCount['sex']) => list.reduce((sum, r) => sum + (r.sex === sex ? r.number : 0), 0)
  return { females: of('female'), males: of('male'), unsexed: of('unknown'), halfGrown: 0, young: 0 }
}

/** What is written when the breeders are set. */
export interface BreedersSet {
  group: BreedingGroup
  order: Order | null
  moves: (EntryOf<'move'> | EntryOf<'removal'>)[]
}

/** What the trays need to be written. */
export interface BreedAbout {
  group: BreedingGroup
  colony: Colony
  trays: { breed: Standings; offer: Standings; part: Standings }
  stamp: (after?: string) => { id: string; loggedAt: string; keeper?: string }
  nowMs: number
}

/**
 * Turns the trays into records: who breeds from now on, where they and the parted go, and what is offered as an order
 * of the weekly list. @returns a sentence where something is missing
 */
export function readBreeders(typed: BreedTyped, about: BreedAbout): BreedersSet | string {
  const { group, colony, trays, stamp, nowMs } = about
  const breed = countsIn(trays.breed)
  const many = headsOf(breed)
  if (many.unsexed === 0 && (many.females === 0 || many.males === 0))
    return 'Put at least one female and one male into the breeding tray.'
  if (standingTotal(trays.part) > 0 && typed.partTo === '') return 'Say where the parted ones go.'
  const at = toMoment(nowMs)
  const leaving = (list: readonly RungCount[]) => ({
    ...{ at, colonyId: colony.id, number: list.reduce((sum, r) => sum + r.number, 0) },
    ...{ parts: headsOf(list), rungs: [...list] },
  })
  const moves: BreedersSet['moves'] = []
  const add = (entry: object) => {
    moves.push(Entry.parse({ ...stamp(moves.at(-1)?.id), ...entry }) as BreedersSet['moves'][number])
  }
  if (typed.breedIn !== colony.id) add({ ...leaving(breed), kind: 'move', toColonyId: typed.breedIn })
  const part = countsIn(trays.part)
  if (part.length > 0) {
    if (Object.hasOwn(partOutlets, typed.partTo)) add({ ...leaving(part), kind: 'removal', outlet: typed.partTo })
    else add({ ...leaving(part), kind: 'move', toColonyId: typed.partTo })
  }
  const offered = standingTotal(trays.offer)
  const order: Order | null =
    offered > 0
      ? {
          ...begun(newId(), nowMs),
          ...{ roomId: group.roomId, colonyId: colony.id, who: 'Weekly list', number: offered, of: 'adults' },
          ...{ dueAt: toMoment(nowMs + 28 * DAY_MS), state: 'open' },
        }
      : null
  return { group: { ...group, state: 'running', colonyId: typed.breedIn, from: at, parents: breed }, order, moves }
}
