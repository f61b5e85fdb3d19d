import { describe, expect, it } from 'vitest'
import { groupOf, groups, resolveGroup } from '#core/groups'
import { answerPopulation, drawFutureNoise } from '#core/population'
import { WEEK_MS } from '#core/records'
import { seededRandom } from '#core/stats'
import { toCanonical, volume } from '#core/units'
import { conductivityOfSalinity, planTreatment, specificGravity, substances } from '#core/water'
import { colony, nextId, NOW } from '../make'

/** Facts of the trade: common practice, no source. The group's defaults must be able to reproduce them. */
const noise = drawFutureNoise(seededRandom(4), 400)

/** Likely number of a colony that is only known by its group, after some weeks. */
function expected(groupId: string, founders: number, litres: number, weeks: number, schools = {}) {
  const g = resolveGroup(colony(nextId(), { groupId, schools }))
  return answerPopulation({ startMs: NOW - weeks * WEEK_MS, founders, events: [], nowMs: NOW, growthPrior: g.growthPerWeek, turnoverPerWeek: g.turnoverPerWeek.value, capacity: g.capacityPerL.value * litres, counting: g.counting, minimumKeep: g.minimumKeep.value }, noise)
}
/** First week in which the middle future passes a number. */
function weeksTo(number: number, groupId: string, founders: number, litres: number, schools = {}) {
  for (let weeks = 1; weeks < 200; weeks++) if (expected(groupId, founders, litres, weeks, schools).now.value >= number) return weeks
  return Infinity
}

describe('growth (common practice, no source)', () => {
  it('15 Neocaridina starters reach a few hundred in about a year', () => {
    const { now } = expected('neocaridina', 15, 60, 52)
    expect(now.high).toBeGreaterThan(200)
    expect(now.low).toBeLessThan(600)
  })
  it('two well-fed ramshorns reach about a thousand in a couple of months', () => {
    const { now } = expected('ramshorn-snail', 2, 80, 9, { feeding: 'heavy' })
    expect(now.low).toBeLessThan(1000)
    expect(now.high).toBeGreaterThan(1000)
    expect(now.value).toBeGreaterThan(300)
    // the same two, fed as usual, are a colony of dozens by then
    expect(expected('ramshorn-snail', 2, 80, 9).now.value).toBeLessThan(60)
  })
  it('20 starters instead of 5 bring the first hundred months sooner', () => {
    expect(weeksTo(100, 'neocaridina', 5, 60) - weeksTo(100, 'neocaridina', 20, 60)).toBeGreaterThan(8)
  })
  it('warm tanks grow faster than cool ones', () => {
    expect(expected('neocaridina', 15, 60, 30, { temperature: 'warm' }).now.value).toBeGreaterThan(1.5 * expected('neocaridina', 15, 60, 30, { temperature: 'cool' }).now.value)
  })
  it('fish cost most of the young', () => {
    expect(expected('neocaridina', 15, 60, 40, { fish: 'peaceful' }).now.value).toBeLessThan(40)
  })
  it('a small box raises few', () => {
    expect(expected('neocaridina', 15, 5, 60).now.value).toBeLessThan(60)
  })
  it('animals whose larvae need the sea do not grow in number', () => {
    for (const id of ['amphidromous-shrimp', 'nerite-snail', 'fan-shrimp']) expect(groupOf(id).life.growthPerWeek.value).toBeLessThanOrEqual(0)
  })
})

describe('targets (common practice, no source)', () => {
  it.each([
    ['neocaridina', 'ghDh', [6, 8], [4, 12]], ['neocaridina', 'khDh', [3, 8], [2, 15]], ['neocaridina', 'temperatureC', [22, 25], [20, 28]],
    ['bee-shrimp', 'ph', [5.8, 6.4], [5.5, 6.8]], ['bee-shrimp', 'conductivityUsCm', [180, 220], undefined], ['apple-snail', 'temperatureC', [25, 27], [22, 28]],
    ['water-isopod', 'ghDh', [15, 20], undefined], ['dwarf-crayfish', 'temperatureC', [20, 26], [5, 29]], ['land-crab', 'humidityPct', [75, 100], undefined],
    ['burrowing-crayfish', 'ph', [6.8, 7.4], [6, 8]], ['trumpet-snail', 'temperatureC', [20, 28], undefined], ['brackish-pool-shrimp', 'ph', [7.8, 8.4], undefined],
  ] as const)('%s %s', (id, key, preferred, tolerated) => {
    expect(groupOf(id).targets[key]?.preferred).toEqual(preferred)
    expect(groupOf(id).targets[key]?.tolerated).toEqual(tolerated)
  })
  it('nitrate stays under 20 mg/L where a group says nothing less', () => {
    for (const id of ['neocaridina', 'land-crab', 'apple-snail']) expect(groupOf(id).targets.nitrateMgL?.preferred).toEqual([0, 20])
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
    const plan = planTreatment({ substance: 'fenbendazole', activeMgL: 10 / netL * 2.22, strength: 0.222, netL, startMs: NOW, stockGPer100Ml: 1 })
    expect(plan.ok && plan.dose.stock.doseMl).toBeCloseTo(10, 6)
    expect(10 / netL * 2.22).toBeCloseTo(0.586, 2)
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
