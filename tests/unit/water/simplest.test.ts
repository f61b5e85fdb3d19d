import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { groupOf, groups, resolveGroup, sharedTargets } from '#core/groups'
import { saltIds, usualBench, type Water } from '#core/records'
import {
  caMgByMass,
  completeAnalysis,
  correctionGoals,
  doseOf,
  exactGoals,
  fillGoals,
  fillQuestion,
  findRecipe,
  measurable,
  planRecipe,
  pureWater,
  type RecipeQuestion,
  type RecipeWish,
  readoutsOf,
  simplestRecipe,
} from '#core/water'
import { question, salt, shelf, sources, tankOf } from './recipeParts'

const pure = { id: 'pure', water: { ...pureWater } }
const mix = (id: string, ghDh: number, khDh: number) => ({
  id,
  dose: doseOf({ by: 'mix', ghDh, khDh, conductivityUsCm: 38 * Math.max(ghDh, khDh), caMgByMass: 3 }),
})
const both = mix('both', 6, 4.7)
const hardOnly = mix('hard', 33, 0)
function made(q: RecipeWish) {
  const { answer } = findRecipe(q)
  if (!answer.ok) throw new Error(answer.issue)
  const first = answer.recipe.steps[0]!
  return {
    ...answer.recipe,
    weighed: first.weighs.map(w => w.id),
    poured: first.pours.map(p => p.id),
    end: readoutsOf(answer.recipe.steps.at(-1)!.after),
  }
}
const fillOf = (groupId: 'neocaridina' | 'bee-shrimp' | 'water-isopod', onHand: Partial<RecipeQuestion>) => {
  const { targets } = groupOf(groupId)
  const hand = { sources: [pure], shelf: [], bench: usualBench, ...onHand }
  return fillQuestion(hand, 40, fillGoals(targets, groupId === 'bee-shrimp' ? 'conductivity' : 'minerals'))
}

