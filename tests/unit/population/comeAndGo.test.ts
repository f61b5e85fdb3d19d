import { describe, expect, it } from 'vitest'
import { EGG_ROOMS } from '#core/broods'
import type { Heads } from '#core/records'
import { applyStep, putInto, rowsOfTake, strangeness, takeFrom, takeWeights } from '../../../core/population/comeAndGo'
import { foundDead, layOut, usualDead } from '../../../core/population/deaths'
import type { PopulationEvent } from '../../../core/population/question'
import { EGGS, FEMALES, FIRST, MALES, ROWS, YOUNG_1, YOUNG_2 } from '../../../core/population/stages'
import { ratesOf } from './questions'

const nobody: Heads = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
const kept = [YOUNG_1, YOUNG_2, FEMALES, MALES] as const
/** So many equal possible colonies. */
function colonies(size: number, [small, large, females, males]: readonly [number, number, number, number]) {
  const cloud = new Float64Array(ROWS * size)
  cloud.fill(small, YOUNG_1 * size, (YOUNG_1 + 1) * size)
  cloud.fill(large, YOUNG_2 * size, (YOUNG_2 + 1) * size)
  cloud.fill(females, FEMALES * size, (FEMALES + 1) * size)
  cloud.fill(males, MALES * size, (MALES + 1) * size)
  return { cloud, size, logWeights: new Float64Array(size) }
}
const at = ({ cloud, size }: ReturnType<typeof colonies>, row: number, i = 0) => cloud[row * size + i]!
const all = (c: ReturnType<typeof colonies>, i = 0) => kept.map(row => at(c, row, i))
const mean = (c: ReturnType<typeof colonies>, row: number) =>
  Array.from({ length: c.size }, (_, i) => at(c, row, i)).reduce((a, b) => a + b, 0) / c.size

describe('animals that are taken out', () => {
  it('go from each stage by how many there are and how readily they are taken', () => {
    const c = colonies(3000, [40, 20, 30, 10])
    for (let i = 0; i < c.size; i++) expect(takeFrom(c, i, { number: 12, weights: [0.3, 1, 1, 1] }, 5)).toBe(0)
    for (let i = 0; i < c.size; i++) expect(all(c, i).reduce((a, b) => a + b, 0)).toBe(88)
    // of 12 the shares 40 × 0.3 : 20 : 30 : 10 of 72
    for (const [k, share] of [12, 20, 30, 10].entries()) {
      const gone = [40, 20, 30, 10][k]! - mean(c, kept[k]!)
      expect(gone).toBeCloseTo((12 * share) / 72, 0)
      expect(Math.abs(gone - (12 * share) / 72)).toBeLessThan(0.12)
    }
  })
  it('are never more than there are; what is missing is told', () => {
    const c = colonies(1, [2, 3, 4, 1])
    expect(takeFrom(c, 0, { number: 9, weights: takeWeights.females }, 5)).toBe(5)
    expect(all(c)).toEqual([2, 3, 0, 1])
    expect(takeFrom(c, 0, { number: 6, weights: takeWeights.any }, 5)).toBe(0)
    expect(all(c)).toEqual([0, 0, 0, 0])
    expect(takeFrom(c, 0, { number: 2, weights: takeWeights.any }, 5)).toBe(2)
  })
  it('of a kind come from its rows alone, and from all of them', () => {
    expect(rowsOfTake('any')).toEqual([YOUNG_1, YOUNG_2, FEMALES, MALES])
    expect(rowsOfTake('halfGrown')).toEqual([YOUNG_1, YOUNG_2])
    expect(rowsOfTake('adults')).toEqual([FEMALES, MALES])
    expect([rowsOfTake('females'), rowsOfTake('males')]).toEqual([[FEMALES], [MALES]])
    const c = colonies(1, [5, 5, 5, 5])
    takeFrom(c, 0, { number: 4, weights: takeWeights.males }, 5)
    expect(all(c)).toEqual([5, 5, 5, 1])
  })
  it('that were not there make a possible colony unlikely, the more the more are missing', () => {
    expect(strangeness(0, 10)).toBe(0)
    expect(strangeness(1, 10)).toBeCloseTo(0.5 * (1 / 1.7) ** 2, 12)
    expect(strangeness(3, 40)).toBeCloseTo(0.5 * (3 / 4.7) ** 2, 12)
    expect(strangeness(100, 100)).toBe(12)
  })
})

