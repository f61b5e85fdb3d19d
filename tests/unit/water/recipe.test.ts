import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { groupOf, groups, resolveGroup, sharedTargets } from '#core/groups'
import { currentEntries, type SaltId, saltIds, usualBench, type Water } from '#core/records'
import {
  amountKeys,
  blend,
  changed,
  completeAnalysis,
  correctionGoals,
  dissolve,
  doseOf,
  evaporated,
  fillGoals,
  gramsPerLitreFromSalinity,
  measurable,
  missing,
  mixSaltWater,
  nearEnough,
  planRecipe,
  pouringMinutes,
  purchaseFor,
  pureWater,
  type RecipeQuestion,
  type Readouts,
  readoutsOf,
  recipeKeys,
  roundTo,
  setByHand,
  shareOfSea,
  solveChange,
  stockLeft,
} from '#core/water'
import { daysAgo, nextId, shelfItem, waterChange, withdrawal } from '../../make'

const salt = (id: SaltId) => ({ id, dose: doseOf({ by: 'salt', salt: id }) })
const tap = completeAnalysis({ ghDh: 13, khDh: 5.8, conductivityUsCm: 540 }).water
const sources = [
  { id: 'pure', water: { ...pureWater } },
  { id: 'tap', water: tap },
]
const shelf = [salt('calciumChlorideDihydrate'), salt('magnesiumSulfateHeptahydrate'), salt('sodiumBicarbonate')]
const neocaridina = groupOf('neocaridina')
const steps: Partial<Readouts> = { ghDh: 1.2, khDh: 0.8 }
const tankOf = (ghDh: number, khDh: number) =>
  completeAnalysis({ ghDh, khDh, conductivityUsCm: 20 + 33 * Math.max(ghDh, khDh) }).water
function question(ghDh: number, khDh: number, more: Partial<RecipeQuestion> = {}): RecipeQuestion {
  const tank = tankOf(ghDh, khDh)
  return {
    tank,
    netL: 52,
    changeL: 5.2,
    everyDays: 7,
    goals: correctionGoals(readoutsOf(tank), neocaridina.targets, 'minerals'),
    largestStepPerWeek: steps,
    sources,
    shelf,
    bench: usualBench,
    ...more,
  }
}
function recipeOf(q: RecipeQuestion) {
  const answer = planRecipe(q)
  if (!answer.ok) throw new Error(answer.issue)
  return answer.recipe
}

/** Any water a keeper could have, any of the salts, any litres. */
const anyWater = fc
  .record({ ghDh: fc.double({ min: 0, max: 25, noNaN: true }), khDh: fc.double({ min: 0, max: 18, noNaN: true }) })
  .map(({ ghDh, khDh }) => completeAnalysis({ ghDh, khDh }).water)
const litres = fc.double({ min: 0.05, max: 400, noNaN: true })
const share = fc.double({ min: 0, max: 1, noNaN: true })
const anySalt = fc.constantFrom(...saltIds)
/** mmol of everything in a volume, to compare before and after */
const total = (w: Water, volumeL: number) => amountKeys.map(k => w[k] * volumeL)
const close = (a: number[], b: number[]) =>
  a.forEach((v, i) => expect(Math.abs(v - b[i]!)).toBeLessThan(1e-9 * (1 + Math.abs(v))))

