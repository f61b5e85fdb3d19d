import { describe, expect, it } from 'vitest'
import { type FeedingSchoolId, groupOf, groups } from '#core/groups'
import { DAY_MS } from '#core/records'
import { ewma } from '#core/stats'
import {
  completeAnalysis,
  controlLimits,
  forecastBand,
  forecastBox,
  judgeValue,
  phSwing,
  pureWater,
  slowLaws,
  swingWarns,
  type ValueReading,
  whatFollows,
  withSwing,
} from '#core/water'
import { nextId, NOW } from '../../make'

const like = (ghDh: number, khDh: number) => completeAnalysis({ ghDh, khDh, conductivityUsCm: 300 }).water
const quiet = {
  evaporationLPerDay: 0,
  topUp: { ...pureWater },
  change: null,
  nitrateMgLPerWeek: 0,
  carbonateGL: 0,
  soilAgeWeeks: null,
  driftPerWeek: {},
}

describe('forecastBox', () => {
  it('holds a tank in which nothing happens', () => {
    const path = forecastBox(like(6, 4), 50, quiet, 30)
    expect(path.ghDh[30]).toBeCloseTo(6, 9)
    expect(path.khDh[30]).toBeCloseTo(4, 9)
  })
  it('lets stone bring one calcium for two of KH: as much of GH as of KH, in degrees', () => {
    // CaCO3 + CO2 + H2O → Ca + 2 HCO3: a mmol of calcium is 5.6 °dH of GH, two meq of alkalinity are 5.6 °dH of KH
    const { ghDh, khDh, calciumMgL } = forecastBox(like(6, 2), 50, { ...quiet, carbonateGL: 18 }, 60)
    const raised = khDh[60]! - khDh[0]!
    expect(raised).toBeGreaterThan(0.5)
    expect(ghDh[60]! - ghDh[0]!).toBeCloseTo(raised, 6)
    expect(calciumMgL[60]! - calciumMgL[0]!).toBeCloseTo((raised / 5.608) * 40.078, 1)
  })
  it('lets stone pull KH up to where it stops, and soil take it down until it is worn', () => {
    const stone = forecastBox(like(6, 2), 50, { ...quiet, carbonateGL: 18 }, 365).khDh
    expect(stone[60]!).toBeGreaterThan(3)
    expect(stone[365]!).toBeLessThanOrEqual(slowLaws.carbonate.khDh + 1e-6)
    const fresh = forecastBox(like(6, 4), 50, { ...quiet, soilAgeWeeks: 0 }, 28).khDh[28]!
    const worn = forecastBox(like(6, 4), 50, { ...quiet, soilAgeWeeks: slowLaws.soil.lastsWeeks }, 28).khDh[28]!
    expect(fresh).toBeLessThan(0.5)
    expect(worn).toBeCloseTo(4, 6)
  })
  it('adds what feeding brings, and its own drift, never below nothing', () => {
    const path = forecastBox(
      like(6, 1),
      50,
      { ...quiet, nitrateMgLPerWeek: 7, driftPerWeek: { khDh: -0.5, ghDh: 0.1, conductivityUsCm: 5 } },
      28,
    )
    expect(path.nitrateMgL[28]).toBeCloseTo(28, 6)
    expect(path.khDh[28]).toBeGreaterThanOrEqual(0)
    expect(path.ghDh[28]).toBeCloseTo(6.4, 1)
  })
  it('knows what every way of feeding brings', () => {
    for (const g of groups)
      for (const option of g.schools.feeding ?? [])
        expect(slowLaws.feedingNitrateMgLPerWeek[option.id as FeedingSchoolId], option.id).toBeGreaterThan(0)
  })
  it('throws for what cannot be', () => {
    expect(() => forecastBox(pureWater, 0, quiet, 5)).toThrow(/netL/)
    expect(() => forecastBox(pureWater, 5, quiet, 0)).toThrow(/days/)
    expect(() =>
      forecastBox(
        pureWater,
        5,
        { ...quiet, change: { litres: 9, everyDays: 7, water: { ...pureWater }, firstInDays: 1 } },
        5,
      ),
    ).toThrow(/change/)
  })
  it('has a band that widens', () => {
    const { khDh } = forecastBox(like(6, 4), 50, quiet, 84)
    const band = forecastBand(khDh, 0.3, { value: 0, low: -0.1, high: 0.1, n: 5 })
    expect(band).toHaveLength(13)
    expect(band.at(-1)!.high - band.at(-1)!.low).toBeGreaterThan(band[0]!.high - band[0]!.low)
    // z = 1.2816 for 80 %: the reading's doubt stays, that of the drift grows with each week, and variances add up
    const half = (weeks: number) => (band[weeks]!.high - band[weeks]!.low) / 2
    expect(half(0)).toBeCloseTo(1.2816 * 0.3, 3)
    expect(half(4)).toBeCloseTo(Math.hypot(1.2816 * 0.3, 0.4), 3)
    expect(half(12)).toBeCloseTo(Math.hypot(1.2816 * 0.3, 1.2), 3)
    // a drift that nobody has learnt strays by 3 % of the value a week (from memory)
    const unlearnt = forecastBand(khDh, 0, undefined)[10]!
    expect(unlearnt.high - unlearnt.value).toBeCloseTo(1.2816 * 0.03 * 4 * 10, 2)
    expect(forecastBand(khDh, 0.3, undefined).every(b => b.low >= 0 && b.low <= b.value && b.value <= b.high)).toBe(
      true,
    )
  })
})

