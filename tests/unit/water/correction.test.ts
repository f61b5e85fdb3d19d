import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { resolveGroup } from '#core/groups'
import { afterChange, correctionGoal, hardnessFromIons, planCorrection, saltsFor, waterForStep } from '#core/water'
import { colony, nextId } from '../../make'

const group = (groupId = 'neocaridina', schools = {}) => resolveGroup(colony(nextId(), { groupId, schools }))
const pure = { ghDh: 0, khDh: 0 }

describe('planCorrection', () => {
  it('raises KH in steps that the animals take, and leaves GH where it is', () => {
    const plan = planCorrection({ now: { ghDh: 6.4, khDh: 2.1 }, group: group(), netL: 52, changeL: 6, source: pure })
    if (!plan.ok) throw new Error(plan.issue)
    expect(plan.reached).toBe(true)
    expect(plan.steps).toHaveLength(3)
    for (const s of plan.steps) {
      expect(s.after.khDh - s.before.khDh).toBeLessThanOrEqual(0.8 + 1e-9)
      expect(s.after.ghDh).toBeCloseTo(6.4, 9)
      expect(s.pureL).toBe(6)
    }
    expect(plan.steps.map(s => s.afterDays)).toEqual([0, 7, 14])
    // by hand: raising 52 L by 0.633 °dKH wants 52 · 0.6333 · 0.35665 meq of bicarbonate beside what the 6 L must hold anyway
    const meq = 52 * (1.9 / 3) * 0.35665 + 6 * 2.1 * 0.35665
    expect(plan.steps[0]!.grams.sodiumBicarbonate).toBeCloseTo(meq * 84.006 / 1000, 3)
  })
  it('thins hard change water with pure water before it adds anything', () => {
    const plan = planCorrection({ now: { ghDh: 16, khDh: 5 }, group: group(), netL: 50, changeL: 10, source: { ghDh: 17, khDh: 5 } })
    if (!plan.ok) throw new Error(plan.issue)
    for (const s of plan.steps) {
      expect(s.after.ghDh).toBeLessThan(s.before.ghDh)
      expect(s.sourceL + s.pureL).toBeCloseTo(10, 9)
      expect(s.grams.calciumChlorideDihydrate).toBeCloseTo(0, 9)
      expect(s.after.khDh).toBeCloseTo(5, 9)
    }
  })
  it('says when it cannot be reached in a plan that a keeper follows', () => {
    const plan = planCorrection({ now: { ghDh: 40, khDh: 5 }, group: group(), netL: 50, changeL: 1, source: pure })
    expect(plan).toMatchObject({ ok: true, reached: false })
    expect(plan.ok && plan.steps.length).toBe(12)
  })
  it('needs both values, and has nothing to do when both are right', () => {
    expect(planCorrection({ now: { khDh: 2 }, group: group(), netL: 50, source: pure })).toEqual({ ok: false, issue: 'unknownHardness' })
    expect(planCorrection({ now: { ghDh: 7, khDh: 4 }, group: group(), netL: 50, source: pure })).toEqual({ ok: false, issue: 'alreadyThere' })
  })
  it('follows the school’s change when none is given', () => {
    const plan = planCorrection({ now: { ghDh: 7, khDh: 2 }, group: group('neocaridina', { waterChange: 'moderateWeekly' }), netL: 60, source: pure })
    expect(plan.ok && plan.changeL).toBe(9)
  })
  it('refuses litres that cannot be', () => {
    const input = { now: { ghDh: 7, khDh: 2 }, group: group(), source: pure }
    expect(() => planCorrection({ ...input, netL: 0 })).toThrow(/netL must be above 0/)
    expect(() => planCorrection({ ...input, netL: 10, changeL: 11 })).toThrow(/changeL must lie/)
  })
  it('never steps further than allowed, never takes salt away, always moves towards the goal', () => {
    const water = fc.record({ ghDh: fc.double({ min: 0, max: 30, noNaN: true }), khDh: fc.double({ min: 0, max: 20, noNaN: true }) })
    const ids = fc.constantFrom('neocaridina', 'bee-shrimp', 'water-isopod', 'apple-snail', 'land-crab')
    fc.assert(fc.property(water, water, ids, fc.double({ min: 0.05, max: 1, noNaN: true }), (now, source, id, f) => {
      const g = group(id)
      const plan = planCorrection({ now, group: g, netL: 40, changeL: 40 * f, source })
      if (!plan.ok) return
      for (const step of plan.steps) {
        for (const key of ['ghDh', 'khDh'] as const) {
          expect(Math.abs(step.after[key] - step.before[key])).toBeLessThanOrEqual(plan.largestStep[key] + 1e-9)
          expect(Math.abs(plan.goal[key] - step.after[key])).toBeLessThanOrEqual(Math.abs(plan.goal[key] - step.before[key]) + 1e-9)
          // what is poured really makes the glass what is promised
          expect(afterChange(step.before[key], f, step.newWater[key])).toBeCloseTo(step.after[key], 6)
        }
        for (const grams of Object.values(step.grams)) expect(grams).toBeGreaterThanOrEqual(0)
        expect(step.sourceL).toBeGreaterThanOrEqual(0)
        expect(step.sourceL + step.pureL).toBeCloseTo(40 * f, 9)
      }
    }))
  })
})

describe('correctionGoal', () => {
  it('aims a fifth inside the range, or at the aim', () => {
    expect(correctionGoal({ ghDh: 3, khDh: 20 }, group())).toEqual({ ghDh: 6.4, khDh: 7 })
    expect(correctionGoal({ ghDh: 9, khDh: 3 }, group('bee-shrimp'))).toEqual({ ghDh: 5, khDh: 0 })
  })
})

describe('water changes', () => {
  it('mixes and un-mixes', () => {
    fc.assert(fc.property(fc.double({ min: 0, max: 50, noNaN: true }), fc.double({ min: -5, max: 5, noNaN: true }), fc.double({ min: 0.01, max: 1, noNaN: true }), (now, step, f) => {
      expect(afterChange(now, f, waterForStep(now, step, f))).toBeCloseTo(now + step, 8)
    }))
  })
  it('refuses shares that are none', () => {
    expect(() => afterChange(5, 1.2, 0)).toThrow(/share/)
    expect(() => waterForStep(5, 1, 0)).toThrow(/share/)
  })
})

describe('salts', () => {
  it('adds the hardness that it promises', () => {
    const grams = saltsFor(6, 0, 20)
    const calcium = grams.calciumChlorideDihydrate / 147.008 * 40.078 / 20 * 1000
    const magnesium = grams.magnesiumSulfateHeptahydrate / 246.466 * 24.305 / 20 * 1000
    expect(hardnessFromIons(calcium, magnesium)).toBeCloseTo(6, 9)
    expect(calcium / magnesium).toBeCloseTo(3, 9)
  })
  it('refuses less than nothing', () => {
    expect(() => saltsFor(-1, 0, 10)).toThrow(/ghDh/)
    expect(() => hardnessFromIons(-1, 0)).toThrow(/calciumMgL/)
    expect(() => hardnessFromIons(0, -1)).toThrow(/magnesiumMgL/)
  })
})