describe('the simplest recipe', () => {
  it('adds nothing where every value is right and the water keeps it so', () => {
    const springy = { id: 'spring', water: tankOf(7.4, 4.5) }
    expect(made(question(7, 5, { sources: [pure, springy] }))).toMatchObject({ weighed: [], poured: ['spring'] })
    // with pure water alone the minerals would be washed out in the end
    expect(made(question(7, 5, { sources: [pure] })).weighed.length).toBeGreaterThan(0)
    // and a tap far too hard is thinned, not poured as it is
    expect(made(question(7, 5, { shelf: [] })).poured.toSorted()).toEqual(['pure', 'tap'])
  })
  it('takes one mix that does rather than two salts that meet the middle', () => {
    const recipe = made(fillOf('neocaridina', { shelf: [...shelf, both] }))
    expect(recipe).toMatchObject({ reached: true, weighed: ['both'] })
    // a mix for hardness alone needs one salt beside it
    const two = made(fillOf('neocaridina', { shelf: [...shelf, hardOnly] }))
    expect(two.weighed.toSorted()).toEqual(['hard', 'sodiumBicarbonate'])
    expect(two.reached).toBe(true)
  })
  it('never fills with calcium alone where magnesium is at hand', () => {
    const fill = fillOf('neocaridina', { shelf })
    const recipe = made(fill)
    expect(recipe.weighed).toContain('magnesiumSulfateHeptahydrate')
    const ratio = caMgByMass(recipe.steps[0]!.after)
    expect(ratio).toBeGreaterThan(1.5)
    expect(ratio).toBeLessThan(8)
    // where there is none, calcium alone is better than nothing
    expect(made({ ...fill, shelf: [shelf[0]!, shelf[2]!] }).weighed).toContain('calciumChlorideDihydrate')
  })
  it('is led by the remineraliser of the group', () => {
    const recipe = made(fillOf('bee-shrimp', { shelf: [...shelf, hardOnly] }))
    expect(recipe.weighed).toEqual(['hard'])
    expect(recipe.end.conductivityUsCm).toBeGreaterThan(180)
    expect(recipe.end.conductivityUsCm).toBeLessThan(220)
  })
  it('reaches what everything together reaches, with no more things and no more changes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 16, noNaN: true }),
        fc.double({ min: 0.2, max: 10, noNaN: true }),
        fc.subarray(saltIds.filter(s => s !== 'seaSalt').map(salt)),
        fc.boolean(),
        (gh, kh, salts, mixed) => {
          const q = question(gh, kh, { shelf: [...salts, ...(mixed ? [both] : [])] })
          const all = planRecipe({ ...q, bench: { ...q.bench, roughly: true } })
          const simple = simplestRecipe(q)
          expect(simple.ok).toBe(all.ok)
          if (!all.ok || !simple.ok) return
          const things = (r: typeof all.recipe) => r.steps[0]!.weighs.length
          if (all.recipe.reached) expect(simple.recipe.reached).toBe(true)
          expect(simple.recipe.steps.length).toBeLessThanOrEqual(all.recipe.steps.length + 1)
          expect(things(simple.recipe)).toBeLessThanOrEqual(things(all.recipe) + 1)
        },
      ),
      { numRuns: 25 },
    )
  })
  it('of two waters that would do takes the one that stands first on the keeper’s list', () => {
    const [pureFirst, tapSource] = [sources[0]!, sources[1]!]
    const rain = { id: 'rain', water: tankOf(0.2, 0.1) }
    const from = (list: RecipeQuestion['sources']) => made(question(7, 5, { sources: list, shelf: [] })).poured
    expect(from([pureFirst, tapSource, rain]).toSorted()).toEqual(['pure', 'tap'])
    expect(from([rain, tapSource, pureFirst]).toSorted()).toEqual(['rain', 'tap'])
  })
  it('keeps a blend that the keeper chose, and leaves salts out beside it', () => {
    const springy = { id: 'spring', water: tankOf(7.4, 4.5) }
    const recipe = made(question(7, 5, { sources: [pure, springy], chosenL: [1.2, 4] }))
    expect(recipe.poured).toEqual(['pure', 'spring'])
  })
  it('goes exactly to the middle on request alone, with all that it takes', () => {
    const simple = question(7, 5, {})
    const { targets } = groupOf('neocaridina')
    const exact = { ...simple, goals: exactGoals(simple.goals, targets), exactly: true }
    const recipe = made(exact)
    expect(recipe.end.ghDh).toBeCloseTo(7, 1)
    expect(recipe.end.khDh).toBeCloseTo(5.5, 1)
    expect(recipe.weighed.length).toBeGreaterThan(made(simple).weighed.length)
  })
  it('meets a ratio of calcium to magnesium that was asked for', () => {
    const ratioOf = (caMgByMassWanted?: number) => {
      const q = fillOf('neocaridina', { shelf })
      const goals = { ...q.goals, ...(caMgByMassWanted && { caMgByMass: caMgByMassWanted }) }
      return caMgByMass(made({ ...q, goals }).steps[0]!.after)
    }
    expect(ratioOf()).toBeCloseTo(3, 0)
    for (const wanted of [2, 5]) expect(Math.abs(Math.log(ratioOf(wanted) / wanted))).toBeLessThan(Math.log(1.05))
    // a mix with another ratio is not taken for it
    const other = made({
      ...fillOf('neocaridina', { shelf: [...shelf, both] }),
      goals: {
        ...fillOf('neocaridina', {}).goals,
        caMgByMass: 6,
      },
    })
    expect(other.weighed).not.toEqual(['both'])
  })
})

describe('masses that a keeper would weigh', () => {
  const dose = doseOf({ by: 'salt', salt: 'sodiumBicarbonate' })
  const rough = (grams: number) => measurable(grams, dose, { scaleStepG: 0.01, roughly: true })!.grams
  it('are at most two in a hundred away, and have few digits', () => {
    expect([4.13, 12.37, 37.3, 0.923, 118].map(rough)).toEqual([4.1, 12.4, 37, 0.92, 118])
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 900, noNaN: true }), grams => {
        expect(Math.abs(rough(grams) - grams)).toBeLessThanOrEqual(Math.max(0.005, 0.02 * grams) + 1e-9)
        const digits = rough(grams).toPrecision(12).replace('.', '').replace(/^0+/, '').replace(/0+$/, '')
        expect(digits.length).toBeLessThanOrEqual(3)
      }),
    )
  })
})

