import type { Animal } from './animal'
import type { AtticItem } from './attic'
import type { BreedingGroup, Generation } from './breeding'
import type { Colony } from './colony'
import type { Edited } from './edited'
import type { EggLot } from './eggLot'
import { type Entry, entryKinds, namedIds } from './entry'
import type { Id } from './id'
import type { Ladder } from './ladder'
import type { Line } from './line'
import type { Order } from './order'
import type { Photo } from './photo'
import type { Plan } from './plan'
import type { Practice } from './practice'
import type { Glass, Rack, Room } from './room'
import type { Scenario } from './scenario'
import type { ShelfItem, Source } from './water'

/** Records by table. */
export interface Tables {
  rooms: Room
  racks: Rack
  glasses: Glass
  ladders: Ladder
  lines: Line
  colonies: Colony
  animals: Animal
  generations: Generation
  breedingGroups: BreedingGroup
  eggLots: EggLot
  sources: Source
  shelf: ShelfItem
  plans: Plan
  scenarios: Scenario
  orders: Order
  practice: Practice
  photos: Photo
  entries: Entry
  attic: AtticItem
}
export type TableName = keyof Tables

/** A row of another table that a record names: where it is named, in which table it is, and its id. */
export interface Reference {
  path: string
  table: string
  id: Id
}

/**
 * What the house must know of a table of records. Database, backup, merging, counting and erasing follow from it; a
 * table that joins `tables` needs its schema (`schemas.ts`) and nothing else but a new version of the database and the
 * backup.
 */
export interface TableDefinition<R extends object = object> {
  /** fields by which rows are found, in the database's notation */
  indexes: readonly string[]
  /**
   * keys under which a row is found beside its id, several for each row; their order as text is the order of reading
   */
  keys?(record: R): string[]
  /** rows without which a record means nothing */
  references(record: R): Reference[]
  /** edited in place with versions, or written once and never changed */
  way: 'edited' | 'once'
  /** what the rows are called in reports, one and several */
  words: readonly [string, string]
}

/** Tables by name. */
export type TableDefinitions = Readonly<Record<string, TableDefinition>>

const to = (table: string, path: string, id: Id | undefined): Reference[] =>
  id === undefined ? [] : [{ path, table, id }]
const inRoom = { indexes: ['roomId'], references: (r: { roomId: Id }) => to('rooms', 'roomId', r.roomId) }
const stays = (path: string, list: readonly { glassId: Id }[] = []) =>
  list.flatMap((s, i) => to('glasses', `${path}.${i}.glassId`, s.glassId))

/** The key of a row in a log: whose it is, then when. */
export const logKey = (id: Id, at = ''): string => `${id} ${at}`

/** All tables of the keeper's data. */
export const tables: { readonly [T in TableName]: TableDefinition<Tables[T]> } = {
  rooms: { indexes: [], references: () => [], way: 'edited', words: ['room', 'rooms'] },
  racks: { ...inRoom, way: 'edited', words: ['rack', 'racks'] },
  glasses: {
    ...inRoom,
    references: g => [
      ...inRoom.references(g),
      ...to('racks', 'place.rackId', g.place.rackId),
      ...stays('hosts', g.hosts),
    ],
    way: 'edited',
    words: ['glass', 'glasses'],
  },
  ladders: { ...inRoom, way: 'edited', words: ['ladder of grades', 'ladders of grades'] },
  lines: {
    ...inRoom,
    references: l => [
      ...inRoom.references(l),
      ...l.ladderIds.flatMap((id, i) => to('ladders', `ladderIds.${i}`, id)),
      ...to('colonies', 'spareColonyId', l.spareColonyId),
    ],
    way: 'edited',
    words: ['line', 'lines'],
  },
  colonies: {
    indexes: [],
    // a glass finds the colonies that ever stood in it
    keys: c => [...new Set(c.stays.map(s => s.glassId))],
    references: c => [
      ...stays('stays', c.stays),
      ...to('lines', 'lineId', c.lineId),
      ...to('eggLots', 'eggLotId', c.eggLotId),
      ...to('colonies', 'fromColonyId', c.fromColonyId),
    ],
    way: 'edited',
    words: ['colony', 'colonies'],
  },
  animals: {
    ...inRoom,
    references: a => [
      ...inRoom.references(a),
      ...to('colonies', 'firstColonyId', a.firstColonyId),
      ...a.damIds.flatMap((id, i) => to('animals', `damIds.${i}`, id)),
      ...a.sireIds.flatMap((id, i) => to('animals', `sireIds.${i}`, id)),
      ...to('photos', 'photoId', a.photoId),
    ],
    way: 'edited',
    words: ['animal', 'animals'],
  },
  generations: {
    ...inRoom,
    references: g => [
      ...inRoom.references(g),
      ...to('lines', 'lineId', g.lineId),
      ...g.breedingGroupIds.flatMap((id, i) => to('breedingGroups', `breedingGroupIds.${i}`, id)),
    ],
    way: 'edited',
    words: ['generation', 'generations'],
  },
  breedingGroups: {
    ...inRoom,
    references: g => [
      ...inRoom.references(g),
      ...to('lines', 'lineId', g.lineId),
      ...to('colonies', 'colonyId', g.colonyId),
      ...to('generations', 'generationId', g.generationId),
      ...to('ladders', 'ladderId', g.ladderId),
      ...g.animalIds.flatMap((id, i) => to('animals', `animalIds.${i}`, id)),
    ],
    way: 'edited',
    words: ['choice of breeders', 'choices of breeders'],
  },
  eggLots: {
    ...inRoom,
    references: l => [...inRoom.references(l), ...to('colonies', 'fromColonyId', l.fromColonyId)],
    way: 'edited',
    words: ['lot of dry eggs', 'lots of dry eggs'],
  },
  sources: { ...inRoom, way: 'edited', words: ['source', 'sources'] },
  shelf: { ...inRoom, way: 'edited', words: ['box on the shelf', 'boxes on the shelf'] },
  plans: { ...inRoom, way: 'edited', words: ['plan', 'plans'] },
  scenarios: {
    indexes: ['colonyId'],
    references: s => to('colonies', 'colonyId', s.colonyId),
    way: 'edited',
    words: ['scenario', 'scenarios'],
  },
  orders: {
    ...inRoom,
    references: o => [...inRoom.references(o), ...to('colonies', 'colonyId', o.colonyId)],
    way: 'edited',
    words: ['order', 'orders'],
  },
  practice: { ...inRoom, way: 'edited', words: ['practised picture', 'practised pictures'] },
  photos: { indexes: [], references: () => [], way: 'once', words: ['photo', 'photos'] },
  entries: {
    indexes: ['[kind+id]'],
    keys: e => namedIds(e).map(id => logKey(id, e.at)),
    references: e => [
      ...Object.entries(entryKinds[e.kind].needs).flatMap(([field, table]) =>
        to(table, field, (e as Record<string, unknown>)[field] as Id | undefined),
      ),
      ...(e.animalIds ?? []).flatMap((id, i) => to('animals', `animalIds.${i}`, id)),
    ],
    way: 'once',
    words: ['entry of the log', 'entries of the log'],
  },
  attic: {
    indexes: [],
    references: () => [],
    way: 'once',
    words: ['older version in the attic', 'older versions in the attic'],
  },
}

/** Tables whose records are edited in place. */
export type EditedTable = { [T in TableName]: Tables[T] extends Edited ? T : never }[TableName]

export const tableNames = Object.keys(tables) as TableName[]