describe('control limits', () => {
  it('need six readings, and find what lies outside', () => {
    expect(controlLimits([1, 2, 3])).toBeNull()
    const limits = controlLimits([5, 5.2, 4.9, 5.1, 5, 4.8, 5.1, 3.2])!
    expect(limits.outside).toContain(7)
  })
  it('the smoothed path sees a small slide that single readings hide', () => {
    const values = [5, 5.2, 4.9, 5.1, 5, 4.8, 5.1, 5, 4.9, 5.1, 5, 4.9, 4.75, 4.7, 4.72, 4.68, 4.66, 4.65]
    const limits = controlLimits(values)!
    expect(limits.outside).toEqual([])
    expect(ewma(values, limits.centre, limits.sigma).at(-1)!.outside).toBe(true)
    expect(() => ewma(values, 5, 1, { lambda: 0, width: 3 })).toThrow(/lambda/)
  })
})

describe('phSwing', () => {
  const at = (day: number, hour: number, value: number): ValueReading => ({
    entryId: nextId(),
    at: Date.parse('2026-11-20T00:00:00Z') + day * DAY_MS + hour * 3_600_000,
    value,
    sd: 0.05,
    method: 'probe',
  })
  it('compares dusk with dawn of the same day', () => {
    const swing = phSwing([at(0, 7, 6.8), at(0, 18, 7.6), at(1, 7, 6.9), at(1, 18, 7.5)], NOW, 'UTC')!
    expect(swing.value).toBeCloseTo(0.7, 6)
    expect(swing).toMatchObject({ pairs: 2, mornings: 2, evenings: 2 })
    expect(swingWarns(swing)).toBe(true)
  })
  it('falls back on mornings against evenings, and needs both', () => {
    expect(phSwing([at(0, 7, 6.8), at(-5, 18, 7)], NOW, 'UTC')).toMatchObject({ pairs: 0 })
    expect(phSwing([at(0, 7, 6.8)], NOW, 'UTC')).toBeNull()
    expect(swingWarns(null)).toBe(false)
  })
  it('goes by the keeper’s own clock', () => {
    // 07:00 UTC is 17:00 ten hours to the east
    expect(phSwing([at(0, 7, 7.4), at(0, 21, 6.8)], NOW, 'Australia/Brisbane')).toMatchObject({
      mornings: 1,
      evenings: 1,
    })
  })
  it('makes a good pH drift', () => {
    const target = groupOf('neocaridina').targets.ph!
    const verdict = judgeValue({ key: 'ph', target, readings: [at(0, 7, 7), at(1, 7, 7), at(2, 7, 7)], nowMs: NOW })
    const wide = withSwing(verdict, { value: 0.9, low: 0.7, high: 1.1, pairs: 2, mornings: 2, evenings: 2 })
    expect(wide).toMatchObject({ state: 'drifting', conclusion: { key: 'water.swing' } })
    expect(withSwing(verdict, null)).toBe(verdict)
    expect(
      withSwing({ ...verdict, state: 'off' }, { value: 0.9, low: 0.7, high: 1.1, pairs: 2, mornings: 2, evenings: 2 }),
    ).toMatchObject({ state: 'off' })
  })
})

describe('whatFollows', () => {
  const input = {
    water: like(6, 4),
    ph: 7,
    khDh: 4,
    temperatureC: 24,
    ammoniaMgL: 0,
    salinityGKg: 0,
    swing: null,
    snails: true,
  }
  const stateOf = (more: object, key: string) => whatFollows({ ...input, ...more }).find(f => f.key === key)?.state
  it('judges by the harmful part of ammonia, not by all of it', () => {
    expect(stateOf({ ammoniaMgL: 1, ph: 8.4 }, 'follows.ammonia')).toBe('off')
    expect(stateOf({ ammoniaMgL: 1, ph: 6.2 }, 'follows.ammonia')).toBe('drifting')
    expect(stateOf({}, 'follows.ammonia')).toBe('onTarget')
  })
  it('minds shells only where there are some, and CO2 only where KH tells it', () => {
    expect(stateOf({ ph: 6.2, khDh: 1.5 }, 'follows.lime')).toBe('off')
    expect(stateOf({ ph: 6.2, khDh: 1.5, snails: false }, 'follows.lime')).toBe('unknown')
    expect(stateOf({ ph: 6.2 }, 'follows.co2')).toBe('drifting')
    expect(stateOf({ khDh: 0.4 }, 'follows.co2')).toBeUndefined()
    expect(whatFollows({ ...input, salinityGKg: 17 }).map(f => f.key)).not.toContain('follows.co2')
  })
  it('leaves out what lacks an input', () => {
    expect(whatFollows({ ...input, ph: null, temperatureC: null, ammoniaMgL: null }).map(f => f.key)).toEqual([
      'follows.noSwing',
    ])
  })
})
