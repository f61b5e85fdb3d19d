import { dequal } from 'dequal'
import { Dexie } from 'dexie'
import {
  atticItem,
  type Clash,
  type Edited,
  type EditedTable,
  type Entry,
  entryKinds,
  mergeRecord,
  nextRev,
  type Rev,
  tables,
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

/** The way back of one write: the version before it, none where the record was begun, and the version it made. */
export interface WayBack {
  table: EditedTable
  id: string
  before: Edited | null
  after: Rev
}

/** What came of a save. */
export interface Saved {
  /** fields that somebody else changed since the record was read, and that this save has put another value into */
  clashes: Clash[]
  /** in the order of the writes; what changed nothing has none */
  ways: WayBack[]
}

/** Tables that a write of records may touch. */
const lockedBy = (db: UlkinDb, writes: readonly Write[]) =>
  [...new Set([...writes.map(w => w.table), 'animals', 'glasses', 'colonies', 'attic', 'revisions'])].map(name =>
    db.table(name),
  )

/**
 * Writes records as one step: all of them or none. Only the fields that were changed against the version that was read
 * (the record's `rev`) are written: what another tab has saved since stands. The version that is replaced goes to the
 * attic, so that nothing is lost.
 * @example await saveRecords(db, [{ table: 'racks', record: { ...rack, name: 'By the window' } }], Date.now())
 * @returns the fields in which a value of somebody else gave way (theirs is in the attic), and the way back
 * @throws ZodError when a record does not fit its schema, and nothing is written
 */
export async function saveRecords(db: UlkinDb, writes: readonly Write[], nowMs: number): Promise<Saved> {
  return db.transaction('rw', lockedBy(db, writes), async () => {
    const saved: Saved = { clashes: [], ways: [] }
    for (const { table, record } of writes) {
      const { clashes, ways } = await saveOne(db, { table, record }, nowMs)
      saved.clashes.push(...clashes)
      saved.ways.push(...ways)
    }
    return saved
  })
}

/**
 * Undoes writes as one step, the last first: what was changed has its old values again, and what somebody changed since
 * stands; what was begun goes, unless something names it by now. What only the entries of the same step name is put
 * away: the log keeps them, withdrawn.
 * @param entries of the same step
 * @returns whether all of it went back; what something else names already stays
 */
export async function putBack(
  db: UlkinDb,
  ways: readonly WayBack[],
  nowMs: number,
  entries: readonly Entry[] = [],
): Promise<boolean> {
  const own = new Set([...entries, ...ways].map(x => x.id))
  return db.transaction('rw', db.everything, async () => {
    let all = true
    for (const { table, id, before, after } of ways.toReversed()) {
      // the version that the write made is what both sides began from
      if (before) await saveOne(db, { table, record: { ...before, rev: after } }, nowMs, 'theirs')
      else if (!(await deleteUnused(db, table, id, nowMs))) {
        const record = await db.table<Edited, string>(table).get(id)
        if (!record || entries.length === 0 || (await isNamed(db, table, id, own))) all = false
        else await saveOne(db, { table, record: { ...record, ended: { at: toMoment(nowMs), why: 'putAway' } } }, nowMs)
      }
    }
    return all
  })
}

/**
 * Writes records and the entries that go with them as one step: all of it or nothing.
 * @returns new revisions of the colonies that the entries speak of, and the way back of the records
 */
export async function saveTogether(
  db: UlkinDb,
  writes: readonly Write[],
  entries: readonly Entry[],
  nowMs: number,
): Promise<{ revised: Revision[]; ways: WayBack[] }> {
  return db.transaction('rw', db.everything, async () => {
    const { ways } = await saveRecords(db, writes, nowMs)
    return { revised: await addEntries(db, entries), ways }
  })
}

/** Writes one record (see `saveRecords`). */
export const saveRecord = <T extends EditedTable>(
  db: UlkinDb,
  table: T,
  record: Tables[T],
  nowMs: number,
): Promise<Saved> => saveRecords(db, [{ table, record } as unknown as Write], nowMs)

async function saveOne(
  db: UlkinDb,
  { table, record }: { table: EditedTable; record: Edited },
  nowMs: number,
  prefer: 'mine' | 'theirs' = 'mine',
): Promise<Saved> {
  const rows = db.table<Edited, string>(table)
  const { schema } = checkedTables(db)[table]!
  const present = await rows.get(record.id)
  const editedAt = toMoment(nowMs)
  if (!present) {
    await rows.add(schema.parse({ ...record, editedAt }) as Edited)
    await touchRecord(db, table, record.id)
    return { clashes: [], ways: [{ table, id: record.id, before: null, after: record.rev }] }
  }
  const read = present.rev === record.rev ? present : await versionInAttic(db, record)
  // what was read is older than the attic remembers: then this save speaks for all fields
  const { record: joined, clashes } = mergeRecord(read ?? present, { ...record, rev: present.rev }, present, prefer)
  if (sameBut(joined, present)) return { clashes: [], ways: [] }
  const { basedOn: _, ...fields } = joined
  const after = nextRev(present.rev, newId())
  const checked = schema.parse({ ...fields, editedAt, rev: after, basedOn: present.rev })
  await db.table('attic').put(atticItem(table, present, nowMs))
  await rows.put(checked as Edited)
  await touchRecord(db, table, record.id)
  return { clashes, ways: [{ table, id: record.id, before: present, after }] }
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
  if (table === 'animals') {
    const animal = await db.records('animals').get(id)
    if (animal) await touchColonies(db, { colonyIds: [animal.firstColonyId] })
  }
  if (table === 'glasses') await touchColonies(db, { glassIds: [id] })
}

/**
 * Takes a record away that nothing names yet: what was begun by mistake. It goes to the attic.
 * @returns false, and nothing is changed, where something names it already
 */
export async function deleteUnused(db: UlkinDb, table: EditedTable, id: string, nowMs: number): Promise<boolean> {
  return db.transaction('rw', db.everything, async () => {
    const record = await db.table<Edited, string>(table).get(id)
    if (!record || (await isNamed(db, table, id))) return false
    await db.table('attic').put(atticItem(table, record, nowMs))
    await db.table(table).delete(id)
    return true
  })
}

/** Tables whose rows are found in the log by its keys. */
const FOUND_BY_KEY: ReadonlySet<string> = new Set(['colonies', 'glasses', 'animals'])

/** Whether any row of any table names a record, but for some. */
async function isNamed(db: UlkinDb, table: string, id: string, but: ReadonlySet<string> = new Set()): Promise<boolean> {
  const logged = db.records('entries').where('keys').between(`${id} `, `${id}!`)
  if ((await logged.filter(e => !but.has(e.id)).count()) > 0) return true
  // what an entry names beside whose it is has no key; the kinds that can name such a row are few
  for (const [kind, { needs }] of Object.entries(entryKinds)) {
    if (FOUND_BY_KEY.has(table) || !(Object.values(needs) as string[]).includes(table)) continue
    const named = await db
      .records('entries')
      .where('[kind+id]')
      .between([kind, Dexie.minKey], [kind, Dexie.maxKey])
      .filter(e => !but.has(e.id) && tables.entries.references(e).some(r => r.table === table && r.id === id))
      .count()
    if (named > 0) return true
  }
  for (const [name, { references, way }] of Object.entries(db.registry)) {
    if (way !== 'edited') continue
    const rows: { id: string }[] = await db.table(name).toArray()
    if (rows.some(row => !but.has(row.id) && references(row).some(r => r.table === table && r.id === id))) return true
  }
  return false
}
