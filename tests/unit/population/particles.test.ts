import { describe, expect, it } from 'vitest'
import { effective, gather, normalise, refresh, systematic } from '../../../core/population/particles'
import { binomialFrom, normalFrom, poissonFrom, streamAt, uniformAt } from '#core/stats'

describe('weights', () => {
  it('sum to 1, and tell the mean weight', () => {
    const w = Float64Array.from([-1000, -1001, -999])
    const mean = normalise(w)
    expect(w.reduce((a, b) => a + b)).toBeCloseTo(1, 12)
    expect(mean).toBeCloseTo(Math.log((Math.exp(0) + Math.exp(-1) + Math.exp(1)) / 3) - 1000, 9)
  })
  it('where nothing fits all are as likely as before', () => {
    const w = new Float64Array(4).fill(-Infinity)
    expect(normalise(w)).toBe(-Infinity)
    expect([...w]).toEqual([0.25, 0.25, 0.25, 0.25])
  })
  it('effective number: all for equal ones, one for a single one', () => {
    expect(effective(new Float64Array(10).fill(0.1))).toBeCloseTo(10, 9)
    expect(effective(Float64Array.from([1, 0, 0]))).toBe(1)
  })
})

describe('systematic', () => {
  it('takes each as often as its weight says, up to one', () => {
    const weights = Float64Array.from([0.5, 0.1, 0.25, 0.15])
    const into = new Uint32Array(40)
    for (const u of [0.01, 0.5, 0.99]) {
      systematic(weights, u, into)
      for (const [i, w] of weights.entries())
        expect(Math.abs(into.filter(k => k === i).length - 40 * w)).toBeLessThanOrEqual(1)
    }
  })
  it('gather copies row by row', () => {
    const into = new Float64Array(4)
    gather({ cloud: Float64Array.from([1, 2, 3, 10, 20, 30]), size: 3 }, 2, Uint32Array.from([2, 0]), into)
    expect([...into]).toEqual([3, 1, 30, 10])
  })
})

describe('refresh (Liu & West)', () => {
  it('keeps mean, variance and covariance of the parameters', () => {
    const size = 20_000
    const z = (i: number, k: number) => normalFrom(uniformAt(streamAt(1, i, k)))
    const cloud = new Float64Array(2 * size)
    for (let i = 0; i < size; i++) {
      cloud[i] = 2 + 0.5 * z(i, 1)
      cloud[size + i] = -1 + 0.8 * (cloud[i]! - 2) + 0.3 * z(i, 2)
    }
    const moments = () => {
      const a = cloud.subarray(0, size)
      const b = cloud.subarray(size)
      const mean = (x: Float64Array) => x.reduce((s, v) => s + v, 0) / size
      const ma = mean(a)
      const mb = mean(b)
      let aa = 0
      let ab = 0
      let bb = 0
      for (let i = 0; i < size; i++) {
        aa += (a[i]! - ma) ** 2 / size
        ab += ((a[i]! - ma) * (b[i]! - mb)) / size
        bb += (b[i]! - mb) ** 2 / size
      }
      return [ma, mb, aa, ab, bb]
    }
    const before = moments()
    refresh({ cloud, size }, [0, 1], (i, k) => z(i, 10 + k))
    for (const [k, m] of moments().entries()) expect(m).toBeCloseTo(before[k]!, 1)
    expect(cloud[0]).not.toBe(2)
  })
  it('leaves a parameter that is known where it is', () => {
    const cloud = new Float64Array(6).fill(3)
    refresh({ cloud, size: 6 }, [0], () => 5)
    expect([...cloud]).toEqual([3, 3, 3, 3, 3, 3])
  })
})

describe('draws from one uniform number', () => {
  it('rise with it, and with the chance', () => {
    for (const [n, p] of [
      [10, 0.3],
      [400, 0.4],
      [50, 0.9],
    ] as const) {
      let before = 0
      for (let u = 0.01; u < 1; u += 0.01) {
        const k = binomialFrom(u, n, p)
        expect(k).toBeGreaterThanOrEqual(before)
        expect(k).toBeLessThanOrEqual(n)
        expect(binomialFrom(u, n, Math.min(1, p + 0.05))).toBeGreaterThanOrEqual(k)
        before = k
      }
    }
  })
  it('hold at the ends', () => {
    expect([
      binomialFrom(0.5, 0, 0.4),
      binomialFrom(0.5, 10, 0),
      binomialFrom(0.5, 10, 1),
      poissonFrom(0.5, 0),
    ]).toEqual([0, 0, 10, 0])
    expect(binomialFrom(1 - 1e-12, 40, 0.1)).toBeLessThanOrEqual(40)
    expect(poissonFrom(1 - 1e-12, 3)).toBeLessThan(60)
  })
})
