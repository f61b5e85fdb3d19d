import { Dexie } from 'dexie'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { planMerge } from '#core/formats'
import { v7 } from 'uuid'
import { currentEntries, Entry } from '#core/records'
import { addMissing, applyMerge, compareBackup, countRows, eraseAll, readAll } from '~/data/backups'
import { UlkinDb } from '~/data/database'
import { addEntries, entriesOfColony, entriesOfGlass, entriesOfKinds } from '~/data/log'
import { firstId, newId } from '~/data/newId'
import { ordersOf, practiceOf, roomRecords, saveColonyInGlass, saveRecord, scenariosOf } from '~/data/records'
import { allRevisions } from '~/data/revisions'
import { keepSummaries, keptSummaries, statementInputs } from '~/data/summaries'
import {
  colony,
  correction,
  count,
  nextId,
  NOW,
  plan,
  shelfItem,
  smallRoom,
  source,
  test as waterTest,
  topUp,
  waterChange,
} from '../make'
import type { ColonyStatements } from '#core/statements'

let db: UlkinDb
let s: ReturnType<typeof smallRoom>
const revisionOf = async (id: string) => (await db.revisions.get(id))?.revision

beforeEach(async () => {
  db = new UlkinDb(`test-${nextId()}`)
  s = smallRoom()
  await saveRecord(db, 'rooms', s.room, NOW)
  await saveRecord(db, 'racks', s.rack, NOW)
  await saveColonyInGlass(db, s.colony, s.glass, NOW)
})
afterEach(() => db.delete())

describe('scenarios, orders, practice', () => {
  it('are kept, found by what they belong to, and their old versions go to the attic', async () => {
    const scenario = {
      id: newId(),
      editedAt: '',
      colonyId: s.colony.id,
      name: 'Warm',
      change: { temperatureC: 26 },
      retired: false,
    }
    await saveRecord(db, 'scenarios', scenario, NOW)
    await saveRecord(db, 'scenarios', { ...scenario, name: 'Warmer' }, NOW + 1)
    expect((await scenariosOf(db, s.colony.id)).map(x => x.name)).toEqual(['Warmer'])
    await saveRecord(db, 'scenarios', { ...scenario, retired: true }, NOW + 2)
    expect(await scenariosOf(db, s.colony.id)).toEqual([])
    expect(await db.attic.count()).toBe(2)
    const order = (dueAt: string) => ({
      id: newId(),
      editedAt: '',
      roomId: s.room.id,
      colonyId: s.colony.id,
      who: 'B. N.',
      number: 5,
      of: 'any' as const,
      dueAt,
      state: 'open' as const,
    })
    await saveRecord(db, 'orders', order('2026-12-20T18:00:00.000Z'), NOW)
    await saveRecord(db, 'orders', order('2026-12-02T18:00:00.000Z'), NOW)
    expect((await ordersOf(db, s.room.id)).map(o => o.dueAt.slice(8, 10))).toEqual(['02', '20'])
    await saveRecord(
      db,
      'practice',
      { id: newId(), editedAt: '', roomId: s.room.id, shown: 20, density: 3, stage: 'grown', found: 18, strays: 0 },
      NOW,
    )
    expect(await practiceOf(db, s.room.id)).toHaveLength(1)
    expect(await practiceOf(db, nextId())).toEqual([])
  })
  it('what does not fit its schema is not written', async () => {
    await expect(
      saveRecord(
        db,
        'orders',
        {
          id: newId(),
          editedAt: '',
          roomId: s.room.id,
          colonyId: s.colony.id,
          who: '',
          number: 0,
          of: 'any',
          dueAt: 'soon',
          state: 'open',
        },
        NOW,
      ),
    ).rejects.toThrow()
    expect(await db.orders.count()).toBe(0)
  })
})

