import { describe, expect, it } from 'vitest'
import { berried, broodsFrom, colonyId, day, laid, masses, ofClutch, young } from './parts'
import { entryOf, NOW } from '../../make'
import { animalIdOf, DAY_MS } from '#core/records'

/** Old sightings hold a name, from which the id follows. */
const vesta = animalIdOf(colonyId, 'Vesta')
const numbers = (lines: readonly { number: number }[]) => lines.map(l => l.number)
const neo = (...entries: Parameters<typeof broodsFrom>[1]) => broodsFrom('neocaridina', entries)

describe('broods that nobody follows', () => {
  it('began between the look without and the look with', () => {
    const { lines } = neo(berried(9, 0), berried(4, 2))
    expect(lines).toHaveLength(1)
    expect(lines[0]).toMatchObject({ number: 2, who: null, eyed: false, sign: 'berried', age: null })
    expect([day(lines[0]!.hatch.begunFromMs), day(lines[0]!.hatch.begunToMs)]).toEqual([-8.5, -4.5])
    // three and a half weeks at the group's own temperature
    expect(day(lines[0]!.hatch.likelyMs)).toBeGreaterThan(17)
    expect(day(lines[0]!.hatch.likelyMs)).toBeLessThan(19)
  })
  it('more than before began since; as many are the same', () => {
    const { lines } = neo(berried(12, 0), berried(8, 2), berried(4, 2), berried(1, 5))
    expect(numbers(lines)).toEqual([2, 3])
    expect(day(lines[1]!.hatch.begunFromMs)).toBeGreaterThan(-5)
    expect(day(lines[0]!.hatch.begunToMs)).toBeLessThan(-8)
    expect(lines[0]!.looksMs.map(day)).toEqual([-4, -1])
  })
  it('of fewer the oldest have gone: too early, and they are lost', () => {
    const { lines, ended } = neo(berried(12, 0), berried(8, 3), berried(4, 1))
    expect(numbers(lines)).toEqual([1])
    expect(ended).toEqual([])
    const gone = neo(berried(12, 0), berried(8, 1), berried(4, 0))
    expect(gone.lines).toEqual([])
    expect(gone.ended[0]!.end).toMatchObject({ how: 'lost' })
    const hatched = neo(berried(31, 0), berried(28, 1), berried(6, 1), berried(2, 0))
    expect(hatched.ended[0]!.end).toMatchObject({ how: 'hatched' })
    expect([day(hatched.ended[0]!.end!.fromMs), day(hatched.ended[0]!.end!.toMs)]).toEqual([-6, -2])
  })
  it('young that are seen end the oldest that may have been ready, and no other', () => {
    const log = [berried(31, 0), berried(28, 2), berried(8, 5)]
    expect(numbers(neo(...log, young(1)).lines)).toEqual([3])
    expect(neo(...log, young(1)).ended[0]!.end!.how).toBe('hatched')
    // too early for either
    expect(numbers(neo(berried(12, 0), berried(8, 2), young(4)).lines)).toEqual([2])
    // seen again within days they are the same young
    expect(numbers(neo(...log, young(2), young(1)).lines)).toEqual([3])
  })
  it('where only some have eyes they did not begin together', () => {
    const { lines } = neo(berried(24, 0), berried(18, 4), berried(2, 4, { eyed: 1 }))
    expect(lines.map(l => [l.number, l.eyed])).toEqual([
      [1, true],
      [3, false],
    ])
    expect(lines[0]!.hatch.likelyMs).toBeLessThan(lines[1]!.hatch.likelyMs)
    expect(new Set(lines.map(l => l.key)).size).toBe(2)
    // told apart again and again, each keeps a name of its own
    const again = neo(
      berried(24, 0),
      berried(18, 4),
      berried(4, 4, { eyed: 3 }),
      berried(3, 4, { eyed: 1 }),
      berried(2, 4, { eyed: 2 }),
    )
    expect(again.lines.reduce((n, l) => n + l.number, 0)).toBe(4)
    expect(new Set(again.lines.map(l => l.key)).size).toBe(again.lines.length)
  })
  it('where somebody is always berried only the fit can say how far they are', () => {
    const always = Array.from({ length: 12 }, (_, k) => berried(60 - 5 * k, 6))
    expect(neo(...always).lines).toEqual([])
    const rooms = [1, 1, 1, 1, 1, 1, 2, 2]
    const { lines, last } = broodsFrom('neocaridina', always, { rooms })
    expect(last).toMatchObject({ number: 6, eyed: null })
    expect(lines.map(l => l.age)).toEqual(['eyed', 'halfway', 'fresh'])
    expect(lines.reduce((s, l) => s + l.number, 0)).toBeCloseTo(10, 6)
    for (const l of lines) expect(l.hatch.latestMs).toBeGreaterThan(NOW)
    // from none at all looks tell again
    expect(
      broodsFrom('neocaridina', [...always, berried(3, 0), berried(1, 2)], { rooms }).lines.map(l => l.age),
    ).toEqual([null])
  })
  it('a first look tells nothing of before: the few that it found began within the length of a brood', () => {
    const rooms = [0, 5, 0, 0, 0, 0, 0, 0]
    expect(broodsFrom('neocaridina', [berried(2, 5)], { rooms }).lines[0]).toMatchObject({ age: 'fresh' })
    expect(neo(berried(2, 5)).lines).toEqual([])
    // one or two may be of one time, at most as old as eggs become
    const [alone] = neo(berried(2, 2)).lines
    expect(alone).toMatchObject({ number: 2, age: null })
    expect(day(alone!.hatch.begunFromMs)).toBeGreaterThan(-34)
    expect(alone!.hatch.latestMs - alone!.hatch.earliestMs).toBeGreaterThan(15 * DAY_MS)
  })
  it('what lies ahead is not known', () => {
    const log = [berried(12, 0), berried(8, 2), berried(1, 5)]
    expect(neo(...log, berried(-3, 0)).lines).toEqual(neo(...log).lines)
  })
  it('egg masses the same way', () => {
    const { lines } = broodsFrom('ramshorn-snail', [masses(6, 0), masses(3, 2), masses(1, 5)])
    expect(numbers(lines)).toEqual([2, 3])
    expect(lines[0]!.sign).toBe('eggMass')
  })
})

