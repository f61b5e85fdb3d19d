import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { z } from 'zod'
import { type Backup, parseBackup, type Rows, type Settlement, writeBackup } from '#core/formats'
import { begun, edited, registry as ownTables, type Registry } from '#core/records'
import { ASIDE_DAYS, asideOf, bringBack, dropAside, dropOldAside, eraseAll, lackingIn } from '~/data/aside'
import { addMissing, bringIn, compareBackup, conflictKey, countRows, readAll } from '~/data/backups'
import { UlkinDb } from '~/data/database'
import { addEntries } from '~/data/addEntries'
import { entriesOf } from '~/data/log'
import { saveRecord } from '~/data/saveRecord'
import { count, nextId, NOW, smallRoom } from '../make'

const DAY = 86_400_000
const none = new Map<string, Settlement>()
let db: UlkinDb
let s: ReturnType<typeof smallRoom>
const opened: UlkinDb[] = []
const fresh = () => {
  const made = new UlkinDb(`merge-${nextId()}`)
  opened.push(made)
  return made
}
async function fill(target: UlkinDb) {
  await saveRecord(target, 'rooms', s.room, NOW)
  await saveRecord(target, 'racks', s.rack, NOW)
  await saveRecord(target, 'glasses', s.glass, NOW)
  await saveRecord(target, 'colonies', s.colony, NOW)
}
beforeEach(async () => {
  s = smallRoom()
  db = fresh()
  await fill(db)
})
afterEach(async () => {
  await Promise.all(opened.splice(0).map(d => d.delete()))
})
const glassOf = (d: UlkinDb) => d.records('glasses').get(s.glass.id)
const rename = async (d: UlkinDb, name: string) => saveRecord(d, 'glasses', { ...(await glassOf(d))!, name }, NOW)

describe('bringing in', () => {
  it('goes out, and comes back to an empty device the same', async () => {
    await addEntries(db, [count(s.colony.id, 3, 33)])
    await rename(db, 'Renamed')
    const out = await readAll(db, NOW)
    await eraseAll(db, NOW)
    expect(Object.values(await countRows(db)).every(n => n === 0)).toBe(true)
    await bringIn(db, out, none, NOW)
    expect(await readAll(db, NOW)).toEqual(out)
    expect(await entriesOf(db, s.colony.id)).toHaveLength(1)
    expect((await db.revisions.get(s.colony.id))?.revision).toBeDefined()
  })
  it('takes a later version without asking, and leaves an older one', async () => {
    const before = await readAll(db, NOW)
    const other = fresh()
    await bringIn(other, before, none, NOW)
    await rename(other, 'Later')
    const after = await readAll(other, NOW)
    expect(await compareBackup(db, after)).toMatchObject({ conflicts: [], update: [{ label: 'Later' }] })
    expect(await compareBackup(other, before)).toMatchObject({ conflicts: [], update: [] })
    await bringIn(db, after, none, NOW)
    expect((await glassOf(db))?.name).toBe('Later')
  })
  it('settles what both changed as the keeper chose, and keeps the other version', async () => {
    const other = fresh()
    await bringIn(other, await readAll(db, NOW), none, NOW)
    await rename(db, 'Mine')
    await rename(other, 'Theirs')
    const file = await readAll(other, NOW)
    const plan = await compareBackup(db, file)
    expect(plan.conflicts).toMatchObject([{ table: 'glasses', clashes: [{ field: 'name' }] }])
    await bringIn(db, file, new Map([[conflictKey(plan.conflicts[0]!), 'theirs' as const]]), NOW)
    expect((await glassOf(db))?.name).toBe('Theirs')
    const attic = (await db.records('attic').toArray()).map(a => a.record.name)
    expect(attic).toEqual(expect.arrayContaining(['Mine', 'Theirs', 'Glass']))
  })
  it('looks again when it writes: what came up meanwhile is settled as it is offered, and said', async () => {
    const other = fresh()
    await bringIn(other, await readAll(db, NOW), none, NOW)
    await rename(other, 'Theirs')
    const file = await readAll(other, NOW)
    expect((await compareBackup(db, file)).conflicts).toEqual([])
    await rename(db, 'Mine, just now')
    expect(await bringIn(db, file, none, NOW)).toEqual({ unseen: 1 })
  })
  it('writes all or nothing', async () => {
    const file = structuredClone(await readAll(db, NOW))
    file.entries.push(count(s.colony.id, 1, 5))
    const bad = { ...s.room, id: undefined as never }
    await expect(bringIn(db, { ...file, rooms: [...file.rooms, bad] }, none, NOW)).rejects.toThrow()
    expect((await countRows(db)).entries).toBe(0)
  })
  it('never overwrites when only missing records are added', async () => {
    const file = structuredClone(await readAll(db, NOW))
    file.glasses[0]!.name = 'Theirs'
    const extra = { ...file.rooms[0]!, ...begun(nextId(), NOW), name: 'Demo' }
    await addMissing(db, { ...file, rooms: [extra] }, NOW)
    expect((await glassOf(db))?.name).toBe('Glass')
    expect((await countRows(db)).rooms).toBe(2)
  })
})

