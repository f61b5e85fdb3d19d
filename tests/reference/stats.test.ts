import { describe, expect, it } from 'vitest'
import { drawFutureNoise } from '#core/population'
import { quantileSorted, seededRandom, weightedLine, Z50, Z80, zQuantile } from '#core/stats'

describe('normal quantiles against printed tables (e.g. Abramowitz & Stegun, table 26.5)', () => {
  it.each([[0.9, 1.2816], [0.95, 1.6449], [0.975, 1.96], [0.99, 2.3263], [0.75, 0.6745]])('p = %s', (p, z) => {
    expect(zQuantile(p)).toBeCloseTo(z, 4)
  })
  it('names the two that the app uses', () => {
    expect(Z80).toBeCloseTo(1.2816, 4)
    expect(Z50).toBeCloseTo(0.6745, 4)
  })
})

describe('straight line against Anscombe (1973), The American Statistician 27:17, all four sets', () => {
  const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5]
  const sets: [number[], number[]][] = [
    [x, [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68]],
    [x, [9.14, 8.14, 8.74, 8.77, 9.26, 8.10, 6.13, 3.10, 9.13, 7.26, 4.74]],
    [x, [7.46, 6.77, 12.74, 7.11, 7.81, 8.84, 6.08, 5.39, 8.15, 6.42, 5.73]],
    [[8, 8, 8, 8, 8, 8, 8, 19, 8, 8, 8], [6.58, 5.76, 7.71, 8.84, 8.47, 7.04, 5.25, 12.50, 5.56, 7.91, 6.89]],
  ]
  it.each(sets)('slope 0.5, intercept 3, standard error of the slope 0.118', (xs, ys) => {
    // with errors given as small the scatter of the points itself sets the standard error, as in ordinary least squares
    const line = weightedLine(xs.map((v, i) => ({ x: v, y: ys[i]!, sd: 0.01 })))!
    expect(line.slope).toBeCloseTo(0.5, 2)
    expect(line.centreY - line.slope * line.centreX).toBeCloseTo(3, 1)
    expect(line.slopeSe).toBeCloseTo(0.118, 3)
  })
  it('uses Student’s t with 9 degrees of freedom: 1.383 for 80 % (printed tables)', () => {
    expect(weightedLine(x.map(v => ({ x: v, y: v, sd: 1 })))!.t80).toBeCloseTo(1.383, 3)
  })
})

describe('quantiles, definition 7 of Hyndman & Fan (1996)', () => {
  it('as R’s default gives for 1:10', () => {
    const ten = Array.from({ length: 10 }, (_, i) => i + 1)
    expect(quantileSorted(ten, 0.25)).toBe(3.25)
    expect(quantileSorted(ten, 0.1)).toBeCloseTo(1.9, 12)
    expect(quantileSorted(ten, 0.9)).toBeCloseTo(9.1, 12)
  })
})

describe('draws for the futures', () => {
  it('are standard normal: mean, variance and tails within four standard errors', () => {
    const { draws } = drawFutureNoise(seededRandom(11), 1000)
    const n = draws.length
    const mean = draws.reduce((s, d) => s + d, 0) / n
    const variance = draws.reduce((s, d) => s + (d - mean) ** 2, 0) / n
    const tail = draws.filter(d => d > Z80).length / n
    expect(Math.abs(mean)).toBeLessThan(4 / Math.sqrt(n))
    expect(Math.abs(variance - 1)).toBeLessThan(4 * Math.sqrt(2 / n))
    expect(Math.abs(tail - 0.1)).toBeLessThan(4 * Math.sqrt(0.09 / n))
  })
})
