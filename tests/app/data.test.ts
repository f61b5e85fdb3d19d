import { describe, expect } from 'vitest'
import { v7 } from 'uuid'
import { parseBackup, writeBackup } from '#core/formats'
import { begun, currentEntries, Entry } from '#core/records'
import { readAll } from '~/data/backups'
import { eraseAll } from '~/data/aside'
import { addEntries } from '~/data/addEntries'
import { entriesOf, entriesOfKinds, kindsKept } from '~/data/log'
import { firstId, newId } from '~/data/newId'
import { noRoom, ordersOf, practiceOf, roomRecords, scenariosOf } from '~/data/records'
import { deleteUnused, putBack, saveRecord, saveRecords, saveTogether } from '~/data/saveRecord'
import { newLineRecord } from '~/forms/lineDraft'
import {
  colony,
  correction,
  count,
  daysAgo,
  entryOf,
  glass as glassOf,
  nextId,
  NOW,
  test as waterTest,
  topUp,
  waterChange,
} from '../make'
import { it } from './roomInDb'

describe('scenarios, orders, practice', () => {
  it('are kept, found by what they belong to, and their old versions go to the attic', async ({ db, s }) => {
    const scenario = {
      ...begun(newId(), NOW),
      colonyId: s.colony.id,
      name: 'Warm',
      change: { temperatureC: 26 },
    }
    await saveRecord(db, 'scenarios', scenario, NOW)
    await saveRecord(db, 'scenarios', { ...scenario, name: 'Warmer' }, NOW + 1)
    expect((await scenariosOf(db, s.colony.id)).map(x => x.name)).toEqual(['Warmer'])
    const ended = { at: daysAgo(0), why: 'putAway' as const }
    await saveRecord(db, 'scenarios', { ...scenario, ended }, NOW + 2)
    expect(await scenariosOf(db, s.colony.id)).toEqual([])
    expect(await db.records('attic').count()).toBe(2)
    const order = (dueAt: string) => ({
      ...begun(newId(), NOW),
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
      { ...begun(newId(), NOW), roomId: s.room.id, shown: 20, density: 3, stage: 'grown', found: 18, strays: 0 },
      NOW,
    )
    expect(await practiceOf(db, s.room.id)).toHaveLength(1)
    expect(await practiceOf(db, nextId())).toEqual([])
  })
  it('what does not fit its schema is not written', async ({ db, s }) => {
    await expect(
      saveRecord(
        db,
        'orders',
        {
          ...begun(newId(), NOW),
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
    expect(await db.records('orders').count()).toBe(0)
  })
})

describe('records', () => {
  it('reads a room with what stands in it', async ({ db, s }) => {
    const read = await roomRecords(db, s.room.id)
    expect(read).toMatchObject({
      room: { id: s.room.id },
      racks: [{ id: s.rack.id }],
      glasses: [{ id: s.glass.id }],
      colonies: [{ id: s.colony.id }],
    })
  })
  it('gives rows as they were written: the keys by which they are found are nobody’s business', async ({ db, s }) => {
    const stored = await db.records('colonies').get(s.colony.id)
    const viaCursor = (await roomRecords(db, s.room.id)).colonies[0]
    for (const row of [stored, viaCursor, (await db.records('colonies').toArray())[0]])
      expect(row).toEqual({ ...s.colony, editedAt: new Date(NOW).toISOString() })
  })
  it('opens the newest room when the wanted one is gone, and none on an empty device', async ({ db, s }) => {
    expect((await roomRecords(db, 'gone')).room?.id).toBe(s.room.id)
    await eraseAll(db, NOW)
    expect(await roomRecords(db, null)).toEqual(noRoom)
  })
  it('puts the replaced version into the attic', async ({ db, s }) => {
    await saveRecord(db, 'glasses', { ...s.glass, name: 'Renamed' }, NOW + 1)
    expect((await db.records('glasses').get(s.glass.id))?.name).toBe('Renamed')
    expect(await db.records('attic').toArray()).toEqual([
      expect.objectContaining({ table: 'glasses', record: expect.objectContaining({ name: 'Glass' }) }),
    ])
  })
  it('writes nothing when nothing changed', async ({ db, s, revisionOf }) => {
    const before = await revisionOf(s.colony.id)
    await saveRecord(db, 'colonies', s.colony, NOW + 1)
    expect(await db.records('attic').count()).toBe(0)
    expect(await revisionOf(s.colony.id)).toBe(before)
  })
  it('writes only what was changed against the version that was read: a stale sheet undoes nothing', async ({
    db,
    s,
  }) => {
    await saveRecord(db, 'glasses', { ...s.glass, name: 'By the window' }, NOW + 1)
    const { clashes } = await saveRecord(db, 'glasses', { ...s.glass, rockKg: 3 }, NOW + 2)
    expect(clashes).toEqual([])
    expect(await db.records('glasses').get(s.glass.id)).toMatchObject({ name: 'By the window', rockKg: 3 })
  })
  it('names the field that two sheets changed; the later save stands, the other is in the attic', async ({ db, s }) => {
    await saveRecord(db, 'glasses', { ...s.glass, name: 'First' }, NOW + 1)
    const { clashes } = await saveRecord(db, 'glasses', { ...s.glass, name: 'Second' }, NOW + 2)
    expect(clashes).toMatchObject([{ field: 'name', mine: 'Second', theirs: 'First' }])
    expect((await db.records('glasses').get(s.glass.id))?.name).toBe('Second')
    expect((await db.records('attic').toArray()).map(a => a.record.name).sort()).toEqual(['First', 'Glass'])
  })
  it('numbers versions one after the other, each made from the one before', async ({ db, s }) => {
    await saveRecord(db, 'glasses', { ...s.glass, name: 'A' }, NOW + 1)
    const a = (await db.records('glasses').get(s.glass.id))!
    expect([a.rev.slice(0, 6), a.basedOn]).toEqual(['000002', s.glass.rev])
  })
  it('lets a record go for good only while nothing names it', async ({ db, s }) => {
    expect(await deleteUnused(db, 'glasses', s.glass.id, NOW)).toBe(false)
    await addEntries(db, [count(s.colony.id, 1, 5)])
    expect(await deleteUnused(db, 'colonies', s.colony.id, NOW)).toBe(false)
    const spare = glassOf(s.room.id, s.rack.id, { name: 'Spare' })
    await saveRecord(db, 'glasses', spare, NOW)
    expect(await deleteUnused(db, 'racks', s.rack.id, NOW)).toBe(false)
    expect(await deleteUnused(db, 'glasses', spare.id, NOW)).toBe(true)
    expect(await db.records('glasses').get(spare.id)).toBeUndefined()
    expect((await db.records('attic').toArray()).map(a => a.record.name)).toEqual(['Spare'])
  })
  it('lets no ladder or generation go that a grading names, though its keys do not', async ({ db, s }) => {
    const roomId = s.room.id
    const rungs = ['a', 'b', 'c'].map((words, order) => ({ id: nextId(), words, order }))
    const ladder = { ...begun(nextId(), NOW), roomId, trait: 'Cover', rungs }
    const line = newLineRecord({ roomId, name: 'Ember', groupId: 'neocaridina' }, NOW)
    const from = new Date(NOW).toISOString()
    const generation = { ...begun(nextId(), NOW), roomId, lineId: line.id, n: 1, from, breedingGroupIds: [] }
    const seen = [{ rungId: rungs[0]!.id, sex: 'female', number: 3 }]
    const graded = { colonyId: s.colony.id, ladderId: ladder.id, generationId: generation.id, seen }
    const { ways } = await saveTogether(
      db,
      [
        { table: 'ladders', record: ladder },
        { table: 'lines', record: line },
        { table: 'generations', record: generation },
      ],
      [entryOf('grading', 1, graded)],
      NOW,
    )
    expect(await deleteUnused(db, 'ladders', ladder.id, NOW)).toBe(false)
    expect(await deleteUnused(db, 'generations', generation.id, NOW)).toBe(false)
    // the way back of all three: the line was named by its generation alone, and stays with it
    expect(await putBack(db, ways, NOW)).toBe(false)
    expect(await db.records('ladders').get(ladder.id)).toBeDefined()
    // what comes out is a file that reads back
    expect(parseBackup(writeBackup(await readAll(db, NOW))).ok).toBe(true)
  })
  it('refuses what does not fit, and keeps what was there', async ({ db, s }) => {
    await expect(saveRecord(db, 'glasses', { ...s.glass, grossL: -1 }, NOW)).rejects.toThrow(/0.05 L or more/)
    expect((await db.records('glasses').get(s.glass.id))?.grossL).toBe(60)
  })
  it('writes glass and colony together or not at all', async ({ db, s }) => {
    const other = { ...s.glass, ...begun(nextId(), NOW), name: 'Second' }
    const unnamed = { ...colony(other.id), name: '' }
    const both = [
      { table: 'glasses' as const, record: other },
      { table: 'colonies' as const, record: unnamed },
    ]
    await expect(saveRecords(db, both, NOW)).rejects.toThrow()
    expect(await db.records('glasses').count()).toBe(1)
  })
})

describe('the log', () => {
  it('is read by colony and by glass, in order of time', async ({ db, s }) => {
    const late = count(s.colony.id, 1, 30)
    const early = count(s.colony.id, 9, 20)
    for (const e of [late, early, waterTest(s.glass.id, 2, { khDh: 4 })]) await addEntries(db, [e])
    expect((await entriesOf(db, s.colony.id)).map(e => e.id)).toEqual([early.id, late.id])
    expect(await entriesOf(db, s.glass.id)).toHaveLength(1)
    expect(await entriesOf(db, nextId())).toEqual([])
  })
  it('is found by every animal that an entry is about, and read by a part of its time', async ({ db, s }) => {
    const animal = nextId()
    const about = { ...count(s.colony.id, 3, 1), animalIds: [animal] }
    await addEntries(db, [about, count(s.colony.id, 8, 2), count(s.colony.id, 1, 3)])
    expect(await entriesOf(db, animal)).toEqual([about])
    expect(await entriesOf(db, s.colony.id, daysAgo(4), daysAgo(2))).toEqual([about])
  })
  it('never changes an entry', async ({ db, s }) => {
    const e = count(s.colony.id, 1, 30)
    await addEntries(db, [e])
    await expect(addEntries(db, [{ ...e, number: 31 } as typeof e])).rejects.toThrow()
    await addEntries(db, [correction(e, { number: 31 })])
    expect(currentEntries(await entriesOf(db, s.colony.id))).toMatchObject([{ number: 31 }])
    expect(await db.records('entries').count()).toBe(2)
  })
  it('refuses an entry that does not fit', async ({ db, s }) => {
    await expect(addEntries(db, [{ ...count(s.colony.id, 1, 30), number: -3 } as never])).rejects.toThrow()
    expect(await db.records('entries').count()).toBe(0)
  })
})

describe('the log by kind', () => {
  it('a log by kind holds what was poured anywhere, and nothing else', async ({ db, s }) => {
    for (const e of [waterChange(s.glass.id, 3, 5), topUp(s.glass.id, 2, 1), count(s.colony.id, 1, 9)])
      await addEntries(db, [e])
    expect((await entriesOfKinds(db, ['waterChange', 'topUp'], 0)).map(e => e.kind).sort()).toEqual([
      'topUp',
      'waterChange',
    ])
  })
  it('is told by how often each kind was written and when last, the most often written first', async ({ db, s }) => {
    for (const e of [topUp(s.glass.id, 9, 1), waterChange(s.glass.id, 3, 5), topUp(s.glass.id, 2, 1)])
      await addEntries(db, [e])
    const at = (kind: string, number: number, days: number) => ({ kind, number, lastMs: Date.parse(daysAgo(days)) })
    expect(await kindsKept(db)).toEqual([at('topUp', 2, 2), at('waterChange', 1, 3)])
  })
})

describe('entriesOfKinds', () => {
  it('reads from the moment of writing on', async ({ db, s }) => {
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
