import { bySex, countsIn, type Standings, standingTotal } from '#core/lines'
import {
  type Animal,
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
  /** followed animals among those that breed, and those that are parted */
  named?: { breed: readonly Animal[]; part: readonly Animal[] }
  stamp: (after?: string) => { id: string; loggedAt: string; keeper?: string }
  nowMs: number
}

/**
 * Turns the trays into records: who breeds from now on, where they and the parted go, and what is offered as an order
 * of the weekly list. @returns a sentence where something is missing
 */
export function readBreeders(typed: BreedTyped, about: BreedAbout): BreedersSet | string {
  const { group, colony, trays, named = { breed: [], part: [] }, stamp, nowMs } = about
  const breed = countsIn(trays.breed)
  const many = headsOfRungs(breed)
  if (many.unsexed === 0 && (many.females === 0 || many.males === 0))
    return 'Put at least one female and one male into the breeding tray.'
  if (standingTotal(trays.part) > 0 && typed.partTo === '') return 'Say where the parted ones go.'
  const wrong = namedIssue(named, trays)
  if (wrong) return wrong
  const at = toMoment(nowMs)
  const leaving = (list: readonly RungCount[], who: readonly Animal[]) => ({
    ...{ at, colonyId: colony.id, number: rungsTotal(list), parts: headsOfRungs(list), rungs: [...list] },
    ...(who.length > 0 && { animalIds: who.map(a => a.id) }),
  })
  const moves: BreedersSet['moves'] = []
  const add = (entry: object) => {
    moves.push(Entry.parse({ ...stamp(moves.at(-1)?.id), ...entry }) as BreedersSet['moves'][number])
  }
  if (typed.breedIn !== colony.id) add({ ...leaving(breed, named.breed), kind: 'move', toColonyId: typed.breedIn })
  const part = countsIn(trays.part)
  if (part.length > 0) {
    if (Object.hasOwn(partOutlets, typed.partTo))
      add({ ...leaving(part, named.part), kind: 'removal', outlet: typed.partTo })
    else add({ ...leaving(part, named.part), kind: 'move', toColonyId: typed.partTo })
  }
  const orders = offeredOrders(about)
  const animalIds = named.breed.map(a => a.id)
  const running: BreedingGroup = {
    ...group,
    state: 'running',
    colonyId: typed.breedIn,
    from: at,
    parents: breed,
    animalIds,
  }
  return { group: running, orders, moves }
}

/** Why those that are named cannot be among those that breed or are parted; empty where they can. */
function namedIssue({ breed, part }: NonNullable<BreedAbout['named']>, trays: BreedAbout['trays']): string {
  const both = breed.find(a => part.includes(a))
  if (both) return `${both.name} cannot breed and be parted: take it out of one of the two.`
  for (const [who, tray] of [[breed, trays.breed] as const, [part, trays.part] as const])
    for (const sex of ['female', 'male'] as const) {
      const [many, there] = [who.filter(a => a.sex === sex).length, bySex(countsIn(tray))[`${sex}s`]]
      if (many > there) return `${many} named ${sex} where the tray holds ${there}: put more into it, or name fewer.`
    }
  const unknown = breed.find(a => a.sex === 'unknown')
  return unknown ? `Say whether ${unknown.name} is female or male first: it cannot be told where it stands.` : ''
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
