import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { groupOf, groups, resolveGroup, sharedTargets } from '#core/groups'
import { currentEntries, DAY_MS, saltIds, usualBench } from '#core/records'
import {
  correctionGoals,
  doseOf,
  fillGoals,
  measurable,
  missing,
  nearEnough,
  pouringMinutes,
  pureWater,
  type Readouts,
  readoutsOf,
  recipeKeys,
  roundTo,
  setByHand,
  solveChange,
  stockLeft,
  pouredSince,
} from '#core/water'
import { daysAgo, nextId, NOW, shelfItem, waterChange, withdrawal } from '../../make'
import { salt, sources, shelf, neocaridina, question, recipeOf, anyWater } from './recipeParts'

describe('a first fill', () => {
  const all = saltIds.filter(s => s !== 'calciumCarbonate').map(salt)
  it.each(groups.filter(g => g.id !== 'custom'))('reaches what $name want, from tap, pure water and salts', group => {
    const { targets } = sharedTargets([resolveGroup({ groupId: group.id, schools: {}, targets: {}, life: {} })])
    const recipe = recipeOf({
      tank: { ...pureWater },
      netL: 30,
      changeL: 30,
      everyDays: 1,
      goals: fillGoals(targets, 'minerals'),
      largestStepPerWeek: {},
      sources,
      shelf: all,
      bench: usualBench,
    })
    expect(recipe.reached).toBe(true)
    const after = readoutsOf(recipe.steps[0]!.after)
    for (const key of ['ghDh', 'khDh', 'salinityGKg'] as const) {
      const t = targets[key]
      if (!t) continue
      expect(after[key]).toBeGreaterThanOrEqual(t.preferred[0] - nearEnough[key])
      expect(after[key]).toBeLessThanOrEqual(t.preferred[1] + nearEnough[key])
    }
  })
  it('is led by conductivity where a mix is', () => {
    const bees = groupOf('bee-shrimp')
    const mix = { id: 'mix', dose: doseOf({ by: 'mix', ghDh: 33, khDh: 0, conductivityUsCm: 1260, caMgByMass: 3 }) }
    const recipe = recipeOf({
      tank: { ...pureWater },
      netL: 40,
      changeL: 40,
      everyDays: 1,
      goals: fillGoals(bees.targets, 'conductivity'),
      largestStepPerWeek: {},
      sources,
      shelf: [mix],
      bench: usualBench,
    })
    expect(readoutsOf(recipe.steps[0]!.after).conductivityUsCm).toBeCloseTo(200, -1)
  })
  it('is right anywhere inside: KH 5 in 3 to 8 is not short of the middle', () => {
    const { targets } = groupOf('neocaridina')
    const fill = (khDh: number) =>
      recipeOf({
        tank: { ...pureWater },
        netL: 40,
        changeL: 40,
        everyDays: 1,
        goals: fillGoals(targets, 'minerals'),
        largestStepPerWeek: {},
        sources: [{ id: 'pure', water: { ...pureWater } }],
        shelf: [{ id: 'mix', dose: doseOf({ by: 'mix', ghDh: 7, khDh, conductivityUsCm: 280, caMgByMass: 3 }) }],
        bench: usualBench,
      })
    const right = fill(5)
    expect(readoutsOf(right.steps[0]!.after).khDh).toBeLessThan(5.4)
    expect(right).toMatchObject({ reached: true, shortOf: [] })
    // outside it is short
    expect(fill(1.5)).toMatchObject({ reached: false, shortOf: [{ key: 'khDh' }] })
  })
})

describe('goals', () => {
  const now = (values: Partial<Readouts>): Readouts => ({
    ghDh: 7,
    khDh: 5,
    calciumMgL: 40,
    conductivityUsCm: 300,
    salinityGKg: 0,
    ...values,
  })
  it('hold what is inside, and aim into the range from outside', () => {
    const goals = correctionGoals(now({ khDh: 1 }), neocaridina.targets, 'minerals')
    expect(goals.khDh).toMatchObject({ low: 4, high: 4 })
    expect(goals.ghDh).toMatchObject({ low: 7, high: 7 })
    expect(correctionGoals(now({ khDh: 12 }), neocaridina.targets, 'minerals').khDh!.low).toBe(7)
  })
  it('missing counts from the nearer edge', () => {
    expect(missing({ low: 4, high: 6 }, 3)).toBe(1)
    expect(missing({ low: 4, high: 6 }, 5)).toBe(0)
    expect(missing({ low: 4, high: 6 }, 7)).toBe(-1)
  })
})

