import { describe, expect, it } from 'vitest'
import { mergeWrites, noRows, planMerge, type MergeConflict } from '#core/formats'
import { atticItem, type Rack } from '#core/records'
import { count, nextId, NOW, smallRoom } from '../../make'

const s = smallRoom()
type Version = Rack & { rev: string }
const rack = (rev: string, more: Partial<Rack> = {}): Version => ({ ...s.rack, rev, ...more }) as Version
const rows = (racks: Version[], replaced: Version[] = []) => ({
  ...noRows(),
  racks,
  attic: replaced.map(r => atticItem('racks', r, NOW)),
})
const first = rack('000001-00000001')
const left = rack('000002-0000000a', { name: 'Left', basedOn: first.rev } as Partial<Rack>)
const right = rack('000002-0000000b', { shelves: 5, basedOn: first.rev } as Partial<Rack>)
const settle = (how: 'joined' | 'mine' | 'theirs') => () => how

describe('a plan of bringing in', () => {
  it('leaves what is older in the file, and counts it as well as what is equal', () => {
    const plan = planMerge(rows([left], [first]), rows([first]))
    expect(plan).toMatchObject({ same: 1, update: [], conflicts: [] })
    expect(planMerge(rows([left]), rows([left])).same).toBe(1)
  })
  it('takes what is newer in the file', () => {
    const plan = planMerge(rows([first]), rows([left], [first]))
    expect(plan.update).toMatchObject([{ table: 'racks', id: first.id, label: 'Left', record: left }])
    expect(plan.conflicts).toEqual([])
  })
  it('joins what both changed in different fields since the version that both were made from', () => {
    const plan = planMerge(rows([left], [first]), rows([right], [first]))
    expect(plan.conflicts).toEqual([])
    expect(plan.update).toHaveLength(1)
    expect(plan.update[0]!.record).toMatchObject({ name: 'Left', shelves: 5 })
  })
  it('finds the last of several versions that both have replaced, in whatever order they lie', () => {
    const second = rack('000002-00000002', { name: 'Second', shelves: 4 })
    const mine = rack('000003-0000000a', { name: 'Mine', shelves: 4 })
    const theirs = rack('000003-0000000b', { name: 'Second', shelves: 7 })
    for (const order of [
      [first, second],
      [second, first],
    ]) {
      const plan = planMerge(rows([mine], order), rows([theirs], order))
      // from the first version both would have changed the name
      expect(plan.conflicts).toEqual([])
      expect(plan.update[0]!.record).toMatchObject({ name: 'Mine', shelves: 7 })
    }
  })
  it('of a field that both changed offers the later version’s, and says which and from what', () => {
    const other = rack('000002-0000000b', { name: 'Right' })
    const [conflict] = planMerge(rows([left], [first]), rows([other], [first])).conflicts
    expect(conflict).toMatchObject({
      label: 'Right',
      base: first,
      later: 'theirs',
      joined: { name: 'Right' },
      clashes: [{ field: 'name', mine: 'Left', theirs: 'Right' }],
    })
    expect(planMerge(rows([other], [first]), rows([left], [first])).conflicts[0]).toMatchObject({
      later: 'mine',
      joined: { name: 'Right' },
    })
  })
  it('without a version that both were made from every difference is asked about', () => {
    const [conflict] = planMerge(rows([left]), rows([right])).conflicts
    expect(conflict!.base).toBeNull()
    expect(conflict!.clashes.map(c => c.field).toSorted()).toEqual(['name', 'shelves'])
    // two versions of one number were changed by hand: one’s own is kept where nobody chooses
    const same = rack(left.rev, { name: 'By hand' })
    expect(planMerge(rows([left]), rows([same])).conflicts[0]!.later).toBe('mine')
  })
  it('two versions of an entry are a conflict as a whole; of one put-away version they are none', () => {
    const mine = count(s.colony.id, 3, 40)
    const theirs = { ...mine, number: 41 }
    const plan = planMerge({ ...noRows(), entries: [mine] }, { ...noRows(), entries: [theirs] })
    expect(plan.conflicts).toMatchObject([
      {
        table: 'entries',
        label: 'count',
        base: null,
        joined: mine,
        later: 'mine',
        clashes: [{ field: '', mine, theirs }],
      },
    ])
    const item = atticItem('racks', first, NOW)
    const later = { ...item, replacedAt: new Date(NOW + 1).toISOString() }
    expect(planMerge({ ...noRows(), attic: [item] }, { ...noRows(), attic: [later] })).toMatchObject({
      same: 1,
      conflicts: [],
    })
  })
  it('is not misled by put-away rows without a version', () => {
    const odd = { ...atticItem('entries', { id: first.id }, NOW), record: { id: first.id } }
    const noId = { ...atticItem('racks', first, NOW), record: { rev: left.rev } }
    const mine = { ...rows([first]), attic: [odd, noId] } as ReturnType<typeof rows>
    expect(planMerge(mine, rows([left], [first])).update).toHaveLength(1)
  })
})

