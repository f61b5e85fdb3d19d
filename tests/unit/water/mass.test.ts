import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { saltIds } from '#core/records'
import {
  amountKeys,
  blend,
  changed,
  dissolve,
  doseOf,
  evaporated,
  gramsPerLitreFromSalinity,
  mixSaltWater,
  pureWater,
  shareOfSea,
} from '#core/water'
import { anyWater, litres, total, close } from './recipeParts'

const share = fc.double({ min: 0, max: 1, noNaN: true })
const anySalt = fc.constantFrom(...saltIds)

describe('mass is conserved', () => {
  it('by blending', () => {
    fc.assert(
      fc.property(anyWater, litres, anyWater, litres, (a, la, b, lb) => {
        const mixed = blend([
          { water: a, litres: la },
          { water: b, litres: lb },
        ])
        close(
          total(mixed, la + lb),
          total(a, la).map((v, i) => v + total(b, lb)[i]!),
        )
      }),
    )
  })
  it('by dissolving', () => {
    fc.assert(
      fc.property(anyWater, litres, anySalt, fc.double({ min: 0, max: 200, noNaN: true }), (w, l, s, grams) => {
        const dose = doseOf({ by: 'salt', salt: s })
        close(
          total(dissolve(w, l, [{ dose, grams }]), l),
          total(w, l).map((v, i) => v + dose.perGramL[amountKeys[i]!] * grams),
        )
      }),
    )
  })
  it('by a change: what is in the glass after is what was left and what was poured', () => {
    fc.assert(
      fc.property(anyWater, anyWater, litres, share, (tank, added, netL, f) => {
        close(
          total(changed(tank, f, added), netL),
          total(tank, netL * (1 - f)).map((v, i) => v + total(added, netL * f)[i]!),
        )
      }),
    )
  })
  it('by evaporation', () => {
    fc.assert(
      fc.property(anyWater, litres, fc.double({ min: 0, max: 0.95, noNaN: true }), (w, netL, f) => {
        close(total(evaporated(w, netL, f * netL), netL * (1 - f)), total(w, netL))
      }),
    )
  })
  it('and nothing comes out negative, or out of nothing', () => {
    fc.assert(
      fc.property(anyWater, anyWater, share, (a, b, f) => {
        const mixed = changed(a, f, b)
        for (const key of amountKeys.filter(k => k !== 'conductivityOffsetUsCm')) {
          expect(mixed[key]).toBeGreaterThanOrEqual(0)
          expect(mixed[key]).toBeLessThanOrEqual(Math.max(a[key], b[key]) + 1e-12)
        }
      }),
    )
    expect(() => blend([])).toThrow(RangeError)
    expect(() => blend([{ water: pureWater, litres: -1 }])).toThrow(/litres/)
    expect(() => dissolve(pureWater, 0, [])).toThrow(/litres/)
    expect(() => dissolve(pureWater, 1, [{ dose: doseOf({ by: 'salt', salt: 'seaSalt' }), grams: -1 }])).toThrow(
      /grams/,
    )
    expect(() => changed(pureWater, 1.2, pureWater)).toThrow(/share/)
    expect(() => evaporated(pureWater, 10, 10)).toThrow(/lostL/)
  })
})

describe('mixSaltWater', () => {
  it('comes to its salinity either way, by mass of salt', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        (l, s) => {
          const mix = mixSaltWater(l, s, 24, 34)
          expect(mix.dryG / l).toBeCloseTo(gramsPerLitreFromSalinity(s, 24), 9)
          expect(mix.seaL! + mix.pureL!).toBeCloseTo(l, 9)
          expect(mix.seaL! * gramsPerLitreFromSalinity(34, 24)).toBeCloseTo(mix.dryG, 6)
          expect(mix.boxG).toBeGreaterThan(mix.dryG)
        },
      ),
    )
    expect(mixSaltWater(10, 36, 24, 34).seaL).toBeNull()
    expect(() => mixSaltWater(0, 17, 24, null)).toThrow(/litres/)
    expect(shareOfSea(17.5825)).toBeCloseTo(0.5, 4)
  })
})
