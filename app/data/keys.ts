import type { Dexie } from 'dexie'
import type { TableDefinitions } from '#core/records'

/** Rows of tables with keys carry them beside the record, because an index needs something that is stored. */
type Keyed = Record<string, unknown>

/** The keys of a row by its table's definition. */
export const rowKeys = (registry: TableDefinitions, table: string, row: object): string[] =>
  registry[table]?.keys?.(row) ?? []

/**
 * Lets the database write the keys of rows beside them and drop them when it reads: nobody else knows of them. A row
 * that was written without its keys would never be found again, so this is done below all code that writes.
 */
export function keepKeys(db: Dexie, registry: TableDefinitions): void {
  const withoutKeys = (row: unknown) => {
    if (typeof row !== 'object' || row === null) return row
    const { keys: _, ...record } = row as Keyed
    return record
  }
  db.use({
    stack: 'dbcore',
    name: 'keys',
    create: down => ({
      ...down,
      table(name) {
        const table = down.table(name)
        const keys = registry[name]?.keys
        if (!keys) return table
        return {
          ...table,
          mutate: request =>
            table.mutate(
              request.type === 'add' || request.type === 'put'
                ? {
                    ...request,
                    values: request.values.map(row => ({ ...row, keys: keys(withoutKeys(row) as object) })),
                  }
                : request,
            ),
          get: async request => withoutKeys(await table.get(request)),
          getMany: async request => (await table.getMany(request)).map(withoutKeys),
          async query(request) {
            const answer = await table.query(request)
            return request.values ? { ...answer, result: answer.result.map(withoutKeys) } : answer
          },
          async openCursor(request) {
            const cursor = await table.openCursor(request)
            if (!cursor || !request.values) return cursor
            return Object.create(cursor, {
              value: { get: () => withoutKeys(cursor.value) as unknown },
            }) as typeof cursor
          },
        }
      },
    }),
  })
}
