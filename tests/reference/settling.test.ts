import { describe, expect, it } from 'vitest'
import {
  carbonateConstants,
  khForPh,
  MEQ_PER_DKH,
  molarMass,
  phAtCo2,
  pureWater,
  settlingPh,
  waterOf,
} from '#core/water'

/** CO2 that water holds in step with air of so many atm of it, mg/L (Henry). */
const co2OfAir = (atm: number) => 10 ** carbonateConstants(25).logKH * atm * molarMass.CO2 * 1000

describe('the pH that water settles at (Stumm & Morgan, Aquatic Chemistry, from memory)', () => {
  it('rain in step with the air of then, 10^−3.5 atm, has pH 5.65', () => {
    expect(phAtCo2(pureWater, co2OfAir(10 ** -3.5), 25)).toBeCloseTo(5.65, 1)
  })
  it('an alkalinity of 1 meq/L in step with that air has pH 8.3', () => {
    expect(phAtCo2(waterOf({ alkalinityMeqL: 1, naMmolL: 1 }), co2OfAir(10 ** -3.5), 25)).toBeCloseTo(8.3, 1)
  })
  it('ten times the alkalinity, or a tenth of the CO2, raises it by one', () => {
    const at = (meq: number, co2: number) => phAtCo2(waterOf({ alkalinityMeqL: meq, naMmolL: meq }), co2, 25)
    expect(at(2, 3) - at(0.2, 3)).toBeCloseTo(1, 1)
    expect(at(1, 1) - at(1, 10)).toBeCloseTo(1, 1)
  })
  it('the hobby’s rule runs 5 to 20 % under the CO2 that goes with a pH (brief’s own statement)', () => {
    const khDh = 4
    const w = waterOf({ alkalinityMeqL: khDh * MEQ_PER_DKH, naMmolL: khDh * MEQ_PER_DKH })
    const ph = phAtCo2(w, 15, 25)
    const rule = 3 * khDh * 10 ** (7 - ph)
    expect(15 / rule).toBeGreaterThan(1.03)
    expect(15 / rule).toBeLessThan(1.25)
  })
  it('is found back from a KH, and its range is that of the CO2', () => {
    for (const ph of [6.8, 7.2, 7.8]) {
      const meq = khForPh(ph, 3, 24) * MEQ_PER_DKH
      const settled = settlingPh(waterOf({ alkalinityMeqL: meq, naMmolL: meq }), 24)
      expect(settled.value).toBeCloseTo(ph, 3)
      // 6 mg/L, twice the usual, and 0.6, a fifth of it
      expect(settled.value - settled.low).toBeCloseTo(Math.log10(2), 1)
      expect(settled.high - settled.value).toBeCloseTo(Math.log10(5), 1)
    }
  })
  it('throws for a CO2 that cannot be', () => {
    expect(() => phAtCo2(pureWater, 0, 25)).toThrow(/co2MgL/)
  })
})
