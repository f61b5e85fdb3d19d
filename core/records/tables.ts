import type { z } from 'zod'
import { AtticItem } from './attic'
import { Colony } from './colony'
import type { Edited } from './edited'
import { Entry, entryKinds, namedIds } from './entry'
import type { Id } from './id'
import { Line } from './line'
import { Order } from './order'
import { Photo } from './photo'
import { Plan } from './plan'
import { Practice } from './practice'
import { Glass, Rack, Room } from './room'
import { Scenario } from './scenario'
import { ShelfItem, Source } from './water'

/** A row of another table that a record names: where it is named, in which table it is, and its id. */
export interface Reference {
  path: string
  table: string
  id: Id
}

/**
 * What the house must know of a table of records. Database, backup, merging, counting and erasing follow from it; a
 * table that joins `tables` needs nothing else but a new version of the database and the backup.
 */
export interface TableDefinition<S extends z.ZodType = z.ZodType> {
  schema: S
  /** fields by which rows are found, in the database's notation */
  indexes: readonly string[]
  /**
   * keys under which a row is found beside its id, several for each row; their order as text is the order of reading
   */
  keys?: (record: z.infer<S>) => string[]
  /** rows without which a record means nothing */
  references: (record: z.infer<S>) => Reference[]
  /** edited in place with versions, or written once and never changed */
  way: 'edited' | 'once'
  /** what the rows are called in reports, one and several */
  words: readonly [string, string]
}

/** Tables by name. */
export type Registry = Readonly<Record<string, TableDefinition>>

const table = <S extends z.ZodType>(schema: S, more: Omit<TableDefinition<S>, 'schema'>): TableDefinition<S> => ({
  schema,
  ...more,
})
const to = (table: string, path: string, id: Id | undefined): Reference[] =>
  id === undefined ? [] : [{ path, table, id }]
const inRoom = { indexes: ['roomId'], references: (r: { roomId: Id }) => to('rooms', 'roomId', r.roomId) }
const stays = (path: string, list: readonly { glassId: Id }[] = []) =>
  list.flatMap((s, i) => to('glasses', `${path}.${i}.glassId`, s.glassId))

/** The key of a row in a log: whose it is, then when. */
export const logKey = (id: Id, at = ''): string => `${id} ${at}`

/** All tables of the keeper's data. */
export const tables = {
  rooms: table(Room, { indexes: [], references: () => [], way: 'edited', words: ['room', 'rooms'] }),
  racks: table(Rack, { ...inRoom, way: 'edited', words: ['rack', 'racks'] }),
  glasses: table(Glass, {
    ...inRoom,
    references: g => [
      ...inRoom.references(g),
      ...to('racks', 'place.rackId', g.place.rackId),
      ...stays('hosts', g.hosts),
    ],
    way: 'edited',
    words: ['glass', 'glasses'],
  }),
  lines: table(Line, { ...inRoom, way: 'edited', words: ['line', 'lines'] }),
  colonies: table(Colony, {
    indexes: [],
    // a glass finds the colonies that ever stood in it
    keys: c => [...new Set(c.stays.map(s => s.glassId))],
    references: c => [
      ...stays('stays', c.stays),
      ...to('lines', 'lineId', c.lineId),
      ...to('colonies', 'fromColonyId', c.fromColonyId),
    ],
    way: 'edited',
    words: ['colony', 'colonies'],
  }),
  sources: table(Source, { ...inRoom, way: 'edited', words: ['source', 'sources'] }),
  shelf: table(ShelfItem, { ...inRoom, way: 'edited', words: ['box on the shelf', 'boxes on the shelf'] }),
  plans: table(Plan, { ...inRoom, way: 'edited', words: ['plan', 'plans'] }),
  scenarios: table(Scenario, {
    indexes: ['colonyId'],
    references: s => to('colonies', 'colonyId', s.colonyId),
    way: 'edited',
    words: ['scenario', 'scenarios'],
  }),
  orders: table(Order, {
    ...inRoom,
    references: o => [...inRoom.references(o), ...to('colonies', 'colonyId', o.colonyId)],
    way: 'edited',
    words: ['order', 'orders'],
  }),
  practice: table(Practice, { ...inRoom, way: 'edited', words: ['practised picture', 'practised pictures'] }),
  photos: table(Photo, { indexes: [], references: () => [], way: 'once', words: ['photo', 'photos'] }),
  entries: table(Entry, {
    indexes: ['[kind+id]'],
    keys: e => namedIds(e).map(id => logKey(id, e.at)),
    references: e =>
      Object.entries(entryKinds[e.kind].needs).flatMap(([field, table]) =>
        to(table, field, (e as Record<string, unknown>)[field] as Id | undefined),
      ),
    way: 'once',
    words: ['entry of the log', 'entries of the log'],
  }),
  attic: table(AtticItem, {
    indexes: [],
    references: () => [],
    way: 'once',
    words: ['older version in the attic', 'older versions in the attic'],
  }),
} as const satisfies Registry

export type TableName = keyof typeof tables
/** Records by table. */
export type Tables = { [T in TableName]: z.infer<(typeof tables)[T]['schema']> }
/** Tables whose records are edited in place. */
export type EditedTable = { [T in TableName]: Tables[T] extends Edited ? T : never }[TableName]

export const tableNames = Object.keys(tables) as TableName[]