describe('records', () => {
  it('reads a room with what stands in it', async () => {
    const read = await roomRecords(db, s.room.id)
    expect(read).toMatchObject({
      room: { id: s.room.id },
      racks: [{ id: s.rack.id }],
      glasses: [{ id: s.glass.id }],
      colonies: [{ id: s.colony.id }],
    })
  })
  it('opens the newest room when the wanted one is gone, and none on an empty device', async () => {
    expect((await roomRecords(db, 'gone')).room?.id).toBe(s.room.id)
    await eraseAll(db)
    expect(await roomRecords(db, null)).toEqual({
      rooms: [],
      room: null,
      racks: [],
      glasses: [],
      colonies: [],
      sources: [],
      shelf: [],
      plans: [],
    })
  })
  it('puts the replaced version into the attic', async () => {
    await saveRecord(db, 'glasses', { ...s.glass, name: 'Renamed' }, NOW + 1)
    expect((await db.glasses.get(s.glass.id))?.name).toBe('Renamed')
    expect(await db.attic.toArray()).toEqual([
      expect.objectContaining({ table: 'glasses', record: expect.objectContaining({ name: 'Glass' }) }),
    ])
  })
  it('writes nothing when nothing changed', async () => {
    const before = await revisionOf(s.colony.id)
    await saveRecord(db, 'colonies', s.colony, NOW + 1)
    expect(await db.attic.count()).toBe(0)
    expect(await revisionOf(s.colony.id)).toBe(before)
  })
  it('refuses what does not fit, and keeps what was there', async () => {
    await expect(saveRecord(db, 'glasses', { ...s.glass, grossL: -1 }, NOW)).rejects.toThrow(/above 0/)
    expect((await db.glasses.get(s.glass.id))?.grossL).toBe(60)
  })
  it('writes glass and colony together or not at all', async () => {
    const other = { ...s.glass, id: nextId(), name: 'Second' }
    await expect(saveColonyInGlass(db, { ...colony(other.id), name: '' }, other, NOW)).rejects.toThrow()
    expect(await db.glasses.count()).toBe(1)
  })
})

describe('the log', () => {
  it('is read by colony and by glass, in order of time', async () => {
    const late = count(s.colony.id, 1, 30)
    const early = count(s.colony.id, 9, 20)
    for (const e of [late, early, waterTest(s.glass.id, 2, { khDh: 4 })]) await addEntries(db, [e])
    expect((await entriesOfColony(db, s.colony.id)).map(e => e.id)).toEqual([early.id, late.id])
    expect(await entriesOfGlass(db, s.glass.id)).toHaveLength(1)
    expect(await entriesOfColony(db, nextId())).toEqual([])
  })
  it('never changes an entry', async () => {
    const e = count(s.colony.id, 1, 30)
    await addEntries(db, [e])
    await expect(addEntries(db, [{ ...e, number: 31 } as typeof e])).rejects.toThrow()
    await addEntries(db, [correction(e, { number: 31 })])
    expect(currentEntries(await entriesOfColony(db, s.colony.id))).toMatchObject([{ number: 31 }])
    expect(await db.entries.count()).toBe(2)
  })
  it('refuses an entry that does not fit', async () => {
    await expect(addEntries(db, [{ ...count(s.colony.id, 1, 30), number: -3 } as never])).rejects.toThrow()
    expect(await db.entries.count()).toBe(0)
  })
})

describe('revisions', () => {
  it('mark the colony of a count, and all colonies of a glass whose water was tested', async () => {
    const second = colony(s.glass.id, { name: 'Rams' })
    await saveRecord(db, 'colonies', second, NOW)
    const marks = async () => [await revisionOf(s.colony.id), await revisionOf(second.id)]
    const [a, b] = await marks()
    await addEntries(db, [count(s.colony.id, 1, 30)])
    const [a2, b2] = await marks()
    expect(a2).not.toBe(a)
    expect(b2).toBe(b)
    await addEntries(db, [waterTest(s.glass.id, 1, { ph: 7 })])
    const [a3, b3] = await marks()
    expect(a3).not.toBe(a2)
    expect(b3).not.toBe(b2)
  })
  it('mark nothing for a source or a salt: they say nothing of a colony', async () => {
    const before = await revisionOf(s.colony.id)
    await saveRecord(db, 'sources', source(s.room.id), NOW)
    await saveRecord(db, 'shelf', shelfItem(s.room.id), NOW)
    expect(await revisionOf(s.colony.id)).toBe(before)
    expect(await roomRecords(db, s.room.id)).toMatchObject({
      sources: [{ name: 'Tap' }],
      shelf: [{ name: 'Bicarbonate' }],
    })
    expect(await allRevisions(db)).toHaveLength(1)
  })
})

