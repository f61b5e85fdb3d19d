import { describe, expect, it } from 'vitest'
import { seededRandom } from '#core/stats'
import { calibrated, calibrationLine } from '#core/water'
import { probeReading, type ProbeDip } from '../../server/utils/benchProbe'
import { scaleReading } from '../../server/utils/benchScale'

const truth = { ph: 7.1, conductivityUsCm: 290, temperatureC: 23, humidityPct: 60 }
const read = (dip: ProbeDip, manners = { drift: 0, noise: 0 }, hour = 11, hoursOn = 0, seed = 1) =>
  probeReading(dip, truth, { hour, hoursOn, atMs: 0 }, { manners, random: seededRandom(seed) })

describe('the simulated probe', () => {
  it('is wrong until it is calibrated, and right after', () => {
    const shown = read('tank')
    expect(Math.abs(shown.ph - 7.1)).toBeGreaterThan(0.05)
    const ph = {
      at: new Date(0).toISOString(),
      points: [
        { raw: read('ph4').ph, truth: 4.01 },
        { raw: read('ph7').ph, truth: 7 },
      ],
    }
    const ec = {
      at: ph.at,
      points: [
        { raw: read('ec84').conductivityUsCm, truth: 84 },
        { raw: read('ec1413').conductivityUsCm, truth: 1413 },
      ],
    }
    expect(calibrationLine(ph).ok).toBe(true)
    // the tank swings by 0.08 with the hour
    expect(Math.abs(calibrated(shown.ph, ph) - 7.1)).toBeLessThan(0.081)
    expect(calibrated(shown.conductivityUsCm, ec)).toBeCloseTo(290, 0)
  })
  it('swings with the day in the tank, not in a bottle', () => {
    expect(read('tank', undefined, 17).ph).toBeGreaterThan(read('tank', undefined, 5).ph + 0.1)
    expect(read('ph7', undefined, 17).ph).toBe(read('ph7', undefined, 5).ph)
    expect(read('tank', undefined, 17).temperatureC).toBeGreaterThan(read('tank', undefined, 5).temperatureC)
  })
  it('drifts and scatters as it is told', () => {
    expect(read('ph7', { drift: 5, noise: 0 }, 11, 8).ph).toBeGreaterThan(read('ph7').ph + 0.5)
    const spread = (noise: number) => {
      const values = Array.from({ length: 40 }, (_, i) => read('ph7', { drift: 0, noise }, 11, 0, i + 1).ph)
      return Math.max(...values) - Math.min(...values)
    }
    expect(spread(0)).toBe(0)
    expect(spread(5)).toBeGreaterThan(3 * spread(1))
  })
  it('says the same for the same seed', () => {
    expect(read('tank', { drift: 1, noise: 3 }, 9, 1, 7)).toEqual(read('tank', { drift: 1, noise: 3 }, 9, 1, 7))
  })
})

describe('the simulated scale', () => {
  it('comes up to the mark and settles there', () => {
    const grams = [0, 0.5, 1, 2, 4, 8, 20].map(s => scaleReading(1.14, 0.01, s, seededRandom(2)))
    expect(grams[0]!.settled).toBe(false)
    expect(grams.at(-1)).toEqual({ grams: 1.14, settled: true })
    for (const g of grams) expect(g.grams).toBeLessThanOrEqual(1.16)
  })
  it('shows nothing on an empty pan, in its own steps', () => {
    expect(scaleReading(0, 0.1, 3, seededRandom(1)).grams).toBeLessThanOrEqual(0.1)
    expect(scaleReading(2.3456, 0.1, 30, seededRandom(1)).grams).toBe(2.3)
  })
})
