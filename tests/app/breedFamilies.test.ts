import { describe, expect, it } from 'vitest'
import { begun, BreedingGroup, type EntryOf, type Ladder } from '#core/records'
import { familiesBreed, givesMost, readFamilyBreeders, readMany } from '~/forms/breedFamilies'
import { newLineRecord } from '~/forms/lineDraft'
import { colony, nextId, NOW } from '../make'

const roomId = nextId()
const rungs = ['clear', 'patchy', 'dense'].map((words, order) => ({ id: nextId(), words, order }))
const ladder: Ladder = { ...begun(nextId(), NOW), roomId, trait: 'Cover', rungs }
const line = newLineRecord({ roomId, name: 'Ember', groupId: 'neocaridina' }, NOW)
const boxes = [1, 2, 3].map(n => colony(nextId(), { name: `Box ${n}` }))
const keep = [
  { groupId: 'a', females: [0, 1, 3], males: [0, 0, 1] },
  { groupId: 'b', females: [0, 0, 2], males: [0, 0, 0] },
  { groupId: 'c', females: [0, 0, 0], males: [0, 0, 0] },
]
const colonyOf = (id: string) => boxes[['a', 'b', 'c'].indexOf(id)]
const families = familiesBreed(keep, ladder, colonyOf)
const stamp = () => ({ id: nextId(), loggedAt: new Date(NOW).toISOString() })
const about = { line, ladderId: ladder.id, generationId: nextId(), stamp, nowMs: NOW }
const read = (breedIn: string) =>
  readFamilyBreeders(families, { ...about, breedIn }) as { group: BreedingGroup; moves: EntryOf<'move'>[] }

describe('breeders of several families', () => {
  it('are as many as is typed, and else as are thought of; what cannot be is said', () => {
    const there = { many: { females: 20, males: 5 }, grown: { females: 46, males: 40 } }
    const of = (females: string, males: string) => readMany({ females, males }, there)
    expect([of('', ' '), readMany({ females: '3', males: '1' }, null)]).toEqual([null, null])
    expect([of('12', ''), of('', '40'), of(' 46 ', '1')]).toEqual([
      { females: 12, males: 5 },
      { females: 20, males: 40 },
      { females: 46, males: 1 },
    ])
    for (const wrong of [of('47', ''), of('', '41'), of('0', '3'), of('some', ''), of('2.5', '')])
      expect(wrong).toBe('Type whole numbers: there are 46 grown females and 40 males in these boxes.')
  })
  it('are those of the pick, box by box; a box of which nobody is kept stays as it is', () => {
    expect(families.map(f => [f.colony.name, f.breed.map(r => [r.sex, r.number])])).toEqual([
      [
        'Box 1',
        [
          ['female', 1],
          ['female', 3],
          ['male', 1],
        ],
      ],
      ['Box 2', [['female', 2]]],
    ])
    expect([givesMost(families), givesMost(families.toReversed()), givesMost([])]).toEqual([boxes[0], boxes[0], null])
    // a glass that is gone sends nobody
    expect(familiesBreed(keep, ladder, () => undefined)).toEqual([])
  })
  it('come together by a move from each box, with their rungs, and breed as one group', () => {
    const target = nextId()
    const { group, moves } = read(target)
    expect(moves.map(m => [m.colonyId, m.toColonyId, m.number, m.parts?.females, m.parts?.males])).toEqual([
      [boxes[0]!.id, target, 5, 4, 1],
      [boxes[1]!.id, target, 2, 2, 0],
    ])
    expect(moves.every(m => m.at === group.from)).toBe(true)
    expect(BreedingGroup.safeParse(group).success).toBe(true)
    expect(group).toMatchObject({ state: 'running', colonyId: target, generationId: about.generationId })
    // five of the best females of two boxes are five of that rung
    expect(group.parents).toEqual([
      { rungId: rungs[1]!.id, sex: 'female', number: 1 },
      { rungId: rungs[2]!.id, sex: 'female', number: 5 },
      { rungId: rungs[2]!.id, sex: 'male', number: 1 },
    ])
  })
  it('of the box in which they breed stay where they are; a place has to be said', () => {
    const { group, moves } = read(boxes[0]!.id)
    expect(moves.map(m => m.colonyId)).toEqual([boxes[1]!.id])
    expect(group.parents.reduce((n, p) => n + p.number, 0)).toBe(7)
    expect(readFamilyBreeders(families, { ...about, breedIn: '' })).toBe('Say where they breed.')
  })
})
