import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { countEvidence, lookChance, lookRange } from '#core/abundance'
import { groupOf } from '#core/groups'

/** Binomial chance by products of fractions. */
const binomial = (n: number, k: number, p: number) => {
  let chance = (1 - p) ** (n - k)
  for (let j = 1; j <= k; j++) chance *= ((n - k + j) / j) * p
  return chance
}

describe('the chance of a look', () => {
  it('is the binomial one where the share is sure', () => {
    for (const [n, seen, share] of [
      [10, 0, 0.5],
      [10, 7, 0.6],
      [400, 25, 0.07],
    ] as const)
      expect(lookChance(n, { seen, share, sdLog: 0 })).toBeCloseTo(binomial(n, seen, share), 12)
  })
  it('is the mean over the spread of the share: held against a fine sum', () => {
    const look = { share: 0.3, sdLog: 0.35 }
    for (const seen of [0, 2, 9]) {
      let sum = 0
      let weights = 0
      for (let z = -5; z <= 5; z += 0.01) {
        const weight = Math.exp((-z * z) / 2)
        sum += weight * binomial(30, seen, Math.min(0.995, look.share * Math.exp(look.sdLog * z)))
        weights += weight
      }
      expect(lookChance(30, { seen, ...look })).toBeCloseTo(sum / weights, 3)
    }
  })
  const sumOf = (n: number, look: { share: number; sdLog: number }) => {
    let sum = 0
    for (let seen = 0; seen <= 3 * n + 20; seen++) sum += lookChance(n, { seen, ...look })
    return sum
  }
  const spread = { min: 0, max: 0.35, noNaN: true }
  it('sums to one over all that may be seen where few are there', () => {
    const share = fc.double({ min: 0.05, max: 0.98, noNaN: true })
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3 }), share, fc.double(spread), (n, share, sdLog) => {
        expect(sumOf(n, { share, sdLog })).toBeCloseTo(1, 4)
      }),
    )
  })
  it('and to about one where a part is found of many: the curve stands in for the sum', () => {
    const share = fc.double({ min: 0.05, max: 0.6, noNaN: true })
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 90 }), share, fc.double(spread), (n, share, sdLog) => {
        expect(Math.abs(sumOf(n, { share, sdLog }) - 1)).toBeLessThan(0.15)
      }),
    )
  })
  it('knows the glass’s own share', () => {
    expect(lookChance(20, { seen: 15, share: 0.5, sdLog: 0 }, Math.log(1.5))).toBeCloseTo(binomial(20, 15, 0.75), 12)
  })
  it('what is seen is a floor: more than there are is hardly ever seen, and each further one less', () => {
    const of = (seen: number) => lookChance(10, { seen, share: 0.9, sdLog: 0.1 })
    expect(of(11)).toBeLessThan(0.25 * of(10))
    expect(of(12)).toBeLessThan(0.5 * of(11))
    expect(of(20)).toBeLessThan(1e-4)
    // undercounting is far more ready
    expect(of(6)).toBeGreaterThan(10 * of(14))
  })
})

it('many go over into the curve without a step', () => {
  // thirty are summed, thirty-one are not: the chance moves on as it came, wherever it counts
  for (const [share, sdLog, luck] of [
    [0.88, 0.12, 0],
    [0.5, 0.35, 0.1],
    [0.2, 0.3, -0.1],
  ] as const)
    for (const n of [34, 38, 45, 55, 70, 100, 140, 200]) {
      const [before, at, after] = [29, 30, 31].map(seen => lookChance(n, { seen, share, sdLog }, luck))
      if (at! > 3e-3) expect(Math.abs(Math.log(after! / at!) - Math.log(at! / before!))).toBeLessThan(0.45)
    }
})
it('as a number is asked for after the other, its chance rises and falls once: no number is a lump of its own', () => {
  for (const look of [
    { seen: 28, share: 0.5, sdLog: 0.35 },
    { seen: 12, share: 0.2, sdLog: 0.3 },
    { seen: 20, share: 0.88, sdLog: 0.12 },
  ]) {
    const chances = Array.from({ length: 300 }, (_, n) => lookChance(n, look))
    const best = chances.indexOf(Math.max(...chances))
    // that nearly all there are were found is a case of its own, and may stand a little above its neighbour
    for (let n = look.seen + 2; n < 300; n++) {
      if (chances[n]! < 1e-9) continue
      if (n <= best) expect(chances[n]).toBeGreaterThanOrEqual(0.8 * chances[n - 1]!)
      else expect(chances[n]).toBeLessThanOrEqual(1.02 * chances[n - 1]!)
    }
    // fewer than were seen hardly come into question where a look finds only a part
    if (look.share < 0.6) expect(chances[look.seen - 1]).toBeLessThan(0.06 * chances[best]!)
  }
})

describe('the range of a look', () => {
  const { counting } = groupOf('neocaridina')
  it('none all seen speak for none, and hardly for one; none in a fifth for a few', () => {
    const all = countEvidence({ number: 0, method: 'allSeen' }, counting, true)
    expect([all.value, all.low, all.high]).toEqual([0, 0, 0])
    const fifth = countEvidence({ number: 0, method: 'partOfTank', share: 0.2 }, counting, true)
    expect(fifth.value).toBeLessThan(3)
    expect(fifth.high).toBeGreaterThan(3)
    expect(fifth.high).toBeLessThan(20)
  })
  it('holds whole animals and never fewer than were seen, as good as', () => {
    for (let seen = 1; seen <= 30; seen++) {
      const { value, low, high } = lookRange({ seen, share: 0.88, sdLog: 0.12 }, 0.8)
      expect([value, low, high].every(Number.isInteger)).toBe(true)
      expect(low).toBeGreaterThanOrEqual(seen - 1)
      expect(value).toBeGreaterThanOrEqual(low)
      expect(high).toBeGreaterThanOrEqual(value)
    }
  })
  it('goes over into the normal curve without a step', () => {
    const of = (number: number) => countEvidence({ number, method: 'atFood' }, counting, true)
    const [few, many] = [of(30), of(31)]
    expect(Math.abs(few.low / 30 - many.low / 31)).toBeLessThan(0.12)
    expect(Math.abs(few.high / 30 - many.high / 31)).toBeLessThan(0.3)
    expect(few.value / 30).toBeCloseTo(many.value / 31, 9)
  })
})
