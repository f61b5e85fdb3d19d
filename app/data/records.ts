import {
  type Animal,
  type BreedingGroup,
  type Colony,
  type EggLot,
  type Generation,
  type Glass,
  inUse,
  type Ladder,
  type Line,
  type Order,
  type Plan,
  type Practice,
  type Rack,
  type Room,
  type Scenario,
  type ShelfItem,
  type Source,
} from '#core/records'
import type { UlkinDb } from './database'

/** The records of one room, without its log; ended ones too. */
export interface RoomRecords {
  rooms: Room[]
  room: Room | null
  racks: Rack[]
  glasses: Glass[]
  ladders: Ladder[]
  lines: Line[]
  generations: Generation[]
  breedingGroups: BreedingGroup[]
  colonies: Colony[]
  animals: Animal[]
  eggLots: EggLot[]
  sources: Source[]
  shelf: ShelfItem[]
  plans: Plan[]
}

/** No room yet. */
export const noRoom: RoomRecords = {
  rooms: [],
  room: null,
  racks: [],
  glasses: [],
  ladders: [],
  lines: [],
  generations: [],
  breedingGroups: [],
  colonies: [],
  animals: [],
  eggLots: [],
  sources: [],
  shelf: [],
  plans: [],
}

type RoomTable =
  | 'racks'
  | 'glasses'
  | 'ladders'
  | 'lines'
  | 'generations'
  | 'breedingGroups'
  | 'animals'
  | 'eggLots'
  | 'sources'
  | 'shelf'
  | 'plans'

/**
 * Reads a room with its racks, glasses, lines, colonies, animals, dry eggs, sources, shelf and plans.
 * @param roomId which room; the newest one in use when it is missing or unknown
 */
export async function roomRecords(db: UlkinDb, roomId: string | null): Promise<RoomRecords> {
  const rooms = await db.records('rooms').orderBy('id').toArray()
  const room = rooms.find(r => r.id === roomId) ?? rooms.findLast(inUse) ?? rooms.at(-1) ?? null
  if (!room) return { ...noRoom, rooms }
  const inRoom = <T extends RoomTable>(table: T) => db.records(table).where('roomId').equals(room.id)
  const [sources, shelf, plans, racks, glasses, ladders, lines, generations, breedingGroups, animals, eggLots] =
    await Promise.all([
      inRoom('sources').sortBy('id'),
      inRoom('shelf').sortBy('id'),
      inRoom('plans').sortBy('id'),
      inRoom('racks').sortBy('order'),
      inRoom('glasses').toArray(),
      inRoom('ladders').sortBy('id'),
      inRoom('lines').sortBy('id'),
      inRoom('generations').sortBy('n'),
      inRoom('breedingGroups').sortBy('from'),
      inRoom('animals').sortBy('id'),
      inRoom('eggLots').sortBy('id'),
    ])
  const colonies = await db
    .records('colonies')
    .where('keys')
    .anyOf(glasses.map(g => g.id))
    .distinct()
    .sortBy('id')
  const bred = { ladders, lines, generations, breedingGroups }
  return { rooms, room, racks, glasses, ...bred, colonies, animals, eggLots, sources, shelf, plans }
}

/** Scenarios of a colony that are not put away, oldest first. */
export const scenariosOf = async (db: UlkinDb, colonyId: string): Promise<Scenario[]> =>
  (await db.records('scenarios').where('colonyId').equals(colonyId).sortBy('id')).filter(inUse)

/** Orders of a room, by the day on which they are due. */
export const ordersOf = (db: UlkinDb, roomId: string): Promise<Order[]> =>
  db.records('orders').where('roomId').equals(roomId).sortBy('dueAt')

/** What was practised in a room, oldest first. */
export const practiceOf = (db: UlkinDb, roomId: string): Promise<Practice[]> =>
  db.records('practice').where('roomId').equals(roomId).sortBy('id')
