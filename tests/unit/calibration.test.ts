import { describe, expect, it } from 'vitest'
import { seededRandom } from '#core/stats'
import { calibrate } from '../../scripts/calibration/calibrate'
import { cohorts } from '../../scripts/calibration/cohorts'
import { calibrationGroups, makeCase, waysOfLiving } from '../../scripts/calibration/colonies'
import { variants } from '../../scripts/calibration/keeper'
import { type LossResult, summariseLosses } from '../../scripts/calibration/losses'
import { countable, type Nature } from '../../scripts/calibration/living'
import { summariseWatch, type WatchResult, watchWater } from '../../scripts/calibration/quietGlass'
import { singleAnimals } from '../../scripts/calibration/singleAnimals'
import { summariseCases } from '../../scripts/calibration/table'

/** A small version of `npm run calibrate`: too few colonies to tell a per cent, enough to see that something broke. */
describe('calibration against colonies that the model does not know', () => {
  const seeds = Array.from({ length: 10 }, (_, i) => 40 + i)
  const table = summariseCases(calibrate({ seeds, variant: 'all', particles: 600 }))
  it('likely ranges hold the truth about as often as they say', () => {
    expect(table.n).toBe(10 * calibrationGroups.length)
    // four standard errors of a share of 60
    for (const share of [table.now.in80, table.in8.in80, table.growth.in80])
      expect(Math.abs(share - 0.8)).toBeLessThan(0.2)
    for (const share of [table.now.in50, table.in8.in50]) expect(Math.abs(share - 0.5)).toBeLessThan(0.24)
  })
  it('neither leans up nor down', () => {
    expect(Math.abs(table.now.bias)).toBeLessThan(0.12)
    expect(Math.abs(table.in8.bias)).toBeLessThan(0.2)
  })
  it('beats the last count corrected for its share, and a line through the logarithms', () => {
    for (const at of ['now', 'in8'] as const) {
      expect(table[at].error.model).toBeLessThan(table[at].error.carried)
      expect(table[at].error.model).toBeLessThan(table[at].error.logLinear)
    }
  })
})

const nature: Nature = {
  eggDays: 25,
  countableDays: 20,
  matureDays: 80,
  lifeDays: 300,
  broodSize: 25,
  restDays: 10,
  femaleShare: 0.5,
  carried: true,
  growth: 0.01,
  room: 400,
  blows: { chance: 0, share: 0 },
}
const founders = { females: 10, males: 5 }
/** Lives so many days. */
const after = (colony: ReturnType<typeof cohorts>, days: number) => {
  for (let day = 0; day < days; day++) colony.live()
  return countable(colony.told())
}

describe('the colonies', () => {
  it.each(waysOfLiving)('%s: the same seed lives the same life, whatever of it is written down', way => {
    const of = (variant: (typeof variants)[number]) => makeCase('neocaridina', 3, { way, variant })
    const [all, ...others] = variants.map(of)
    expect(of('all').entries).toEqual(all!.entries)
    for (const other of others) expect(other.truth).toEqual(all!.truth)
    expect(all!.entries.every(e => Date.parse(e.at) <= all!.nowMs)).toBe(true)
    const kinds = (variant: (typeof variants)[number]) => new Set(of(variant).entries.map(e => e.kind))
    expect(kinds('sightingsOnly')).not.toContain('count')
    expect(kinds('countsOnly')).not.toContain('berried')
    expect(of('little').entries.filter(e => e.kind === 'count').length).toBeLessThanOrEqual(2)
  })
  it.each([
    ['singleAnimals', singleAnimals],
    ['cohorts', cohorts],
  ] as const)('%s live, breed, fill their room and die as animals do', (_, live) => {
    const colony = live(nature, founders, seededRandom(4))
    expect(countable(colony.told())).toBe(15)
    expect(after(colony, 200)).toBeGreaterThan(15)
    const before = countable(colony.told())
    expect(colony.takeOut(5)).toBe(5)
    expect(countable(colony.told())).toBe(before - 5)
    // of four in ten that vanish the young are a part
    const crowd = live(nature, { females: 400, males: 400 }, seededRandom(3))
    crowd.strike(0.4)
    expect(Math.abs(countable(crowd.told()) - 480)).toBeLessThan(60)
    // growth in an empty glass is what its nature says, near enough: 1 % a day
    const free = live({ ...nature, room: 1e9 }, { females: 100, males: 100 }, seededRandom(2))
    const young = after(free, 250)
    expect(Math.log(after(free, 150) / young) / 150).toBeGreaterThan(0.006)
    // and where the room is full it grows no more
    const full = live({ ...nature, room: 120 }, founders, seededRandom(5))
    const then = after(full, 700)
    expect(then).toBeLessThan(200)
    expect(after(live({ ...nature, femaleShare: 1 }, founders, seededRandom(1)), 200)).toBeGreaterThan(15)
    const barren = live(nature, { females: 15, males: 0 }, seededRandom(4))
    expect(after(barren, 1500)).toBeLessThan(15)
  })
})

describe('what is told of losses', () => {
  const lost = (share: number, counts: number, told: { counts: number; days: number } | null): LossResult => ({
    groupId: 'neocaridina',
    years: 0.5,
    calmCounts: 10,
    calmAsks: 1,
    falseLosses: 1,
    loss: { share, counts, asked: told !== null, told },
  })
  it('is summed up over those who counted twice', () => {
    const calm: LossResult = { ...lost(0, 0, null), falseLosses: 0, loss: null }
    const all = [
      calm,
      calm,
      lost(0.7, 3, { counts: 2, days: 12 }),
      lost(0.5, 4, { counts: 4, days: 40 }),
      lost(0.8, 2, null),
      lost(0.9, 1, null),
    ]
    expect(summariseLosses(all)).toMatchObject({ colonies: 6, calmAsks: 0.1, asked: 0.5, told: 2 / 3, largeTold: 0.5 })
    expect(summariseLosses(all).falsePerYear).toBeCloseTo(4 / 3)
    expect(summariseLosses(all).bySecond).toBeCloseTo(1 / 3)
    expect(summariseLosses(all).medianDays).toBe(40)
  })
})

describe('water that is watched', () => {
  it('slides are found, and most quiet values are left alone', () => {
    const results = watchWater([5])
    const table = summariseWatch(results)
    // conductivity is no target of every group
    expect(table.values).toBeGreaterThan(60)
    expect(table.found).toBeGreaterThan(0.9)
    expect(table.falsePerYear).toBeLessThan(0.4)
    expect(watchWater([5])).toEqual(results)
    // half a year of twenty glasses: half a minute where the machine is slow
  })
  it('is summed up by years, and what was never found comes last', () => {
    const watched = (years: number, falseAlarms: number, found: number | null = null, slid = false): WatchResult => ({
      kind: 'khDh',
      years,
      falseAlarms,
      flagged: falseAlarms / 10,
      slid,
      found,
    })
    const table = summariseWatch([
      watched(2, 1),
      watched(2, 0),
      watched(1, 2, -9, true),
      watched(1, 0, 4, true),
      watched(2, 0, null, true),
    ])
    expect(table).toMatchObject({ values: 5, falsePerYear: 3 / 8, medianDays: 4, ninthDays: Infinity })
    expect(table.flagged).toBeCloseTo((0.1 * 2 + 0.2) / 8)
    expect(table.found).toBeCloseTo(2 / 3)
  })
})