/** One edit on a device: which field of the glass, and what it becomes. */
const edit = fc.oneof(
  fc.record({ field: fc.constant('name' as const), value: fc.constantFrom('A', 'B', 'C') }),
  fc.record({ field: fc.constant('rockKg' as const), value: fc.nat(9) }),
  fc.record({ field: fc.constant('carbonateG' as const), value: fc.nat(9) }),
)
/** Everything but the attic, which two devices may hold in another order. */
const state = async (d: UlkinDb): Promise<Omit<Rows, 'attic'>> => {
  const { attic: _, ...rows } = await readAll(d, NOW)
  return rows
}

describe('two devices', () => {
  it('come to the same state by files, whatever each of them changed', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(edit, { maxLength: 3 }), fc.array(edit, { maxLength: 3 }), async (a, b) => {
        const [here, there] = [fresh(), fresh()]
        await fill(here)
        await bringIn(there, await readAll(here, NOW), none, NOW)
        for (const [d, edits] of [
          [here, a],
          [there, b],
        ] as const)
          for (const { field, value } of edits)
            await saveRecord(d, 'glasses', { ...(await glassOf(d))!, [field]: value }, NOW)
        const [fileA, fileB] = [await readAll(here, NOW), await readAll(there, NOW)]
        await bringIn(here, fileB, none, NOW)
        await bringIn(there, fileA, none, NOW)
        expect(await state(here)).toEqual(await state(there))
        // a second exchange finds nothing more to do
        const { conflicts, update } = await compareBackup(here, await readAll(there, NOW))
        expect([conflicts, update]).toEqual([[], []])
      }),
      { numRuns: 25 },
    )
  })
  it('join what they changed in different fields', async () => {
    const there = fresh()
    await bringIn(there, await readAll(db, NOW), none, NOW)
    await rename(db, 'Here')
    await saveRecord(there, 'glasses', { ...(await glassOf(there))!, rockKg: 4 }, NOW)
    await bringIn(db, await readAll(there, NOW), none, NOW)
    expect(await glassOf(db)).toMatchObject({ name: 'Here', rockKg: 4 })
  })
  it('a choice made on one of them reaches the other as a later version', async () => {
    const there = fresh()
    await bringIn(there, await readAll(db, NOW), none, NOW)
    await rename(db, 'Mine')
    await rename(there, 'Theirs')
    const file = await readAll(there, NOW)
    const [conflict] = (await compareBackup(db, file)).conflicts
    const how = conflict!.later === 'mine' ? 'theirs' : 'mine'
    await bringIn(db, file, new Map([[conflictKey(conflict!), how]]), NOW)
    await bringIn(there, await readAll(db, NOW), none, NOW)
    expect(await state(there)).toEqual(await state(db))
  })
})

describe('a file that was changed', () => {
  it('says so, and still reads', async () => {
    const text = writeBackup(await readAll(db, NOW))
    expect(parseBackup(text)).toMatchObject({ ok: true, changedSince: false })
    expect(parseBackup(JSON.stringify(JSON.parse(text)))).toMatchObject({ ok: true, changedSince: false })
    expect(parseBackup(text.replace('"Glass"', '"Glas"'))).toMatchObject({ ok: true, changedSince: true })
  })
  it('names a record that belongs to another room', async () => {
    const file = structuredClone(await readAll(db, NOW)) as Backup
    const other = smallRoom()
    file.rooms.push(other.room)
    file.glasses.push({ ...other.glass, place: { ...other.glass.place, rackId: s.rack.id } })
    expect(parseBackup(writeBackup(file))).toMatchObject({
      ok: false,
      issue: { kind: 'otherRoom', path: 'glasses.1.place.rackId' },
    })
  })
})

