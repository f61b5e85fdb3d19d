import { describe, expect, it } from 'vitest'
import type { SaltId } from '#core/records'
import {
  calciumShare,
  dissolve,
  doseOf,
  ghOf,
  khOf,
  measurable,
  MMOL_PER_DGH,
  molarMass,
  planRecipe,
  pureWater,
  type RecipeQuestion,
  sourceWater,
  waterOf,
} from '#core/water'
import file from './data/recipes_inverse.json'
import waterFile from './data/water.json'
import { casesOf, excess } from './tolerance'

const saltOf: Record<string, SaltId> = {
  CaCO3: 'calciumCarbonate',
  'CaSO4.2H2O': 'calciumSulfateDihydrate',
  'CaCl2.2H2O': 'calciumChlorideDihydrate',
  'MgSO4.7H2O': 'magnesiumSulfateHeptahydrate',
  'MgCl2.6H2O': 'magnesiumChlorideHexahydrate',
  NaHCO3: 'sodiumBicarbonate',
  KHCO3: 'potassiumBicarbonate',
}
type Inverse = {
  volume_L: number
  target_dGH: number
  target_dKH: number
  CaMgMassRatio: number
  caSalt: string
  mgSalt: string
  kSalt: string
}

/** A first fill of pure water with the three salts of a case, weighed as finely as the closed form. */
function fill(inputs: Inverse) {
  const ids = [inputs.caSalt, inputs.mgSalt, inputs.kSalt].map(s => saltOf[s]!)
  const question: RecipeQuestion = {
    tank: { ...pureWater },
    netL: inputs.volume_L,
    changeL: inputs.volume_L,
    everyDays: 1,
    largestStepPerWeek: {},
    goals: {
      ghDh: { low: inputs.target_dGH, high: inputs.target_dGH, weight: 1 },
      khDh: { low: inputs.target_dKH, high: inputs.target_dKH, weight: 1 },
    },
    sources: [{ id: 'pure', water: { ...pureWater } }],
    shelf: ids.map(id => ({ id, dose: doseOf({ by: 'salt', salt: id }) })),
    bench: { scaleStepG: 0.00001, jugStepL: 0.1 },
  }
  const answer = planRecipe(question)
  if (!answer.ok) throw new Error(answer.issue)
  return Object.fromEntries(answer.recipe.steps[0]!.weighs.map(w => [w.id, w.measured.grams]))
}

describe('salts for GH, KH and Ca to Mg by mass: the solver against a linear solve (numpy)', () => {
  const cases = casesOf<Inverse, { grams: Record<string, number> }>(file, 'inverse_recipe')
  it('at the trade’s usual ratio of 3 to 1 the solver finds the grams by itself', () => {
    const { inputs, expected, tolerance } = cases.find(c => c.inputs.CaMgMassRatio === 3)!
    const grams = fill(inputs)
    for (const [salt, want] of Object.entries(expected.grams))
      expect(excess(grams[saltOf[salt]!] ?? 0, want, { rel: (tolerance.rel ?? 0) + 1e-5, abs: 2e-5 })).toBe(0)
  })
  it.each(cases)('$id: the listed grams come to its targets', ({ inputs, expected }) => {
    const made = dissolve(
      pureWater,
      inputs.volume_L,
      Object.entries(expected.grams).map(([salt, grams]) => ({
        dose: doseOf({ by: 'salt', salt: saltOf[salt]! }),
        grams,
      })),
    )
    expect(excess(ghOf(made), inputs.target_dGH, { rel: 0.0003 })).toBe(0)
    expect(excess(khOf(made), inputs.target_dKH, { rel: 0.0003, abs: 1e-9 })).toBe(0)
    expect(
      excess((made.caMmolL * molarMass.Ca) / (made.mgMmolL * molarMass.Mg), inputs.CaMgMassRatio, { rel: 0.0003 }),
    ).toBe(0)
    expect(calciumShare(inputs.CaMgMassRatio)).toBeCloseTo(made.caMmolL / (made.caMmolL + made.mgMmolL), 6)
  })
})

