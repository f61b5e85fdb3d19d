import { describe, expect, it } from 'vitest'
import { resolveGroup } from '#core/groups'
import { moltCourse } from '#core/molts'
import { daysAgo, entryOf, topUp, waterChange } from '../make'
import { colonyId, glassId, itemOf, NOW } from '../unit/care/rooms'
import { DAY_MS, WEEK_MS } from '#core/records'

// intervals as the trade gives them; common practice, no published source, unless a line says otherwise

const group = (groupId: string, schools: Record<string, string> = {}) =>
  resolveGroup({ groupId, schools, targets: {}, life: {} })
const next = (ms: number | undefined) => Math.round((ms! - NOW) / DAY_MS)

describe('common practice', () => {
  it('water changes: 10 % or 15 % weekly, 25 to 30 % fortnightly, or top-up only', () => {
    expect(group('neocaridina').change).toMatchObject({ share: 0.1, everyDays: 7 })
    expect(group('neocaridina', { waterChange: 'moderateWeekly' }).change).toMatchObject({ share: 0.15, everyDays: 7 })
    const fortnightly = group('neocaridina', { waterChange: 'fortnightly' }).change!
    expect(fortnightly.everyDays).toBe(14)
    expect(fortnightly.share).toBeGreaterThanOrEqual(0.25)
    expect(fortnightly.share).toBeLessThanOrEqual(0.3)
    expect(group('bee-shrimp').change).toBeNull()
    expect(group('brackish-pool-shrimp').change).toBeNull()
  })
  it('top-ups come once or twice a week', () => {
    const days = itemOf('topUp', { groupId: 'bee-shrimp', glassEntries: [topUp(glassId, 0, 1)] })!.everyDays!
    expect(days).toBeGreaterThanOrEqual(3.5)
    expect(days).toBeLessThanOrEqual(7)
  })
  it('a day early or late never matters for a water change', () => {
    const change = itemOf('waterChange', { glassEntries: [waterChange(glassId, 1, 5)] })!
    expect(change.earlyDays).toBeGreaterThanOrEqual(1)
    expect(change.lateDays).toBeGreaterThanOrEqual(1)
  })
  it('feeding: every few days, daily, or twice daily; heavy is more of it', () => {
    expect(group('neocaridina', { feeding: 'sparse' }).feed.everyDays).toBeGreaterThan(1)
    expect(group('neocaridina').feed.everyDays).toBe(1)
    expect(group('neocaridina', { feeding: 'twiceDaily' }).feed.everyDays).toBe(0.5)
    expect(group('ramshorn-snail', { feeding: 'heavy' }).feed.portion).toBeGreaterThan(
      group('ramshorn-snail').feed.portion,
    )
  })
  it('a brackish pool: nothing for one to two months, then a 3 mm pellet a week in about 38 L', () => {
    const { feed, group: g } = group('brackish-pool-shrimp')
    expect(feed.restWeeks).toBeGreaterThanOrEqual(4)
    expect(feed.restWeeks).toBeLessThanOrEqual(9)
    expect([feed.everyDays, g.care.food, g.care.portionFor.by, g.care.portionFor.value]).toEqual([
      7,
      'pellet',
      'litres',
      38,
    ])
    // skipping a month is safe there, and the schedule does not press
    expect(
      itemOf('feed', {
        groupId: 'brackish-pool-shrimp',
        glassEntries: [entryOf('feeding', 8, { glassId, food: 'pellet', portions: 0.25 })],
      })!.lateDays,
    ).toBeGreaterThanOrEqual(7)
  })
  it('soft-water shrimp: leaves every two weeks, boiled greens weekly, soil for one to two years', () => {
    const { care } = group('bee-shrimp').group
    expect([care.leavesDays!.value, care.greensDays!.value]).toEqual([14, 7])
    const soil = itemOf('soil', { glass: { soilSince: daysAgo(0) } })!
    expect(next(soil.dueMs) / 365).toBeCloseTo(1, 1)
    expect((next(soil.dueMs) + soil.lateDays) / 365).toBeCloseTo(2, 1)
  })
  it('molts: young about weekly, grown about every four weeks; the large river shrimp about every two months', () => {
    for (const id of ['neocaridina', 'bee-shrimp'])
      expect([group(id).group.care.molts!.youngWeeks.value, group(id).group.care.molts!.adultWeeks.value]).toEqual([
        1, 4,
      ])
    expect(group('amphidromous-shrimp').group.care.molts!.adultWeeks.value).toBe(8)
    // a hundred grown ones alone would shed 25 skins a week
    const week = { untilMs: WEEK_MS, all: 100, grown: 100, sdLog: 0, pace: 1 }
    expect(moltCourse(group('neocaridina').group.care.molts!, 0, [week])[0]).toMatchObject({ grown: 25, young: 0 })
  })
  it('medicine: a part change after three to five days, a second dose two weeks after the first', () => {
    const glassEntries = [entryOf('treatment', 0, { glassId, substance: 'fenbendazole', activeMg: 30, netL: 50 })]
    const change = itemOf('doseChange', { glassEntries })!
    expect([next(change.dueMs) - change.earlyDays, next(change.dueMs) + change.lateDays]).toEqual([3, 5])
    expect(next(itemOf('secondDose', { glassEntries })!.dueMs)).toBe(14)
  })
  it('young crabs are taken from their parents at once', () => {
    expect(
      itemOf('young', { groupId: 'land-crab', colonyEntries: [entryOf('berried', 35, { colonyId, number: 1 })] }),
    ).toMatchObject({ values: { apart: 1 }, lateDays: 1 })
  })
})
