import { describe, expect, it } from 'vitest'
import { alkalinity, compensateConductivity, fromCanonical, hardness, toCanonical } from '#core/units'
import {
  afterChange,
  type BoxHabits,
  changed,
  creep,
  dripped,
  type DripMode,
  forecastBox,
  hardnessFromIons,
  MEQ_PER_DKH,
  MMOL_PER_DGH,
  planDrip,
  pureWater,
  waterOf,
} from '#core/water'
import file from './data/water.json'
import { casesOf, excess } from './tolerance'

// every case carries its own source; most are closed forms or mass balances

describe('hardness conversions, closed form', () => {
  const ids: Record<string, string> = { dGH: 'dh', ppm: 'mgLCaCO3', mmol: 'mmolL', meq: 'meqL' }
  const cases = casesOf<{ value: number; unit: string }>(file, 'hardness_conversion').filter(c => c.inputs.unit in ids)
  it.each(cases)('$id: $inputs.value $inputs.unit', ({ inputs, expected, tolerance }) => {
    const canonical = toCanonical(hardness, inputs.value, ids[inputs.unit]!)
    for (const [unit, id] of Object.entries(ids))
      expect(excess(fromCanonical(hardness, canonical, id), expected[unit]!, tolerance)).toBe(0)
  })
  it('outside tables round 1 °dH to 17.8 to 17.9 mg/L and 0.1783 mmol/L (DIN 38409-6): half a per cent', () => {
    expect(excess(fromCanonical(hardness, 1, 'mgLCaCO3'), 17.848, { rel: 0.005 })).toBe(0)
    expect(excess(MMOL_PER_DGH, 0.1783, { rel: 0.005 })).toBe(0)
  })
})

describe('alkalinity conversions, closed form', () => {
  const ids: Record<string, string> = { dKH: 'dh', ppm: 'mgLCaCO3', meq: 'meqL' }
  const cases = casesOf<{ value: number; unit: string }>(file, 'alkalinity_conversion').filter(
    c => c.inputs.unit in ids,
  )
  it.each(cases)('$id: $inputs.value $inputs.unit', ({ inputs, expected, tolerance }) => {
    const canonical = toCanonical(alkalinity, inputs.value, ids[inputs.unit]!)
    for (const [unit, id] of Object.entries(ids))
      expect(excess(fromCanonical(alkalinity, canonical, id), expected[unit]!, tolerance)).toBe(0)
  })
  it('1 meq/L is 2.804 °dKH', () => {
    expect(1 / MEQ_PER_DKH).toBeCloseTo(2.804, 3)
  })
})

describe('GH from calcium and magnesium, closed form', () => {
  it.each(casesOf<{ Ca_mgL: number; Mg_mgL: number }>(file, 'gh_from_ions'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(excess(hardnessFromIons(inputs.Ca_mgL, inputs.Mg_mgL), expected.dGH!, tolerance)).toBe(0)
    },
  )
})

describe(
  'conductivity at 25 °C, linear compensation (2 % per °C as most meters; 1.91 % APHA 2510, ' + 'from memory)',
  () => {
    it.each(casesOf<{ EC_uS: number; t_C: number }>(file, 'ec_temperature_compensation'))(
      '$id',
      ({ inputs, expected, tolerance }) => {
        expect(excess(compensateConductivity(inputs.EC_uS, inputs.t_C, 0.02), expected.EC25_alpha2_0!, tolerance)).toBe(
          0,
        )
        expect(excess(compensateConductivity(inputs.EC_uS, inputs.t_C), expected.EC25_alpha1_91!, tolerance)).toBe(0)
      },
    )
  },
)

describe('water changes, closed form c_n = c_new + (c0 − c_new)(1 − f)^n against change after change', () => {
  it.each(
    casesOf<{ c0: number; cNew: number; fraction: number; n: number }, { series: number[] }>(
      file,
      'water_change_series',
    ),
  )('$id', ({ inputs, expected, tolerance }) => {
    let c = inputs.c0
    let w = waterOf({ caMmolL: inputs.c0 })
    for (const want of expected.series) {
      expect(excess(c, want, tolerance)).toBe(0)
      expect(excess(w.caMmolL, want, tolerance)).toBe(0)
      c = afterChange(c, inputs.fraction, inputs.cNew)
      w = changed(w, inputs.fraction, waterOf({ caMmolL: inputs.cNew }))
    }
  })
})

