import type { z } from 'zod'
import { Animal } from './animal'
import { AtticItem } from './attic'
import { BreedingGroup, Generation } from './breeding'
import { Colony } from './colony'
import { EggLot } from './eggLot'
import { Entry } from './entry'
import { Ladder } from './ladder'
import { Line } from './line'
import { Order } from './order'
import { Photo } from './photo'
import { Plan } from './plan'
import { Practice } from './practice'
import { Glass, Rack, Room } from './room'
import { Scenario } from './scenario'
import { type TableDefinition, type TableName, tables } from './tables'
import { ShelfItem, Source } from './water'

/** What the rows of each table must be. Whoever only reads rows that were checked when they came needs none of it. */
export const schemas = {
  rooms: Room,
  racks: Rack,
  glasses: Glass,
  ladders: Ladder,
  lines: Line,
  colonies: Colony,
  animals: Animal,
  generations: Generation,
  breedingGroups: BreedingGroup,
  eggLots: EggLot,
  sources: Source,
  shelf: ShelfItem,
  plans: Plan,
  scenarios: Scenario,
  orders: Order,
  practice: Practice,
  photos: Photo,
  entries: Entry,
  attic: AtticItem,
} as const satisfies Record<TableName, z.ZodType>

/** A table with its schema: what checks rows that come from outside. */
export interface CheckedTable extends TableDefinition {
  schema: z.ZodType
}
/** Tables by name. */
export type Registry = Readonly<Record<string, CheckedTable>>

/** All tables of the keeper's data with their schemas. */
export const registry = Object.fromEntries(
  Object.entries(tables).map(([name, table]) => [name, { ...table, schema: schemas[name as TableName] }]),
) as unknown as Registry