describe('animals that are put in', () => {
  const rates = ratesOf('neocaridina')
  it('go where the keeper says, and what is not told is half grown', () => {
    const c = colonies(1, [0, 0, 0, 0])
    putInto(c, 0, { parts: { ...nobody, young: 7, halfGrown: 5, females: 3, males: 2 }, untold: 0, rates }, 9)
    expect(all(c)).toEqual([7, 5, 3, 2])
    const many = colonies(2000, [0, 0, 0, 0])
    for (let i = 0; i < many.size; i++) putInto(many, i, { parts: { ...nobody, unsexed: 10 }, untold: 20, rates }, 9)
    expect(mean(many, YOUNG_1)).toBe(0)
    expect(mean(many, YOUNG_2)).toBeCloseTo(10, 0)
    expect(mean(many, FEMALES)).toBeCloseTo(20 * rates.femaleShare, 0)
    for (let i = 0; i < many.size; i++) expect(all(many, i).reduce((a, b) => a + b, 0)).toBe(30)
  })
  it('of one sex alone are all of it', () => {
    const snails = ratesOf('ramshorn-snail')
    expect(snails.needsMale).toBe(false)
    const c = colonies(1, [0, 0, 0, 0])
    putInto(c, 0, { parts: { ...nobody, females: 3, males: 4 }, untold: 0, rates: snails }, 9)
    expect(all(c)).toEqual([0, 0, 7, 0])
  })
})

describe('what came and went by the log', () => {
  const rates = ratesOf('neocaridina')
  const step = (change: number, more: object = {}) =>
    ({ kind: 'step', at: 0, entryId: '', change, ...more }) as Extract<PopulationEvent, { kind: 'step' }>
  it('hatched ones are hatchlings, given ones are not', () => {
    const c = colonies(1, [0, 0, 0, 0])
    applyStep(c, step(12, { hatched: true }), rates, 3)
    expect([at(c, FIRST), ...all(c)]).toEqual([12, 0, 0, 0, 0])
    applyStep(c, step(6, { parts: { ...nobody, females: 4 } }), rates, 3)
    expect(at(c, FIRST)).toBe(12)
    expect(all(c).reduce((a, b) => a + b, 0)).toBe(6)
    expect(at(c, FEMALES)).toBeGreaterThanOrEqual(4)
    expect(at(c, EGGS)).toBe(0)
  })
  it('a take by sex and size goes by it; a colony that has them all is as likely as before', () => {
    const c = colonies(1, [10, 10, 10, 10])
    applyStep(c, step(-9, { parts: { ...nobody, females: 4, males: 5 } }), rates, 3)
    expect(all(c)).toEqual([10, 10, 6, 5])
    expect(c.logWeights[0]).toBe(0)
  })
  it('what is called female may be a male of the model; only what nobody has is missing', () => {
    const c = colonies(1, [0, 0, 2, 6])
    applyStep(c, step(-5, { parts: { ...nobody, females: 5 } }), rates, 3)
    expect(all(c)).toEqual([0, 0, 0, 3])
    expect(c.logWeights[0]).toBe(0)
    applyStep(c, step(-5), rates, 3)
    expect(all(c)).toEqual([0, 0, 0, 0])
    expect(c.logWeights[0]).toBeCloseTo(-strangeness(2, 5), 12)
  })
})

