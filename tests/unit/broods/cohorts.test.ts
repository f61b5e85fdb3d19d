import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EGG_ROOMS, hatchLaw } from '#core/broods'
import { DAY_MS } from '#core/records'
import { firstLook } from '#core/statements'
import { thermalClock } from '#core/warmth'
import { cohortsOf } from '../../../core/broods/cohorts'
import { EYED_FROM } from '../../../core/broods/hatchDays'
import { entryOf, inputOf, NOW, smallRoom } from '../../make'
import { resolvedOf } from '../population/questions'
import { broodsFrom, colonyId } from './parts'

const law = hatchLaw(resolvedOf('neocaridina'))
const clock = thermalClock({ readings: [], law, nowMs: NOW })
const cohorts = (rooms: readonly number[]) => cohortsOf(rooms, law, { clock, nowMs: NOW })
const only = (room: number, number: number) => Array.from({ length: EGG_ROOMS }, (_, k) => (k === room ? number : 0))
const rooms = fc.array(fc.double({ min: 0, max: 30, noNaN: true }), { minLength: EGG_ROOMS, maxLength: EGG_ROOMS })
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

describe('cohorts', () => {
  it('hold all broods of the rooms, but for fewer than a third of one', () => {
    fc.assert(
      fc.property(rooms, all => {
        const told = sum(cohorts(all).map(c => c.number))
        expect(told).toBeLessThanOrEqual(sum(all) + 1e-9)
        expect(told).toBeGreaterThan(sum(all) - 3 * 0.3)
      }),
    )
    expect(sum(cohorts([2, 2, 2, 2, 2, 2, 2, 2]).map(c => c.number))).toBeCloseTo(16, 9)
  })
  it('go by how far the eggs are: those of the first room are fresh, those of the last have eyes', () => {
    const agesOf = (room: number) => cohorts(only(room, 4)).map(c => [c.age, c.number])
    expect(agesOf(0)).toEqual([['fresh', 4]])
    expect(agesOf(EGG_ROOMS - 1)).toEqual([['eyed', 4]])
    // a room that eyes come in is shared out at the line, as its broods lie evenly in it
    const room = Math.floor(EYED_FROM * EGG_ROOMS)
    const eyed = room + 1 - EYED_FROM * EGG_ROOMS
    expect(agesOf(room)).toEqual([
      ['eyed', expect.closeTo(4 * eyed, 9)],
      ['halfway', expect.closeTo(4 * (1 - eyed), 9)],
    ])
  })
  it('hatch the sooner the further they are, none before now, and as late as the law has what is left', () => {
    const likely = Array.from({ length: EGG_ROOMS }, (_, room) => cohorts(only(room, 4)).at(-1)!.hatch)
    for (const [room, h] of likely.entries()) {
      expect(h.earliestMs).toBeGreaterThan(NOW)
      if (room > 0) expect(h.likelyMs).toBeLessThan(likely[room - 1]!.likelyMs)
    }
    // the first room lies in the middle of its share: of the length fifteen sixteenths are left
    const days = Math.exp(law.meanLog) * (1 - 0.5 / EGG_ROOMS)
    expect((likely[0]!.likelyMs - NOW) / DAY_MS).toBeCloseTo(days, 0)
    // fresh ones are told less exactly than those with eyes
    const width = (h: (typeof likely)[number]) => h.latestMs - h.earliestMs
    expect(width(likely[0]!)).toBeGreaterThan(2 * width(likely.at(-1)!))
    const wide = 2 * 1.2816 * Math.hypot(law.paceSd, law.betweenSd / Math.sqrt(1 - 0.5 / EGG_ROOMS)) * days
    expect(width(likely[0]!) / DAY_MS).toBeGreaterThan(0.9 * wide)
    expect(width(likely[0]!) / DAY_MS).toBeLessThan(1.25 * wide)
  })
  it('stand beside broods that are known one by one, which are taken off the rooms', () => {
    const looks = Array.from({ length: 14 }, (_, k) =>
      entryOf('berried', 70 - 5 * k, { colonyId, number: 6 + (k % 3) }),
    )
    const all = [3, 3, 3, 3, 3, 3, 3, 3]
    const unknown = broodsFrom('neocaridina', looks, { rooms: all })
    expect(unknown.lines.every(l => l.age !== null)).toBe(true)
    expect(sum(unknown.lines.map(l => l.number))).toBeCloseTo(24, 6)
    const animal = entryOf('berried', 6, { colonyId, number: 1, animal: 'Vesta' })
    const none = entryOf('berried', 9, { colonyId, number: 0, animal: 'Vesta' })
    const entries = [...looks, none, animal].sort((a, b) => (a.at < b.at ? -1 : 1))
    const known = broodsFrom('neocaridina', entries, { rooms: all })
    expect(known.lines.filter(l => l.who !== null)).toHaveLength(1)
    expect(sum(known.lines.map(l => l.number))).toBeCloseTo(24, 6)
  })
})

describe('the order in which entries were written', () => {
  it('does not matter to the broods of a colony', () => {
    const s = smallRoom({ colony: { groupId: 'neocaridina' } })
    const of = { colonyId: s.colony.id }
    const entries = [
      entryOf('berried', 40, { ...of, number: 0 }),
      entryOf('berried', 33, { ...of, number: 3 }),
      entryOf('berried', 26, { ...of, number: 3, eyed: 1 }),
      entryOf('young', 8, { ...of, amount: 'few' }),
      entryOf('berried', 6, { ...of, number: 1 }),
      entryOf('berried', 2, { ...of, number: 4, saddle: 2 }),
    ]
    const told = firstLook(inputOf(s, entries)).broods
    expect(told!.lines.length).toBeGreaterThan(1)
    fc.assert(
      fc.property(fc.shuffledSubarray(entries, { minLength: entries.length }), mixed => {
        expect(firstLook(inputOf(s, mixed)).broods).toEqual(told)
      }),
      { numRuns: 12 },
    )
  })
})
