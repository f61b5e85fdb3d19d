import { describe, expect } from 'vitest'
import { begun, type Glass, type Rack } from '#core/records'
import { addEntries } from '~/data/addEntries'
import type { UlkinDb } from '~/data/database'
import { newId } from '~/data/newId'
import { putBack, saveRecord, saveRecords, saveTogether } from '~/data/saveRecord'
import { clashText } from '~/words/clash'
import { colony, count, entryOf, glass as glassOf, NOW } from '../make'
import { it, type RoomInDb } from './roomInDb'

const LATER = NOW + 1000

/** A glass and its colony, begun together. */
async function newGlass(db: UlkinDb, s: RoomInDb['s']) {
  const glass = glassOf(s.room.id, s.rack.id, { name: 'New' })
  const moss = colony(glass.id)
  const { ways } = await saveRecords(
    db,
    [
      { table: 'glasses', record: glass },
      { table: 'colonies', record: moss },
    ],
    NOW,
  )
  return { glass, moss, ways }
}

describe('undoing what was written', () => {
  it('a rename goes back, and what somebody else changed meanwhile stands', async ({ db, s }) => {
    const rack = (await db.records('racks').toArray())[0]!
    const { ways } = await saveRecord(db, 'racks', { ...rack, name: 'By the window' }, NOW)
    const renamed = (await db.records('racks').get(rack.id))!
    await saveRecord(db, 'racks', { ...renamed, shelves: rack.shelves + 2 }, NOW + 1)
    expect(await putBack(db, ways, LATER)).toBe(true)
    const now = (await db.records('racks').get(rack.id))!
    expect(now.name).toBe(rack.name)
    expect(now.shelves).toBe(rack.shelves + 2)
    expect(now.roomId).toBe(s.room.id)
  })
  it('the same field changed by somebody since keeps what they wrote', async ({ db }) => {
    const rack = (await db.records('racks').toArray())[0]!
    const { ways } = await saveRecord(db, 'racks', { ...rack, name: 'Mine' }, NOW)
    await saveRecord(db, 'racks', { ...(await db.records('racks').get(rack.id))!, name: 'Theirs' }, NOW + 1)
    await putBack(db, ways, LATER)
    expect((await db.records('racks').get(rack.id))!.name).toBe('Theirs')
  })
  it('a field that was added is gone again, one that was taken is back', async ({ db, s }) => {
    const ended = { at: new Date(NOW).toISOString(), why: 'putAway' as const }
    const put = await saveRecord(db, 'glasses', { ...s.glass, ended }, NOW)
    await putBack(db, put.ways, LATER)
    const back = (await db.records('glasses').get(s.glass.id))!
    expect('ended' in back).toBe(false)
    const taken = await saveRecord(db, 'glasses', { ...back, ended }, LATER)
    const { ended: _, ...without } = (await db.records('glasses').get(s.glass.id))! as Glass
    const brought = await saveRecord(db, 'glasses', without as Glass, LATER)
    expect(taken.ways).toHaveLength(1)
    await putBack(db, brought.ways, LATER)
    expect((await db.records('glasses').get(s.glass.id))!.ended).toEqual(ended)
  })
  it('a glass and its colony that were begun together go together, and lie in the attic', async ({ db, s }) => {
    const { glass, moss, ways } = await newGlass(db, s)
    expect(ways.map(w => [w.table, w.before])).toEqual([
      ['glasses', null],
      ['colonies', null],
    ])
    expect(await putBack(db, ways, LATER)).toBe(true)
    expect(await db.records('glasses').get(glass.id)).toBeUndefined()
    expect(await db.records('colonies').get(moss.id)).toBeUndefined()
    expect(await db.records('attic').count()).toBe(2)
  })
  it('what the log speaks of by now stays, with all that it stands in', async ({ db, s }) => {
    const { glass, moss, ways } = await newGlass(db, s)
    await addEntries(db, [count(moss.id, 0, 12)])
    expect(await putBack(db, ways, LATER)).toBe(false)
    expect(await db.records('glasses').get(glass.id)).toBeDefined()
    expect(await db.records('colonies').get(moss.id)).toBeDefined()
  })
  it('one that stays is told, whatever else goes', async ({ db, s }) => {
    const rack = (name: string): Rack => ({
      ...begun(newId(), NOW),
      ...{ roomId: s.room.id, name, kind: 'rack' as const, shelves: 2, order: 7 },
    })
    const [bare, used] = [rack('Bare'), rack('Used')]
    const { ways } = await saveRecords(
      db,
      [bare, used].map(record => ({ table: 'racks' as const, record })),
      NOW,
    )
    await saveRecord(db, 'glasses', glassOf(s.room.id, used.id, { name: 'On it' }), NOW)
    expect(await putBack(db, ways, LATER)).toBe(false)
    expect(await db.records('racks').get(bare.id)).toBeUndefined()
    expect(await db.records('racks').get(used.id)).toBeDefined()
  })
  it('what changed nothing has no way back', async ({ db, s }) => {
    expect((await saveRecord(db, 'glasses', s.glass, NOW)).ways).toEqual([])
    const rack: Rack = {
      ...begun(newId(), NOW),
      roomId: s.room.id,
      name: 'Floor',
      kind: 'floor',
      shelves: 1,
      order: 9,
    }
    const { ways } = await saveRecord(db, 'racks', rack, NOW)
    expect(ways).toEqual([{ table: 'racks', id: rack.id, before: null, after: rack.rev }])
  })
})

describe('a value of another tab that gave way', () => {
  it('is named in the words of the sheet', () => {
    const text = clashText([{ field: 'grossL', mine: 20, theirs: 25 }])
    expect(text).toBe('Another tab had changed the same (litres): yours stands, theirs is kept in the attic.')
  })
  it('what only the entries of the same step name is put away with them; what was logged since keeps it', async ({
    db,
    s,
  }) => {
    const made = async () => {
      const glass = glassOf(s.room.id, s.rack.id, { name: 'Box' })
      const box = colony(glass.id)
      const rack = (await db.records('racks').toArray())[0]!
      const entries = [entryOf('move', 1, { colonyId: s.colony.id, toColonyId: box.id, number: 5 })]
      const { ways } = await saveTogether(
        db,
        [
          { table: 'racks', record: { ...rack, name: 'By the window' } },
          { table: 'glasses', record: glass },
          { table: 'colonies', record: box },
        ],
        entries,
        NOW,
      )
      return { glass, box, entries, ways, rack }
    }
    const first = await made()
    expect(await putBack(db, first.ways, LATER, first.entries)).toBe(true)
    const kept = await db.records('colonies').get(first.box.id)
    expect(kept?.ended).toMatchObject({ why: 'putAway' })
    expect((await db.records('glasses').get(first.glass.id))?.ended).toMatchObject({ why: 'putAway' })
    expect((await db.records('racks').get(first.rack.id))?.name).toBe(first.rack.name)
    // somebody counted there since: then it stays as it is
    const second = await made()
    await addEntries(db, [count(second.box.id, 0, 4)])
    expect(await putBack(db, second.ways, LATER, second.entries)).toBe(false)
    expect((await db.records('colonies').get(second.box.id))?.ended).toBeUndefined()
  })
})