describe('animals that are followed', () => {
  const of = (animal: string, days: number, number: number, more = {}) => berried(days, number, { animal, ...more })
  it('have broods of their own, which are taken off the sightings', () => {
    const { lines } = neo(berried(12, 0), of('Vesta', 9, 1), berried(8, 3), of('Vesta', 2, 1, { eyed: 0 }))
    expect(lines.map(l => [l.who, l.number])).toEqual([
      [vesta, 1],
      [null, 2],
    ])
  })
  it('a brood is another one when the old one should have hatched, or its eyes are gone', () => {
    const long = neo(of('Vesta', 60, 0), of('Vesta', 58, 1), of('Vesta', 40, 1), of('Vesta', 10, 1))
    expect(long.lines).toHaveLength(1)
    expect(day(long.lines[0]!.firstSeenMs!)).toBe(-10)
    expect(long.ended[0]!.end).toMatchObject({ how: 'hatched' })
    const eyes = neo(
      of('Vesta', 24, 0),
      of('Vesta', 22, 1),
      of('Vesta', 3, 1, { eyed: 1 }),
      of('Vesta', 1, 1, { eyed: 0 }),
    )
    expect(eyes.lines.map(l => day(l.firstSeenMs!))).toEqual([-1])
  })
  it('are taken off those with eyes as well', () => {
    const log = [of('Vesta', 24, 0), of('Vesta', 22, 1), berried(24, 0), berried(22, 3), of('Vesta', 3, 1, { eyed: 1 })]
    const { lines } = neo(...log, berried(2, 3, { eyed: 1 }))
    expect(lines.map(l => [l.who, l.number, l.eyed])).toEqual([
      [vesta, 1, true],
      [null, 2, false],
    ])
  })
  it('names are the same however they are written', () => {
    expect(neo(of('Vesta', 9, 0), of(' vesta ', 8, 1), of('VESTA', 2, 1)).lines).toHaveLength(1)
  })
  it('are taken off the rooms of the fit too', () => {
    const always = Array.from({ length: 12 }, (_, k) => berried(60 - 5 * k, 6))
    const rooms = [0, 0, 0, 0, 0, 0, 2, 2]
    const { lines } = broodsFrom(
      'neocaridina',
      [...always, of('Vesta', 26, 0), of('Vesta', 24, 1), of('Vesta', 1, 1, { eyed: 1 })],
      { rooms },
    )
    expect(lines.map(l => l.who)).toContain(vesta)
    expect(lines.reduce((s, l) => s + l.number, 0)).toBeCloseTo(4, 6)
  })
})

