import type { TableName } from '#core/records'
import type { StoredRows, UlkinDb } from './database'

/** Names of all tables of records in a database. */
export const namesOf = (db: UlkinDb): TableName[] => Object.keys(db.registry) as TableName[]

/** Reads all rows as they lie in the database; call inside a transaction over everything, or begin one. */
export async function readRows(db: UlkinDb): Promise<StoredRows> {
  const names = namesOf(db)
  return db.transaction('r', names, async () => {
    const rows = await Promise.all(names.map(name => db.table(name).toArray()))
    return Object.fromEntries(names.map((name, i) => [name, rows[i]])) as unknown as StoredRows
  })
}
