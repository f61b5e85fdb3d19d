import type { Backup } from '#core/formats'
import { DAY_MS } from '#core/records'
import { dequal } from 'dequal'
import type { Aside, UlkinDb } from './database'
import { dropFits } from './fits'
import { newId } from './newId'
import { touchColonies } from './revisions'
import { namesOf, readRows } from './rows'

/** Days for which what was erased stays on the device. */
export const ASIDE_DAYS = 30

/** Empties the device: everything is put aside, all of it in one step, and can be brought back. */
export async function eraseAll(db: UlkinDb, nowMs: number): Promise<void> {
  await db.transaction('rw', [...db.everything, db.aside], async () => {
    const rows = await readRows(db)
    if (namesOf(db).some(name => rows[name].length > 0)) await db.aside.add({ id: newId(), atMs: nowMs, rows })
    await Promise.all(db.everything.map(table => table.clear()))
  })
  await dropFits(db)
}

/** What lies aside, newest first, without its rows. */
export async function asideOf(db: UlkinDb): Promise<Pick<Aside, 'id' | 'atMs'>[]> {
  const items = await db.aside.toArray()
  return items.map(({ id, atMs }) => ({ id, atMs })).sort((a, b) => b.atMs - a.atMs)
}

/**
 * Brings back what was erased, beside what has come since: a record that is here again already stays as it is.
 * @returns false when it is gone
 */
export async function bringBack(db: UlkinDb, id: string): Promise<boolean> {
  return db.transaction('rw', [...db.everything, db.aside], async () => {
    const item = await db.aside.get(id)
    if (!item) return false
    for (const name of namesOf(db)) {
      const here = new Set(await db.table(name).toCollection().primaryKeys())
      await db.table(name).bulkAdd((item.rows[name] as { id: string }[]).filter(r => !here.has(r.id)))
    }
    await touchColonies(db, { colonyIds: item.rows.colonies.map(c => c.id) })
    await db.aside.delete(id)
    return true
  })
}

/** Drops what has lain aside for longer than it is kept. */
export async function dropOldAside(db: UlkinDb, nowMs: number): Promise<void> {
  const old = (await asideOf(db)).filter(a => nowMs - a.atMs > ASIDE_DAYS * DAY_MS)
  await db.aside.bulkDelete(old.map(a => a.id))
}

/**
 * Whether a file holds all that lies aside, so that it may go for good.
 * @returns number of records that the file lacks, or holds otherwise; null when it is gone
 */
export async function lackingIn(db: UlkinDb, id: string, file: Backup): Promise<number | null> {
  const item = await db.aside.get(id)
  if (!item) return null
  let lacking = 0
  for (const name of namesOf(db)) {
    const inFile = new Map((file[name] as { id: string }[]).map(r => [r.id, r]))
    for (const row of item.rows[name] as { id: string }[]) {
      const other = inFile.get(row.id)
      // pictures never change once made
      if (!other || (name !== 'photos' && !dequal(other, row))) lacking++
    }
  }
  return lacking
}

/** Lets what lies aside go for good. */
export const dropAside = (db: UlkinDb, id: string): Promise<void> => db.aside.delete(id)
