import { describe, expect, it } from 'vitest'
import { begun, logKey, netLitres, type TableName, tables } from '#core/records'
import * as make from '../../make'

const room = make.nextId()
const rack = make.nextId()
const glass = make.nextId()
const line = make.nextId()
const colony = make.nextId()
const stamps = begun(make.nextId(), make.NOW)
/** What a record names: field, table, id. */
const named = (table: TableName, record: object) =>
  (tables[table].references as (r: object) => { path: string; table: string; id: string }[])(record).map(
    r => `${r.path} → ${r.table} ${r.id}`,
  )

describe('tables', () => {
  it('know what each record names', () => {
    const inRoom = `roomId → rooms ${room}`
    for (const table of ['racks', 'ladders', 'sources', 'shelf', 'plans', 'practice'] as const)
      expect(named(table, { ...stamps, roomId: room }), table).toEqual([inRoom])
    for (const table of ['rooms', 'photos', 'attic'] as const) expect(named(table, stamps), table).toEqual([])
    const place = { rackId: rack, shelf: 0, position: 0 }
    expect(named('glasses', { roomId: room, place })).toEqual([inRoom, `place.rackId → racks ${rack}`])
    expect(named('glasses', { roomId: room, place, hosts: [{ glassId: glass }, { glassId: colony }] })).toEqual([
      inRoom,
      `place.rackId → racks ${rack}`,
      `hosts.0.glassId → glasses ${glass}`,
      `hosts.1.glassId → glasses ${colony}`,
    ])
    expect(named('colonies', { stays: [{ glassId: glass }] })).toEqual([`stays.0.glassId → glasses ${glass}`])
    expect(named('colonies', { stays: [{ glassId: glass }], lineId: line, fromColonyId: colony })).toEqual([
      `stays.0.glassId → glasses ${glass}`,
      `lineId → lines ${line}`,
      `fromColonyId → colonies ${colony}`,
    ])
    expect(named('scenarios', { colonyId: colony })).toEqual([`colonyId → colonies ${colony}`])
    expect(named('orders', { roomId: room, colonyId: colony })).toEqual([inRoom, `colonyId → colonies ${colony}`])
    const ladder = make.nextId()
    expect(named('lines', { roomId: room, ladderIds: [ladder] })).toEqual([inRoom, `ladderIds.0 → ladders ${ladder}`])
    expect(named('generations', { roomId: room, lineId: line, breedingGroupIds: [rack] })).toEqual([
      inRoom,
      `lineId → lines ${line}`,
      `breedingGroupIds.0 → breedingGroups ${rack}`,
    ])
    const bred = { roomId: room, lineId: line, colonyId: colony, generationId: glass, ladderId: ladder }
    expect(named('breedingGroups', { ...bred, animalIds: [rack] })).toEqual([
      inRoom,
      `lineId → lines ${line}`,
      `colonyId → colonies ${colony}`,
      `generationId → generations ${glass}`,
      `ladderId → ladders ${ladder}`,
      `animalIds.0 → animals ${rack}`,
    ])
    const graded = { kind: 'grading', colonyId: colony, ladderId: ladder, generationId: glass, againOf: rack }
    expect(named('entries', graded)).toEqual([
      `colonyId → colonies ${colony}`,
      `ladderId → ladders ${ladder}`,
      `generationId → generations ${glass}`,
      `againOf → entries ${rack}`,
    ])
    expect(named('entries', make.count(colony, 1, 20))).toEqual([`colonyId → colonies ${colony}`])
  })
  it('are found, counted and kept each in its way', () => {
    const told = Object.fromEntries(
      Object.entries(tables).map(([name, { indexes, way, words }]) => [
        name,
        [indexes.join(), way, ...words].join('; '),
      ]),
    )
    expect(told).toEqual({
      rooms: '; edited; room; rooms',
      racks: 'roomId; edited; rack; racks',
      glasses: 'roomId; edited; glass; glasses',
      ladders: 'roomId; edited; ladder of grades; ladders of grades',
      lines: 'roomId; edited; line; lines',
      generations: 'roomId; edited; generation; generations',
      breedingGroups: 'roomId; edited; choice of breeders; choices of breeders',
      colonies: '; edited; colony; colonies',
      sources: 'roomId; edited; source; sources',
      shelf: 'roomId; edited; box on the shelf; boxes on the shelf',
      plans: 'roomId; edited; plan; plans',
      scenarios: 'colonyId; edited; scenario; scenarios',
      orders: 'roomId; edited; order; orders',
      practice: 'roomId; edited; practised picture; practised pictures',
      photos: '; once; photo; photos',
      eggLots: 'roomId; edited; lot of dry eggs; lots of dry eggs',
      entries: '[kind+id]; once; entry of the log; entries of the log',
      animals: 'roomId; edited; animal; animals',
      attic: '; once; older version in the attic; older versions in the attic',
    })
    expect(logKey('a', 'b')).toBe('a b')
    expect(logKey('a')).toBe('a ')
    const keys = tables.colonies.keys as (c: object) => string[]
    expect(keys({ stays: [{ glassId: glass }, { glassId: rack }, { glassId: glass }] })).toEqual([glass, rack])
  })
})

describe('netLitres', () => {
  const contents = (more: Partial<Parameters<typeof netLitres>[0]> = {}) => ({
    grossL: 60,
    fill: { by: 'height' as const, share: 0.9 },
    ...more,
  })
  const inside = { lengthCm: 60, widthCm: 30, heightCm: 33 }
  it('is what the keeper gave, whatever lies in it', () => {
    const substrate = { kind: 'sand' as const, depthCm: 5 }
    expect(netLitres({ ...contents({ inside, substrate, rockKg: 9 }), fill: { by: 'netLitres', netL: 41 } })).toBe(41)
  })
  it('is gross by fill height, less what grains and rock take up', () => {
    expect(netLitres(contents())).toBeCloseTo(54, 9)
    expect(netLitres(contents({ rockKg: 5.2 }))).toBeCloseTo(52, 9)
    // 60 × 30 × 5 cm = 9 L of sand, of which 38 % is water
    for (const [kind, pores] of [
      ['none', 1],
      ['sand', 0.38],
      ['gravel', 0.4],
      ['activeSoil', 0.45],
      ['carbonateSand', 0.4],
      ['earth', 0.35],
    ] as const)
      expect(netLitres(contents({ inside, substrate: { kind, depthCm: 5 } })), kind).toBeCloseTo(
        54 - 9 * (1 - pores),
        9,
      )
  })
  it('takes nothing off where the edges are not known, and leaves a twentieth', () => {
    expect(netLitres(contents({ substrate: { kind: 'sand', depthCm: 5 } }))).toBeCloseTo(54, 9)
    expect(netLitres(contents({ inside }))).toBeCloseTo(54, 9)
    expect(netLitres(contents({ rockKg: 500 }))).toBe(3)
  })
})