describe('measurable', () => {
  const dose = doseOf({ by: 'salt', salt: 'sodiumBicarbonate' })
  it('never measures more than half a step of scale or syringe away', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 500, noNaN: true }), grams => {
        const made = measurable(grams, dose, { scaleStepG: 0.01 })
        expect(made).not.toBeNull()
        expect(Math.abs(made!.grams - grams)).toBeLessThanOrEqual(
          made!.by === 'scale' ? 0.005 + 1e-9 : Math.max(0.06 * grams, 0.0001),
        )
      }),
    )
  })
  it('leaves out what is nothing', () => {
    expect(measurable(0.0001, dose, { scaleStepG: 0.01 })).toBeNull()
    expect(roundTo(0.30000000000000004, 0.1)).toBe(0.3)
  })
})

describe('setByHand', () => {
  it('always fills the bucket, and keeps the others in their proportions', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 20, noNaN: true }), { minLength: 2, maxLength: 6 }),
        fc.double({ min: -5, max: 60, noNaN: true }),
        (list, wanted) => {
          const litres = Object.fromEntries(list.map((l, i) => [`s${i}`, l]))
          const out = setByHand(litres, 's0', wanted, 10)
          expect(Object.values(out).reduce((s, l) => s + l, 0)).toBeCloseTo(10, 9)
          for (const l of Object.values(out)) expect(l).toBeGreaterThanOrEqual(0)
        },
      ),
    )
    expect(setByHand({ a: 2, b: 6, c: 2 }, 'a', 6, 10)).toEqual({ a: 6, b: 3, c: 1 })
    expect(setByHand({ a: 10, b: 0 }, 'a', 4, 10)).toEqual({ a: 4, b: 6 })
  })
})

describe('around the recipe', () => {
  it('a change with a large effect is poured more slowly', () => {
    const q = question(6.4, 2.1)
    const slow = solveChange(
      {
        tank: q.tank,
        netL: 52,
        changeL: 26,
        goals: { khDh: { low: 8, high: 8, weight: 1 } },
        step: {},
        sources,
        doses: shelf.map(s => ({ dose: s.dose })),
      },
      usualBench,
    )!
    const quick = solveChange(
      {
        tank: q.tank,
        netL: 52,
        changeL: 5.2,
        goals: { khDh: { low: 2.4, high: 2.4, weight: 1 } },
        step: {},
        sources,
        doses: shelf.map(s => ({ dose: s.dose })),
      },
      usualBench,
    )!
    expect(pouringMinutes(slow)).toBeGreaterThan(pouringMinutes(quick))
    expect(pouringMinutes(quick) % 5).toBe(0)
  })
  it('stock follows the log, and comes back when a change is taken back', () => {
    const item = shelfItem(nextId(), { stockG: 100, editedAt: daysAgo(30) })
    const poured = waterChange(nextId(), 3, 5, undefined, {
      weighed: [{ itemId: item.id, name: item.name, grams: 12 }],
    })
    expect(stockLeft(item, [poured])).toBe(88)
    expect(stockLeft(item, [])).toBe(100)
    expect(stockLeft({ ...item, stockG: 5 }, [poured])).toBe(0)
    expect(stockLeft(shelfItem(nextId()), [poured])).toBeUndefined()
    expect(stockLeft(item, currentEntries([poured, withdrawal(poured)]))).toBe(100)
  })
  it('what was poured and weighed is summed by water and box, whatever it is called now, from a day on', () => {
    const item = shelfItem(nextId())
    const [tap, glass] = [nextId(), nextId()]
    const of = (days: number, name: string, litres: number, grams = 0) =>
      waterChange(glass, days, litres, undefined, {
        poured: [
          { sourceId: tap, name, litres },
          { name: 'Pond', litres: 1 },
        ],
        ...(grams > 0 && { weighed: [{ itemId: item.id, name: 'Mix', grams }] }),
      })
    const log = [of(90, 'Tap', 50, 9), of(40, 'Tap', 10, 3), waterChange(glass, 9, 7), of(5, 'Kitchen tap', 20, 4.5)]
    expect(pouredSince(log, NOW - 84 * DAY_MS)).toEqual({
      waters: [
        { name: 'Kitchen tap', litres: 30 },
        { name: 'Pond', litres: 2 },
      ],
      unnamedL: 7,
      boxes: [{ itemId: item.id, name: 'Mix', grams: 7.5 }],
    })
    expect(pouredSince([], 0)).toEqual({ waters: [], unnamedL: 0, boxes: [] })
  })
  it('readouts of every kind are there for every water', () => {
    fc.assert(
      fc.property(anyWater, w => {
        const r = readoutsOf(w)
        for (const key of recipeKeys) expect(Number.isFinite(r[key])).toBe(true)
      }),
    )
  })
})
