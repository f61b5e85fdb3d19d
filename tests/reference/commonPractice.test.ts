import { describe, expect, it } from 'vitest'
import { groupOf, groups, preferredC, resolveGroup } from '#core/groups'
import { futureFan, spreadsOf, stageRates, type Doing, weeksToReach } from '#core/population'
import { openingCloud } from '../../core/population/checkpoint'
import { liveFutures } from '../../core/population/futures'
import type { Heads } from '#core/records'
import { toCanonical, volume } from '#core/units'
import { conductivityOfSalinity, planTreatment, specificGravity, substances } from '#core/water'
import { colony, nextId, NOW } from '../make'

/** Facts of the trade: common practice, no source. The group's defaults must be able to reproduce them. */
function futures(
  groupId: string,
  founders: Partial<Heads>,
  litres: number,
  weeks: number,
  more: { schools?: Record<string, string>; celsius?: number; doing?: Doing } = {},
) {
  const g = resolveGroup(colony(nextId(), { groupId, schools: more.schools ?? {} }))
  const rates = stageRates(g, { temperatureC: more.celsius ?? preferredC(g), capacity: g.capacityPerL.value * litres })
  const cloud = openingCloud(
    {
      seed: 4,
      founders: { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0, ...founders },
      rates,
      spreads: spreadsOf(g, rates),
    },
    600,
  )
  return liveFutures({ start: { cloud, size: 600 }, size: 600, weeks, rates, seed: 4, doing: more.doing })
}
/** Likely number after some weeks. */
function expected(...args: Parameters<typeof futures>) {
  const f = futures(...args)
  const last = futureFan(f.totals, f, 0).at(-1)!
  return { low: last.p10, value: last.p50, high: last.p90 }
}
const shrimp = (n: number) => ({ females: Math.ceil(n * 0.6), males: Math.floor(n * 0.4) })

describe('growth (common practice, no source)', () => {
  it('15 Neocaridina starters reach a few hundred in about a year, even with sales', () => {
    const year = expected('neocaridina', shrimp(15), 60, 52)
    expect(year.high).toBeGreaterThan(200)
    expect(year.value).toBeGreaterThan(150)
    expect(year.value).toBeLessThan(600)
    // a few go every week
    const sold = expected('neocaridina', shrimp(15), 60, 52, { doing: { weekly: { of: 'any', number: 0.5 } } })
    expect(sold.high).toBeGreaterThan(200)
    expect(sold.value).toBeLessThan(year.value)
  })
  it('two well-fed ramshorns reach about a thousand in a couple of months', () => {
    const { low, value, high } = expected('ramshorn-snail', { unsexed: 2 }, 80, 9, { schools: { feeding: 'heavy' } })
    expect(low).toBeLessThan(1000)
    expect(high).toBeGreaterThan(1000)
    expect(value).toBeGreaterThan(300)
    // the same two, fed as usual, are a colony of dozens by then
    expect(expected('ramshorn-snail', { unsexed: 2 }, 80, 9).value).toBeLessThan(60)
  })
  it('20 starters instead of 5 bring the first hundred months sooner', () => {
    const weeks = (n: number) => {
      const f = futures('neocaridina', shrimp(n), 60, 120)
      return weeksToReach(f.totals, f, 100).p50
    }
    expect(weeks(5) - weeks(20)).toBeGreaterThan(8)
  })
  it('warm tanks grow faster than cool ones, by the school and by the thermometer', () => {
    expect(expected('neocaridina', shrimp(15), 60, 30, { schools: { temperature: 'warm' } }).value).toBeGreaterThan(
      1.5 * expected('neocaridina', shrimp(15), 60, 30, { schools: { temperature: 'cool' } }).value,
    )
    expect(expected('neocaridina', shrimp(15), 60, 40, { celsius: 26 }).value).toBeGreaterThan(
      1.3 * expected('neocaridina', shrimp(15), 60, 40, { celsius: 20 }).value,
    )
  })
  it('warmer is shorter: animals that do not breed here die sooner', () => {
    expect(expected('amphidromous-shrimp', shrimp(40), 200, 100, { celsius: 26 }).value).toBeLessThan(
      expected('amphidromous-shrimp', shrimp(40), 200, 100, { celsius: 18 }).value,
    )
  })
  it('fish cost most of the young', () => {
    expect(expected('neocaridina', shrimp(15), 60, 40, { schools: { fish: 'peaceful' } }).value).toBeLessThan(40)
  })
  it('a small box raises few', () => {
    expect(expected('neocaridina', shrimp(15), 5, 60).value).toBeLessThan(75)
  })
  it('two apple-snail clutches mean 200 to 400 mouths', () => {
    expect(2 * groupOf('apple-snail').stages.broodSize.value).toBeGreaterThanOrEqual(200)
    expect(2 * groupOf('apple-snail').stages.broodSize.value).toBeLessThanOrEqual(400)
  })
  it('animals whose larvae need the sea do not grow in number', () => {
    for (const id of ['amphidromous-shrimp', 'nerite-snail', 'fan-shrimp']) {
      expect(groupOf(id).life.growthPerWeek.value).toBeLessThanOrEqual(0)
      expect(expected(id, shrimp(20), 200, 40).high).toBeLessThanOrEqual(20)
    }
  })
  it('temporary-pool animals live two to three weeks', () => {
    expect(expected('pool-branchiopod', { females: 50, males: 50 }, 10, 3).value).toBeLessThan(50)
    expect(expected('pool-branchiopod', { females: 50, males: 50 }, 10, 8).value).toBeLessThan(12)
  })
})