describe('what bringing in writes', () => {
  const other = rack('000002-0000000b', { name: 'Right' })
  const plan = planMerge(rows([left], [first]), rows([other], [first]))
  it('a conflict settled for one side, the other version goes to the attic', () => {
    const mine = mergeWrites(plan, settle('mine'), NOW)
    expect(mine.put).toMatchObject([{ table: 'racks', record: { name: 'Left' } }])
    expect(mine.attic.map(a => a.record.name)).toEqual(['Left', 'Right'])
    expect(mergeWrites(plan, settle('theirs'), NOW).put).toMatchObject([{ record: { name: 'Right' } }])
  })
  it('an update puts the newer version in place and the older one away', () => {
    const newer = mergeWrites(planMerge(rows([first]), rows([left], [first])), settle('joined'), NOW)
    expect(newer).toEqual({ put: [{ table: 'racks', record: left }], attic: [atticItem('racks', first, NOW)] })
  })
  it('what is already here is not written again; what the file holds otherwise is put away', () => {
    const mine = count(s.colony.id, 3, 40)
    const theirs = { ...mine, number: 41 }
    const entries = planMerge({ ...noRows(), entries: [mine] }, { ...noRows(), entries: [theirs] })
    const kept = mergeWrites(entries, settle('joined'), NOW)
    expect(kept.put).toEqual([])
    expect(kept.attic).toMatchObject([{ record: { number: 41 } }])
    expect(mergeWrites(entries, settle('theirs'), NOW)).toMatchObject({
      put: [{ table: 'entries', record: { number: 41 } }],
      attic: [{ record: { number: 40 } }],
    })
  })
  it('a joined record that its schema refuses gives way to the later version', () => {
    const broken = { ...left, name: '' } as Version
    const made = (mine: Version, theirs: Version) =>
      mergeWrites(
        {
          ...planMerge(noRows(), noRows()),
          update: [{ table: 'racks', id: mine.id, label: '', mine, theirs, record: broken }],
        },
        settle('joined'),
        NOW,
      ).put
    expect(made(left, other)).toEqual([{ table: 'racks', record: other }])
    expect(made(other, left)).toEqual([])
  })
  it('two versions under one number are both kept apart in the attic', () => {
    const byHand = rack(left.rev, { name: 'By hand' })
    const both = planMerge(rows([left]), rows([byHand]))
    const { attic } = mergeWrites(both, (c: MergeConflict) => (expect(c.clashes).toHaveLength(1), 'joined'), NOW)
    expect(attic.map(a => a.id)).toEqual([`${left.id}.${left.rev}`, `${left.id}.${left.rev}.file`])
    const apart = mergeWrites(plan, settle('joined'), NOW).attic.map(a => a.id)
    expect(apart).toEqual([`${left.id}.${left.rev}`, `${left.id}.${other.rev}`])
    expect(nextId()).not.toBe(left.id)
  })
})
