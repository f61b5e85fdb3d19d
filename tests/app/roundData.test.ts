import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { currentEntries } from '#core/records'
import { questionOf } from '#core/statements'
import { bringIn, readAll } from '~/data/backups'
import { UlkinDb } from '~/data/database'
import { addEntries } from '~/data/addEntries'
import { entriesOf, entriesSince } from '~/data/log'
import { filedPhotos, photosOf } from '~/data/photos'
import { saveRecord } from '~/data/saveRecord'
import { colony, count, daysAgo, entryOf, nextId, NOW, smallRoom, withdrawal } from '../make'
import { parseBackup, writeBackup } from '#core/formats'

let db: UlkinDb
let n = 0
const s = smallRoom()
const other = colony(s.glass.id, { name: 'Other' })
const photo = { id: nextId(), takenAt: daysAgo(0), widthPx: 4, heightPx: 3, jpeg: '/9j/4AAQ' }
const fill = async (target: UlkinDb) => {
  for (const [table, record] of [
    ['rooms', s.room],
    ['racks', s.rack],
    ['glasses', s.glass],
    ['colonies', s.colony],
    ['colonies', other],
  ] as const)
    await saveRecord(target, table, record as never, NOW)
}
beforeEach(async () => {
  db = new UlkinDb(`round-${n++}`)
  await fill(db)
})
afterEach(() => db.delete())

describe('entries of a round', () => {
  it('are all written or none', async () => {
    const good = count(s.colony.id, 0, 9)
    await expect(addEntries(db, [good, { ...good, id: nextId(), number: -1 } as never])).rejects.toThrow()
    expect(await db.records('entries').count()).toBe(0)
    await addEntries(db, [good, entryOf('visit', 0, { glassId: s.glass.id, roundId: nextId(), outcome: 'looked' })])
    expect(await db.records('entries').count()).toBe(2)
  })
  it('a move is found by both colonies, moves numbers of both, and is taken back for both', async () => {
    const move = entryOf('move', 1, { colonyId: s.colony.id, toColonyId: other.id, number: 5 })
    const revised = await addEntries(db, [move])
    expect(revised.map(r => r.colonyId).sort()).toEqual([s.colony.id, other.id].sort())
    const change = async (c: typeof other) =>
      questionOf(c, s.glass, { entries: currentEntries(await entriesOf(db, c.id)) }, NOW).events
    expect([await change(s.colony), await change(other)]).toMatchObject([[{ change: -5 }], [{ change: 5 }]])
    await addEntries(db, [{ ...withdrawal(move), toColonyId: other.id } as never])
    expect([await change(s.colony), await change(other)]).toEqual([[], []])
  })
})

describe('entriesSince', () => {
  it('reads what is new, and reads all anew when a merge brings older ones', async () => {
    const query = entriesSince(db, NOW - 1000)
    const [first, second, third] = [count(s.colony.id, 3, 1), count(s.colony.id, 2, 2), count(s.colony.id, 1, 3)]
    await addEntries(db, [second])
    expect((await query()).map(e => e.id)).toEqual([second.id])
    await addEntries(db, [third])
    expect((await query()).map(e => e.id)).toEqual([second.id, third.id])
    await addEntries(db, [first])
    expect((await query()).map(e => e.id)).toEqual([first.id, second.id, third.id])
    expect(await query()).toHaveLength(3)
  })
})

describe('photos', () => {
  it('are kept beside their line, go out with a backup and come back', async () => {
    const line = entryOf('photo', 0, { glassId: s.glass.id, photoId: photo.id })
    await addEntries(db, [line], [photo])
    const stored = await photosOf(db, [photo.id, nextId()])
    expect(stored[0]!.jpeg).toBeInstanceOf(Blob)
    expect(await filedPhotos(stored)).toEqual([photo])
    const text = writeBackup(await readAll(db, NOW))
    const read = parseBackup(text)
    expect(read.ok && read.backup.photos).toEqual([photo])
    const fresh = new UlkinDb(`round-${n++}`)
    if (read.ok) await bringIn(fresh, read.backup, new Map(), NOW)
    expect(await filedPhotos(await photosOf(fresh, [photo.id]))).toEqual([photo])
    await fresh.delete()
  })
  it('a line whose picture is not in the file is named', async () => {
    await addEntries(db, [entryOf('photo', 0, { glassId: s.glass.id, photoId: nextId() })])
    const read = parseBackup(writeBackup(await readAll(db, NOW)))
    expect(read).toMatchObject({ ok: false, issue: { kind: 'danglingReference', path: 'entries.0.photoId' } })
  })
})