describe('clutches', () => {
  it('are known one by one, where they lie and how they ended', () => {
    const [a, b, c] = [laid(20), laid(9, { place: 'incubator' }), laid(5)]
    const told = broodsFrom('apple-snail', [
      a,
      b,
      ofClutch(6, b, 'checked'),
      c,
      ofClutch(4, c, 'lost'),
      ofClutch(3, a, 'hatched', { young: 90 }),
      ofClutch(1, b, 'moved', { place: 'inPlace' }),
    ])
    expect(told.lines).toHaveLength(1)
    expect(told.lines[0]).toMatchObject({ key: b.id, place: 'inPlace', number: 1, sign: 'clutch' })
    expect(told.lines[0]!.looksMs.map(day)).toEqual([-6, -1])
    // two weeks from the night in which it was laid, and no range before today
    expect(day(told.lines[0]!.hatch.likelyMs)).toBeGreaterThan(3)
    expect(told.ended.map(e => [e.key, e.end!.how, e.young])).toEqual([
      [c.id, 'lost', null],
      [a.id, 'hatched', 90],
    ])
  })
})

describe('eggs that a mating lets expect', () => {
  const mated = entryOf('mating', 10, { colonyId: berried(0, 0).id, number: 1 })
  it('come one to four weeks after it, until somebody has seen them', () => {
    const [line] = broodsFrom('dwarf-crayfish', [mated]).lines
    expect(line).toMatchObject({ awaits: 'mating', number: 1 })
    expect(day(line!.hatch.begunFromMs)).toBeGreaterThan(-3)
    expect(day(line!.hatch.begunToMs)).toBeLessThan(18)
    expect(broodsFrom('dwarf-crayfish', [mated, berried(2, 0), berried(1, 1)]).lines.map(l => l.awaits)).toEqual([null])
    // looked and found none: later then
    expect(broodsFrom('dwarf-crayfish', [mated, berried(0.5, 0)]).lines[0]!.hatch.begunFromMs).toBeGreaterThan(
      NOW - DAY_MS,
    )
    expect(neo(mated).lines).toEqual([])
    expect(broodsFrom('dwarf-crayfish', [entryOf('mating', 90, { colonyId: mated.id, number: 1 })]).lines).toEqual([])
  })
})

describe('a keeper’s own pace', () => {
  /** One brood of a length, looked at every third day. */
  const brood = (ago: number, length: number) => [
    berried(ago + 1, 0),
    ...Array.from({ length: Math.floor(length / 3) + 1 }, (_, k) => berried(ago - 3 * k, 1)),
    berried(ago - length - 1, 0),
  ]
  it('is learnt from broods of which both ends were seen, and narrows the window', () => {
    const slow = [160, 120, 80].flatMap(ago => brood(ago, 28))
    const fresh = neo(berried(51, 0), berried(4, 0), berried(2, 1))
    const learnt = neo(...slow, berried(4, 0), berried(2, 1))
    expect(fresh.pace).toMatchObject({ log: 0, sd: 0.1, broods: 0 })
    expect(learnt.pace.broods).toBe(3)
    expect(learnt.pace.log).toBeGreaterThan(0.05)
    expect(learnt.pace.log).toBeLessThan(Math.log(28.5 / 24.5))
    expect(learnt.pace.sd).toBeLessThan(0.06)
    const width = (b: typeof fresh) => b.lines[0]!.hatch.latestMs - b.lines[0]!.hatch.earliestMs
    expect(width(learnt)).toBeLessThan(width(fresh))
    expect(learnt.lines[0]!.hatch.likelyMs).toBeGreaterThan(fresh.lines[0]!.hatch.likelyMs + DAY_MS)
  })
  it('what was lost teaches nothing, and so do looks that are weeks apart', () => {
    expect(neo(berried(40, 0), berried(38, 1), berried(30, 0)).pace.broods).toBe(0)
    expect(neo(berried(80, 0), berried(60, 1), berried(40, 0)).pace.broods).toBe(0)
  })
})

