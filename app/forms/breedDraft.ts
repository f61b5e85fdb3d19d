import { countsIn, type Standings, standingTotal } from '#core/lines'
import {
  begun,
  type BreedingGroup,
  type Colony,
  DAY_MS,
  Entry,
  type EntryOf,
  type Ladder,
  type Order,
  type RungCount,
  rungsTotal,
  toMoment,
} from '#core/records'
import { newId } from '~/data/newId'
import { headsOfRungs } from './headsOfRungs'

/** Where the trays go when the breeders are set. */
export interface BreedTyped {
  /** colony in which they breed */
  breedIn: string
  /** a colony, or how they leave */
  partTo: string
}
/** Ways out for those that are parted, beside another colony. */
export const partOutlets = { given: 'given away', culled: 'culled, humanely' } as const

/** What is written when the breeders are set. */
export interface BreedersSet {
  group: BreedingGroup
  orders: Order[]
  moves: (EntryOf<'move'> | EntryOf<'removal'>)[]
}

/** What the trays need to be written. */
export interface BreedAbout {
  group: BreedingGroup
  colony: Colony
  ladder: Pick<Ladder, 'rungs'>
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
  const many = headsOfRungs(breed)
  if (many.unsexed === 0 && (many.females === 0 || many.males === 0))
    return 'Put at least one female and one male into the breeding tray.'
  if (standingTotal(trays.part) > 0 && typed.partTo === '') return 'Say where the parted ones go.'
  const at = toMoment(nowMs)
  const leaving = (list: readonly RungCount[]) => ({
    ...{ at, colonyId: colony.id, number: list.reduce((sum, r) => sum + r.number, 0) },
    ...{ parts: headsOfRungs(list), rungs: [...list] },
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
  const orders = offeredOrders(about)
  return { group: { ...group, state: 'running', colonyId: typed.breedIn, from: at, parents: breed }, orders, moves }
}

/** What lies on offer, an order for each rung: who wants them is not known yet. */
function offeredOrders({ group, colony, ladder, trays, nowMs }: BreedAbout): Order[] {
  const offered = countsIn(trays.offer)
  return [...new Set(offered.map(o => o.rungId))].map(rungId => {
    const own = offered.filter(o => o.rungId === rungId)
    const sexes = [...new Set(own.map(o => o.sex))]
    const priceEach = ladder.rungs.find(r => r.id === rungId)?.priceEach
    return {
      ...begun(newId(), nowMs),
      ...{ roomId: group.roomId, colonyId: colony.id, who: 'whoever asks', number: rungsTotal(own), rungId },
      of: sexes.length === 1 && sexes[0] !== 'unknown' ? (`${sexes[0]!}s` as const) : ('adults' as const),
      ...(priceEach !== undefined && { priceEach }),
      ...{ dueAt: toMoment(nowMs + 28 * DAY_MS), state: 'open' as const },
    }
  })
}
