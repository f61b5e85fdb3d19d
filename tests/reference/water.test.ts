import { describe, expect, it } from 'vitest'
import { alkalinity, compensateConductivity, fromCanonical, hardness, toCanonical } from '#core/units'
import { afterChange, CALCIUM_SHARE, hardnessFromIons, MEQ_PER_DKH, MMOL_PER_DGH, molarMass, planCorrection, saltsFor } from '#core/water'
import { resolveGroup } from '#core/groups'
import { colony, nextId } from '../make'
import file from './data/water.json'
import { casesOf, excess } from './tolerance'

/** Every case carries its own source; most are closed forms on IUPAC conventional atomic weights. */
type Numbers = Record<string, number>

describe('molar masses, IUPAC conventional atomic weights', () => {
  const { expected, tolerance } = casesOf<object, { molarMass_g_mol: Numbers }>(file, 'constants')[0]!
  it.each([['NaHCO3', molarMass.NaHCO3], ['CaCl2.2H2O', molarMass.CaCl2_2H2O], ['MgSO4.7H2O', molarMass.MgSO4_7H2O]])('%s', (salt, mass) => {
    expect(excess(mass, expected.molarMass_g_mol[salt]!, tolerance)).toBe(0)
  })
})

describe('hardness conversions, closed form', () => {
  const ids: Record<string, string> = { dGH: 'dh', ppm: 'mgLCaCO3', mmol: 'mmolL', meq: 'meqL' }
  const cases = casesOf<{ value: number, unit: string }, Numbers>(file, 'hardness_conversion').filter(c => c.inputs.unit in ids)
  it.each(cases)('$id: $inputs.value $inputs.unit', ({ inputs, expected, tolerance }) => {
    const canonical = toCanonical(hardness, inputs.value, ids[inputs.unit]!)
    for (const [unit, id] of Object.entries(ids)) expect(excess(fromCanonical(hardness, canonical, id), expected[unit]!, tolerance)).toBe(0)
  })
  it('outside tables round 1 °dH to 17.8 to 17.9 mg/L and 0.1783 mmol/L (DIN 38409-6): half a per cent', () => {
    expect(excess(fromCanonical(hardness, 1, 'mgLCaCO3'), 17.848, { rel: 0.005 })).toBe(0)
    expect(excess(MMOL_PER_DGH, 0.1783, { rel: 0.005 })).toBe(0)
  })
})

describe('alkalinity conversions, closed form', () => {
  const ids: Record<string, string> = { dKH: 'dh', ppm: 'mgLCaCO3', meq: 'meqL' }
  const cases = casesOf<{ value: number, unit: string }, Numbers>(file, 'alkalinity_conversion').filter(c => c.inputs.unit in ids)
  it.each(cases)('$id: $inputs.value $inputs.unit', ({ inputs, expected, tolerance }) => {
    const canonical = toCanonical(alkalinity, inputs.value, ids[inputs.unit]!)
    for (const [unit, id] of Object.entries(ids)) expect(excess(fromCanonical(alkalinity, canonical, id), expected[unit]!, tolerance)).toBe(0)
  })
  it('1 meq/L is 2.804 °dKH', () => {
    expect(1 / MEQ_PER_DKH).toBeCloseTo(2.804, 3)
  })
})

describe('GH from calcium and magnesium, closed form', () => {
  it.each(casesOf<{ Ca_mgL: number, Mg_mgL: number }, Numbers>(file, 'gh_from_ions'))('$id', ({ inputs, expected, tolerance }) => {
    expect(excess(hardnessFromIons(inputs.Ca_mgL, inputs.Mg_mgL), expected.dGH!, tolerance)).toBe(0)
  })
})

describe('grams for one degree in 100 L, closed form', () => {
  const grams: Record<string, number> = {
    // the recipe splits hardness between the two salts: divide by the share to get the salt alone
    'CaCl2.2H2O': saltsFor(1, 0, 100).calciumChlorideDihydrate / CALCIUM_SHARE,
    'MgSO4.7H2O': saltsFor(1, 0, 100).magnesiumSulfateHeptahydrate / (1 - CALCIUM_SHARE),
    'NaHCO3': saltsFor(0, 1, 100).sodiumBicarbonate,
  }
  it.each(casesOf<{ salt: string }, { grams_per_100L: number }>(file, 'recipe_unit_mass'))('$inputs.salt', ({ inputs, expected, tolerance }) => {
    expect(excess(grams[inputs.salt]!, expected.grams_per_100L, tolerance)).toBe(0)
  })
  it('magnesium sulfate for 6 °dH in 20 L at Ca:Mg 3:1 by mass: 1.8707 g (linear solve, numpy)', () => {
    expect(excess(saltsFor(6, 0, 20).magnesiumSulfateHeptahydrate, 1.8707165679445608, { rel: 0.0003 })).toBe(0)
  })
  it('3:1 by mass is 1.82:1 by moles (closed form)', () => {
    expect(CALCIUM_SHARE / (1 - CALCIUM_SHARE)).toBeCloseTo(1.82, 2)
  })
})

describe('water changes, closed form c_n = c_new + (c0 − c_new)(1 − f)^n', () => {
  it.each(casesOf<{ c0: number, cNew: number, fraction: number, n: number }, { series: number[] }>(file, 'water_change_series'))('$id', ({ inputs, expected, tolerance }) => {
    let c = inputs.c0
    for (const want of expected.series) {
      expect(excess(c, want, tolerance)).toBe(0)
      c = afterChange(c, inputs.fraction, inputs.cNew)
    }
  })
})

describe('mixing tap with pure water', () => {
  it('thins hard water by the published share (linear mixing)', () => {
    for (const { inputs, expected } of casesOf<{ tap: Numbers, ro: Numbers, total_L: number, target_dGH: number }, { tapFraction: number }>(file, 'tap_ro_mix').filter(c => c.inputs.ro.dGH === 0)) {
      // a whole change (f = 1) makes the glass what is poured: the recipe must find the same share of tap water
      const group = resolveGroup(colony(nextId(), { targets: { ghDh: { preferred: [inputs.target_dGH, inputs.target_dGH], tolerated: [0, 30] }, khDh: { preferred: [0, 30], tolerated: [0, 30] } } }))
      const wide = { ...group, largestStepPerWeek: { ghDh: { value: 100, basis: { kind: 'keeper' as const } }, khDh: { value: 100, basis: { kind: 'keeper' as const } } } }
      const plan = planCorrection({ now: { ghDh: inputs.tap.dGH!, khDh: inputs.tap.dKH! * expected.tapFraction }, group: wide, netL: inputs.total_L, changeL: inputs.total_L, source: { ghDh: inputs.tap.dGH!, khDh: inputs.tap.dKH! } })
      expect(plan.ok && plan.steps[0]!.sourceL / inputs.total_L).toBeCloseTo(expected.tapFraction, 9)
    }
  })
})

describe('conductivity at 25 °C, linear compensation (2 % per °C as most meters; 1.91 % APHA 2510, from memory)', () => {
  it.each(casesOf<{ EC_uS: number, t_C: number }, Numbers>(file, 'ec_temperature_compensation'))('$id', ({ inputs, expected, tolerance }) => {
    expect(excess(compensateConductivity(inputs.EC_uS, inputs.t_C, 0.02), expected.EC25_alpha2_0!, tolerance)).toBe(0)
    expect(excess(compensateConductivity(inputs.EC_uS, inputs.t_C), expected.EC25_alpha1_91!, tolerance)).toBe(0)
  })
})