describe('the ratio taken by moles, closed form', () => {
  it.each(
    casesOf<Omit<Inverse, 'CaMgMassRatio'> & { CaMgMolarRatio: number }, { grams: Record<string, number> }>(
      file,
      'inverse_recipe_molar_ratio',
    ),
  )('$id', ({ inputs, expected }) => {
    const made = dissolve(
      pureWater,
      inputs.volume_L,
      Object.entries(expected.grams).map(([salt, grams]) => ({
        dose: doseOf({ by: 'salt', salt: saltOf[salt]! }),
        grams,
      })),
    )
    expect(made.caMmolL / made.mgMmolL).toBeCloseTo(inputs.CaMgMolarRatio, 3)
    expect(ghOf(made)).toBeCloseTo(inputs.target_dGH, 3)
  })
})

describe('calcium carbonate brings one degree of both (closed form)', () => {
  it.each(
    casesOf<{ volume_L: number; target_dGH: number; target_dKH: number }, { grams: Record<string, number> }>(
      file,
      'carbonate_first_recipe',
    ),
  )('$id', ({ inputs, expected }) => {
    const made = dissolve(
      pureWater,
      inputs.volume_L,
      Object.entries(expected.grams).map(([salt, grams]) => ({
        dose: doseOf({ by: 'salt', salt: saltOf[salt]! }),
        grams,
      })),
    )
    expect(ghOf(made)).toBeCloseTo(inputs.target_dGH, 3)
    expect(khOf(made)).toBeCloseTo(inputs.target_dKH, 3)
  })
})

describe('mixing tap with pure water: the solver finds the published share (linear mixing)', () => {
  type Inputs = { tap: Record<string, number>; ro: Record<string, number>; total_L: number; target_dGH: number }
  const cases = casesOf<Inputs, { tapFraction: number }>(waterFile, 'tap_ro_mix').filter(
    c => c.inputs.ro.dGH === 0 && c.inputs.tap.dGH! > c.inputs.target_dGH,
  )
  it.each(cases)('$id', ({ inputs, expected }) => {
    const tap = waterOf({
      caMmolL: inputs.tap.dGH! * MMOL_PER_DGH * 0.78,
      mgMmolL: inputs.tap.dGH! * MMOL_PER_DGH * 0.22,
    })
    const answer = planRecipe({
      tank: { ...pureWater },
      netL: inputs.total_L,
      changeL: inputs.total_L,
      everyDays: 1,
      largestStepPerWeek: {},
      goals: { ghDh: { low: inputs.target_dGH, high: inputs.target_dGH, weight: 1 } },
      sources: [
        { id: 'pure', water: { ...pureWater } },
        { id: 'tap', water: tap },
      ],
      shelf: [],
      bench: { scaleStepG: 0.01, jugStepL: 0.001 },
    })
    const litres = answer.ok ? answer.recipe.steps[0]!.pours.find(p => p.id === 'tap')!.litres : 0
    expect(litres / inputs.total_L).toBeCloseTo(expected.tapFraction, 3)
  })
})

describe('what the trade says of recipes (common practice, no source)', () => {
  it('200 µS/cm of bee shrimp water made with a typical mineral mix lands near GH 5 to 6', () => {
    // a typical mix: one gram in ten litres raises GH by about 3.3 and conductivity by about 126 µS/cm
    const dose = doseOf({ by: 'mix', ghDh: 33, khDh: 0, conductivityUsCm: 1260, caMgByMass: 3 })
    const answer = planRecipe({
      tank: { ...pureWater },
      netL: 40,
      changeL: 40,
      everyDays: 1,
      largestStepPerWeek: {},
      goals: { conductivityUsCm: { low: 200, high: 200, weight: 12 } },
      sources: [{ id: 'pure', water: sourceWater({ kind: 'pure', analyses: [] })!.water }],
      shelf: [{ id: 'mix', dose }],
      bench: { scaleStepG: 0.01, jugStepL: 0.1 },
    })
    const gh = answer.ok ? ghOf(answer.recipe.steps[0]!.after) : 0
    expect(gh).toBeGreaterThan(4.9)
    expect(gh).toBeLessThan(6.1)
  })
  it('a mass that is too little for the scale becomes a solution that a syringe measures', () => {
    const made = measurable(0.05, doseOf({ by: 'salt', salt: 'sodiumBicarbonate' }), { scaleStepG: 0.01 })
    expect(made).toMatchObject({ by: 'solution' })
    expect(made!.grams).toBeCloseTo(0.05, 3)
  })
})
