import { dequal } from 'dequal'
import {
  atticItem,
  type Clash,
  type Edited,
  type EditedTable,
  type Entry,
  mergeRecord,
  nextRev,
  type Tables,
  toMoment,
} from '#core/records'
import type { Revision, UlkinDb } from './database'
import { addEntries } from './addEntries'
import { checkedTables } from './checkedTables'
import { newId } from './newId'
import { touchColonies } from './revisions'

/** A record to write, with the table that it belongs to. */
export type Write = { [T in EditedTable]: { table: T; record: Tables[T] } }[EditedTable]

/** Fields that somebody else changed since the record was read, and that this save has put another value into. */
export interface Saved {
  clashes: Clash[]
}

/** Tables that a write of records may touch. */
const lockedBy = (db: UlkinDb, writes: readonly Write[]) =>
  [...new Set([...writes.map(w => w.table), 'glasses', 'colonies', 'attic', 'revisions'])].map(name => db.table(name))

/**
 * Writes records as one step: all of them or none. Only the fields that were changed against the version that was read
 * (the record's `rev`) are written: what another tab has saved since stands. The version that is replaced goes to the
 * attic, so that nothing is lost.
 * @example await saveRecords(db, [{ table: 'racks', record: { ...rack, name: 'By the window' } }], Date.now())
 * @returns the fields in which a value of somebody else gave way; theirs is in the attic
 * @throws ZodError when a record does not fit its schema, and nothing is written
 */
export async function saveRecords(db: UlkinDb, writes: readonly Write[], nowMs: number): Promise<Saved> {
  const clashes: Clash[] = []
  await db.transaction('rw', lockedBy(db, writes), async () => {
    for (const { table, record } of writes) clashes.push(...(await saveOne(db, table, record, nowMs)))
  })
  return { clashes }
}

/**
 * Writes records and the entries that go with them as one step: all of it or nothing.
 * @returns new revisions of the colonies that the entries speak of
 */
export async function saveTogether(
  db: UlkinDb,
  writes: readonly Write[],
  entries: readonly Entry[],
  nowMs: number,
): Promise<Revision[]> {
  return db.transaction('rw', db.everything, async () => {
    await saveRecords(db, writes, nowMs)
    return addEntries(db, entries)
  })
}

/** Writes one record (see `saveRecords`). */
export const saveRecord = <T extends EditedTable>(
  db: UlkinDb,
  table: T,
  record: Tables[T],
  nowMs: number,
): Promise<Saved> => saveRecords(db, [{ table, record } as unknown as Write], nowMs)

async function saveOne(db: UlkinDb, table: EditedTable, record: Edited, nowMs: number): Promise<Clash[]> {
  const rows = db.table<Edited, string>(table)
  const { schema } = checkedTables(db)[table]!
  const present = await rows.get(record.id)
  const editedAt = toMoment(nowMs)
  if (!present) {
    await rows.add(schema.parse({ ...record, editedAt }) as Edited)
    await touchRecord(db, table, record.id)
    return []
  }
  const read = present.rev === record.rev ? present : await versionInAttic(db, record)
  // what was read is older than the attic remembers: then this save speaks for all fields
  const { record: joined, clashes } = mergeRecord(read ?? present, { ...record, rev: present.rev }, present, 'mine')
  if (sameBut(joined, present)) return []
  const { basedOn: _, ...fields } = joined
  const checked = schema.parse({ ...fields, editedAt, rev: nextRev(present.rev, newId()), basedOn: present.rev })
  await db.table('attic').put(atticItem(table, present, nowMs))
  await rows.put(checked as Edited)
  await touchRecord(db, table, record.id)
  return clashes
}

async function versionInAttic(db: UlkinDb, { id, rev }: Edited): Promise<Edited | null> {
  const item = await db.records('attic').get(`${id}.${rev}`)
  return item ? (item.record as unknown as Edited) : null
}

/** Whether two versions say the same. */
function sameBut(a: Edited, b: Edited): boolean {
  const said = ({ editedAt: _e, rev: _r, basedOn: _b, ...rest }: Edited) => rest
  return dequal(said(a), said(b))
}

/** A change of a record may change what is said of colonies: which ones depends on the table. Others say nothing. */
async function touchRecord(db: UlkinDb, table: EditedTable, id: string): Promise<void> {
  if (table === 'colonies') await touchColonies(db, { colonyIds: [id] })
  if (table === 'glasses') await touchColonies(db, { glassIds: [id] })
}

/**
 * Takes a record away that nothing names yet: a rack, glass or colony that was begun by mistake. It goes to the attic.
 * @returns false, and nothing is changed, where something names it already
 */
export async function deleteUnused(
  db: UlkinDb,
  table: 'racks' | 'glasses' | 'colonies' | 'lines',
  id: string,
  nowMs: number,
): Promise<boolean> {
  return db.transaction('rw', db.everything, async () => {
    const record = await db.table<Edited, string>(table).get(id)
    if (!record || (await isNamed(db, table, id))) return false
    await db.table('attic').put(atticItem(table, record, nowMs))
    await db.table(table).delete(id)
    return true
  })
}

/** Whether any row of any table names a record. */
async function isNamed(db: UlkinDb, table: string, id: string): Promise<boolean> {
  const logged = await db.records('entries').where('keys').between(`${id} `, `${id}!`).count()
  if (logged > 0) return true
  for (const [name, { references, way }] of Object.entries(db.registry)) {
    if (way !== 'edited') continue
    const rows: object[] = await db.table(name).toArray()
    if (rows.some(row => references(row).some(r => r.table === table && r.id === id))) return true
  }
  return false
}
