import { describe, expect, it } from 'vitest'
import { MIN_LITRES, usualBench } from '#core/records'
import { entryOfVersion5, recordOfVersion5 } from '../../../core/formats/shapesOfVersion5'
import { suppliesOfVersion1 } from '../../../core/formats/suppliesOfVersion1'

const AT = '2025-03-01T09:00:00.000Z'

describe('records of version 4', () => {
  it('get a first version that follows from what they say', () => {
    const rack = { id: 'r', name: 'Rack', editedAt: AT, retired: false }
    const { rev, ...rest } = recordOfVersion5('racks', rack) as Record<string, unknown>
    expect(rest).toEqual({ id: 'r', name: 'Rack', editedAt: AT })
    expect(rev).toMatch(/^000001-[0-9a-f]{8}$/)
    expect((recordOfVersion5('racks', { ...rack }) as typeof rack & { rev: string }).rev).toBe(rev)
    expect((recordOfVersion5('racks', { ...rack, name: 'Other' }) as typeof rack & { rev: string }).rev).not.toBe(rev)
    // hashes that begin with zeros are filled up: among a thousand some do
    for (let i = 0; i < 1000; i++)
      expect((recordOfVersion5('racks', { ...rack, name: `${i}` }) as { rev: string }).rev).toHaveLength(15)
  })
  it('that were put away have ended when they were last edited; others have not', () => {
    const ended = recordOfVersion5('sources', { id: 's', editedAt: AT, retired: true })
    expect(ended).toMatchObject({ ended: { at: AT, why: 'putAway' } })
    expect(ended).not.toHaveProperty('retired')
    for (const retired of [false, undefined, 'yes'])
      expect(recordOfVersion5('sources', { id: 's', editedAt: AT, retired })).not.toHaveProperty('ended')
  })
  it('of a colony say where it stood from the beginning', () => {
    const colony = recordOfVersion5('colonies', { id: 'c', glassId: 'g', startedAt: AT, editedAt: AT })
    expect(colony).toMatchObject({ form: 'colony', stays: [{ glassId: 'g', from: AT }] })
    expect(colony).not.toHaveProperty('glassId')
    expect(recordOfVersion5('plans', { id: 'p', glassId: 'g' })).toMatchObject({ glassId: 'g' })
  })
  it('of a glass hold a twentieth of a litre at least; what is no volume is left for the schema to name', () => {
    const litres = (grossL: unknown, table = 'glasses') =>
      (recordOfVersion5(table, { id: 'g', grossL }) as { grossL: unknown }).grossL
    expect(litres(0.001)).toBe(MIN_LITRES)
    expect(litres(60)).toBe(60)
    for (const odd of [0, -4, '60', null, undefined]) expect(litres(odd)).toBe(odd)
    expect(litres(0.001, 'racks')).toBe(0.001)
    expect(litres('0.001')).toBe('0.001')
  })
  it('and entries that are none are handed on as they are', () => {
    for (const odd of [null, 'text', 7, undefined]) {
      expect(recordOfVersion5('glasses', odd)).toBe(odd)
      expect(entryOfVersion5(odd)).toBe(odd)
    }
    const note = { kind: 'note', text: 'x' }
    expect(entryOfVersion5(note)).toBe(note)
    expect(entryOfVersion5({ kind: 'waterChange', litres: 0.01 })).toEqual({ kind: 'waterChange', litres: MIN_LITRES })
    expect(entryOfVersion5({ kind: 'waterChange', litres: 12 })).toEqual({ kind: 'waterChange', litres: 12 })
  })
})

describe('a room of version 1', () => {
  const id = '01890000-0000-7000-8000-0000000000ff'
  const of = (changeWater?: object) => suppliesOfVersion1({ id, editedAt: AT, name: 'Old', changeWater })
  it('gets pure water, its change water as a tap, and three salts', () => {
    const { room, sources, shelf } = of({ ghDh: 6, khDh: 3 })
    expect(room).toEqual({ id, editedAt: AT, name: 'Old', bench: usualBench })
    expect(sources).toEqual([
      {
        id: `${id.slice(0, -2)}a0`,
        editedAt: AT,
        roomId: id,
        name: 'Pure water',
        kind: 'pure',
        disinfectant: 'none',
        analyses: [{ at: AT, by: 'assumed', values: { ghDh: 0, khDh: 0, conductivityUsCm: 5 } }],
        retired: false,
      },
      {
        id: `${id.slice(0, -2)}a1`,
        editedAt: AT,
        roomId: id,
        name: 'Change water',
        kind: 'tap',
        disinfectant: 'unknown',
        analyses: [{ at: AT, by: 'ownTest', values: { ghDh: 6, khDh: 3 } }],
        retired: false,
      },
    ])
    expect(shelf.map(s => [s.id.slice(-2), s.name, s.content, s.retired])).toEqual([
      ['a2', 'Calcium chloride', { by: 'salt', salt: 'calciumChlorideDihydrate' }, false],
      ['a3', 'Magnesium sulfate', { by: 'salt', salt: 'magnesiumSulfateHeptahydrate' }, false],
      ['a4', 'Sodium bicarbonate', { by: 'salt', salt: 'sodiumBicarbonate' }, false],
    ])
  })
  it('keeps change water that has one of the two hardnesses, and none that has neither', () => {
    const names = (changeWater?: object) => of(changeWater).sources.map(s => s.name)
    expect(names({ ghDh: 6 })).toEqual(['Pure water', 'Change water'])
    expect(names({ khDh: 2 })).toEqual(['Pure water', 'Change water'])
    expect(names({ ghDh: 0, khDh: 0 })).toEqual(['Pure water'])
    expect(names()).toEqual(['Pure water'])
  })
  it('that is none is handed on as it is', () => {
    for (const odd of [null, 'room', 3]) expect(suppliesOfVersion1(odd)).toEqual({ room: odd, sources: [], shelf: [] })
  })
})