describe('summaries', () => {
  const statements = (colonyId: string) => ({ colonyId }) as ColonyStatements
  const subject = async () => ({ colony: s.colony, glass: s.glass, revision: (await revisionOf(s.colony.id))! })
  it('hold for the same revision and day, and are none of another build', async () => {
    const { revision } = await subject()
    await keepSummaries(db, [
      { colonyId: s.colony.id, revision, day: '2026-11-25', build: 'b1', statements: statements(s.colony.id) },
    ])
    const holds = async (day: string, build: string) =>
      (
        await keptSummaries(db, [await subject(), { ...(await subject()), colony: colony(s.glass.id) }], day, build)
      ).map(k => k.holds)
    expect(await holds('2026-11-25', 'b1')).toEqual([true])
    expect(await holds('2026-11-26', 'b1')).toEqual([false])
    expect(await holds('2026-11-25', 'b2')).toEqual([])
    await addEntries(db, [count(s.colony.id, 0, 12)])
    expect(await holds('2026-11-25', 'b1')).toEqual([false])
  })
  it('follow from the log of the colony and of its water', async () => {
    const counted = count(s.colony.id, 2, 30)
    const tested = waterTest(s.glass.id, 1, { khDh: 4 })
    for (const e of [counted, tested]) await addEntries(db, [e])
    expect(await statementInputs(db, [await subject()], NOW)).toEqual([
      {
        colony: s.colony,
        glass: s.glass,
        colonyEntries: [counted],
        glassEntries: [tested],
        nowMs: NOW,
        utcOffsetMinutes: 0 - new Date(NOW).getTimezoneOffset(),
      },
    ])
    expect(await statementInputs(db, [], NOW)).toEqual([])
  })
})

describe('backups', () => {
  it('go out, and come back to an empty device the same', async () => {
    await addEntries(db, [count(s.colony.id, 3, 33)])
    await saveRecord(db, 'glasses', { ...s.glass, name: 'Renamed' }, NOW + 1)
    const out = await readAll(db, NOW)
    await eraseAll(db)
    expect(await countRows(db)).toEqual({
      rooms: 0,
      racks: 0,
      glasses: 0,
      colonies: 0,
      sources: 0,
      shelf: 0,
      plans: 0,
      scenarios: 0,
      orders: 0,
      practice: 0,
      photos: 0,
      entries: 0,
      attic: 0,
    })
    await applyMerge(db, await compareBackup(db, out, NOW), [], NOW)
    expect(await readAll(db, NOW)).toEqual(out)
    expect(await revisionOf(s.colony.id)).toBeDefined()
  })
  it('change only what the keeper chose, and keep the other version', async () => {
    const theirs = structuredClone(await readAll(db, NOW))
    theirs.glasses[0]!.name = 'Theirs'
    theirs.colonies[0]!.name = 'Also theirs'
    const plan = planMerge(await readAll(db, NOW), theirs)
    expect(plan.conflicts).toHaveLength(2)
    await applyMerge(
      db,
      plan,
      plan.conflicts.filter(c => c.table === 'glasses'),
      NOW,
    )
    expect((await db.glasses.get(s.glass.id))?.name).toBe('Theirs')
    expect((await db.colonies.get(s.colony.id))?.name).toBe('Ember')
    expect((await db.attic.toArray()).map(a => a.record.name).sort()).toEqual(['Also theirs', 'Glass'])
  })
  it('write all or nothing', async () => {
    const theirs = structuredClone(await readAll(db, NOW))
    const fresh = count(s.colony.id, 1, 5)
    theirs.entries.push(fresh)
    const plan = planMerge(await readAll(db, NOW), theirs)
    await addEntries(db, [fresh])
    await expect(
      applyMerge(db, { ...plan, add: { ...plan.add, rooms: [{ ...s.room, id: nextId() }] } }, [], NOW),
    ).rejects.toThrow()
    expect(await db.rooms.count()).toBe(1)
  })
  it('never overwrite when only missing records are added', async () => {
    const other = structuredClone(await readAll(db, NOW))
    other.glasses[0]!.name = 'Theirs'
    const extra = { ...other.rooms[0]!, id: nextId(), name: 'Demo' }
    await addMissing(db, { ...other, rooms: [extra] }, NOW)
    expect((await db.glasses.get(s.glass.id))?.name).toBe('Glass')
    expect(await db.rooms.count()).toBe(2)
  })
})

