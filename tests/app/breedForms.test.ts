import { describe, expect, it } from 'vitest'
import {
  type Animal,
  type BreedingGroup,
  type Entry,
  begun,
  Colony,
  Glass,
  type Ladder,
  Order,
  presentRungs,
} from '#core/records'
import { boxName, newBox, readRelease } from '~/forms/breedBox'
import { readBreeders } from '~/forms/breedDraft'
import { newLadder, readLadder } from '~/forms/ladderDraft'
import { newLineRecord } from '~/forms/lineDraft'
import { colony, glass, nextId, NOW } from '../make'

const roomId = nextId()
const typed = newLadder('Colour cover', ['clear', 'patchy', 'dense'])
const ladder = readLadder(typed, { roomId, nowMs: NOW, ladder: null }) as Ladder
const rung = (k: number) => presentRungs(ladder)[k]!.id
const c = colony(nextId())
const line = newLineRecord({ roomId, name: 'Ember', groupId: 'neocaridina' }, NOW)
const stamp = () => ({ id: nextId(), loggedAt: new Date(NOW).toISOString(), keeper: 'A. R.' })

describe('breeders that are set', () => {
  const box = nextId()
  const group = {
    ...begun(nextId(), NOW),
    ...{ roomId, lineId: line.id, colonyId: c.id, generationId: nextId(), ladderId: ladder.id },
    ...{ state: 'draft' as const, parents: [], animalIds: [], from: new Date(NOW).toISOString() },
  }
  const trays = {
    breed: { [`${rung(2)} female`]: 8, [`${rung(2)} male`]: 3 },
    offer: { [`${rung(1)} female`]: 5 } as Record<string, number>,
    part: { [`${rung(0)} male`]: 7 },
  }
  const priced = { rungs: ladder.rungs.map((r, k) => (k === 1 ? { ...r, priceEach: 2.5 } : r)) }
  const set = (typedTo: object, more = trays) =>
    readBreeders(
      { breedIn: c.id, partTo: 'given', ...typedTo },
      { group, ladder: priced, colony: c, trays: more, stamp, nowMs: NOW },
    )
  it('breed where they are, the parted leave with their rungs, and the offered are an order', () => {
    const read = set({})
    expect(read).toMatchObject({
      group: { state: 'running', colonyId: c.id, parents: [{ number: 8 }, { number: 3 }] },
      orders: [{ number: 5, of: 'females', who: 'whoever asks', rungId: rung(1), priceEach: 2.5 }],
      moves: [
        { kind: 'removal', outlet: 'given', number: 7, parts: { males: 7 }, rungs: [{ rungId: rung(0), number: 7 }] },
      ],
    })
  })
  it('offer an order for each rung, of both sexes where both lie there', () => {
    const offer = { [`${rung(1)} female`]: 5, [`${rung(0)} female`]: 2, [`${rung(0)} male`]: 3 }
    const { orders } = set({}, { ...trays, offer }) as { orders: object[] }
    expect(orders).toMatchObject([
      { number: 5, of: 'females', rungId: rung(1), priceEach: 2.5 },
      { number: 5, of: 'adults', rungId: rung(0) },
    ])
    expect(orders[1]).not.toHaveProperty('priceEach')
    expect(orders.every(o => Order.safeParse(o).success)).toBe(true)
  })
  it('go into a box by one move that keeps stage, sex and rung', () => {
    const read = set({ breedIn: box, partTo: box })
    expect(read).toMatchObject({
      group: { colonyId: box },
      moves: [
        { kind: 'move', toColonyId: box, number: 11, parts: { females: 8, males: 3 } },
        { kind: 'move', toColonyId: box, number: 7 },
      ],
    })
    const ids = (read as { moves: Entry[] }).moves.map(m => m.id)
    expect(new Set(ids).size).toBe(2)
  })
  it('name those that are followed, where they stand', () => {
    const animal = (name: string, sex: Animal['sex']): Animal => ({
      ...begun(nextId(), NOW),
      ...{ roomId, firstColonyId: c.id, name, groupId: c.groupId, sex, damIds: [], sireIds: [] },
    })
    const [flint, ash, moss] = [animal('Flint', 'male'), animal('Ash', 'female'), animal('Moss', 'unknown')]
    const named = (breed: Animal[], part: Animal[] = []) =>
      readBreeders(
        { breedIn: box, partTo: 'given' },
        { group, ladder: priced, colony: c, trays, named: { breed, part }, stamp, nowMs: NOW },
      )
    expect(named([flint, ash])).toMatchObject({
      group: { animalIds: [flint.id, ash.id] },
      moves: [{ kind: 'move', animalIds: [flint.id, ash.id] }, { kind: 'removal' }],
    })
    const parted = named([ash], [flint]) as { moves: object[] }
    expect(parted.moves[1]).toMatchObject({ kind: 'removal', animalIds: [flint.id] })
    expect(named([])).toMatchObject({ group: { animalIds: [] } })
    expect((named([]) as { moves: object[] }).moves[0]).not.toHaveProperty('animalIds')
    expect(named([flint], [flint])).toContain('Flint cannot breed and be parted')
    expect(named([], [ash])).toContain('1 named female where the tray holds 0')
    const four = Array.from({ length: 4 }, (_, i) => animal(`Male ${i}`, 'male'))
    expect(named(four)).toContain('4 named male where the tray holds 3')
    expect(named([moss])).toContain('whether Moss is female or male')
  })
  it('need both sexes, and a way for the parted', () => {
    expect(set({}, { ...trays, breed: { [`${rung(2)} male`]: 3 } as never })).toContain(
      'at least one female and one male',
    )
    expect(set({ partTo: '' })).toContain('where the parted')
    expect(set({ partTo: '' }, { ...trays, part: {} as never, offer: {} as never })).toMatchObject({
      orders: [],
      moves: [],
    })
  })
})

