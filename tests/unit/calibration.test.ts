import { describe, expect, it } from 'vitest'
import { seededRandom } from '#core/stats'
import { calibrate, summariseCases } from '../../scripts/calibration/calibrate'
import { calibrationGroups, makeCase } from '../../scripts/calibration/colonies'
import { countable, found, liveDay, takeOut } from '../../scripts/calibration/livingColony'

/** A small version of `npm run calibrate`: too few colonies to tell a per cent, enough to see that something broke. */
describe('calibration against colonies of single animals that the model does not know', () => {
  const table = summariseCases(calibrate(9, 40, 600))
  it('likely ranges hold the truth about as often as they say', () => {
    expect(table.n).toBe(9 * calibrationGroups.length)
    for (const at of ['now', 'in8'] as const) {
      // four standard errors of a share of 54
      expect(Math.abs(table[at].in80 - 0.8)).toBeLessThan(0.2)
      expect(Math.abs(table[at].in50 - 0.5)).toBeLessThan(0.24)
    }
  })
  it('beats the last count carried forward and a line through the logarithms', () => {
    for (const at of ['now', 'in8'] as const) {
      expect(table.error[at].model).toBeLessThan(table.error[at].carried)
      expect(table.error[at].model).toBeLessThan(table.error[at].logLinear)
    }
  })
})

describe('the colonies', () => {
  it('are the same for the same seed', () => {
    const a = makeCase('neocaridina', 3)
    expect(makeCase('neocaridina', 3).truth).toEqual(a.truth)
    expect(a.entries.every(e => Date.parse(e.at) <= a.nowMs)).toBe(true)
  })
  it('live and die as animals do', () => {
    const nature = {
      eggDays: 25,
      countableDays: 20,
      matureDays: 80,
      lifeDays: 300,
      broodSize: 25,
      restDays: 10,
      femaleShare: 0.5,
      carried: true,
      comeUp: 0.1,
      room: 400,
      blows: { chance: 0, share: 0 },
    }
    const random = seededRandom(4)
    const colony = found(nature, 10, 5, random)
    expect(countable(colony)).toHaveLength(15)
    for (let day = 0; day < 200; day++) liveDay(colony, nature, random)
    expect(countable(colony).length).toBeGreaterThan(15)
    const before = countable(colony).length
    expect(takeOut(colony, 5, random)).toBe(5)
    expect(countable(colony)).toHaveLength(before - 5)
    const barren = found({ ...nature, comeUp: 0 }, 10, 5, random)
    for (let day = 0; day < 800; day++) liveDay(barren, { ...nature, comeUp: 0 }, random)
    expect(countable(barren)).toHaveLength(0)
  })
})