describe('females that carry eggs', () => {
  const rates = ratesOf('neocaridina')
  const step = (change: number, more: object = {}) =>
    ({ kind: 'step', at: 0, entryId: '', change, ...more }) as Extract<PopulationEvent, { kind: 'step' }>
  const rooms = (c: ReturnType<typeof colonies>, i = 0) =>
    Array.from({ length: EGG_ROOMS }, (_, room) => at(c, EGGS + room, i))
  const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
  it('bring their broods along, wherever these are on their way', () => {
    const c = colonies(2000, [0, 0, 0, 0])
    applyStep(c, step(10, { parts: { ...nobody, females: 8, males: 2 }, berried: 8 }), rates, 3)
    for (let i = 0; i < c.size; i++) expect(sum(rooms(c, i))).toBe(8)
    for (const room of rooms(c).keys()) {
      expect(mean(c, EGGS + room)).toBeCloseTo(1, 0)
      expect(Math.abs(mean(c, EGGS + room) - 1)).toBeLessThan(0.1)
    }
    expect(all(c)).toEqual([0, 0, 8, 2])
  })
  it('are females, also where nobody told the sexes apart', () => {
    const c = colonies(500, [0, 0, 0, 0])
    applyStep(c, step(10, { parts: { ...nobody, unsexed: 4 }, berried: 8 }), rates, 3)
    for (let i = 0; i < c.size; i++) {
      expect(at(c, FEMALES, i)).toBeGreaterThanOrEqual(8)
      expect(sum(all(c, i))).toBe(10)
    }
    const gone = colonies(1, [0, 0, 9, 9])
    applyStep(gone, step(-3, { berried: 3 }), rates, 3)
    expect(all(gone)).toEqual([0, 0, 6, 9])
  })
  it('take them along out of all rooms alike; a colony that had fewer is less likely', () => {
    const c = colonies(2000, [0, 0, 20, 5])
    for (let i = 0; i < c.size; i++)
      for (const room of [0, 1, 7]) c.cloud[(EGGS + room) * c.size + i] = room === 7 ? 8 : 4
    applyStep(c, step(-8, { parts: { ...nobody, females: 8 }, berried: 8 }), rates, 3)
    for (let i = 0; i < c.size; i++) expect(sum(rooms(c, i))).toBe(8)
    expect(mean(c, EGGS)).toBeCloseTo(2, 1)
    expect(mean(c, EGGS + 7)).toBeCloseTo(4, 1)
    expect(Math.min(...c.cloud)).toBe(0)
    expect(c.logWeights[0]).toBe(0)
    applyStep(c, step(-12, { parts: { ...nobody, females: 12 }, berried: 12 }), rates, 3)
    expect(rooms(c)).toEqual([0, 0, 0, 0, 0, 0, 0, 0])
    expect(c.logWeights[0]).toBeCloseTo(-strangeness(4, 12), 12)
  })
  it('of kinds that lay bring none', () => {
    const c = colonies(1, [0, 0, 0, 0])
    applyStep(c, step(3, { berried: 3 }), ratesOf('ramshorn-snail'), 3)
    expect(sum(rooms(c))).toBe(0)
  })
})

describe('the dead', () => {
  it('found in a step, and of these in a molt', () => {
    const dead = (change: number, more: object = {}) =>
      ({ kind: 'step', at: 0, entryId: '', change, death: true, ...more }) as PopulationEvent
    const taken = { kind: 'step', at: 0, entryId: '', change: -9 } as PopulationEvent
    expect(foundDead([dead(-2), taken, dead(-3, { molt: true })])).toEqual({ found: 5, molts: 3 })
    expect(foundDead([])).toEqual({ found: 0, molts: 0 })
  })
  it('lie about ten days, and fewer every week', () => {
    const bodies = Float64Array.from([4, 0])
    layOut(bodies, Float64Array.from([1, 2]), 1.5)
    expect(bodies[0]).toBeCloseTo(4 / Math.E + 1, 12)
    expect(bodies[1]).toBe(2)
  })
  it('as usual are what the hazards take of the half-grown and the grown', () => {
    const rates = ratesOf('neocaridina')
    const c = colonies(3, [8, 12, 20, 10])
    expect(usualDead(c, rates)).toBeCloseTo(20 * rates.youngHazard + 30 * rates.adultHazard, 12)
  })
})