describe('evaporation, top-up and changes day by day, daily mass balance', () => {
  type Inputs = {
    volume_L: number
    evap_L_per_day: number
    c0: number
    cTopUp: number
    days: number
    waterChange_L: number
    cChangeWater: number
    changeEveryDays: number
  }
  const degrees = (gh: number) => waterOf({ caMmolL: gh * MMOL_PER_DGH })
  it.each(casesOf<Inputs, { finalC: number; series: number[] }>(file, 'evaporation_topup'))(
    '$id',
    ({ inputs, expected }) => {
      const change =
        inputs.waterChange_L > 0
          ? {
              litres: inputs.waterChange_L,
              everyDays: inputs.changeEveryDays,
              water: degrees(inputs.cChangeWater),
              firstInDays: inputs.changeEveryDays,
            }
          : null
      const habits: BoxHabits = {
        evaporationLPerDay: inputs.evap_L_per_day,
        topUp: degrees(inputs.cTopUp),
        change,
        nitrateMgLPerWeek: 0,
        carbonateGL: 0,
        soilAgeWeeks: null,
        driftPerWeek: {},
      }
      const { ghDh } = forecastBox(degrees(inputs.c0), inputs.volume_L, habits, inputs.days)
      expected.series.forEach((want, day) => expect(ghDh[day]).toBeCloseTo(want, 9))
      // a top-up alone creeps in a straight line, as the closed form says
      const closed = creep(inputs.volume_L, { evaporatedL: inputs.evap_L_per_day, changedL: 0 }, inputs.cTopUp, 0)
      if (!change)
        expect(inputs.c0 + (('perWeek' in closed ? closed.perWeek : 0) * inputs.days) / 7).toBeCloseTo(
          expected.finalC,
          9,
        )
    },
  )
  it('comes to rest where the closed form says: c∞ = c_new + e·c_top/(changed a day), to what one change moves', () => {
    const habits: BoxHabits = {
      evaporationLPerDay: 0.5,
      topUp: degrees(10),
      change: { litres: 6, everyDays: 7, water: degrees(4), firstInDays: 7 },
      nitrateMgLPerWeek: 0,
      carbonateGL: 0,
      soilAgeWeeks: null,
      driftPerWeek: {},
    }
    const { ghDh } = forecastBox(degrees(4), 60, habits, 1400)
    const end = creep(60, { evaporatedL: 0.5, changedL: 6 / 7 }, 10, 4)
    expect('endsAt' in end && Math.abs(ghDh[1399]! - end.endsAt)).toBeLessThan(0.7)
  })
})

describe('drip acclimation, closed forms; the differential equation was solved with scipy and deSolve', () => {
  type Inputs = { bagVolume_L: number; flow_L_per_h: number; c0: number; cTank: number; t_h: number }
  it.each(casesOf<Inputs>(file, 'drip_acclimation'))('$id', ({ inputs, expected, tolerance }) => {
    const at = (mode: DripMode, hours: number) =>
      dripped({ mode, vesselL: inputs.bagVolume_L, litresPerHour: inputs.flow_L_per_h }, inputs.c0, inputs.cTank, hours)
    expect(excess(at('overflow', inputs.t_h), expected.constantVolumeOverflow!, tolerance)).toBe(0)
    expect(excess(at('filling', inputs.t_h), expected.growingVolumeNoOverflow!, tolerance)).toBe(0)
    // the closed form against many small exchanges
    let c = inputs.c0
    const steps = 200_000
    for (let i = 0; i < steps; i++)
      c += ((inputs.flow_L_per_h * inputs.t_h) / steps / inputs.bagVolume_L) * (inputs.cTank - c)
    expect(c).toBeCloseTo(expected.constantVolumeOverflow!, 2)
    // a plan that allows just this rate at the start takes just this long
    const limits = { ghDh: Math.abs(expected.maxRatePerHourAtStart!) }
    const planned = (mode: 'overflow' | 'filling') =>
      planDrip(
        { mode, vesselL: inputs.bagVolume_L },
        { ghDh: inputs.c0 },
        { ghDh: inputs.cTank },
        { share: 0.95, limits },
      )
    // no faster than keepers let it drip, whatever the limit: four drops a second into a litre, 0.72 L an hour
    const hours = { overflow: Math.log(20) / 0.72, filling: 19 / (3 * 0.72) }
    const least = (mode: 'overflow' | 'filling', exact: number) => Math.max(exact, hours[mode])
    for (const [mode, exact] of [
      ['overflow', expected.hoursFor95pctConstant!],
      ['filling', expected.hoursFor95pctGrowing!],
    ] as const)
      expect(excess(planned(mode).minutes / 60, least(mode, exact), { rel: 1e-9 })).toBe(0)
  })
  it('never comes near pure water faster than dilution allows', () => {
    expect(dripped({ mode: 'filling', vesselL: 1, litresPerHour: 1 }, 10, 0, 1)).toBeCloseTo(5, 12)
    expect(changed(waterOf({ caMmolL: 1 }), 1, pureWater).caMmolL).toBe(0)
  })
})