describe('a look that missed them', () => {
  it('is taken back by the next one that finds as many: one or two hide, more do not', () => {
    const hidden = (n: number) => neo(berried(20, 0), berried(16, n), berried(12, n), berried(9, 0), berried(6, n))
    expect(hidden(1).lines).toHaveLength(1)
    expect(day(hidden(1).lines[0]!.firstSeenMs!)).toBe(-16)
    expect(hidden(1).lines[0]!.looksMs.map(day)).toEqual([-12, -9, -6])
    expect(hidden(1).ended).toEqual([])
    expect(hidden(2).lines.map(l => day(l.firstSeenMs!))).toEqual([-16])
    expect(hidden(3).lines.map(l => day(l.firstSeenMs!))).toEqual([-6])
    // more than were there are not the same
    expect(
      neo(berried(20, 0), berried(16, 1), berried(9, 0), berried(6, 2)).lines.map(l => day(l.firstSeenMs!)),
    ).toEqual([-6])
    // two broods that were gone together were seen to be gone
    const two = neo(berried(20, 0), berried(16, 1), berried(12, 2), berried(9, 0), berried(6, 1))
    expect(two.lines.map(l => day(l.firstSeenMs!))).toEqual([-6])
  })
  it('young that were seen meanwhile say that it was gone', () => {
    const log = [berried(26, 0), berried(22, 1), berried(6, 1), berried(4, 0)]
    const missed = neo(...log, berried(3, 1))
    const hatched = neo(...log, young(3.5), berried(3, 1))
    expect(missed.lines.map(l => day(l.firstSeenMs!))).toEqual([-22])
    expect(hatched.lines.map(l => day(l.firstSeenMs!))).toEqual([-3])
  })
  it('of a followed animal too', () => {
    const of = (days: number, number: number) => berried(days, number, { animal: 'Vesta' })
    const { lines } = neo(of(20, 0), of(16, 1), of(9, 0), of(6, 1))
    expect(lines.map(l => day(l.firstSeenMs!))).toEqual([-16])
    expect(lines[0]!.looksMs.map(day)).toEqual([-9, -6])
    // after the longest it is another one
    expect(neo(of(40, 0), of(38, 1), of(16, 1), of(9, 0), of(3, 1)).lines.map(l => day(l.firstSeenMs!))).toEqual([-3])
  })
})

describe('what is told of and what no more', () => {
  it('a brood that should have hatched is told for ten days more', () => {
    const seen = (ago: number) => neo(berried(ago + 1, 0), berried(ago, 1)).lines.length
    // nine in ten have hatched after 29 days
    expect([20, 30, 38, 41, 60].map(seen)).toEqual([1, 1, 1, 0, 0])
  })
  it('an ended one for eight weeks, the newest first', () => {
    const ends = (...more: number[]) => {
      const log = more.flatMap(ago => [berried(ago + 6, 0), berried(ago + 4, 1), berried(ago, 0)])
      return neo(...log.toSorted((a, b) => a.at.localeCompare(b.at))).ended.map(e => day(e.end!.toMs))
    }
    expect(ends(30, 10)).toEqual([-10, -30])
    expect(ends(57, 10)).toEqual([-10])
  })
  it('young are taken in their time among the looks', () => {
    // seen before the last look: what the look finds is what is left
    const before = neo(berried(30, 0), berried(27, 1), berried(10, 3), young(5), berried(2, 2))
    expect(before.lines.map(l => [l.number, day(l.firstSeenMs!)])).toEqual([[2, -10]])
    expect(before.ended.map(e => day(e.end!.toMs))).toEqual([-5])
  })
  it('where followed ones lie in the rooms, they are taken off there', () => {
    const always = Array.from({ length: 14 }, (_, k) => berried(66 - 5 * k, 6))
    const followed = [berried(6, 0, { animal: 'Vesta' }), berried(4, 1, { animal: 'Vesta' })]
    const { lines } = broodsFrom('neocaridina', [...always, ...followed], { rooms: [1, 1, 1, 1, 1, 1, 1, 1] })
    // five days of 24.5: the second room
    const age = (of: string) => lines.find(l => l.age === of)!.number
    expect(age('fresh')).toBeCloseTo(0.35 * 8 - 1, 6)
    expect(age('eyed')).toBeCloseTo(0.3 * 8, 6)
  })
})
