import { describe, expect, it } from 'vitest'
import { eggQueue, RESTING } from '#core/broods'
import type { StageRates } from '../../../core/population/lifeCycle'
import { stepOf } from '../../../core/population/step'
import { against, binomial, lived, mean, onBy, rows, SIZE, still, type Row } from './oneStep'

/** Eggs in one step and in a whole development, against their laws. */

describe('hatching', () => {
  it('all broods out of the last room, whole; their eggs differ by a third', () => {
    const rates = { eggs: onBy(1), comeUp: 1, broodSize: 100 }
    const hatched = new Float64Array(SIZE)
    const { of, mood } = lived(rates, { EGGS_7: 9, EGGS_3: 5 }, { hatched })
    expect(new Set(hatched)).toEqual(new Set([9]))
    expect(of('EGGS_3').every(n => n === 0)).toBe(true)
    // a good mood cannot bring up more than all: those tell the eggs alone
    const all = of('FIRST').filter((_, i) => mood[i]! > 0)
    const { off, spread } = against(all, () => ({ mean: 900, variance: 9 * 35 ** 2 + 1 / 12 }))
    expect(Math.abs(off)).toBeLessThan(4)
    expect(Math.abs(spread - 1)).toBeLessThan(0.1)
  })
  it('in its own time: mean and spread of a whole development are those of the law', () => {
    for (const [steps, sd] of [
      [3.5, 0.135],
      [5, 0.12],
      [1.7, 0.14],
      [14, 0.25],
    ] as const) {
      const eggs = eggQueue(steps, sd)
      const size = 400
      const cloud = new Float64Array(rows.ROWS * size)
      // broods laid all through one step
      for (const [room, share] of eggs.start.entries())
        cloud.fill(Math.round(1000 * share), (rows.EGGS + room) * size, (rows.EGGS + room + 1) * size)
      const live = stepOf({ ...still, eggs })
      let [sum, first, second] = [0, 0, 0]
      for (let step = 1; step < 60; step++) {
        const hatched = new Float64Array(size)
        live({ cloud, size }, step, { hatched })
        const n = hatched.reduce((a, b) => a + b, 0)
        // laid half a step before the first end on average, hatched half a step before the last
        sum += n
        first += n * step
        second += n * step * step
      }
      expect(sum / size).toBeGreaterThan(980)
      const [at, spread] = [first / sum, Math.sqrt(second / sum - (first / sum) ** 2)]
      expect(Math.abs(at / steps - 1), `${steps}`).toBeLessThan(0.06)
      // the step's own coarseness adds a twelfth twice: of the laying and of the hatch
      expect(Math.abs(spread - Math.hypot(sd * steps, Math.sqrt(1 / 6))), `${steps}`).toBeLessThan(0.2 * spread)
    }
  })
})

describe('laying', () => {
  const laid = (rates: Partial<StageRates>, from: Partial<Record<Row, number>>) => {
    const l = lived({ broods: 0.2, ...rates }, { MALES: 5, ...from })
    return { broods: l.of('EGGS'), half: l.mood.map(m => Math.exp(0.5 * m)) }
  }
  it('by who is free and the mood', () => {
    const { broods, half } = laid({}, { FEMALES: 100 })
    const { off, spread } = against(broods, i => binomial(100, Math.min(1, 0.2 * half[i]!)))
    expect(Math.abs(off)).toBeLessThan(4)
    expect(Math.abs(spread - 1)).toBeLessThan(0.1)
  })
  it('into the rooms that broods have come to by the end of the step', () => {
    const eggs = { ...RESTING, start: [0.5, 0, 0, 0.3, 0, 0, 0, 0.2] }
    const { of } = lived({ broods: 1, eggs, carried: false }, { FEMALES: 400, MALES: 5 })
    const all = ['EGGS', 'EGGS_3', 'EGGS_7'].map(row => mean(of(row as Row)))
    const sum = all.reduce((a, b) => a + b, 0)
    for (const [k, share] of [0.5, 0.3, 0.2].entries()) expect(Math.abs(all[k]! / sum - share)).toBeLessThan(0.01)
  })
  it('who carries takes up no second brood; who lays does', () => {
    const carrying = laid({ broods: 0.999 }, { FEMALES: 10, EGGS_3: 3, EGGS_7: 2 }).broods
    expect(mean(carrying)).toBeGreaterThan(5 * 0.85)
    expect(mean(carrying)).toBeLessThan(5 * 1.02)
    const full = laid({ broods: 0.999 }, { FEMALES: 4, EGGS_3: 3, EGGS_7: 2 }).broods
    expect(Math.max(...full)).toBe(0)
    const { broods, half } = laid({ carried: false }, { FEMALES: 10, EGGS_7: 24 })
    const { off, spread } = against(broods, i => ({ mean: 2 * half[i]!, variance: 2 * half[i]! }))
    expect(Math.abs(off)).toBeLessThan(5)
    expect(Math.abs(spread - 1)).toBeLessThan(0.12)
  })
  it('without a male nobody lays, where one is needed', () => {
    expect(Math.max(...laid({}, { FEMALES: 100, MALES: 0 }).broods)).toBe(0)
    expect(mean(laid({ needsMale: false }, { FEMALES: 100, MALES: 0 }).broods)).toBeGreaterThan(15)
  })
})