describe('targets (common practice, no source)', () => {
  it.each([
    ['neocaridina', 'ghDh', [6, 8], [4, 12]],
    ['neocaridina', 'khDh', [3, 8], [2, 15]],
    ['neocaridina', 'temperatureC', [22, 25], [20, 28]],
    ['bee-shrimp', 'ph', [5.8, 6.4], [5.5, 6.8]],
    ['bee-shrimp', 'conductivityUsCm', [180, 220], undefined],
    ['apple-snail', 'temperatureC', [25, 27], [22, 28]],
    ['water-isopod', 'ghDh', [15, 20], undefined],
    ['dwarf-crayfish', 'temperatureC', [20, 26], [5, 29]],
    ['land-crab', 'humidityPct', [75, 100], undefined],
    ['burrowing-crayfish', 'ph', [6.8, 7.4], [6, 8]],
    ['trumpet-snail', 'temperatureC', [20, 28], undefined],
    ['brackish-pool-shrimp', 'ph', [7.8, 8.4], undefined],
  ] as const)('%s %s', (id, key, preferred, tolerated) => {
    expect(groupOf(id).targets[key]?.preferred).toEqual(preferred)
    expect(groupOf(id).targets[key]?.tolerated).toEqual(tolerated)
  })
  it('nitrate stays under 20 mg/L where a group says nothing less', () => {
    for (const id of ['neocaridina', 'land-crab', 'apple-snail'])
      expect(groupOf(id).targets.nitrateMgL?.preferred).toEqual([0, 20])
    expect(groupOf('bee-shrimp').targets.nitrateMgL?.preferred[1]).toBe(10)
  })
  it('brackish pools hold half-strength seawater, 17.5 g/kg within 10 to 26', () => {
    const { salinityGKg } = groupOf('brackish-pool-shrimp').targets
    expect(salinityGKg!.tolerated).toEqual([10, 26])
    expect(salinityGKg!.preferred[0]).toBeLessThanOrEqual(17.5)
    expect(salinityGKg!.preferred[1]).toBeGreaterThanOrEqual(17.5)
  })
})

describe('set-up and medicine (common practice, no source)', () => {
  it('isopods get 12 to 24 g/L carbonate stone', () => {
    expect(groupOf('water-isopod').setup.carbonateGL!.range).toEqual([12, 24])
  })
  it('1 g of a 22.2 % dewormer in 100 mL, 1 mL for each US gallon, is about 0.6 mg/L', () => {
    const netL = toCanonical(volume, 10, 'usGal')
    const plan = planTreatment({
      substance: 'fenbendazole',
      activeMgL: (10 / netL) * 2.22,
      strength: 0.222,
      netL,
      startMs: NOW,
      stockGPer100Ml: 1,
    })
    expect(plan.ok && plan.dose.stock.doseMl).toBeCloseTo(10, 6)
    expect((10 / netL) * 2.22).toBeCloseTo(0.586, 2)
    expect(Math.abs(substances.fenbendazole.usualMgL - 0.586)).toBeLessThan(0.05)
  })
  it('the second dose comes two weeks after the first, the change after three to five days', () => {
    const plan = planTreatment({ substance: 'fenbendazole', activeMgL: 0.6, strength: 0.222, netL: 40, startMs: NOW })
    const days = plan.ok ? plan.calendar : []
    expect(days.find(d => d.what === 'secondDose')?.day).toBe(14)
    expect(days.find(d => d.what === 'change')?.day).toBeGreaterThanOrEqual(3)
    expect(days.find(d => d.what === 'change')?.day).toBeLessThanOrEqual(5)
  })
  it('every group is cured for weeks before animals come, shrimp four to eight', () => {
    for (const g of groups) expect(g.setup.cureWeeks.range[1]).toBeGreaterThanOrEqual(g.setup.cureWeeks.range[0])
    expect(groupOf('neocaridina').setup.cureWeeks.range).toEqual([4, 8])
    expect(groupOf('amphidromous-shrimp').setup.cureWeeks.range[0]).toBeGreaterThanOrEqual(6)
  })
  it('half-strength seawater is 17.5 g/kg, near 1.013 and 28 mS/cm at 25 °C', () => {
    expect(specificGravity(17.5, 25, 'same')).toBeCloseTo(1.0131, 3)
    expect(conductivityOfSalinity(17.5, 25)).toBeGreaterThan(27)
    expect(conductivityOfSalinity(17.5, 25)).toBeLessThan(30)
  })
})
