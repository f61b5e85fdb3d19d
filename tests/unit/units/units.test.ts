import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  alkalinity,
  compensateConductivity,
  editText,
  formatNumber,
  formatQuantity,
  fromCanonical,
  hardness,
  parseNumber,
  parseQuantity,
  quantities,
  temperature,
  toCanonical,
  unitOf,
  volume,
} from '#core/units'

const everyUnit = Object.values(quantities).flatMap(quantity => quantity.units.map(unit => ({ quantity, unit })))

describe('conversions', () => {
  it.each(everyUnit)('$quantity.id in $unit.symbol goes there and back', ({ quantity, unit }) => {
    fc.assert(
      fc.property(fc.double({ min: -1000, max: 1000, noNaN: true }), value => {
        const back = fromCanonical(quantity, toCanonical(quantity, value, unit.id), unit.id)
        expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-11 * (1 + Math.abs(value)))
      }),
    )
  })
  it('knows the fixed points', () => {
    expect(toCanonical(temperature, 32, 'f')).toBeCloseTo(0, 12)
    expect(toCanonical(temperature, 212, 'f')).toBeCloseTo(100, 12)
    expect(toCanonical(volume, 1, 'usGal')).toBe(3.785411784)
    expect(toCanonical(volume, 1, 'ukGal')).toBe(4.54609)
  })
  it('leaves the mole unit out of alkalinity', () => {
    expect(() => unitOf(alkalinity, 'mmolL')).toThrow(/alkalinity has no unit "mmolL"/)
  })
})

describe('parseQuantity', () => {
  it.each([
    ['7.5', 7.5],
    ['7,5', 7.5],
    ['75 °F', (75 - 32) / 1.8],
    ['75f', (75 - 32) / 1.8],
    ['−3', -3],
    ['1e1', 10],
  ])('reads %s as temperature', (text, value) => {
    const read = parseQuantity(text, temperature, 'c')
    expect(read.ok && read.value).toBeCloseTo(value, 10)
  })
  it.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['warm', 'notANumber'],
    ['7..5', 'notANumber'],
    ['20 K', 'unknownUnit'],
    ['1,2,3', 'notANumber'],
  ])('says what is wrong with "%s"', (text, issue) => {
    expect(parseQuantity(text, temperature, 'c')).toEqual({ ok: false, issue, text })
  })
  it('takes a bare number in the unit of the field', () => {
    expect(parseQuantity('10', volume, 'usGal')).toEqual({ ok: true, value: 37.85411784, unitId: 'usGal' })
    expect(parseQuantity('10 US gal', volume, 'l')).toEqual({ ok: true, value: 37.85411784, unitId: 'usGal' })
  })
  it.each(everyUnit)('reads back what it prints: $quantity.id in $unit.symbol', ({ quantity, unit }) => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999, max: 99_999 }), thousandths => {
        const value = toCanonical(quantity, thousandths / 1000, unit.id)
        const read = parseQuantity(formatQuantity(quantity, value, unit.id, 3), quantity, 'none')
        expect(read.ok && read.unitId).toBe(unit.id)
        expect(read.ok && fromCanonical(quantity, read.value, unit.id)).toBeCloseTo(thousandths / 1000, 9)
      }),
      { numRuns: 60 },
    )
  })
  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), text => {
        expect(() => parseQuantity(text, hardness, 'dh')).not.toThrow()
        expect(() => parseNumber(text)).not.toThrow()
      }),
    )
  })
})

describe('printing', () => {
  it('groups thousands from five digits on and uses a true minus', () => {
    expect(formatNumber(1234, 0)).toBe('1234')
    expect(formatNumber(12345.678, 1)).toBe('12\u202F345.7')
    expect(formatNumber(-0.04, 1)).toBe('0.0')
    expect(formatNumber(-3, 0)).toBe('−3')
    expect(() => formatNumber(Infinity, 0)).toThrow(RangeError)
  })
  it('gives input fields the shortest text that comes back to a thousandth', () => {
    expect(editText(temperature, toCanonical(temperature, 75, 'f'), 'f')).toBe('75')
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99_999 }), fc.constantFrom('l', 'usGal', 'ukGal'), (hundredths, unit) => {
        const litres = toCanonical(volume, hundredths / 100, unit)
        const read = parseQuantity(editText(volume, litres, unit), volume, unit)
        expect(read.ok && read.value.toFixed(3)).toBe(litres.toFixed(3))
      }),
    )
    expect(editText(volume, 52.2, 'usGal')).toBe('13.7898')
    expect(editText(volume, 52.2, 'l')).toBe('52.2')
    expect(editText(volume, 10, 'usGal')).toBe('2.6417')
  })
})

describe('compensateConductivity', () => {
  it('leaves 25 °C alone and raises colder readings', () => {
    expect(compensateConductivity(300, 25)).toBe(300)
    expect(compensateConductivity(300, 20)).toBeGreaterThan(300)
  })
  it.each([
    [-1, 20, 0.02],
    [300, 55, 0.02],
    [300, 20, 0],
  ])('refuses %s µS/cm at %s °C with %s', (reading, t, alpha) => {
    expect(() => compensateConductivity(reading, t, alpha)).toThrow(RangeError)
  })
})