describe('a first fill', () => {
  const all = saltIds.filter(s => s !== 'calciumCarbonate').map(salt)
  it.each(groups.filter(g => g.id !== 'custom'))('for $name is simple and right', group => {
    const { targets } = sharedTargets([resolveGroup({ groupId: group.id, schools: {}, targets: {}, life: {} })])
    const recipe = made(fillQuestion({ sources, shelf: all, bench: usualBench }, 30, fillGoals(targets, 'minerals')))
    expect(recipe.reached).toBe(true)
    expect(recipe.weighed.length).toBeLessThanOrEqual(3)
  })
  it.each([
    ['calcium', 'warm'],
    ['sodium', 'warm'],
    ['sodium', 'cold'],
  ])('for a pool of the %s type (%s) is made from the shelf, and never pure water alone', (hardness, temperature) => {
    const schools = { hardness, temperature }
    const { targets } = sharedTargets([resolveGroup({ groupId: 'pool-branchiopod', schools, targets: {}, life: {} })])
    const recipe = made(
      fillQuestion({ sources: [pure], shelf: all, bench: usualBench }, 10, fillGoals(targets, 'minerals')),
    )
    expect(recipe.reached).toBe(true)
    expect(recipe.weighed.length).toBeGreaterThan(0)
    const [low, high] = targets.conductivityUsCm!.preferred
    expect(recipe.end.conductivityUsCm).toBeGreaterThanOrEqual(low - 1)
    expect(recipe.end.conductivityUsCm).toBeLessThanOrEqual(high + 1)
  })
  it('has the KH that its pH asks for: none for acid water, some for pH 7 to 8', () => {
    const khOf = (id: 'pool-branchiopod' | 'land-crab' | 'bee-shrimp' | 'brackish-pool-shrimp') =>
      fillGoals(groupOf(id).targets, 'minerals').khDh
    expect(khOf('pool-branchiopod')!.within![0]).toBeGreaterThan(0.5)
    expect(khOf('land-crab')!.within![0]).toBeGreaterThan(2)
    expect(khOf('land-crab')!.within![1]).toBe(10)
    expect(khOf('bee-shrimp')).toMatchObject({ low: 0, high: 0 })
    // the salt brings it
    expect(khOf('brackish-pool-shrimp')).toBeUndefined()
  })
})

describe('a correction', () => {
  const { targets } = groupOf('neocaridina')
  const goalsAt = (w: Water, underway = {}) => correctionGoals(readoutsOf(w), targets, 'minerals', underway)
  it('aims well inside and is done before it, not on the edge', () => {
    const goal = goalsAt(tankOf(7, 1)).khDh!
    expect(goal.low).toBe(4)
    expect(goal.within).toEqual([3.5, 7.5])
  })
  it('that is under way goes on to its aim as near as a kit shows, and no further', () => {
    expect(goalsAt(tankOf(7, 3.8), { khDh: 'low' }).khDh).toMatchObject({ low: 4, high: 4 })
    expect(goalsAt(tankOf(7, 7.2), { khDh: 'high' }).khDh).toMatchObject({ low: 7, high: 7 })
    const there = completeAnalysis({ ghDh: 7, khDh: 3.95 }).water
    expect(goalsAt(there, { khDh: 'low' }).khDh!.low).toBeCloseTo(3.95, 6)
  })
  it('grows again as the water comes nearer to the bucket’s', () => {
    const answer = planRecipe(
      question(30, 14, { sources: [pure], shelf: [], changeL: 26, largestStepPerWeek: { ghDh: 2, khDh: 1.2 } }),
    )
    if (!answer.ok) throw new Error(answer.issue)
    const litres = answer.recipe.steps.map(s => s.changeL)
    expect(answer.recipe.smaller).toBe(true)
    expect(Math.max(...litres)).toBeGreaterThan(litres[0]!)
  })
  it('says that it is smaller than asked for where any of its changes is', () => {
    let seen = 0
    for (const changeL of [6, 8, 10, 13, 16, 20, 26]) {
      const q = question(14, 8, { sources: [pure], shelf: [], changeL, largestStepPerWeek: { ghDh: 2, khDh: 1.2 } })
      const answer = planRecipe(q)
      if (!answer.ok) continue
      const { steps, smaller } = answer.recipe
      expect(smaller, `${changeL} L`).toBe(steps.some(s => s.changeL < changeL - 1e-9))
      if (smaller && steps.at(-1)!.changeL > changeL - 1e-9) seen++
    }
    // some begin smaller and end as asked for
    expect(seen).toBeGreaterThan(0)
  })
})
