import { describe, expect, it } from 'vitest'
import {
  carbonateConstants,
  carbonateSystem,
  co2ByRule,
  co2FromPhKh,
  ionicStrength,
  MEQ_PER_DKH,
  molarMass,
  unionisedShare,
  waterOf,
} from '#core/water'
import file from './data/water.json'
import { casesOf, excess } from './tolerance'

// every case carries its own source and says what was recalled from memory

describe('un-ionised ammonia, Emerson et al. 1975 (from memory)', () => {
  it.each(casesOf<{ pH: number; t_C: number }>(file, 'unionised_ammonia'))('$id', ({ inputs, expected, tolerance }) => {
    expect(excess(unionisedShare(inputs.pH, inputs.t_C), expected.fraction!, tolerance)).toBe(0)
  })
  it.each([
    [25, 8, 0.0538],
    [20, 8, 0.0382],
    [25, 7, 0.00566],
  ])('printed table (from memory): %d °C, pH %d: %f', (t, ph, share) => {
    expect(excess(unionisedShare(ph, t), share, { rel: 0.006 })).toBe(0)
  })
  // US EPA 1989, salt water, after Khoo et al. 1977 (from memory): pKa 9.245 + 0.116 · I at 25 °C, I of 35 g/kg 0.7229
  it('salt makes less of it harmful', () => {
    expect(unionisedShare(8, 25, 35)).toBeCloseTo(1 / (1 + 10 ** (9.245 + 0.116 * 0.7229 - 8)), 3)
    const lower = 1 - unionisedShare(7, 25, 35) / unionisedShare(7, 25)
    expect(lower).toBeGreaterThan(0.15)
    expect(lower).toBeLessThan(0.25)
    expect(unionisedShare(8, 20, 0)).toBe(unionisedShare(8, 20))
    expect(() => unionisedShare(8, 20, -1)).toThrow(/salinityGKg/)
  })
})

describe('carbonate constants, Plummer & Busenberg 1982 (from memory)', () => {
  it.each(casesOf<{ t_C: number }>(file, 'carbonate_constants'))('$id', ({ inputs, expected, tolerance }) => {
    const k = carbonateConstants(inputs.t_C)
    for (const key of ['pK1', 'pK2', 'logKH', 'logKcalcite', 'logKaragonite', 'pKw'] as const)
      expect(excess(k[key], expected[key]!, tolerance)).toBe(0)
  })
})

describe('calcite saturation; against other programs allow 0.1 for ion pairs', () => {
  const cases = casesOf<{
    pH: number
    t_C: number
    Ca_mgL: number
    alkalinity_mgL_CaCO3: number
    ionicStrength: number
  }>(file, 'calcite_saturation')
  it.each(cases)('$id', ({ inputs, expected, tolerance }) => {
    const w = waterOf({
      caMmolL: inputs.Ca_mgL / molarMass.Ca,
      alkalinityMeqL: (inputs.alkalinity_mgL_CaCO3 * 2) / molarMass.CaCO3,
    })
    // the cases give ionic strength by itself: sodium chloride makes it up
    const missing = inputs.ionicStrength - ionicStrength(w)
    const whole = { ...w, naMmolL: missing * 1000, clMmolL: missing * 1000 }
    const s = carbonateSystem(whole, inputs.pH, inputs.t_C)
    expect(excess(s.hco3MmolL, expected.HCO3_mmol!, tolerance)).toBe(0)
    expect(excess(s.co3MmolL, expected.CO3_mmol!, tolerance)).toBe(0)
    expect(excess(s.co2MgL, expected.CO2_mgL!, tolerance)).toBe(0)
    expect(excess(s.saturationCalcite, expected.SI_calcite!, { abs: 0.02 })).toBe(0)
    expect(excess(s.saturationAragonite, expected.SI_aragonite!, { abs: 0.02 })).toBe(0)
  })
})

describe('CO2 from pH and KH: the rule of thumb, and corrected for activity', () => {
  it.each(casesOf<{ pH: number; dKH: number; t_C: number; ionicStrength: number }>(file, 'ph_kh_co2'))(
    '$id',
    ({ inputs, expected }) => {
      expect(excess(co2ByRule(inputs.pH, inputs.dKH), expected.hobbyRule3_mgL!, { rel: 1e-6 })).toBe(0)
      const salt = inputs.ionicStrength * 1000 - (inputs.dKH * MEQ_PER_DKH) / 2
      // below the alkalinity's own strength the correction is a little larger: allow 1 %
      expect(
        excess(
          co2FromPhKh(
            inputs.pH,
            inputs.dKH,
            inputs.t_C,
            waterOf({ naMmolL: Math.max(0, salt), clMmolL: Math.max(0, salt) }),
          ),
          expected.withDavies_mgL!,
          { rel: 0.01 },
        ),
      ).toBe(0)
    },
  )
})
