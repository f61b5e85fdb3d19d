import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hashText, quantileSorted, seededRandom, weightedLine, Z50, Z80, zQuantile } from '#core/stats'

describe('quantileSorted', () => {
  it('gives ends, middle and what lies between', () => {
    const sorted = [1, 2, 4, 8]
    expect(quantileSorted(sorted, 0)).toBe(1)
    expect(quantileSorted(sorted, 1)).toBe(8)
    expect(quantileSorted(sorted, 0.5)).toBe(3)
    expect(quantileSorted([5], 0.3)).toBe(5)
  })
  it('rises with the share', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { minLength: 1 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (xs, p, q) => {
          xs.sort((a, b) => a - b)
          expect(quantileSorted(xs, Math.min(p, q))).toBeLessThanOrEqual(quantileSorted(xs, Math.max(p, q)))
        },
      ),
    )
  })
  it('refuses nothing and shares beyond', () => {
    expect(() => quantileSorted([], 0.5)).toThrow(/at least one/)
    expect(() => quantileSorted([1], 1.5)).toThrow(/p must/)
  })
})

describe('zQuantile', () => {
  it('is odd around a half', () => {
    expect(zQuantile(0.5)).toBeCloseTo(0, 12)
    expect(zQuantile(0.1)).toBeCloseTo(-Z80, 12)
    expect(zQuantile(0.25)).toBeCloseTo(-Z50, 12)
    expect(() => zQuantile(0)).toThrow(/between 0 and 1/)
  })
})

describe('seededRandom', () => {
  it('repeats itself for a seed and differs between seeds', () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seededRandom(seed))
    expect(draw(7)).toEqual(draw(7))
    expect(draw(7)).not.toEqual(draw(8))
    expect(() => seededRandom(1.5)).toThrow(/whole number/)
  })
  it('is spread evenly', () => {
    const random = seededRandom(3)
    const n = 20_000
    let sum = 0
    let squares = 0
    for (let i = 0; i < n; i++) {
      const u = random()
      sum += u
      squares += u * u
    }
    // four standard errors of the mean 1/2 and the mean square 1/3
    expect(Math.abs(sum / n - 1 / 2)).toBeLessThan(4 * Math.sqrt(1 / 12 / n))
    expect(Math.abs(squares / n - 1 / 3)).toBeLessThan(4 * Math.sqrt(4 / 45 / n))
  })
})

describe('hashText', () => {
  it('gives the published FNV-1a values', () => {
    expect(hashText('')).toBe(0x811c9dc5)
    expect(hashText('a')).toBe(0xe40c292c)
    expect(hashText('foobar')).toBe(0xbf9cf968)
  })
})

describe('weightedLine', () => {
  it('finds a line that is there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (slope, intercept) => {
          const line = weightedLine([0, 1, 3, 7].map(x => ({ x, y: intercept + slope * x, sd: 0.5 })))!
          expect(line.slope).toBeCloseTo(slope, 8)
          expect(line.centreY + (10 - line.centreX) * line.slope).toBeCloseTo(intercept + 10 * slope, 7)
        },
      ),
    )
  })
  it('gives a rough reading little weight', () => {
    const points = [
      { x: 0, y: 5, sd: 0.1 },
      { x: 1, y: 5, sd: 0.1 },
      { x: 2, y: 9, sd: 4 },
    ]
    expect(Math.abs(weightedLine(points)!.slope)).toBeLessThan(0.02)
  })
  it('claims no more than the known errors allow, and less when the points scatter', () => {
    const on = weightedLine([0, 1, 2].map(x => ({ x, y: x, sd: 1 })))!
    expect(on.slopeSe).toBeCloseTo(1 / Math.sqrt(2), 12)
    const off = weightedLine([
      { x: 0, y: 0, sd: 1 },
      { x: 1, y: 9, sd: 1 },
      { x: 2, y: 2, sd: 1 },
    ])!
    expect(off.slopeSe).toBeGreaterThan(on.slopeSe)
  })
  it('has no line through one point, or through one moment', () => {
    expect(weightedLine([{ x: 1, y: 2, sd: 1 }])).toBeNull()
    expect(
      weightedLine([
        { x: 1, y: 2, sd: 1 },
        { x: 1, y: 3, sd: 1 },
      ]),
    ).toBeNull()
    expect(() => weightedLine([{ x: 1, y: 2, sd: 0 }])).toThrow(/sd of a point/)
  })
})
