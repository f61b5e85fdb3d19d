import { type Registry, registry } from '#core/records'
import type { UlkinDb } from './database'

/** The tables of a database with what their rows must be; tables that a test adds bring a schema of their own. */
export const checkedTables = (db: UlkinDb): Registry =>
  Object.fromEntries(Object.entries(db.registry).map(([name, table]) => [name, { ...registry[name]!, ...table }]))
