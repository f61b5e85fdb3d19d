import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { saltIds } from '#core/records'
import { findRecipe, planRecipe, purchaseFor, readoutsOf } from '#core/water'
import { salt, sources, shelf, steps, tankOf, question, recipeOf, total, close } from './recipeParts'

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
  it('looks for a purchase only where it falls short, never for a blend of the keeper’s own', () => {
    expect(findRecipe(question(6.4, 2.1))).toMatchObject({ lacking: false, purchase: null })
    const hard = question(11, 5, { sources: [sources[1]!], shelf: [] })
    expect(findRecipe(hard)).toMatchObject({ lacking: true, purchase: { kind: 'pureWater' } })
    expect(findRecipe({ ...hard, chosenL: [5.2] })).toMatchObject({ lacking: false, purchase: null })
    expect(findRecipe(question(6, 2, { sources: [] }))).toMatchObject({
      answer: { issue: 'noSource' },
      lacking: false,
      purchase: null,
    })
    // no nearer with what there is: then something has to be bought too
    expect(findRecipe(question(6.4, 1, { shelf: [], sources: [sources[0]!] }))).toMatchObject({
      answer: { issue: 'noNearer' },
      lacking: true,
    })
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
