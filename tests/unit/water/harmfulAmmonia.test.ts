import { expect, it } from 'vitest'
import { DAY_MS, WEEK_MS } from '#core/records'
import { judgeCuring, type ValueReading, whatFollows } from '#core/water'
import { nextId, NOW } from '../../make'

const reading = (value: number): ValueReading => ({
  entryId: nextId(),
  at: NOW - DAY_MS,
  value,
  sd: 0.1,
  method: 'liquidKit',
})

it('salt makes less of the ammonia harmful, where it is judged and while a tank cures', () => {
  const harmful = (salinityGKg: number) =>
    Number(
      whatFollows({
        water: null,
        ph: 8,
        khDh: 8,
        temperatureC: 25,
        ammoniaMgL: 0.5,
        salinityGKg,
        swing: null,
        snails: false,
      }).find(f => f.key === 'follows.ammonia')!.values.harmful,
    )
  const curing = (salinityGKg: number) =>
    judgeCuring({
      startedMs: NOW - 6 * WEEK_MS,
      nowMs: NOW,
      ammonia: [reading(0.5)],
      nitrite: [reading(0)],
      nitrate: [],
      ph: 8,
      temperatureC: 25,
      salinityGKg,
      seen: { biofilm: true, algae: true },
      weeks: [4, 8],
      grazes: true,
    }).unionisedMgL!
  expect(harmful(35) / harmful(0)).toBeCloseTo(0.83, 2)
  expect(harmful(15) / harmful(0)).toBeCloseTo(0.926, 2)
  expect(curing(35)).toBeCloseTo(harmful(35), 9)
  expect(curing(0)).toBeCloseTo(harmful(0), 9)
})
