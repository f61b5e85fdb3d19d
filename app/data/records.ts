import {
  type Animal,
  type Colony,
  type EggLot,
  type Glass,
  inUse,
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
  lines: Line[]
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
  lines: [],
  colonies: [],
  animals: [],
  eggLots: [],
  sources: [],
  shelf: [],
  plans: [],
}

/**
 * Reads a room with its racks, glasses, lines, colonies, animals, dry eggs, sources, shelf and plans.
 * @param roomId which room; the newest one in use when it is missing or unknown
 */
export async function roomRecords(db: UlkinDb, roomId: string | null): Promise<RoomRecords> {
  const rooms = await db.records('rooms').orderBy('id').toArray()
  const room = rooms.find(r => r.id === roomId) ?? rooms.findLast(inUse) ?? rooms.at(-1) ?? null
  if (!room) return { ...noRoom, rooms }
  const inRoom = <T extends 'racks' | 'glasses' | 'lines' | 'animals' | 'eggLots' | 'sources' | 'shelf' | 'plans'>(
    table: T,
  ) => db.records(table).where('roomId').equals(room.id)
  const [sources, shelf, plans, racks, glasses, lines, animals, eggLots] = await Promise.all([
    inRoom('sources').sortBy('id'),
    inRoom('shelf').sortBy('id'),
    inRoom('plans').sortBy('id'),
    inRoom('racks').sortBy('order'),
    inRoom('glasses').toArray(),
    inRoom('lines').sortBy('id'),
    inRoom('animals').sortBy('id'),
    inRoom('eggLots').sortBy('id'),
  ])
  const colonies = await db
    .records('colonies')
    .where('keys')
    .anyOf(glasses.map(g => g.id))
    .distinct()
    .sortBy('id')
  return { rooms, room, racks, glasses, lines, colonies, animals, eggLots, sources, shelf, plans }
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
