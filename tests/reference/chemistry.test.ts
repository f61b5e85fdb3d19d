import { describe, expect, it } from 'vitest'
import type { SaltId } from '#core/records'
import type { ionKeys, GravityReference } from '#core/water'
import {
  blend,
  caMgByMass,
  calciumShare,
  carbonateConstants,
  carbonateSystem,
  chargeBalance,
  co2ByRule,
  co2FromPhKh,
  conductivityOfSalinity,
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
  oxygenSaturation,
  pureWater,
  pureWaterToDilute,
  salinityFromConductivity,
  salinityFromGravity,
  seaDensity,
  seaSaltToRaise,
  specificGravity,
  unionisedShare,
  waterOf,
} from '#core/water'
import seaFile from './data/seawater.json'
import file from './data/water.json'
import { casesOf, excess, type Tolerance } from './tolerance'

/** Every case carries its own source and says what was recalled from memory. */
type Numbers = Record<string, number>
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

describe('molar masses, IUPAC conventional atomic weights', () => {
  const { expected, tolerance } = casesOf<object, { molarMass_g_mol: Numbers }>(file, 'constants')[0]!
  it.each(Object.entries(massOf))('%s', (name, mass) => {
    expect(excess(mass, expected.molarMass_g_mol[name]!, tolerance)).toBe(0)
  })
})

const ionNames: Record<string, (typeof ionKeys)[number]> = {
  Ca: 'caMmolL',
  Mg: 'mgMmolL',
  Na: 'naMmolL',
  K: 'kMmolL',
  Cl: 'clMmolL',
  SO4: 'so4MmolL',
  HCO3: 'alkalinityMeqL',
}

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

describe('un-ionised ammonia, Emerson et al. 1975 (from memory)', () => {
  it.each(casesOf<{ pH: number; t_C: number }, Numbers>(file, 'unionised_ammonia'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(excess(unionisedShare(inputs.pH, inputs.t_C), expected.fraction!, tolerance)).toBe(0)
    },
  )
  it.each([
    [25, 8, 0.0538],
    [20, 8, 0.0382],
    [25, 7, 0.00566],
  ])('printed table (from memory): %d °C, pH %d: %f', (t, ph, share) => {
    expect(excess(unionisedShare(ph, t), share, { rel: 0.006 })).toBe(0)
  })
})

describe('carbonate constants, Plummer & Busenberg 1982 (from memory)', () => {
  it.each(casesOf<{ t_C: number }, Numbers>(file, 'carbonate_constants'))('$id', ({ inputs, expected, tolerance }) => {
    const k = carbonateConstants(inputs.t_C)
    for (const key of ['pK1', 'pK2', 'logKH', 'logKcalcite', 'logKaragonite', 'pKw'] as const)
      expect(excess(k[key], expected[key]!, tolerance)).toBe(0)
  })
})

