import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DAY_MS } from '#core/records'
import { courseStair, harmed, planTreatment, substanceIds, substances, treatmentCourse } from '#core/water'
import { NOW } from '../../make'

const value = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true })

describe('planTreatment', () => {
  it('weighs just the active substance that the net litres want', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...substanceIds),
        value(0.05, 1),
        value(1, 500),
        value(0.02, 1),
        (substance, share, netL, strength) => {
          const activeMgL = substances[substance].mostMgL * share
          const plan = planTreatment({ substance, activeMgL, strength, netL, startMs: NOW })
          expect(plan.ok).toBe(true)
          if (!plan.ok) return
          const { dose } = plan
          expect(dose.productG * 1000 * strength).toBeCloseTo(activeMgL * netL, 6)
          expect((dose.stock.doseMl * dose.stock.productG) / dose.stock.millilitres).toBeCloseTo(dose.productG, 9)
        },
      ),
    )
  })
  it('refuses an overdose and what cannot be', () => {
    const usual = { substance: 'fenbendazole' as const, activeMgL: 0.6, strength: 0.222, netL: 50, startMs: NOW }
    expect(planTreatment({ ...usual, activeMgL: 6 })).toMatchObject({ ok: false, issue: 'tooMuch', most: 2.4 })
    expect(planTreatment({ ...usual, strength: 1.2 })).toMatchObject({ ok: false, issue: 'badStrength' })
    expect(planTreatment({ ...usual, netL: 0 })).toMatchObject({ ok: false, issue: 'badVolume' })
  })
  it('makes the stock strong enough for a syringe', () => {
    const plan = planTreatment({ substance: 'fenbendazole', activeMgL: 0.6, strength: 0.05, netL: 100, startMs: NOW })
    expect(plan.ok && plan.dose.stock.doseMl).toBeLessThanOrEqual(20)
  })
  describe('a course', () => {
    const course = (...daysAgo: number[]) =>
      treatmentCourse(
        'fenbendazole',
        daysAgo.map(d => NOW - d * DAY_MS),
        NOW,
      )
    it('offers the second dose on its day, two days early at most', () => {
      expect(course()).toEqual({ given: 0, dosesMs: [], nextMs: null, tooSoon: false, restUntilMs: null })
      expect(course(5)).toMatchObject({ given: 1, nextMs: NOW + 9 * DAY_MS, tooSoon: true })
      expect(course(11.9).tooSoon).toBe(true)
      expect(course(12).tooSoon).toBe(false)
      expect(course(20)).toMatchObject({ given: 1, nextMs: NOW - 6 * DAY_MS, tooSoon: false })
    })
    it('never offers a third, whenever the first two were given', () => {
      for (const doses of [
        [14, 0],
        [20, 5],
        [40, 26],
        [30, 15, 2],
        [27, 20, 13, 6],
      ])
        expect(course(...doses)).toMatchObject({ given: 2, nextMs: null, tooSoon: true })
      // in any order
      expect(course(5, 20).restUntilMs).toBe(NOW + 23 * DAY_MS)
    })
    it('is forgotten after four weeks: then another one may begin', () => {
      expect(course(27.9).given).toBe(1)
      expect(course(28).given).toBe(0)
      expect(course(60, 46).given).toBe(0)
      expect(course(80, 3)).toMatchObject({ given: 1, dosesMs: [NOW - 3 * DAY_MS] })
    })
    it('brings a dose at a time, a third of all of it out after each, and the rest with the carbon', () => {
      const stair = courseStair('fenbendazole')
      const at = (day: number) => stair.findLast(c => c.day <= day)?.doses
      expect([3.9, 4, 14, 17.9, 18, 19].map(at).map(d => Number(d!.toFixed(4)))).toEqual([
        1, 0.6667, 1.6667, 1.6667, 1.1111, 0,
      ])
      // corners of a stair: straight up and straight along
      stair.slice(1).forEach((c, i) => expect(c.day === stair[i]!.day || c.doses === stair[i]!.doses).toBe(true))
    })
  })
  it('knows whom it harms', () => {
    expect(harmed('fenbendazole', ['shrimp', 'snail', 'snail'])).toEqual(['snail'])
    expect(harmed('praziquantel', ['shrimp'])).toEqual([])
  })
})