describe('breeders in a box', () => {
  const host = glass(roomId, nextId(), { name: 'Sill' })
  it('hangs in the water of a glass, with a colony of the same line', () => {
    const parent = { ...c, lineId: line.id, minimumKeep: 40, minimumFemales: 9 }
    const made = newBox({ colony: parent, host, name: 'Ember box' }, NOW)
    expect(Glass.safeParse(made.glass).success).toBe(true)
    expect(Colony.safeParse(made.colony).success).toBe(true)
    expect(made.glass.hosts).toMatchObject([{ glassId: host.id }])
    expect(made.colony).toMatchObject({ lineId: line.id, fromColonyId: c.id, minimumKeep: 0, groupId: c.groupId })
    expect(made.colony).not.toHaveProperty('minimumFemales')
    expect(made.colony.stays).toMatchObject([{ glassId: made.glass.id }])
    expect(boxName('Ember', [])).toBe('Ember box')
    expect(boxName('Ember', ['Ember box', 'Ember box 2'])).toBe('Ember box 3')
  })
  const group: BreedingGroup = {
    ...begun(nextId(), NOW),
    ...{ roomId, lineId: line.id, colonyId: c.id, generationId: nextId(), ladderId: ladder.id, state: 'running' },
    ...{ animalIds: [], from: new Date(NOW).toISOString() },
    parents: [
      { rungId: rung(1), sex: 'female', number: 3 },
      { rungId: rung(2), sex: 'female', number: 5 },
      { rungId: rung(2), sex: 'male', number: 2 },
    ],
  }
  const home = nextId()
  const release = (more: object) =>
    readRelease(
      { to: home, females: '8', males: '', berried: '', animalIds: [], ...more },
      { group, stamp, nowMs: NOW },
    )
  it('lets its females back with their rungs, in one move', () => {
    expect(release({})).toMatchObject({
      group: { state: 'released', to: expect.any(String) },
      moves: [
        {
          ...{ colonyId: c.id, toColonyId: home, number: 8, parts: { females: 8, males: 0 } },
          rungs: [
            { rungId: rung(1), sex: 'female', number: 3 },
            { rungId: rung(2), sex: 'female', number: 5 },
          ],
        },
      ],
    })
    const some = release({ females: '4', males: '1' }) as { moves: { rungs: { number: number }[] }[] }
    expect(some.moves[0]!.rungs.map(r => r.number)).toEqual([3, 1, 1])
  })
  it('with their eggs and their names', () => {
    const named = nextId()
    expect(release({ berried: '6', animalIds: [named] })).toMatchObject({
      moves: [{ berried: 6, animalIds: [named] }],
    })
    const unseen = (release({}) as { moves: object[] }).moves[0]
    for (const key of ['berried', 'animalIds']) expect(unseen).not.toHaveProperty(key)
    expect(release({ berried: '9' })).toContain('No more carry eggs than go as females: 8')
    expect(release({ berried: 'all' })).toContain('How many carry eggs?')
    expect(release({ females: '1', animalIds: [named, nextId()] })).toContain('2 are named')
  })
  it('or all stay, and breed no more', () => {
    expect(release({ to: '' })).toMatchObject({ group: { state: 'released' }, moves: [] })
    expect(release({ females: '0' })).toContain('Nobody goes back')
    expect(release({ females: 'all' })).toContain('How many females go back?')
  })
})