describe('mass is conserved', () => {
  it('by blending', () => {
    fc.assert(
      fc.property(anyWater, litres, anyWater, litres, (a, la, b, lb) => {
        const mixed = blend([
          { water: a, litres: la },
          { water: b, litres: lb },
        ])
        close(
          total(mixed, la + lb),
          total(a, la).map((v, i) => v + total(b, lb)[i]!),
        )
      }),
    )
  })
  it('by dissolving', () => {
    fc.assert(
      fc.property(anyWater, litres, anySalt, fc.double({ min: 0, max: 200, noNaN: true }), (w, l, s, grams) => {
        const dose = doseOf({ by: 'salt', salt: s })
        close(
          total(dissolve(w, l, [{ dose, grams }]), l),
          total(w, l).map((v, i) => v + dose.perGramL[amountKeys[i]!] * grams),
        )
      }),
    )
  })
  it('by a change: what is in the glass after is what was left and what was poured', () => {
    fc.assert(
      fc.property(anyWater, anyWater, litres, share, (tank, added, netL, f) => {
        close(
          total(changed(tank, f, added), netL),
          total(tank, netL * (1 - f)).map((v, i) => v + total(added, netL * f)[i]!),
        )
      }),
    )
  })
  it('by evaporation', () => {
    fc.assert(
      fc.property(anyWater, litres, fc.double({ min: 0, max: 0.95, noNaN: true }), (w, netL, f) => {
        close(total(evaporated(w, netL, f * netL), netL * (1 - f)), total(w, netL))
      }),
    )
  })
  it('and nothing comes out negative, or out of nothing', () => {
    fc.assert(
      fc.property(anyWater, anyWater, share, (a, b, f) => {
        const mixed = changed(a, f, b)
        for (const key of amountKeys.filter(k => k !== 'conductivityOffsetUsCm')) {
          expect(mixed[key]).toBeGreaterThanOrEqual(0)
          expect(mixed[key]).toBeLessThanOrEqual(Math.max(a[key], b[key]) + 1e-12)
        }
      }),
    )
    expect(() => blend([])).toThrow(RangeError)
    expect(() => blend([{ water: pureWater, litres: -1 }])).toThrow(/litres/)
    expect(() => dissolve(pureWater, 0, [])).toThrow(/litres/)
    expect(() => dissolve(pureWater, 1, [{ dose: doseOf({ by: 'salt', salt: 'seaSalt' }), grams: -1 }])).toThrow(
      /grams/,
    )
    expect(() => changed(pureWater, 1.2, pureWater)).toThrow(/share/)
    expect(() => evaporated(pureWater, 10, 10)).toThrow(/lostL/)
  })
})

