import { describe, expect, it } from 'vitest'
import { DAY_MS } from '#core/records'
import { freshDays, heldValues, largestChange, mixedPh, type ShockInput, shockOf, sourceValues } from '#core/water'
import { daysAgo, nextId, NOW } from '../../make'

const input = (more: Partial<ShockInput> = {}): ShockInput => ({
  litres: 10,
  exchange: true,
  netL: 50,
  glass: { ghDh: 7, khDh: 4, conductivityUsCm: 280, temperatureC: 23, ph: 7.2 },
  poured: { ghDh: 7, khDh: 4, conductivityUsCm: 280, temperatureC: 23, ph: 7.2 },
  largestStep: { ghDh: 1, khDh: 0.8, conductivityUsCm: 40, temperatureC: 2, ph: 0.3 },
  ...more,
})
const poured = (more: object, of: Partial<ShockInput> = {}) => {
  const base = input(of)
  return shockOf({ ...base, poured: { ...base.poured, ...more } })!
}

describe('shockOf', () => {
  it('is nothing but the volume where the water is the same', () => {
    const shock = shockOf(input())!
    expect(shock.values[0]).toMatchObject({ key: 'volume', to: 0.2 })
    expect(shock.figure).toBeCloseTo(0.4, 9)
    expect(shock.state).toBe('onTarget')
    expect(shock.values.slice(1).every(v => v.part < 1e-9)).toBe(true)
  })
  it('reckons each value after mixing, against what they take', () => {
    // a fifth of 3 °C colder water is 0.6 °C; of GH 17 it is two degrees
    expect(poured({ temperatureC: 20 }).values.find(v => v.key === 'temperatureC')).toMatchObject({
      from: 23,
      to: 22.4,
    })
    const hard = poured({ ghDh: 17 })
    expect(hard.values[0]).toMatchObject({ key: 'ghDh', from: 7, to: 9, part: 2 })
    expect(hard).toMatchObject({ state: 'off', figure: 2 })
    expect(poured({ ghDh: 10.5 })).toMatchObject({ state: 'drifting' })
    expect(poured({ ghDh: 10.5 }).figure).toBeCloseTo(0.7, 9)
    // the limits themselves
    expect(poured({ ghDh: 12 }).state).toBe('drifting')
    expect(poured({ ghDh: 12.1 }).state).toBe('off')
    expect(poured({ ghDh: 9.9 }).state).toBe('onTarget')
  })
  it('reckons pH from the carbonate of both, where both are known; by volume where they are not', () => {
    const phOf = (more: object, of: Partial<ShockInput> = {}) => poured(more, of).values.find(v => v.key === 'ph')!.to
    expect(phOf({ ph: 8.2, khDh: 8 })).toBe(mixedPh({ ph: 7.2, khDh: 4 }, { ph: 8.2, khDh: 8 }, 0.2, 23))
    const { glass } = input()
    const inTenDegrees = { glass: { ...glass, temperatureC: 10 } }
    expect(phOf({ ph: 8.2, khDh: 8 }, inTenDegrees)).toBe(mixedPh({ ph: 7.2, khDh: 4 }, { ph: 8.2, khDh: 8 }, 0.2, 10))
    expect(phOf({ ph: 8.2, khDh: 8 }, { glass: { ...glass, temperatureC: -1 } })).toBe(
      mixedPh({ ph: 7.2, khDh: 4 }, { ph: 8.2, khDh: 8 }, 0.2, 0),
    )
    const byVolume = 7.2 + 0.2
    expect(phOf({ ph: 8.2, khDh: undefined })).toBeCloseTo(byVolume, 9)
    expect(phOf({ ph: 8.2 }, { glass: { ph: 7.2 } })).toBeCloseTo(byVolume, 9)
    expect(phOf({ ph: 8.2, salinityGKg: 33 })).toBeCloseTo(byVolume, 9)
    expect(phOf({ ph: 8.2 }, { glass: { ...glass, salinityGKg: 2.1 } })).toBeCloseTo(byVolume, 9)
    expect(phOf({ ph: 8.2, salinityGKg: 2 })).not.toBeCloseTo(byVolume, 2)
  })
  it('counts more than half at once, whatever is known of the water', () => {
    expect(shockOf(input({ litres: 25 }))).toMatchObject({ figure: 1, state: 'drifting' })
    expect(shockOf(input({ litres: 26 }))!.state).toBe('off')
    const unknown = { glass: {}, poured: {} }
    expect(shockOf(input({ ...unknown, litres: 10 }))).toBeNull()
    expect(shockOf(input({ ...unknown, litres: 30 }))).toMatchObject({ state: 'off', values: [{ key: 'volume' }] })
    // more than there is in it cannot be exchanged
    expect(shockOf(input({ litres: 500 }))!.figure).toBe(2)
  })
  it('filling up what evaporated exchanges nothing', () => {
    const filled = shockOf(input({ exchange: false, litres: 40 }))!
    expect(filled.state).toBe('onTarget')
    expect(filled.figure).toBeCloseTo(0, 9)
    expect(poured({ temperatureC: 8 }, { exchange: false })).toMatchObject({ state: 'off', figure: 1.5 })
    expect(shockOf(input({ exchange: false, litres: 40, poured: {} }))).toBeNull()
  })
  it('leaves out what is known on one side alone, or has no limit', () => {
    const some = shockOf({ ...input(), poured: { ghDh: 7 }, largestStep: { ghDh: 1 } })!
    expect(some.values.map(v => v.key).sort()).toEqual(['ghDh', 'volume'])
  })
})

describe('largestChange', () => {
  it('is as much as keeps every step within what they take', () => {
    const { litres: _, ...asked } = input({ poured: { ghDh: 17, khDh: 4 } })
    expect(largestChange(asked)).toBeCloseTo(5, 6)
    expect(largestChange({ ...asked, poured: { ghDh: 7 } })).toBeCloseTo(25, 6)
  })
})

describe('what a shock is reckoned from', () => {
  it('readings of the glass that still hold', () => {
    const reading = (days: number, value: number) => ({
      entryId: nextId(),
      at: NOW - days * DAY_MS,
      value,
      sd: 0.4,
      method: 'liquidKit' as const,
    })
    const edge = freshDays.ghDh
    const held = (days: number) =>
      heldValues({ readings: new Map([['ghDh', [reading(90, 3), reading(days, 7)]]]) }, NOW)
    expect(held(edge - 0.1)).toEqual({ ghDh: 7 })
    expect(held(edge + 0.1)).toEqual({})
    expect(heldValues({ readings: new Map() }, NOW)).toEqual({})
  })
  it('a source by its water, and by the pH that was read last, whatever the order of its analyses', () => {
    const analyses = [
      { at: daysAgo(2), by: 'ownTest' as const, values: { ph: 7.8 } },
      { at: daysAgo(30), by: 'ownTest' as const, values: { ghDh: 17, khDh: 5, ph: 7.2 } },
    ]
    const values = sourceValues({ kind: 'tap', analyses })
    expect(values.ph).toBe(7.8)
    expect(values.ghDh).toBeCloseTo(17, 6)
    expect(values.khDh).toBeCloseTo(5, 6)
    expect(sourceValues({ kind: 'tap', analyses: [] })).toEqual({})
    expect(sourceValues({ kind: 'pure', analyses: [] })).toMatchObject({ ghDh: 0, khDh: 0 })
  })
})