describe('calcite saturation; against other programs allow 0.1 for ion pairs', () => {
  const cases = casesOf<
    { pH: number; t_C: number; Ca_mgL: number; alkalinity_mgL_CaCO3: number; ionicStrength: number },
    Numbers
  >(file, 'calcite_saturation')
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
  it.each(casesOf<{ pH: number; dKH: number; t_C: number; ionicStrength: number }, Numbers>(file, 'ph_kh_co2'))(
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

describe('density of sea water: EOS-80 against TEOS-10 (gsw 3.6.16); polynomials may differ by 0.05 kg/m³', () => {
  it.each(casesOf<{ SA_g_kg: number; t_C: number }, Numbers>(seaFile, 'salinity_to_density'))(
    '$id',
    ({ inputs, expected }) => {
      expect(excess(seaDensity(inputs.SA_g_kg, inputs.t_C), expected.rho!, { abs: 0.05 })).toBe(0)
      for (const [reference, key] of [
        ['same', 'sg_t_t'],
        ['4', 'sg_t_4'],
        ['15', 'sg_t_15'],
        ['60F', 'sg_t_60F'],
        ['20', 'sg_t_20'],
        ['25', 'sg_t_25'],
      ] as const)
        expect(excess(specificGravity(inputs.SA_g_kg, inputs.t_C, reference), expected[key]!, { abs: 5e-5 })).toBe(0)
      if (inputs.t_C <= 35 && inputs.SA_g_kg <= 42)
        expect(
          excess(conductivityOfSalinity(inputs.SA_g_kg, inputs.t_C), expected.conductivity_mS_cm!, {
            rel: 1e-4,
            abs: 1e-6,
          }),
        ).toBe(0)
    },
  )
})

describe('salinity from specific gravity: inverse of TEOS-10; 0.05 kg/m³ of the older equation is 0.07 g/kg', () => {
  const references: Record<string, GravityReference> = {
    't/t': 'same',
    't/4': '4',
    't/15': '15',
    't/60F': '60F',
    't/20': '20',
    't/25': '25',
  }
  const cases = casesOf<{ specificGravity: number; t_C: number; convention: string }, Numbers>(
    seaFile,
    'sg_to_salinity',
  ).filter(c => c.inputs.convention in references)
  it.each(cases)('$id', ({ inputs, expected }) => {
    expect(
      excess(
        salinityFromGravity(inputs.specificGravity, inputs.t_C, references[inputs.convention]!)!,
        expected.SA_g_kg!,
        { abs: 0.07 },
      ),
    ).toBe(0)
  })
})

describe('salinity from conductivity, PSS-78 and Hill et al. 1986 (gsw 3.6.16)', () => {
  it.each(casesOf<{ conductivity_mS_cm: number; t_C: number }, Numbers>(seaFile, 'conductivity_to_salinity'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(
        excess(salinityFromConductivity(inputs.conductivity_mS_cm, inputs.t_C), expected.SA_reference!, tolerance),
      ).toBe(0)
    },
  )
  it.each(casesOf<{ SP: number; t_C: number }, Numbers>(seaFile, 'conductivity_temperature_ratio'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(excess(conductivityOfSalinity((inputs.SP * 35.16504) / 35, inputs.t_C), expected.C_t!, tolerance)).toBe(0)
    },
  )
})

describe('thinning and strengthening sea water, mass balance', () => {
  it.each(casesOf<{ volume_L: number; SA0: number; SA1: number; t_C: number }, Numbers>(seaFile, 'dilute_salt'))(
    '$id',
    ({ inputs, expected }) => {
      expect(
        excess(pureWaterToDilute(inputs.volume_L, inputs.SA0, inputs.SA1, inputs.t_C), expected.pureWaterToAdd_kg!, {
          rel: 1e-4,
        }),
      ).toBe(0)
    },
  )
  it.each(casesOf<{ volume_L: number; SA0: number; SA1: number; t_C: number }, Numbers>(seaFile, 'add_salt'))(
    '$id',
    ({ inputs, expected }) => {
      expect(
        excess(seaSaltToRaise(inputs.volume_L, inputs.SA0, inputs.SA1, inputs.t_C), expected.dryReferenceSaltToAdd_g!, {
          rel: 1e-4,
        }),
      ).toBe(0)
    },
  )
})

describe('oxygen, Benson & Krause as in Standard Methods 4500-O (from memory)', () => {
  it.each(casesOf<{ salinityPSU: number; t_C: number }, Numbers>(seaFile, 'oxygen_saturation'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(excess(oxygenSaturation(inputs.t_C, inputs.salinityPSU), expected.DO_mg_L!, tolerance)).toBe(0)
    },
  )
  it.each(
    casesOf<{ salinityPSU: number; t_C: number; pressure_atm: number }, Numbers>(seaFile, 'oxygen_saturation_pressure'),
  )('$id', ({ inputs, expected, tolerance }) => {
    expect(
      excess(oxygenSaturation(inputs.t_C, inputs.salinityPSU, inputs.pressure_atm), expected.DO_mg_L!, tolerance),
    ).toBe(0)
  })
})
