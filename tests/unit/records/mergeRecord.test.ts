import { describe, expect, it } from 'vitest'
import { type Edited, mergeRecord } from '#core/records'

interface Thing extends Edited {
  name: string
  size?: number
  own?: Record<string, { low: number; high: number }>
  fill?: { by: string; n: number }
  list?: number[]
}
const base: Thing = {
  id: 'x',
  editedAt: '1',
  rev: '000001-00000000',
  name: 'A',
  own: { ph: { low: 6, high: 7 } },
  list: [1],
}
const mine = (more: Partial<Thing>): Thing => ({ ...base, rev: '000002-aaaaaaaa', editedAt: '9', ...more })
const theirs = (more: Partial<Thing>): Thing => ({ ...base, rev: '000003-bbbbbbbb', editedAt: '2', ...more })

describe('mergeRecord', () => {
  it('joins changes of different fields, also inside an object', () => {
    const { record, clashes } = mergeRecord(
      base,
      mine({ name: 'B', own: { ph: { low: 6, high: 7 }, gh: { low: 4, high: 8 } } }),
      theirs({ size: 3, own: { ph: { low: 6, high: 7.4 } } }),
    )
    expect(clashes).toEqual([])
    expect(record).toMatchObject({ name: 'B', size: 3, own: { ph: { low: 6, high: 7.4 }, gh: { low: 4, high: 8 } } })
  })
  it('takes the later version of a field that both changed, and names the other; clocks decide nothing', () => {
    const { record, clashes } = mergeRecord(base, mine({ name: 'B' }), theirs({ name: 'C' }))
    expect(record.name).toBe('C')
    expect(clashes).toEqual([{ field: 'name', mine: 'B', theirs: 'C' }])
    expect(mergeRecord(base, mine({ name: 'B' }), theirs({ name: 'C' }), 'mine').record.name).toBe('B')
  })
  it('drops a field that one side dropped and the other left alone', () => {
    const { own: _, ...rest } = mine({})
    expect(mergeRecord(base, rest as Thing, theirs({ size: 1 })).record).not.toHaveProperty('own')
  })
  it('takes a list, and a choice by a word, as one thing', () => {
    const lists = mergeRecord(base, mine({ list: [1, 2] }), theirs({ list: [1, 3] }))
    expect([lists.record.list, lists.clashes.map(c => c.field)]).toEqual([[1, 3], ['list']])
    const fills = mergeRecord(
      { ...base, fill: { by: 'net', n: 1 } },
      mine({ fill: { by: 'net', n: 2 } }),
      theirs({ fill: { by: 'height', n: 1 } }),
    )
    expect(fills.record.fill).toEqual({ by: 'height', n: 1 })
  })
  it('without the version that both were made from every difference is a clash', () => {
    expect(
      mergeRecord(null, mine({ name: 'B' }), theirs({ size: 2 }))
        .clashes.map(c => c.field)
        .sort(),
    ).toEqual(['name', 'size'])
  })
  it('gives the same record with the same version, whichever side joins', () => {
    const [a, b] = [mine({ name: 'B', size: 4 }), theirs({ name: 'C' })]
    expect(mergeRecord(base, a, b).record).toEqual(mergeRecord(base, b, a).record)
    const joined = mergeRecord(base, a, b).record
    expect(joined).toMatchObject({ basedOn: b.rev, editedAt: '9' })
    expect(joined.rev.slice(0, 6)).toBe('000004')
    // another choice is another version
    expect(mergeRecord(base, a, b, 'mine').record.rev).not.toBe(joined.rev)
  })
})
