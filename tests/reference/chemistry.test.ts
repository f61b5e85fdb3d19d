import { describe, expect, it } from 'vitest'
import type { SaltId } from '#core/records'
import type { ionKeys } from '#core/water'
import {
  blend,
  caMgByMass,
  calciumShare,
  chargeBalance,
  dissolve,
  doseOf,
  estimateConductivity,
  evaporated,
  ghOf,
  ionicStrength,
  ionMass,
  khOf,
  MEQ_PER_DKH,
  molarMass,
  pureWater,
  waterOf,
} from '#core/water'
import file from './data/water.json'
import { casesOf, excess, type Tolerance, type Numbers } from './tolerance'

// every case carries its own source and says what was recalled from memory
const saltOf: Record<string, SaltId> = {
  CaCO3: 'calciumCarbonate',
  'CaSO4.2H2O': 'calciumSulfateDihydrate',
  'CaCl2.2H2O': 'calciumChlorideDihydrate',
  'MgSO4.7H2O': 'magnesiumSulfateHeptahydrate',
  'MgCl2.6H2O': 'magnesiumChlorideHexahydrate',
  NaHCO3: 'sodiumBicarbonate',
  KHCO3: 'potassiumBicarbonate',
  NaCl: 'sodiumChloride',
  K2SO4: 'potassiumSulfate',
}
const massOf: Record<string, number> = {
  Ca: molarMass.Ca,
  Mg: molarMass.Mg,
  Na: molarMass.Na,
  K: molarMass.K,
  Cl: molarMass.Cl,
  SO4: molarMass.SO4,
  HCO3: molarMass.HCO3,
  CO3: molarMass.CO3,
  CO2: molarMass.CO2,
  CaO: molarMass.CaO,
  CaCO3: molarMass.CaCO3,
  KCl: molarMass.KCl,
  NaCl: molarMass.NaCl,
  'CaSO4.2H2O': molarMass.CaSO4_2H2O,
  'CaCl2.2H2O': molarMass.CaCl2_2H2O,
  'MgSO4.7H2O': molarMass.MgSO4_7H2O,
  'MgCl2.6H2O': molarMass.MgCl2_6H2O,
  NaHCO3: molarMass.NaHCO3,
  KHCO3: molarMass.KHCO3,
  K2SO4: molarMass.K2SO4,
}
const tolOf = (t: Tolerance & { keys?: Record<string, Tolerance> }, key: string): Tolerance => t.keys?.[key] ?? t
const ionNames: Record<string, (typeof ionKeys)[number]> = {
  Ca: 'caMmolL',
  Mg: 'mgMmolL',
  Na: 'naMmolL',
  K: 'kMmolL',
  Cl: 'clMmolL',
  SO4: 'so4MmolL',
  HCO3: 'alkalinityMeqL',
}

describe('molar masses, IUPAC conventional atomic weights', () => {
  const { expected, tolerance } = casesOf<object, { molarMass_g_mol: Numbers }>(file, 'constants')[0]!
  it.each(Object.entries(massOf))('%s', (name, mass) => {
    expect(excess(mass, expected.molarMass_g_mol[name]!, tolerance)).toBe(0)
  })
})

describe(
  'grams of one salt for one degree in 100 L, closed form; conductivity alone within 5 % (McCleskey et al. ' +
    '2012, from memory)',
  () => {
    const cases = casesOf<
      { salt: string; volume_L: number },
      {
        grams_per_100L: number
        added_mg_per_L: Numbers
        addedGH_dGH: number
        addedKH_dKH: number
        EC25_McCleskey_alone_uS_cm: number
      }
    >(file, 'recipe_unit_mass')
    it.each(cases)('$id', ({ inputs, expected, tolerance }) => {
      const made = dissolve(pureWater, inputs.volume_L, [
        { dose: doseOf({ by: 'salt', salt: saltOf[inputs.salt]! }), grams: expected.grams_per_100L },
      ])
      expect(excess(ghOf(made), expected.addedGH_dGH, { rel: 0.0003, abs: 1e-9 })).toBe(0)
      expect(excess(khOf(made), expected.addedKH_dKH, { rel: 0.0003, abs: 1e-9 })).toBe(0)
      for (const [ion, mg] of Object.entries(expected.added_mg_per_L))
        expect(excess(made[ionNames[ion]!] * ionMass[ionNames[ion]!], mg, { rel: 0.0003 })).toBe(0)
      expect(
        excess(
          estimateConductivity(made),
          expected.EC25_McCleskey_alone_uS_cm,
          tolOf(tolerance, 'EC25_McCleskey_alone_uS_cm'),
        ),
      ).toBe(0)
    })
  },
)

