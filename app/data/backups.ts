import type { mergeTables, Backup, MergeConflict, MergePlan } from '#core/formats'
import { AtticItem, BACKUP_FORMAT, BACKUP_VERSION, planMerge } from '#core/formats'
import { toMoment } from '#core/records'
import type { UlkinDb } from './database'
import { atticItem } from './records'
import { touchColonies } from './revisions'

const tablesOf = (db: UlkinDb) => [
  db.rooms,
  db.racks,
  db.glasses,
  db.colonies,
  db.sources,
  db.shelf,
  db.plans,
  db.scenarios,
  db.orders,
  db.practice,
  db.photos,
  db.entries,
  db.attic,
  db.revisions,
  db.summaries,
]

/** Reads everything on this device: all rooms, their logs and the attic. */
export async function readAll(db: UlkinDb, nowMs: number): Promise<Backup> {
  return db.transaction('r', tablesOf(db), async () => {
    const [
      rooms,
      racks,
      glasses,
      colonies,
      sources,
      shelf,
      plans,
      scenarios,
      orders,
      practice,
      photos,
      entries,
      attic,
    ] = await Promise.all([
      db.rooms.toArray(),
      db.racks.toArray(),
      db.glasses.toArray(),
      db.colonies.toArray(),
      db.sources.toArray(),
      db.shelf.toArray(),
      db.plans.toArray(),
      db.scenarios.toArray(),
      db.orders.toArray(),
      db.practice.toArray(),
      db.photos.toArray(),
      db.entries.toArray(),
      db.attic.toArray(),
    ])
    return {
      format: BACKUP_FORMAT,
      version: BACKUP_VERSION,
      exportedAt: toMoment(nowMs),
      rooms,
      racks,
      glasses,
      colonies,
      sources,
      shelf,
      plans,
      scenarios,
      orders,
      practice,
      photos,
      entries,
      attic,
    }
  })
}

/** Compares a backup with what is on this device; changes nothing. */
export async function compareBackup(db: UlkinDb, theirs: Backup, nowMs: number): Promise<MergePlan> {
  return planMerge(await readAll(db, nowMs), theirs)
}

/**
 * Carries out an import: adds what is new, and of the conflicts takes those that the keeper chose. A version that is
 * replaced goes to the attic, and so does one from the file that is not taken.
 * @param takeTheirs conflicts in which the file's version is to win
 */
export async function applyMerge(
  db: UlkinDb,
  plan: MergePlan,
  takeTheirs: readonly MergeConflict[],
  nowMs: number,
): Promise<void> {
  const { add } = plan
  const taken = new Set(takeTheirs)
  await db.transaction('rw', tablesOf(db), async () => {
    await Promise.all([
      db.rooms.bulkAdd(add.rooms),
      db.racks.bulkAdd(add.racks),
      db.glasses.bulkAdd(add.glasses),
      db.colonies.bulkAdd(add.colonies),
      db.sources.bulkAdd(add.sources),
      db.shelf.bulkAdd(add.shelf),
      db.plans.bulkAdd(add.plans),
      db.scenarios.bulkAdd(add.scenarios),
      db.orders.bulkAdd(add.orders),
      db.practice.bulkAdd(add.practice),
      db.photos.bulkAdd(add.photos),
      db.entries.bulkAdd(add.entries),
      db.attic.bulkAdd(add.attic),
    ])
    const replaced: AtticItem[] = []
    for (const conflict of plan.conflicts) {
      const theirsWins = taken.has(conflict)
      replaced.push(AtticItem.parse(atticItem(conflict.table, theirsWins ? conflict.mine : conflict.theirs, nowMs)))
      if (theirsWins) await db.table(conflict.table).put(conflict.theirs)
    }
    await db.attic.bulkAdd(replaced)
    // an import may change anything: all colonies are judged anew
    await touchColonies(db, { colonyIds: await db.colonies.toCollection().primaryKeys() })
  })
}

/** Adds a backup's records that are not here yet and leaves all others as they are, e.g. the demo room. */
export async function addMissing(db: UlkinDb, backup: Backup, nowMs: number): Promise<void> {
  const plan = await compareBackup(db, backup, nowMs)
  await applyMerge(db, { ...plan, conflicts: [] }, [], nowMs)
}

/** Empties the device. The caller has saved a backup file first. */
export async function eraseAll(db: UlkinDb): Promise<void> {
  await db.transaction('rw', tablesOf(db), () => Promise.all(tablesOf(db).map(t => t.clear())))
}

/** Number of rows by table, for the Records place. */
export async function countRows(
  db: UlkinDb,
): Promise<Record<(typeof mergeTables)[number] | 'entries' | 'attic', number>> {
  const tables = [...mergeTablesOf(db), ['entries', db.entries], ['attic', db.attic]] as const
  return Object.fromEntries(
    await Promise.all(tables.map(async ([name, table]) => [name, await table.count()])),
  ) as Awaited<ReturnType<typeof countRows>>
}
const mergeTablesOf = (db: UlkinDb) =>
  [
    ['rooms', db.rooms],
    ['racks', db.racks],
    ['glasses', db.glasses],
    ['colonies', db.colonies],
    ['sources', db.sources],
    ['shelf', db.shelf],
    ['plans', db.plans],
    ['scenarios', db.scenarios],
    ['orders', db.orders],
    ['practice', db.practice],
    ['photos', db.photos],
  ] as const
