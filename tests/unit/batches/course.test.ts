import { describe, expect, it } from 'vitest'
import { batchLaw, type Course, courseFrom, dayOf, dimsOf, leftAfter, livesThrough, standingAt } from '#core/batches'
import { heads, resolvedOf } from '../population/questions'
import { larvaLaw, poolLaw } from './parts'

const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
const middle = (law: typeof larvaLaw) => courseFrom(law, 0, new Float64Array(dimsOf(law)))
const even: Course = { ...middle(larvaLaw), hatchDay: 0, hatched: 900, among: 1e-9 }

describe('the law of a hatch', () => {
  it('is for larvae that need the sea and for dry eggs, and for nobody else', () => {
    const of = (groupId: string, form: 'colony' | 'rearing' | 'batch') =>
      batchLaw(resolvedOf(groupId), { form, founders: heads({}) })?.kind ?? null
    expect(['amphidromous-shrimp', 'fan-shrimp', 'nerite-snail'].map(g => of(g, 'rearing'))).toEqual(
      Array(3).fill('larvae'),
    )
    expect(of('pool-branchiopod', 'batch')).toBe('pool')
    expect([of('neocaridina', 'rearing'), of('amphidromous-shrimp', 'colony'), of('land-crab', 'batch')]).toEqual([
      null,
      null,
      null,
    ])
  })
  it('about a month and nine molts (common practice); those of its group are one figure with its stages', () => {
    expect(sum(larvaLaw.passes.map(p => p.days))).toBeCloseTo(28, 9)
    expect(larvaLaw.passes.reduce((share, p) => share * p.lives, 1)).toBeCloseTo(0.1, 9)
    expect(larvaLaw.hatched.logMean).toBeCloseTo(Math.log(1000), 9)
  })
  it('a number that was typed stands in the place of the brood, with those put in later', () => {
    const typed = batchLaw(resolvedOf('amphidromous-shrimp'), { form: 'rearing', founders: heads({ young: 300 }) }, 50)!
    expect(Math.exp(typed.hatched.logMean)).toBeCloseTo(350, 6)
    expect(typed.hatched.logSd).toBeLessThan(larvaLaw.hatched.logSd)
  })
  it('dry eggs hatch from day one to three (common practice) in nine of ten', () => {
    const { logMean, logSd } = poolLaw.wait!
    expect(Math.exp(logMean - 1.645 * logSd)).toBeCloseTo(1, 6)
    expect(Math.exp(logMean + 1.645 * logSd)).toBeCloseTo(3, 6)
  })
})

describe('a course by hand', () => {
  it('stands in one stage after the other, and loses its share in each', () => {
    const lives = 0.1 ** (1 / 3)
    // half through the first third, at its end, and at the end of the way
    expect(standingAt(larvaLaw, even, 14 / 3).alive[0]).toBeCloseTo(900 * Math.sqrt(lives), 3)
    expect(standingAt(larvaLaw, even, 28 / 3 + 1e-6).alive[1]).toBeCloseTo(900 * lives, 3)
    const end = standingAt(larvaLaw, even, 28 + 1e-6)
    expect(end.alive[3]).toBeCloseTo(90, 3)
    expect(end.arrived).toBeCloseTo(90, 3)
    expect(end.onTheWay).toBe(1)
    expect(end.dead).toBeCloseTo(810, 3)
    expect(livesThrough(even)).toBeCloseTo(0.1, 9)
  })
  it('nobody is there before the hatch', () => {
    expect(standingAt(larvaLaw, even, -0.1)).toEqual({
      alive: [0, 0, 0, 0],
      judged: [0, 0, 0, 0],
      arrived: 0,
      dead: 0,
      onTheWay: 0,
    })
  })
  it('settled ones that stay in salt die by and by: 3 % a day', () => {
    expect(standingAt(larvaLaw, even, 38).alive[3]).toBeCloseTo(90 * Math.exp(-0.3), 2)
    expect(standingAt(larvaLaw, even, 38).arrived).toBeCloseTo(90, 3)
  })
  it('its days are those of its animals: the half, and the first of so many', () => {
    const spread = { ...even, among: 0.1 }
    expect(dayOf(larvaLaw, spread, 45)).toBeCloseTo(28, 6)
    // one of ninety: the z of 1/90 is −2.287
    expect(dayOf(larvaLaw, spread, 1)).toBeCloseTo(28 * Math.exp(-0.2287), 2)
    expect(dayOf(larvaLaw, spread, 91)).toBeNull()
    // by luck a little earlier or later, more so of few
    const stray = (hatched: number) => dayOf(larvaLaw, { ...spread, hatched }, hatched / 20, 1)! - 28
    expect(stray(900)).toBeGreaterThan(0)
    expect(stray(90)).toBeGreaterThan(2.5 * stray(900))
  })
  it('a keeper who draws the lines later takes some for younger, but none for settled that is not', () => {
    const seen = (judge: number, day: number) => standingAt(larvaLaw, { ...even, judge }, day)
    expect(seen(0.05, 28 / 3 + 0.5).judged.findIndex(n => n > 0)).toBe(0)
    expect(seen(0.05, 28 / 3 + 0.5).alive.findIndex(n => n > 0)).toBe(1)
    expect(seen(-0.05, 27.5).judged.findIndex(n => n > 0)).toBe(2)
    for (const judge of [-0.1, 0, 0.1]) {
      const { judged, alive } = seen(judge, 20)
      expect(sum(judged)).toBeCloseTo(sum(alive), 9)
    }
  })
  it('grown animals of a pool live as long as their kind', () => {
    const pool = { ...middle(poolLaw), hatchDay: 0, hatched: 100, among: 1e-9 }
    const grownDay = sum(poolLaw.passes.map(p => p.days))
    const alive = (days: number) => sum(standingAt(poolLaw, pool, grownDay + days).alive)
    expect(alive(0.001)).toBeCloseTo(50, 1)
    // half are left of age at the middle life, less 2 % a day
    expect(alive(poolLaw.last.lifeDays!)).toBeCloseTo(25 * Math.exp(-0.02 * poolLaw.last.lifeDays!), 1)
    expect(alive(2 * poolLaw.last.lifeDays!)).toBeLessThan(0.1)
  })
})

describe('what was taken out', () => {
  it('is gone from those furthest on, and no more than there are', () => {
    const standing = { ...standingAt(larvaLaw, even, 10), alive: [0, 40, 10, 5] }
    expect(leftAfter(standing, 0)).toEqual([0, 40, 10, 5])
    expect(leftAfter(standing, 8)).toEqual([0, 40, 7, 0])
    expect(leftAfter(standing, 100)).toEqual([0, 0, 0, 0])
  })
})
