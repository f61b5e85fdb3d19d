import { describe, expect, it } from 'vitest'
import { Colony, currentEntries, Entry, headsTotal, joinColony, partColony } from '#core/records'
import { stageModel } from '#core/population'
import { questionOf } from '#core/statements'
import { sumOfRanges } from '#core/stats'
import { colony, daysAgo, nextId, NOW, smallRoom } from '../../make'

const s = smallRoom()
const DAY = 86_400_000
const heads = { females: 6, males: 2, unsexed: 0, halfGrown: 3, young: 0 }
const stamp = () => ({ id: nextId(), loggedAt: daysAgo(0) })
const numberOf = (c: Colony, entries: Entry[]) =>
  stageModel.fit(questionOf(c, s.glass, { entries: currentEntries(entries) }, NOW), { particles: 400 }).numbers('all')
    .value

describe('parting a colony', () => {
  const exact = { ...s.colony, founders: { ...heads, females: 20 }, startedAt: daysAgo(1) }
  const parted = partColony(exact, {
    id: nextId(),
    name: 'Second glass',
    glassId: nextId(),
    heads,
    atMs: NOW - DAY / 2,
    nowMs: NOW,
    stamp: stamp(),
  })
  it('makes a colony and a move that fit their schemas, and takes habits along', () => {
    expect(Colony.parse(parted.colony)).toMatchObject({
      name: 'Second glass',
      groupId: exact.groupId,
      fromColonyId: exact.id,
      stays: [{ from: parted.move.at }],
    })
    expect(parted.colony.rev).not.toBe(exact.rev)
    expect(Entry.parse(parted.move)).toMatchObject({ number: 11, colonyId: exact.id, toColonyId: parted.colony.id })
  })
  it('loses no animal and makes none: what one has less, the other has', () => {
    expect(numberOf(parted.colony, [parted.move])).toBe(headsTotal(heads))
    expect(numberOf(exact, [parted.move])).toBe(headsTotal(exact.founders) - headsTotal(heads))
    // the move taken back leaves the new one empty and the old one whole
    expect(numberOf(parted.colony, [])).toBe(0)
    expect(numberOf(exact, [])).toBe(headsTotal(exact.founders))
  })
})

describe('joining a colony', () => {
  const into = colony(s.glass.id, { name: 'Into' })
  it('moves who is left and ends it with the name of the other', () => {
    const { colony: ended, move } = joinColony(s.colony, into, { heads, atMs: NOW, stamp: stamp() })
    expect(ended.ended).toEqual({ at: daysAgo(0), why: 'merged', intoId: into.id })
    expect(move).toMatchObject({ number: 11, toColonyId: into.id, parts: heads })
  })
  it('an empty one only ends', () => {
    const none = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
    expect(joinColony(s.colony, into, { heads: none, atMs: NOW, stamp: stamp() }).move).toBeNull()
  })
})

describe('numbers of several glasses', () => {
  it('add, and their doubt adds as variances do', () => {
    const one = { value: 100, low: 80, high: 125 }
    const four = sumOfRanges([one, one, one, one])
    // four times as many with half the relative doubt: ln(125/80)/2 = 0.223 becomes 0.112
    expect(four.value).toBeGreaterThan(398)
    expect(four.value).toBeLessThan(410)
    expect(Math.log(four.high / four.low) / 2).toBeCloseTo(0.112, 2)
  })
  it('those that are known exactly add exactly, and none is nothing', () => {
    expect(
      sumOfRanges([
        { value: 4, low: 4, high: 4 },
        { value: 0, low: 0, high: 0 },
      ]),
    ).toEqual({ value: 4, low: 4, high: 4 })
    expect(sumOfRanges([])).toEqual({ value: 0, low: 0, high: 0 })
    const mixed = sumOfRanges([
      { value: 10, low: 10, high: 10 },
      { value: 100, low: 80, high: 125 },
    ])
    expect([mixed.low, mixed.value, mixed.high].map(Math.round)).toEqual([90, 110, 135])
  })
})
