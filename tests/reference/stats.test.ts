import { describe, expect, it } from 'vitest'
import poissonCdf from '@stdlib/stats-base-dists-poisson-cdf'
import {
  binomialInterval,
  normalFrom,
  poissonFrom,
  poissonInterval,
  quantileSorted,
  streamAt,
  uniformAt,
  weightedLine,
  Z50,
  Z80,
  zQuantile,
} from '#core/stats'
import intervals from './data/intervals.json'
import { casesOf, excess } from './tolerance'

describe('normal quantiles against printed tables (e.g. Abramowitz & Stegun, table 26.5)', () => {
  it.each([
    [0.9, 1.2816],
    [0.95, 1.6449],
    [0.975, 1.96],
    [0.99, 2.3263],
    [0.75, 0.6745],
  ])('p = %s', (p, z) => {
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
    [x, [9.14, 8.14, 8.74, 8.77, 9.26, 8.1, 6.13, 3.1, 9.13, 7.26, 4.74]],
    [x, [7.46, 6.77, 12.74, 7.11, 7.81, 8.84, 6.08, 5.39, 8.15, 6.42, 5.73]],
    [
      [8, 8, 8, 8, 8, 8, 8, 19, 8, 8, 8],
      [6.58, 5.76, 7.71, 8.84, 8.47, 7.04, 5.25, 12.5, 5.56, 7.91, 6.89],
    ],
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
  const many = 40_000
  it('are standard normal: mean, variance and tails within four standard errors', () => {
    const draws = Float64Array.from({ length: many }, (_, i) => normalFrom(uniformAt(streamAt(11, i))))
    const mean = draws.reduce((s, d) => s + d, 0) / many
    const variance = draws.reduce((s, d) => s + (d - mean) ** 2, 0) / many
    const tail = draws.filter(d => d > Z80).length / many
    expect(Math.abs(mean)).toBeLessThan(4 / Math.sqrt(many))
    expect(Math.abs(variance - 1)).toBeLessThan(4 * Math.sqrt(2 / many))
    expect(Math.abs(tail - 0.1)).toBeLessThan(4 * Math.sqrt(0.09 / many))
  })
  it('the table of normal quantiles is within 0.0001 of the library’s', () => {
    for (let u = 0.0005; u < 1; u += 0.00037) expect(Math.abs(normalFrom(u) - zQuantile(u))).toBeLessThan(0.0001)
  })
  it.each([0.4, 3, 11.5, 25, 400])('Poisson with mean %f: largest gap to the library’s distribution', mean => {
    const counts = new Map<number, number>()
    for (let i = 0; i < many; i++) {
      const k = poissonFrom(uniformAt(streamAt(5, i, mean * 10)), mean)
      counts.set(k, (counts.get(k) ?? 0) + 1)
    }
    let sum = 0
    let gap = 0
    for (let k = 0; k < mean + 12 * Math.sqrt(mean) + 12; k++) {
      sum += (counts.get(k) ?? 0) / many
      gap = Math.max(gap, Math.abs(sum - poissonCdf(k, mean)))
    }
    expect(gap).toBeLessThan(1.95 / Math.sqrt(many) + 0.003)
  })
  it('streams are even and do not follow each other: chi-square of 100 cells, correlation of neighbours', () => {
    const cells = new Float64Array(100)
    let product = 0
    for (let i = 0; i < many; i++) {
      const u = uniformAt(streamAt(3, i))
      cells[Math.floor(u * 100)]!++
      product += (u - 0.5) * (uniformAt(streamAt(3, i + 1)) - 0.5)
    }
    const chi = cells.reduce((s, c) => s + (c - many / 100) ** 2 / (many / 100), 0)
    // 99 degrees of freedom: 99.9 % lie under 148.2 (printed tables)
    expect(chi).toBeLessThan(148.2)
    expect(Math.abs((product / many) * 12)).toBeLessThan(4 / Math.sqrt(many))
  })
})

describe('exact intervals: Clopper & Pearson (1934), Garwood (1936)', () => {
  it.each(
    casesOf<{ x: number; n: number; level: number }, { clopperPearson: [number, number] }>(
      intervals,
      'binomial_interval',
    ),
  )('$id', ({ inputs, expected, tolerance }) => {
    const [low, high] = binomialInterval(inputs.x, inputs.n, inputs.level)
    expect(
      excess(low, expected.clopperPearson[0], tolerance) + excess(high, expected.clopperPearson[1], tolerance),
    ).toBe(0)
  })
  it.each(casesOf<{ events: number; level: number }, { countCI: [number, number] }>(intervals, 'poisson_interval'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      const [low, high] = poissonInterval(inputs.events, inputs.level)
      expect(excess(low, expected.countCI[0], tolerance) + excess(high, expected.countCI[1], tolerance)).toBe(0)
    },
  )
})