describe('a database of version 1', () => {
  it('comes along: its change water becomes a source, its log can be read by kind', async () => {
    const name = `old-${nextId()}`
    const old = new Dexie(name)
    old.version(1).stores({
      rooms: 'id',
      racks: 'id, roomId',
      glasses: 'id, roomId',
      colonies: 'id, glassId',
      entries: 'id, [colonyId+at], [glassId+at]',
      attic: 'id',
      revisions: 'colonyId',
      summaries: 'colonyId',
    })
    const { bench: _, ...room } = s.room
    await old.table('rooms').put({ ...room, changeWater: { ghDh: 9, khDh: 3 } })
    await old.table('entries').put(count(s.colony.id, 3, 20))
    old.close()
    const upgraded = new UlkinDb(name)
    const read = await roomRecords(upgraded, s.room.id)
    expect(read.room).toEqual(s.room)
    expect(read.sources.map(x => x.name)).toEqual(['Pure water', 'Change water'])
    expect(read.shelf).toHaveLength(3)
    expect(await entriesOfKinds(upgraded, ['count'], 0)).toHaveLength(1)
    await upgraded.delete()
  })
})

describe('sources, shelf and plans', () => {
  it('go out and come back with the rest, and differ only where the keeper chose', async () => {
    const tap = source(s.room.id)
    const salt = shelfItem(s.room.id)
    const made = plan(s.room.id)
    await saveRecord(db, 'sources', tap, NOW)
    await saveRecord(db, 'shelf', salt, NOW)
    await saveRecord(db, 'plans', made, NOW)
    const out = structuredClone(await readAll(db, NOW))
    await saveRecord(db, 'sources', { ...tap, name: 'Kitchen' }, NOW + 1)
    const compared = await compareBackup(db, out, NOW)
    expect(compared.conflicts).toMatchObject([{ table: 'sources' }])
    await eraseAll(db)
    await applyMerge(db, await compareBackup(db, out, NOW), [], NOW)
    const read = await roomRecords(db, s.room.id)
    expect([read.sources[0]?.name, read.shelf[0]?.name, read.plans[0]?.name]).toEqual([
      'Tap',
      'Bicarbonate',
      'New line',
    ])
  })
  it('a log by kind holds what was poured anywhere, and nothing else', async () => {
    for (const e of [waterChange(s.glass.id, 3, 5), topUp(s.glass.id, 2, 1), count(s.colony.id, 1, 9)])
      await addEntries(db, [e])
    expect((await entriesOfKinds(db, ['waterChange', 'topUp'], 0)).map(e => e.kind).sort()).toEqual([
      'topUp',
      'waterChange',
    ])
  })
})

describe('entriesOfKinds', () => {
  it('reads from the moment of writing on', async () => {
    const at = new Date(NOW).toISOString()
    const written = (msecs: number) =>
      Entry.parse({
        id: v7({ msecs }),
        at,
        loggedAt: new Date(msecs).toISOString(),
        kind: 'topUp',
        glassId: s.glass.id,
        litres: 1,
      })
    const [before, after] = [written(NOW - 1000), written(NOW + 1000)]
    for (const e of [before, after]) await addEntries(db, [e])
    expect((await entriesOfKinds(db, ['topUp'], NOW)).map(e => e.id)).toEqual([after.id])
    expect(await entriesOfKinds(db, ['topUp'], NOW - 1000)).toHaveLength(2)
    expect(firstId(NOW) <= v7({ msecs: NOW })).toBe(true)
    expect(firstId(NOW) > v7({ msecs: NOW - 1 })).toBe(true)
  })
})

describe('newId', () => {
  it('sorts behind what it supersedes, even when another clock runs ahead', () => {
    const ahead = 'ffffffff-0000-7000-8000-000000000000'
    expect(newId() < ahead).toBe(true)
    expect(newId('f0000000-0000-7000-8000-000000000000') > 'f0000000-0000-7000-8000-000000000000').toBe(true)
    const ids = Array.from({ length: 50 }, () => newId())
    expect([...ids].sort()).toEqual(ids)
  })
})
