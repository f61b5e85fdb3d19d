import { animalsOfVersion6 } from './animalsOfVersion6'
import { laddersOfVersion7 } from './laddersOfVersion7'
import { editedInVersion4, entryOfVersion5, recordOfVersion5 } from './shapesOfVersion5'
import { suppliesOfVersion1 } from './suppliesOfVersion1'

/** Brings a raw file of one version to the next; the key is the version that it starts from. */
export type Migrations = Readonly<Record<number, (raw: Record<string, unknown>) => Record<string, unknown>>>

/**
 * All migrations: version 1 knew one change water by its hardness; version 2 has sources, a shelf of salts and plans;
 * version 3 has photos; version 4 has scenarios, orders and what was practised; version 5 has versions of records,
 * endings, stays of colonies, and lines; version 6 has followed animals and dry
 * eggs; version 7 has ladders of grades, generations and breeders.
 */
export const migrations: Migrations = {
  1: raw => {
    const rooms = Array.isArray(raw.rooms) ? raw.rooms : []
    const made = rooms.map(suppliesOfVersion1)
    return {
      ...raw,
      rooms: made.map(m => m.room),
      sources: made.flatMap(m => m.sources),
      shelf: made.flatMap(m => m.shelf),
      plans: [],
    }
  },
  2: raw => ({ ...raw, photos: [] }),
  3: raw => ({ ...raw, scenarios: [], orders: [], practice: [] }),
  4: raw => {
    const edited = editedInVersion4.map(table => {
      const rows = raw[table]
      return [table, Array.isArray(rows) ? rows.map(row => recordOfVersion5(table, row)) : rows]
    })
    const entries = Array.isArray(raw.entries) ? raw.entries.map(entryOfVersion5) : raw.entries
    return { ...raw, ...Object.fromEntries(edited), entries, lines: [] }
  },
  5: raw => ({
    ...raw,
    animals: animalsOfVersion6({ entries: raw.entries, colonies: raw.colonies, glasses: raw.glasses }),
    eggLots: [],
  }),
  6: raw => {
    const { lines, colonies, entries, glasses } = raw
    return { ...raw, ...laddersOfVersion7({ lines, colonies, entries, glasses }), generations: [], breedingGroups: [] }
  },
}

/**
 * Applies migrations one version at a time.
 * @param raw a file with a whole-number `version`
 * @param target version wanted
 * @param steps migrations by the version they start from
 * @throws RangeError when a step is missing: a version was raised without a migration
 */
export function migrate(
  raw: Record<string, unknown>,
  target: number,
  steps: Migrations = migrations,
): Record<string, unknown> {
  let current = raw
  for (let version = Number(raw.version); version < target; version++) {
    const step = steps[version]
    if (!step) throw new RangeError(`there is no migration from version ${version} to ${version + 1}`)
    current = { ...step(current), version: version + 1 }
  }
  return current
}
