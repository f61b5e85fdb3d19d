import { describe, expect, it } from 'vitest'
import type { GravityReference } from '#core/water'
import {
  conductivityOfSalinity,
  oxygenSaturation,
  pureWaterToDilute,
  pureWaterToExchange,
  salinityFromConductivity,
  salinityFromGravity,
  seaDensity,
  seaSaltToRaise,
  specificGravity,
} from '#core/water'
import seaFile from './data/seawater.json'
import { casesOf, excess } from './tolerance'

// every case carries its own source and says what was recalled from memory

describe('density of sea water: EOS-80 against TEOS-10 (gsw 3.6.16); polynomials may differ by 0.05 kg/m³', () => {
  it.each(casesOf<{ SA_g_kg: number; t_C: number }>(seaFile, 'salinity_to_density'))('$id', ({ inputs, expected }) => {
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
  })
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
  const cases = casesOf<{ specificGravity: number; t_C: number; convention: string }>(seaFile, 'sg_to_salinity').filter(
    c => c.inputs.convention in references,
  )
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
  it.each(casesOf<{ conductivity_mS_cm: number; t_C: number }>(seaFile, 'conductivity_to_salinity'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(
        excess(salinityFromConductivity(inputs.conductivity_mS_cm, inputs.t_C), expected.SA_reference!, tolerance),
      ).toBe(0)
    },
  )
  it.each(casesOf<{ SP: number; t_C: number }>(seaFile, 'conductivity_temperature_ratio'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(excess(conductivityOfSalinity((inputs.SP * 35.16504) / 35, inputs.t_C), expected.C_t!, tolerance)).toBe(0)
    },
  )
})

describe('thinning and strengthening sea water, mass balance', () => {
  it.each(casesOf<{ volume_L: number; SA0: number; SA1: number; t_C: number }>(seaFile, 'dilute_salt'))(
    '$id',
    ({ inputs, expected }) => {
      expect(
        excess(pureWaterToDilute(inputs.volume_L, inputs.SA0, inputs.SA1, inputs.t_C), expected.pureWaterToAdd_kg!, {
          rel: 1e-4,
        }),
      ).toBe(0)
      // exchanged at constant level, the salt that stays is what the lower salinity holds in as many litres
      const { volume_L: litres, SA0, SA1, t_C } = inputs
      const out = pureWaterToExchange(litres, SA0, SA1, t_C)
      const stays = ((litres - out) * SA0 * seaDensity(SA0, t_C)) / 1000
      expect(stays).toBeCloseTo((litres * SA1 * seaDensity(SA1, t_C)) / 1000, 6)
      expect(out).toBeLessThan(pureWaterToDilute(litres, SA0, SA1, t_C))
    },
  )
  it('an exchange takes less than thinning and spilling: 5.15 L of 32, not 6.14 (by hand)', () => {
    const [from, to] = [20.85, 17.5]
    expect(pureWaterToExchange(32, from, to, 25)).toBeCloseTo(5.2, 1)
    expect(pureWaterToDilute(32, from, to, 25)).toBeCloseTo(6.2, 1)
    expect(() => pureWaterToExchange(32, 17.5, 17.5, 25)).toThrow(/toGKg/)
  })
  it.each(casesOf<{ volume_L: number; SA0: number; SA1: number; t_C: number }>(seaFile, 'add_salt'))(
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
  it.each(casesOf<{ salinityPSU: number; t_C: number }>(seaFile, 'oxygen_saturation'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(excess(oxygenSaturation(inputs.t_C, inputs.salinityPSU), expected.DO_mg_L!, tolerance)).toBe(0)
    },
  )
  it.each(casesOf<{ salinityPSU: number; t_C: number; pressure_atm: number }>(seaFile, 'oxygen_saturation_pressure'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(
        excess(oxygenSaturation(inputs.t_C, inputs.salinityPSU, inputs.pressure_atm), expected.DO_mg_L!, tolerance),
      ).toBe(0)
    },
  )
})
