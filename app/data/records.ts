import { dequal } from 'dequal'
import type { AtticItem } from '#core/formats'
import { Colony, Glass, Order, Plan, Practice, Rack, Room, Scenario, ShelfItem, Source, toMoment } from '#core/records'
import type { UlkinDb } from './database'
import { newId } from './newId'
import { touchColonies } from './revisions'

/** The records of one room, without its log. */
export interface RoomRecords {
  rooms: Room[]
  room: Room | null
  racks: Rack[]
  glasses: Glass[]
  colonies: Colony[]
  sources: Source[]
  shelf: ShelfItem[]
  plans: Plan[]
}

/**
 * Reads a room with its racks, glasses, colonies, sources, shelf and plans.
 * @param roomId which room; the newest one when it is missing or unknown
 */
export async function roomRecords(db: UlkinDb, roomId: string | null): Promise<RoomRecords> {
  const rooms = await db.rooms.orderBy('id').toArray()
  const room = rooms.find(r => r.id === roomId) ?? rooms.at(-1) ?? null
  if (!room) return { rooms, room, racks: [], glasses: [], colonies: [], sources: [], shelf: [], plans: [] }
  const [sources, shelf, plans, racks, glasses] = await Promise.all([
    db.sources.where('roomId').equals(room.id).sortBy('id'),
    db.shelf.where('roomId').equals(room.id).sortBy('id'),
    db.plans.where('roomId').equals(room.id).sortBy('id'),
    db.racks.where('roomId').equals(room.id).sortBy('order'),
    db.glasses.where('roomId').equals(room.id).toArray(),
  ])
  const colonies = await db.colonies
    .where('glassId')
    .anyOf(glasses.map(g => g.id))
    .sortBy('id')
  return { rooms, room, racks, glasses, colonies, sources, shelf, plans }
}

const schemas = {
  rooms: Room,
  racks: Rack,
  glasses: Glass,
  colonies: Colony,
  sources: Source,
  shelf: ShelfItem,
  plans: Plan,
  scenarios: Scenario,
  orders: Order,
  practice: Practice,
}
interface Tables {
  rooms: Room
  racks: Rack
  glasses: Glass
  colonies: Colony
  sources: Source
  shelf: ShelfItem
  plans: Plan
  scenarios: Scenario
  orders: Order
  practice: Practice
}
export type RecordTable = keyof Tables

/** Scenarios of a colony that are not put away, oldest first. */
export const scenariosOf = async (db: UlkinDb, colonyId: string): Promise<Scenario[]> =>
  (await db.scenarios.where('colonyId').equals(colonyId).sortBy('id')).filter(s => !s.retired)
/** Orders of a room, by the day on which they are due. */
export const ordersOf = (db: UlkinDb, roomId: string): Promise<Order[]> =>
  db.orders.where('roomId').equals(roomId).sortBy('dueAt')
/** What was practised in a room, oldest first. */
export const practiceOf = (db: UlkinDb, roomId: string): Promise<Practice[]> =>
  db.practice.where('roomId').equals(roomId).sortBy('id')

/**
 * Writes a record; the version that it replaces goes to the attic, so that nothing is lost.
 * @throws ZodError when the record does not fit its schema, and nothing is written
 */
export async function saveRecord<T extends RecordTable>(
  db: UlkinDb,
  table: T,
  record: Tables[T],
  nowMs: number,
): Promise<void> {
  const checked = schemas[table].parse({ ...record, editedAt: toMoment(nowMs) }) as Tables[T]
  await db.transaction('rw', [db.table(table), db.glasses, db.colonies, db.attic, db.revisions], async () => {
    const old = await db.table<Tables[T]>(table).get(checked.id)
    if (old && dequal({ ...old, editedAt: '' }, { ...checked, editedAt: '' })) return
    if (old) await db.attic.add(atticItem(table, old, nowMs))
    await db.table(table).put(checked)
    await touchRecord(db, table, checked)
  })
}

/** A replaced version of a record, for the attic. */
export function atticItem(table: AtticItem['table'], record: object, nowMs: number): AtticItem {
  return { id: newId(), table, replacedAt: toMoment(nowMs), record: { ...record } }
}

/** A change of a record may change what is said of colonies: which ones depends on the table. Racks, sources, shelf and plans say nothing. */
async function touchRecord(db: UlkinDb, table: RecordTable, record: { id: string }): Promise<void> {
  if (table === 'colonies') await touchColonies(db, { colonyIds: [record.id] })
  if (table === 'glasses') await touchColonies(db, { glassIds: [record.id] })
}

/**
 * Writes a new glass with its first colony, or a colony alone, as one step.
 * @throws ZodError when one of them does not fit its schema, and nothing is written
 */
export async function saveColonyInGlass(
  db: UlkinDb,
  colony: Colony,
  newGlass: Glass | null,
  nowMs: number,
): Promise<void> {
  await db.transaction('rw', [db.rooms, db.racks, db.glasses, db.colonies, db.attic, db.revisions], async () => {
    if (newGlass) await saveRecord(db, 'glasses', newGlass, nowMs)
    await saveRecord(db, 'colonies', colony, nowMs)
  })
}