describe('erasing', () => {
  it('puts all aside, and brings all back beside what has come since', async () => {
    await addEntries(db, [count(s.colony.id, 1, 8)])
    const before = await readAll(db, NOW)
    await eraseAll(db, NOW)
    const later = smallRoom()
    await saveRecord(db, 'rooms', later.room, NOW)
    const [item] = await asideOf(db)
    expect(await bringBack(db, item!.id)).toBe(true)
    const after = await readAll(db, NOW)
    expect(after.rooms.map(r => r.id).sort()).toEqual([s.room.id, later.room.id].sort())
    expect(after.entries).toEqual(before.entries)
    expect(await entriesOf(db, s.colony.id)).toHaveLength(1)
    expect(await asideOf(db)).toEqual([])
    expect(await bringBack(db, item!.id)).toBe(false)
  })
  it('puts nothing aside where nothing is', async () => {
    const empty = fresh()
    await eraseAll(empty, NOW)
    expect(await asideOf(empty)).toEqual([])
  })
  it('goes for good only with a file that holds all of it', async () => {
    const old = await readAll(db, NOW)
    await addEntries(db, [count(s.colony.id, 1, 8)])
    const whole = await readAll(db, NOW)
    await eraseAll(db, NOW)
    const [item] = await asideOf(db)
    expect(await lackingIn(db, item!.id, old)).toBe(1)
    expect(await lackingIn(db, item!.id, { ...whole, glasses: [{ ...whole.glasses[0]!, name: 'x' }] })).toBe(1)
    expect(await lackingIn(db, item!.id, whole)).toBe(0)
    await dropAside(db, item!.id)
    expect(await lackingIn(db, item!.id, whole)).toBeNull()
  })
  it('stays for thirty days and no longer', async () => {
    await eraseAll(db, NOW)
    await dropOldAside(db, NOW + ASIDE_DAYS * DAY)
    expect(await asideOf(db)).toHaveLength(1)
    await dropOldAside(db, NOW + ASIDE_DAYS * DAY + 1)
    expect(await asideOf(db)).toEqual([])
  })
})

describe('a table that joins the registry', () => {
  const Card = z.strictObject({ ...edited, roomId: z.string(), words: z.string().min(1) })
  const registry: Registry = {
    ...ownTables,
    cards: {
      schema: Card,
      indexes: ['roomId'],
      keys: card => [(card as { words: string }).words],
      references: card => [{ path: 'roomId', table: 'rooms', id: (card as { roomId: string }).roomId }],
      way: 'edited',
      words: ['card', 'cards'],
    },
  }
  it('comes through database, backup, merge, counts and erasing', async () => {
    const open = () => {
      const made = new UlkinDb(`cards-${nextId()}`, registry)
      opened.push(made)
      return made
    }
    const [here, there] = [open(), open()]
    await fill(here)
    const card = { ...begun(nextId(), NOW), roomId: s.room.id, words: 'fed' }
    const save = (d: UlkinDb, record: object) => saveRecord(d, 'cards' as never, record as never, NOW)
    await save(here, card)
    await save(here, { ...card, words: 'fed twice' })
    expect(await here.table('cards').where('keys').equals('fed twice').count()).toBe(1)
    expect(await here.table('cards').toArray()).toEqual([expect.not.objectContaining({ keys: expect.anything() })])
    expect(await countRows(here)).toMatchObject({ cards: 1, attic: 1 })

    const file = await readAll(here, NOW)
    const read = parseBackup(writeBackup(file), registry)
    expect(read).toMatchObject({ ok: true, backup: { cards: [{ words: 'fed twice' }] } })
    const bad = { ...file, cards: [{ ...card, roomId: nextId() }] } as unknown as Backup
    expect(parseBackup(writeBackup(bad), registry)).toMatchObject({ issue: { path: 'cards.0.roomId' } })

    await bringIn(there, file, none, NOW)
    await save(there, { ...(await there.table('cards').get(card.id)), words: 'there' })
    await bringIn(here, await readAll(there, NOW), none, NOW)
    expect(await here.table('cards').get(card.id)).toMatchObject({ words: 'there' })

    await eraseAll(here, NOW)
    expect(await countRows(here)).toMatchObject({ cards: 0 })
    await bringBack(here, (await asideOf(here))[0]!.id)
    expect(await countRows(here)).toMatchObject({ cards: 1 })
  })
})
