import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { conductivity, parseNumber, parseQuantity, volume } from '#core/units'

const value = (text: string, habits?: Parameters<typeof parseNumber>[1]) => {
  const read = parseNumber(text, habits)
  return read.ok ? read.value : read.issue
}

describe('a typed number', () => {
  it.each([
    ['7.5', 7.5],
    ['7,5', 7.5],
    ['.5', 0.5],
    [',5', 0.5],
    ['3.', 3],
    ['−3', -3],
    ['+2', 2],
    ['1e3', 1000],
    // thousands in every habit: points, commas, thin and other spaces, apostrophes
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ['1 234,5', 1234.5],
    ['1 234.5', 1234.5],
    ['1’234.5', 1234.5],
    ['1.234.567', 1_234_567],
    ['1,234,567.25', 1_234_567.25],
    // a leading nought never groups, and neither do other than three digits
    ['0,125', 0.125],
    ['0.125', 0.125],
    ['12,3456', 12.3456],
    ['1413,5', 1413.5],
    ['12345', 12_345],
  ])('%s is %d', (text, expected) => {
    expect(value(text)).toBeCloseTo(expected, 10)
  })
  it.each(['', ' ', 'x', '7..5', '1,2,3', '1.2.3,4', '12,34.5', '1,234,5', '1.234.5', '--2', '1e', '∞'])(
    '“%s” is none',
    text => {
      expect(['empty', 'notANumber']).toContain(value(text))
    },
  )
  it('may mean two numbers, and then says both', () => {
    expect(parseNumber('1,413')).toEqual({ ok: false, issue: 'twoReadings', readings: [1.413, 1413] })
    expect(parseNumber('-1,413')).toEqual({ ok: false, issue: 'twoReadings', readings: [-1.413, -1413] })
    expect(parseNumber('1.413', { decimal: ',' })).toEqual({ ok: false, issue: 'twoReadings', readings: [1.413, 1413] })
  })
  it('the device’s own decimal sign begins decimals', () => {
    expect(value('1.413')).toBe(1.413)
    expect(value('1,413', { decimal: ',' })).toBe(1.413)
  })
  it('what cannot be is not meant', () => {
    // pH to 14: a thousand cannot be; conductivity from 10 up: one and a bit cannot
    expect(value('7,125', { low: 0, high: 14 })).toBe(7.125)
    expect(value('1,413', { low: 10, high: 60_000 })).toBe(1413)
    expect(value('1.413', { low: 10, high: 60_000 })).toBe(1413)
  })
  it('reads back what any habit prints', () => {
    const locales = [
      { locale: 'en-GB', decimal: '.' as const },
      { locale: 'de-DE', decimal: ',' as const },
      { locale: 'fr-FR', decimal: ',' as const },
      { locale: 'de-CH', decimal: '.' as const },
    ]
    fc.assert(
      fc.property(fc.constantFrom(...locales), fc.integer({ min: -99_999_999, max: 99_999_999 }), (l, n) => {
        const x = n / 100
        const text = x.toLocaleString(l.locale, { minimumFractionDigits: 2 })
        expect(value(text, { decimal: l.decimal })).toBeCloseTo(x, 6)
      }),
    )
  })
})

describe('a typed quantity', () => {
  it('weighs both readings in the canonical unit', () => {
    expect(parseQuantity('1,413', conductivity, 'usCm', { low: 0, high: 60_000 })).toMatchObject({
      issue: 'twoReadings',
      readings: [1.413, 1413],
    })
    expect(parseQuantity('1.250 L', volume, 'l', { decimal: ',', low: 0.05, high: 5000 })).toMatchObject({
      issue: 'twoReadings',
    })
    expect(parseQuantity('9,999 L', volume, 'l', { low: 0.05, high: 5000 })).toMatchObject({ ok: true, value: 9.999 })
  })
})
