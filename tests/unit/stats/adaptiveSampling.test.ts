import { describe, expect, it } from 'vitest'
import { equalDraws, sampleBelief } from '#core/stats'

type Likelihood = (z: Float64Array, at: number) => number
const sampled = (dims: number, logLikelihood: Likelihood, seed = 1, size = 2000) => {
  const { draws, weights, effective } = sampleBelief({ dims, logLikelihood, seed, size })
  const mean = (of: (i: number) => number) => weights.reduce((sum, w, i) => sum + w * of(i), 0)
  const at = (i: number, d: number) => draws[i * dims + d]!
  const sd = (d: number) => {
    const m = mean(i => at(i, d))
    return Math.sqrt(mean(i => (at(i, d) - m) ** 2))
  }
  return { weights, effective, mean, at, sd }
}

describe('a sampled belief', () => {
  it('is the prior where nothing was seen', () => {
    const b = sampled(3, () => 0)
    for (const d of [0, 1, 2]) {
      expect(Math.abs(b.mean(i => b.at(i, d)))).toBeLessThan(0.08)
      expect(b.sd(d)).toBeGreaterThan(0.93)
      expect(b.sd(d)).toBeLessThan(1.07)
    }
    expect(b.weights.reduce((a, w) => a + w, 0)).toBeCloseTo(1, 9)
  })
  it('of one number read with a normal error is the normal of the textbook, however sure the reading', () => {
    for (const sd of [1, 0.3, 0.02]) {
      const read = 1.7
      const b = sampled(2, (z, at) => -((z[at]! - read) ** 2) / (2 * sd * sd))
      // conjugate: precision 1 and 1/sd²
      const variance = 1 / (1 + 1 / (sd * sd))
      expect(b.mean(i => b.at(i, 0))).toBeCloseTo((read * variance) / (sd * sd), 1)
      expect(b.sd(0) / Math.sqrt(variance)).toBeGreaterThan(0.9)
      expect(b.sd(0) / Math.sqrt(variance)).toBeLessThan(1.1)
      // the other number stays as it was
      expect(b.sd(1)).toBeGreaterThan(0.9)
      expect(b.effective).toBeGreaterThan(300)
    }
  })
  it('keeps what two numbers have to do with each other', () => {
    // only their sum is known: they mirror each other, correlation −(1 − v)/(1 + v) with v the sum’s variance share
    const b = sampled(2, (z, at) => -((z[at]! + z[at + 1]! - 2) ** 2) / (2 * 0.1 ** 2))
    const [m, n] = [0, 1].map(d => b.mean(i => b.at(i, d))) as [number, number]
    const together = b.mean(i => (b.at(i, 0) - m) * (b.at(i, 1) - n)) / (b.sd(0) * b.sd(1))
    expect(m + n).toBeCloseTo(2, 1)
    expect(together).toBeLessThan(-0.95)
    expect(b.sd(0)).toBeGreaterThan(0.6)
  })
  it('agrees with a grid where no formula is at hand', () => {
    // a bent ridge: the product of two numbers was read
    const log = (x: number, y: number) => -((Math.exp(x) * Math.exp(y / 2) - 3) ** 2) / (2 * 0.4 ** 2)
    const b = sampled(2, (z, at) => log(z[at]!, z[at + 1]!), 9, 4000)
    let [sum, sx, sy, sxx] = [0, 0, 0, 0]
    for (let x = -5; x <= 5; x += 0.02)
      for (let y = -5; y <= 5; y += 0.02) {
        const w = Math.exp(log(x, y) - (x * x + y * y) / 2)
        sum += w
        sx += w * x
        sy += w * y
        sxx += w * x * x
      }
    expect(b.mean(i => b.at(i, 0))).toBeCloseTo(sx / sum, 1)
    expect(b.mean(i => b.at(i, 1))).toBeCloseTo(sy / sum, 1)
    expect(b.sd(0) / Math.sqrt(sxx / sum - (sx / sum) ** 2)).toBeGreaterThan(0.9)
    expect(b.sd(0) / Math.sqrt(sxx / sum - (sx / sum) ** 2)).toBeLessThan(1.1)
  })
  it('is the same for the same seed, to the last bit', () => {
    const one = () => sampleBelief({ dims: 2, logLikelihood: (z, at) => -(z[at]! ** 2), seed: 3, size: 200 })
    expect(one()).toEqual(one())
    expect(one().draws).not.toEqual(
      sampleBelief({ dims: 2, logLikelihood: (z, at) => -(z[at]! ** 2), seed: 4, size: 200 }).draws,
    )
  })
  it('comes to an end where everything is as good as impossible', () => {
    const b = sampled(2, () => -Infinity, 1, 100)
    expect(b.weights.every(w => Number.isFinite(w))).toBe(true)
  })
})

describe('equal draws', () => {
  it('take each as often as its weight says', () => {
    expect([...equalDraws(Float64Array.from([0.5, 0, 0.25, 0.25]), 8)]).toEqual([0, 0, 0, 0, 2, 2, 3, 3])
    expect([...equalDraws(Float64Array.from([0, 1]), 3)]).toEqual([1, 1, 1])
    expect([...equalDraws(Float64Array.from([6, 0, 3, 3]), 8)]).toEqual([0, 0, 0, 0, 2, 2, 3, 3])
  })
})
