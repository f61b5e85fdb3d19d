import { describe, expect, it } from 'vitest'
import {
  BreedingGroup,
  begun,
  derivedId,
  Ladder,
  Line,
  presentRungs,
  rungsTotal,
  spanOf,
  wordRungId,
} from '#core/records'
import * as make from '../../make'

const ids = Array.from({ length: 9 }, () => make.nextId())
const rung = (i: number, order: number, from?: number[]) => ({
  ...{ id: ids[i]!, words: `rung ${i}`, order },
  ...(from && { from: from.map(f => ids[f]!) }),
})
const ladder = (rungs: ReturnType<typeof rung>[]) => ({
  ...begun(make.nextId(), make.NOW),
  roomId: ids[8]!,
  trait: 'Cover',
  rungs,
})

describe('a ladder', () => {
  // the middle one of three was split, and its upper part joined with the top
  const split = ladder([rung(0, 0), rung(1, 1), rung(2, 2), rung(3, 1, [1]), rung(4, 2, [1]), rung(5, 3, [2, 4])])
  it('is graded by what nothing came of, lowest first', () => {
    expect(presentRungs(split).map(r => r.id)).toEqual([ids[0], ids[3], ids[5]])
    expect(presentRungs(ladder([rung(2, 2), rung(0, 0), rung(1, 1)])).map(r => r.id)).toEqual([ids[0], ids[1], ids[2]])
  })
  it('has old grades lie wherever their rung went', () => {
    expect(spanOf(split, ids[0]!)).toEqual({ from: 0, to: 0 })
    expect(spanOf(split, ids[1]!)).toEqual({ from: 1, to: 2 })
    expect(spanOf(split, ids[2]!)).toEqual({ from: 2, to: 2 })
    expect(spanOf(split, ids[4]!)).toEqual({ from: 2, to: 2 })
    expect(spanOf(split, ids[7]!)).toBeNull()
  })
  it('ends even where a file has two rungs come of each other', () => {
    expect(spanOf(ladder([rung(0, 0, [1]), rung(1, 1, [0])]), ids[0]!)).toBeNull()
  })
  it('refuses rungs of one id, and those that come from nowhere', () => {
    expect(Ladder.safeParse(split).success).toBe(true)
    expect(Ladder.safeParse(ladder([rung(0, 0), rung(0, 1)])).success).toBe(false)
    expect(Ladder.safeParse(ladder([rung(0, 0), rung(1, 1, [6])])).success).toBe(false)
    expect(Ladder.safeParse(ladder([rung(0, 0, [0])])).success).toBe(false)
    expect(Ladder.safeParse(ladder([])).success).toBe(false)
  })
  it('finds the rung of an old word, however it was spelt', () => {
    expect(wordRungId(ids[0]!, ' A')).toBe(wordRungId(ids[0]!, 'a'))
    expect(wordRungId(ids[0]!, 'a')).not.toBe(wordRungId(ids[0]!, 'b'))
    expect(wordRungId(ids[0]!, 'a')).toBe(derivedId(ids[0]!, 'A '))
  })
})

it('lines and breeders hold their limits', () => {
  const line = {
    ...begun(ids[0]!, make.NOW),
    roomId: ids[1]!,
    name: 'Ember',
    groupId: 'neocaridina',
    crossingGroup: 'neocaridina',
    ladderIds: [],
  }
  expect(Line.safeParse(line).success).toBe(true)
  expect(Line.safeParse({ ...line, kinshipLimit: 0.6 }).success).toBe(false)
  expect(Line.safeParse({ ...line, crossingGroup: ' ' }).success).toBe(false)
  const parents = [
    { rungId: ids[2]!, sex: 'female', number: 3 },
    { rungId: ids[2]!, sex: 'male', number: 1 },
  ]
  expect(rungsTotal(parents)).toBe(4)
  const about = { roomId: ids[1], lineId: ids[0], colonyId: ids[3], generationId: ids[4], ladderId: ids[5] }
  const group = { ...begun(ids[6]!, make.NOW), ...about, state: 'draft', parents, animalIds: [], from: make.daysAgo(1) }
  expect(BreedingGroup.safeParse(group).success).toBe(true)
  expect(BreedingGroup.safeParse({ ...group, state: 'over' }).success).toBe(false)
})
