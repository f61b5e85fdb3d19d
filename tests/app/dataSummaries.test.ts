import { describe, expect } from 'vitest'
import { DAY_MS, movedTo, watersOf } from '#core/records'
import { addEntries } from '~/data/addEntries'
import { roomRecords } from '~/data/records'
import { saveRecord } from '~/data/saveRecord'
import { eraseAll } from '~/data/aside'
import { dropFits, fitsOf, keepFits } from '~/data/fits'
import { allRevisions } from '~/data/revisions'
import { keepSummaries, keptSummaries, statementInputs } from '~/data/summaries'
import { colony, count, daysAgo, glass as glassOf, NOW, shelfItem, source, test as waterTest } from '../make'
import { it, type RoomInDb } from './roomInDb'
import type { ColonyStatements } from '#core/statements'

describe('revisions', () => {
  it('mark the colony of a count, and all colonies of a glass whose water was tested', async ({
    db,
    s,
    revisionOf,
  }) => {
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
  it('mark nothing for a source or a salt: they say nothing of a colony', async ({ db, s, revisionOf }) => {
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
  const subject = async ({ s, revisionOf }: Pick<RoomInDb, 's' | 'revisionOf'>) => ({
    colony: s.colony,
    glass: s.glass,
    waters: watersOf(s.colony, new Map([[s.glass.id, s.glass]])),
    animals: [],
    revision: (await revisionOf(s.colony.id))!,
  })
  it('hold for the same revision and day, and are none of another build', async ({ db, s, revisionOf }) => {
    const { revision } = await subject({ s, revisionOf })
    await keepSummaries(db, [
      { colonyId: s.colony.id, revision, day: '2026-11-25', build: 'b1', statements: statements(s.colony.id) },
    ])
    const holds = async (day: string, build: string) =>
      (
        await keptSummaries(
          db,
          [await subject({ s, revisionOf }), { ...(await subject({ s, revisionOf })), colony: colony(s.glass.id) }],
          day,
          build,
        )
      ).map(k => k.holds)
    expect(await holds('2026-11-25', 'b1')).toEqual([true])
    expect(await holds('2026-11-26', 'b1')).toEqual([false])
    expect(await holds('2026-11-25', 'b2')).toEqual([])
    await addEntries(db, [count(s.colony.id, 0, 12)])
    expect(await holds('2026-11-25', 'b1')).toEqual([false])
  })
  it('follow from the log of the colony and of its water', async ({ db, s, revisionOf }) => {
    const counted = count(s.colony.id, 2, 30)
    const tested = waterTest(s.glass.id, 1, { khDh: 4 })
    for (const e of [counted, tested]) await addEntries(db, [e])
    expect(await statementInputs(db, [await subject({ s, revisionOf })], NOW)).toEqual([
      {
        colony: s.colony,
        glass: s.glass,
        colonyEntries: [counted],
        water: s.glass,
        glassEntries: [tested],
        earlier: [],
        animals: [],
        nowMs: NOW,
        taughtBy: [],
        zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      },
    ])
    expect(await statementInputs(db, [], NOW)).toEqual([])
  })
  it('a colony that moved has the water of each glass for the time it stood there', async ({ db, s, revisionOf }) => {
    const second = glassOf(s.room.id, s.rack.id, { name: 'Second' })
    await saveRecord(db, 'glasses', second, NOW)
    const moved = { ...s.colony, stays: movedTo(s.colony.stays, second.id, daysAgo(10)) }
    await saveRecord(db, 'colonies', moved, NOW)
    const [before, after, there] = [
      waterTest(s.glass.id, 20, { temperatureC: 20 }),
      waterTest(s.glass.id, 3, { temperatureC: 21 }),
      waterTest(second.id, 2, { temperatureC: 26 }),
    ]
    await addEntries(db, [before, after, there])
    const waters = watersOf(moved, new Map([s.glass, second].map(g => [g.id, g])))
    const asked = { colony: moved, glass: second, waters, animals: [], revision: '' }
    const [input] = await statementInputs(db, [asked], NOW)
    expect(input).toMatchObject({ water: { id: second.id }, glassEntries: [there], earlier: [{ entries: [before] }] })
    // its old water still marks it: what is put right there later is part of its past
    const mark = await revisionOf(moved.id)
    await addEntries(db, [waterTest(s.glass.id, 15, { ph: 7 })])
    expect(await revisionOf(moved.id)).not.toBe(mark)
  })
  it('a box has the water of the glass in which it hangs', async ({ db, s, revisionOf }) => {
    const box = glassOf(s.room.id, s.rack.id, {
      name: 'Box',
      kind: 'box',
      hosts: [{ glassId: s.glass.id, from: daysAgo(30) }],
    })
    const inBox = colony(box.id, { name: 'Berried', stays: [{ glassId: box.id, from: daysAgo(12) }] })
    await saveRecord(db, 'glasses', box, NOW)
    await saveRecord(db, 'colonies', inBox, NOW)
    const mark = await revisionOf(inBox.id)
    await addEntries(db, [waterTest(s.glass.id, 1, { khDh: 5 })])
    expect(await revisionOf(inBox.id)).not.toBe(mark)
    const waters = watersOf(inBox, new Map([s.glass, box].map(g => [g.id, g])))
    expect(waters.map(w => w.water.id)).toEqual([s.glass.id])
    expect(waters[0]!.from).toBe(new Date(NOW - 12 * DAY_MS).toISOString())
  })
})

describe('fits', () => {
  const fit = (basis: number) => ({ model: 'stages/3', basis, size: 2, checkpoints: [] })
  it('are kept for the colonies of this device, and go with them', async ({ db, s }) => {
    const { id } = s.colony
    await keepFits(
      db,
      new Map([
        [id, fit(1)],
        ['gone', fit(2)],
      ]),
    )
    await db.kept.put({ id: 'round', value: 'a round under way', turn: 3 })
    expect([...(await fitsOf(db, [id, 'gone', 'never']))]).toEqual([
      [id, fit(1)],
      ['gone', fit(2)],
    ])
    await dropFits(db)
    expect([...(await fitsOf(db, [id, 'gone'])).keys()]).toEqual([id])
    expect(await db.kept.get('round')).toMatchObject({ turn: 3 })
    await eraseAll(db, NOW)
    expect((await fitsOf(db, [id])).size).toBe(0)
  })
})