describe('planRecipe', () => {
  it('corrects a slide in as many changes as the step allows, equal ones', () => {
    const recipe = recipeOf(question(6.4, 2.1))
    expect(recipe.reached).toBe(true)
    expect(recipe.steps).toHaveLength(3)
    const kh = recipe.steps.map(s => readoutsOf(s.after).khDh - readoutsOf(s.before).khDh)
    for (const by of kh) expect(by).toBeCloseTo(kh[0]!, 1)
    expect(readoutsOf(recipe.steps.at(-1)!.after).ghDh).toBeCloseTo(6.4, 0)
    expect(recipe.steps.map(s => s.afterDays)).toEqual([0, 7, 14])
  })
  it(
    'never moves a value further than its step, never pours or weighs less than nothing, never more than the ' +
      'bucket holds',
    () => {
      fc.assert(
        fc.property(
          fc.double({ min: 0.5, max: 20, noNaN: true }),
          fc.double({ min: 0.2, max: 14, noNaN: true }),
          fc.double({ min: 2, max: 200, noNaN: true }),
          fc.double({ min: 0.03, max: 0.5, noNaN: true }),
          fc.constantFrom(3.5, 7, 14),
          fc.subarray([...saltIds]),
          (gh, kh, netL, f, everyDays, salts) => {
            const q = question(gh, kh, { netL, changeL: netL * f, everyDays, shelf: salts.map(salt) })
            const answer = planRecipe(q)
            if (!answer.ok) return
            for (const step of answer.recipe.steps) {
              const before = readoutsOf(step.before)
              const after = readoutsOf(step.after)
              for (const key of ['ghDh', 'khDh'] as const)
                expect(Math.abs(after[key] - before[key])).toBeLessThanOrEqual(
                  steps[key]! * Math.min(1, everyDays / 7) + 1e-6,
                )
              expect(step.pours.every(p => p.litres > 0)).toBe(true)
              expect(step.pours.reduce((s, p) => s + p.litres, 0)).toBeCloseTo(step.changeL, 2)
              expect(step.weighs.every(w => w.measured.grams > 0)).toBe(true)
              // what is in the glass is what the bucket and the rest of the glass bring together
              close(
                total(step.after, netL),
                total(step.before, netL - step.changeL).map((v, i) => v + total(step.bucket, step.changeL)[i]!),
              )
            }
          },
        ),
        { numRuns: 60 },
      )
    },
  )
  it('holds what is right already, with one change', () => {
    const recipe = recipeOf(question(7, 5))
    expect(recipe.steps).toHaveLength(1)
    expect(readoutsOf(recipe.steps[0]!.after).khDh).toBeCloseTo(5, 1)
  })
  it('rounds to jug and scale', () => {
    const [step] = recipeOf(question(6.4, 2.1)).steps
    for (const p of step!.pours) expect(Math.abs(p.litres / 0.05 - Math.round(p.litres / 0.05))).toBeLessThan(1e-6)
    for (const w of step!.weighs)
      if (w.measured.by === 'scale')
        expect(Math.abs(w.measured.grams * 100 - Math.round(w.measured.grams * 100))).toBeLessThan(1e-6)
  })
  it('says what it falls short of, and the one thing to buy', () => {
    const q = question(6.4, 1, { shelf: [], sources: [{ id: 'spring', water: tankOf(6.4, 2.5) }] })
    const recipe = recipeOf(q)
    expect(recipe.reached).toBe(false)
    expect(recipe.shortOf.map(s => s.key)).toContain('khDh')
    expect(
      purchaseFor({ ...q, shelf: [salt('calciumChlorideDihydrate'), salt('magnesiumSulfateHeptahydrate')] }),
    ).toEqual({ kind: 'salt', salt: 'sodiumBicarbonate' })
  })
  it('refuses a change that would only take it further away', () => {
    expect(planRecipe(question(6.4, 1, { shelf: [], sources: [sources[0]!] }))).toEqual({
      ok: false,
      issue: 'noNearer',
    })
  })
  it('keeps to what the jug shows where a limit would break the first rounding', () => {
    const q = question(5, 2, {
      largestStepPerWeek: { ...steps, conductivityUsCm: 33.3 },
      goals: { ghDh: { low: 10, high: 10, weight: 1 }, khDh: { low: 7, high: 7, weight: 1 } },
      shelf: [],
    })
    for (const s of recipeOf(q).steps)
      for (const p of s.pours) expect(Math.abs(p.litres * 10 - Math.round(p.litres * 10))).toBeLessThan(1e-6)
  })
  it('asks for pure water when the tap is too hard', () => {
    const q = question(11, 5, { sources: [sources[1]!], shelf: [] })
    expect(purchaseFor(q)).toEqual({ kind: 'pureWater' })
  })
  it('refuses a blend of the keeper’s own that would be a jump', () => {
    const q = question(6.4, 0.5, { changeL: 26, chosenL: [0, 26] })
    expect(planRecipe(q)).toEqual({ ok: false, issue: 'stepTooLarge' })
  })
  it('takes a smaller change when the whole one would be a jump', () => {
    const recipe = recipeOf(question(20, 12, { sources: [sources[0]!], shelf: [], changeL: 40 }))
    expect(recipe.smaller).toBe(true)
    expect(recipe.steps[0]!.changeL).toBeLessThan(40)
  })
  it('needs a source', () => {
    expect(planRecipe(question(6, 2, { sources: [] }))).toEqual({ ok: false, issue: 'noSource' })
  })
  it('minds what is left in a box', () => {
    const recipe = recipeOf(
      question(6.4, 2.1, { shelf: [...shelf.slice(0, 2), { ...shelf[2]!, stockG: 1 }], sources: [sources[0]!] }),
    )
    const used = recipe.steps
      .flatMap(s => s.weighs.filter(w => w.id === 'sodiumBicarbonate'))
      .reduce((s, w) => s + w.measured.grams, 0)
    expect(used).toBeLessThanOrEqual(1 + 1e-9)
  })
  it('throws for litres that cannot be', () => {
    expect(() => planRecipe(question(6, 2, { netL: 0 }))).toThrow(/netL/)
    expect(() => planRecipe(question(6, 2, { changeL: 60 }))).toThrow(/changeL/)
    expect(() => planRecipe(question(6, 2, { everyDays: 0 }))).toThrow(/everyDays/)
  })
  it('never dissolves stone in the bucket', () => {
    const recipe = recipeOf(question(6.4, 2.1, { shelf: [salt('calciumCarbonate')] }))
    expect(recipe.steps.flatMap(s => s.weighs)).toEqual([])
  })
})

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

describe('mixSaltWater', () => {
  it('comes to its salinity either way, by mass of salt', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        (l, s) => {
          const mix = mixSaltWater(l, s, 24, 34)
          expect(mix.dryG / l).toBeCloseTo(gramsPerLitreFromSalinity(s, 24), 9)
          expect(mix.seaL! + mix.pureL!).toBeCloseTo(l, 9)
          expect(mix.seaL! * gramsPerLitreFromSalinity(34, 24)).toBeCloseTo(mix.dryG, 6)
          expect(mix.boxG).toBeGreaterThan(mix.dryG)
        },
      ),
    )
    expect(mixSaltWater(10, 36, 24, 34).seaL).toBeNull()
    expect(() => mixSaltWater(0, 17, 24, null)).toThrow(/litres/)
    expect(shareOfSea(17.5825)).toBeCloseTo(0.5, 4)
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
  it('readouts of every kind are there for every water', () => {
    fc.assert(
      fc.property(anyWater, w => {
        const r = readoutsOf(w)
        for (const key of recipeKeys) expect(Number.isFinite(r[key])).toBe(true)
      }),
    )
  })
})