describe('whole recipes, closed form', () => {
  const cases = casesOf<
    { volume_L: number; baseWater_mgL: Numbers; add_g: Numbers },
    {
      mgL: Numbers
      dGH: number
      dKH: number
      ionicStrength: number
      cations_meq: number
      anions_meq: number
      EC25_McCleskey: number
    }
  >(file, 'full_recipe')
  it.each(cases)('$id', ({ inputs, expected, tolerance }) => {
    const base = waterOf(
      Object.fromEntries(
        Object.entries(inputs.baseWater_mgL).map(([ion, mg]) => [ionNames[ion]!, mg / ionMass[ionNames[ion]!]]),
      ),
    )
    const made = dissolve(
      base,
      inputs.volume_L,
      Object.entries(inputs.add_g).map(([salt, grams]) => ({
        dose: doseOf({ by: 'salt', salt: saltOf[salt]! }),
        grams,
      })),
    )
    for (const [ion, mg] of Object.entries(expected.mgL))
      expect(excess(made[ionNames[ion]!] * ionMass[ionNames[ion]!], mg, tolerance)).toBe(0)
    expect(excess(ghOf(made), expected.dGH, tolerance)).toBe(0)
    expect(excess(khOf(made), expected.dKH, tolerance)).toBe(0)
    expect(excess(ionicStrength(made), expected.ionicStrength, { rel: 0.0003 })).toBe(0)
    expect(excess(chargeBalance(made).cationsMeqL, expected.cations_meq, tolerance)).toBe(0)
    expect(excess(chargeBalance(made).anionsMeqL, expected.anions_meq, tolerance)).toBe(0)
    expect(excess(estimateConductivity(made), expected.EC25_McCleskey, tolOf(tolerance, 'EC25_McCleskey'))).toBe(0)
  })
})

describe('conductivity of known solutions at 25 °C', () => {
  it.each([
    ['KCl 0.001 mol/L', { kMmolL: 1, clMmolL: 1 }, 147],
    ['KCl 0.01 mol/L', { kMmolL: 10, clMmolL: 10 }, 1413],
    ['NaCl 0.001 mol/L', { naMmolL: 1, clMmolL: 1 }, 123.7],
    ['NaCl 0.01 mol/L', { naMmolL: 10, clMmolL: 10 }, 1185],
    ['CaCl2 0.0005 mol/L', { caMmolL: 0.5, clMmolL: 1 }, 131.9],
    ['MgCl2 0.0005 mol/L', { mgMmolL: 0.5, clMmolL: 1 }, 125.6],
    ['NaHCO3 0.001 mol/L', { naMmolL: 1, alkalinityMeqL: 1 }, 93.5],
  ])(
    '%s (CRC Handbook, equivalent conductivities of electrolytes, from memory; 1413 µS/cm is the usual ' +
      'calibration standard)',
    (_, amounts, usCm) => {
      expect(excess(estimateConductivity(waterOf(amounts)), usCm, { rel: 0.02 })).toBe(0)
    },
  )
})

describe('mixing tap and pure water, linear', () => {
  it.each(
    casesOf<{ tap: Numbers; ro: Numbers; total_L: number }, { tap_L: number; ro_L: number; mix: Numbers }>(
      file,
      'tap_ro_mix',
    ),
  )('$id', ({ inputs, expected }) => {
    const water = (v: Numbers) =>
      waterOf({
        alkalinityMeqL: v.dKH! * MEQ_PER_DKH,
        clMmolL: v.Cl! / molarMass.Cl,
        caMmolL: (v.dGH! * 10) / molarMass.CaO,
      })
    const mixed = blend([
      { water: water(inputs.tap), litres: expected.tap_L },
      { water: water(inputs.ro), litres: expected.ro_L },
    ])
    expect(ghOf(mixed)).toBeCloseTo(expected.mix.dGH!, 9)
    expect(khOf(mixed)).toBeCloseTo(expected.mix.dKH!, 9)
    expect(mixed.clMmolL * molarMass.Cl).toBeCloseTo(expected.mix.Cl!, 9)
  })
})

describe('evaporation without top-up, mass balance', () => {
  it.each(
    casesOf<{ volume_L: number; evap_L_per_day: number; c0: number; days: number }, { c: number }>(
      file,
      'evaporation_no_topup',
    ),
  )('$id', ({ inputs, expected }) => {
    expect(
      evaporated(waterOf({ naMmolL: inputs.c0 }), inputs.volume_L, inputs.evap_L_per_day * inputs.days).naMmolL,
    ).toBeCloseTo(expected.c, 9)
  })
})

it('3:1 by mass is 1.82:1 by moles (closed form)', () => {
  expect(calciumShare(3) / (1 - calciumShare(3))).toBeCloseTo(1.82, 2)
  expect(caMgByMass({ caMmolL: calciumShare(3), mgMmolL: 1 - calciumShare(3) })).toBeCloseTo(3, 9)
})
