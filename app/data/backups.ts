import {
  type Backup,
  BACKUP_FORMAT,
  BACKUP_VERSION,
  type MergeConflict,
  type MergePlan,
  mergeWrites,
  planMerge,
  type Rows,
  type Settlement,
} from '#core/formats'
import { type Photo, type TableName, toMoment } from '#core/records'
import { checkedTables } from './checkedTables'
import type { UlkinDb } from './database'
import { filedPhotos, storedPhotos } from './photos'
import { namesOf, readRows } from './rows'
import { touchColonies } from './revisions'

/** Reads everything on this device: all rooms, their logs and the attic, as a backup. */
export async function readAll(db: UlkinDb, nowMs: number): Promise<Backup> {
  const rows = await readRows(db)
  const photos = await filedPhotos(rows.photos)
  return { format: BACKUP_FORMAT, version: BACKUP_VERSION, exportedAt: toMoment(nowMs), ...rows, photos }
}

/** Compares a backup with what is on this device; changes nothing. */
export async function compareBackup(db: UlkinDb, theirs: Backup): Promise<MergePlan> {
  return planMerge(await comparable(db), theirs, db.registry)
}

/**
 * What is compared: photos never change once made, so those that are here already are not read again.
 * Call inside the transaction that writes, or begin one.
 */
async function comparable(db: UlkinDb): Promise<Rows> {
  const { photos: _, ...rows } = await readRows(db)
  return { ...rows, photos: [] }
}

/** What became of an import. */
export interface Brought {
  /** conflicts that came up between the look and the import, and were settled as offered */
  unseen: number
}

/**
 * Carries out an import: compares again inside its own transaction, adds what is new, takes newer versions, and settles
 * conflicts as the keeper chose, or as they are offered. A version that is replaced goes to the attic, and so does one
 * from the file that is not taken.
 * @param theirs the file
 * @param chosen how the keeper settled the conflicts that were shown, by table and id
 */
export async function bringIn(
  db: UlkinDb,
  theirs: Backup,
  chosen: ReadonlyMap<string, Settlement>,
  nowMs: number,
): Promise<Brought> {
  const { photos, ...rest } = theirs
  const pictures = storedPhotos(photos)
  return db.transaction('rw', db.everything, async () => {
    const here = new Set(await db.records('photos').toCollection().primaryKeys())
    const plan = planMerge(await comparable(db), { ...rest, photos: [] }, db.registry)
    for (const name of namesOf(db)) if (name !== 'photos') await db.table(name).bulkAdd(plan.add[name])
    await db.records('photos').bulkAdd(pictures.filter(p => !here.has(p.id)))
    const { put, attic } = mergeWrites(plan, c => chosen.get(conflictKey(c)) ?? 'joined', nowMs, checkedTables(db))
    for (const { table, record } of put) await db.table(table).put(record)
    await db.table('attic').bulkPut(attic)
    // an import may change anything: all colonies are judged anew
    await touchColonies(db, { colonyIds: await db.records('colonies').toCollection().primaryKeys() })
    return { unseen: plan.conflicts.filter(c => !chosen.has(conflictKey(c))).length }
  })
}

/** By what a choice of the keeper finds its conflict again. */
export const conflictKey = ({ table, id }: Pick<MergeConflict, 'table' | 'id'>): string => `${table} ${id}`

/** Adds a backup's records that are not here yet, e.g. the demo room. */
export async function addMissing(db: UlkinDb, backup: Backup, nowMs: number): Promise<void> {
  const plan = await compareBackup(db, backup)
  const mine = new Map(plan.conflicts.map(c => [conflictKey(c), 'mine' as const]))
  await bringIn(db, backup, mine, nowMs)
}

/** Number of rows by table, for the Records place. */
export async function countRows(db: UlkinDb): Promise<Record<TableName, number>> {
  const names = namesOf(db)
  const counts = await Promise.all(names.map(name => db.table(name).count()))
  return Object.fromEntries(names.map((name, i) => [name, counts[i]])) as Record<TableName, number>
}

/** Photos of a file that are not here yet, for the report. */
export async function newPhotos(db: UlkinDb, photos: readonly Photo[]): Promise<number> {
  const here = new Set(await db.records('photos').toCollection().primaryKeys())
  return photos.filter(p => !here.has(p.id)).length
}
