import { describe, expect, it } from 'vitest'
import { optimalContributions } from '#core/lines'
import { seededRandom } from '#core/stats'
import { addedByLot, bestRungs, bettered, type Kind, kinshipOfYoung } from '../../../core/lines/wholeAnimals'

const kind = (stock: number, female: boolean, rung: number, there: number, merit = 0): Kind => ({
  ...{ stock, female, rung, there, merit },
})
const kin = [
  [0.2, 0.02, 0.05],
  [0.02, 0.25, 0],
  [0.05, 0, 0.15],
]
const total = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

describe('the best rungs', () => {
  const kinds = [
    ...[kind(0, true, 2, 1), kind(0, true, 1, 3), kind(1, true, 1, 2), kind(2, true, 1, 1), kind(2, true, 0, 4)],
    ...[kind(0, false, 1, 1), kind(1, false, 1, 2), kind(2, false, 0, 2)],
  ]
  const choice = { kinds, kin }
  it('are shared out over families by how many stand there', () =>
    expect(bestRungs(kinds, { females: 4, males: 1 })).toEqual([1, 2, 1, 0, 0, 0, 1, 0]))

  // all ways to take two females of the six on their rung, and one male of three: the mean is exact
  it('as they come are as near kin as the mean of all ways to take them', () => {
    const females = [1, 1, 1, 2, 2, 3]
    const ways = females.flatMap((a, i) => females.slice(i + 1).flatMap(b => [5, 6, 6].map(male => [a, b, male])))
    const kinships = ways.map(taken =>
      kinshipOfYoung(
        choice,
        kinds.map((_, i) => (i === 0 ? 1 : 0) + taken.filter(t => t === i).length),
      ),
    )
    const mean = total(kinships) / ways.length
    // the mean of each kind, with no rounding to whole animals
    const spread = kinshipOfYoung(choice, [1, 1, 2 / 3, 1 / 3, 0, 1 / 3, 2 / 3, 0])
    expect(mean).toBeGreaterThan(spread + 0.005)
    expect(addedByLot(choice, bestRungs(kinds, { females: 3, males: 1 }))).toBeCloseTo(mean - spread, 12)
  })
  it('leave nothing to chance where whole rungs are kept', () => {
    const many = { females: 7, males: 3 }
    expect(addedByLot(choice, bestRungs(kinds, many))).toBe(0)
  })
})

describe('exchanging one for another', () => {
  const random = seededRandom(4)
  const kinds = [0, 1, 2].flatMap(f =>
    [true, false].flatMap(female => [0, 1, 2].map(r => kind(f, female, r, 3, 0.3 * r + random()))),
  )
  const choice = { kinds, kin }
  const gain = (numbers: readonly number[]) => total(numbers.map((n, i) => n * kinds[i]!.merit))
  const start = bestRungs(kinds, { females: 4, males: 3 })
  it('gains, keeps as many of each sex, and no more than there are', () => {
    const found = bettered(choice, start, 1)
    expect(gain(found)).toBeGreaterThan(gain(start))
    for (const female of [true, false])
      expect(total(found.filter((_, i) => kinds[i]!.female === female))).toBe(female ? 4 : 3)
    for (const [i, n] of found.entries()) expect(n).toBeLessThanOrEqual(kinds[i]!.there)
  })
  it('comes under a limit of kinship that it began above, and gains less for it', () => {
    const free = bettered(choice, start, 1)
    const limit = 0.85 * kinshipOfYoung(choice, free)
    const under = bettered(choice, free, limit)
    expect(kinshipOfYoung(choice, under)).toBeLessThanOrEqual(limit + 1e-9)
    expect(gain(under)).toBeLessThan(gain(free))
    expect(gain(under)).toBeGreaterThan(0.9 * gain(free))
  })
})

describe('exchanging under a limit', () => {
  it.each([1, 2, 3, 4, 5])('ends where no other exchange would gain and keep to it, seed %i', seed => {
    const random = seededRandom(seed)
    const kinds = [0, 1, 2].flatMap(f => [true, false].flatMap(sex => [0, 1].map(r => kind(f, sex, r, 2, random()))))
    const choice = { kinds, kin }
    const gain = (numbers: readonly number[]) => total(numbers.map((n, i) => n * kinds[i]!.merit))
    const start = bestRungs(kinds, { females: 3, males: 2 })
    for (const limit of [0.09, 0.095, 0.1, 0.11]) {
      const found = bettered(choice, start, limit)
      expect(kinshipOfYoung(choice, found)).toBeLessThanOrEqual(limit + 1e-9)
      const others = kinds.flatMap((a, out) =>
        kinds.flatMap((b, into) => {
          if (a.female !== b.female || found[out] === 0 || found[into] === b.there) return []
          const other = found.map((n, i) => n - (i === out ? 1 : 0) + (i === into ? 1 : 0))
          return kinshipOfYoung(choice, other) <= limit ? [gain(other)] : []
        }),
      )
      for (const other of others) expect(other).toBeLessThanOrEqual(gain(found) + 1e-6)
    }
  })
})

describe('shares of many animals that are alike', () => {
  // rows of one family are the same, and a quadratic form that is flat has lost its digits before now
  it.each(Array.from({ length: 12 }, (_, seed) => seed))('are found, seed %i', seed => {
    const random = seededRandom(seed)
    const many = 60
    const family = Array.from({ length: many }, () => Math.floor(4 * random()))
    const merit = family.map(() => random() - random())
    const coancestry = family.map(a => family.map(b => (a === b ? 0.163 : 0.002 + 0.001 * (a + b))))
    const asked = { merit, coancestry, males: family.map((_, i) => i % 2 === 0), most: family.map(() => 0.1) }
    const [free, close] = [1, 0.06].map(limit => optimalContributions(asked, limit))
    expect(close!.kinship).toBeLessThanOrEqual(0.06 + 1e-6)
    expect(total(close!.shares)).toBeCloseTo(1, 6)
    expect(free!.gain).toBeGreaterThanOrEqual(close!.gain - 1e-6)
    // without a limit the five best of each sex give a tenth each
    const five = (male: boolean) =>
      total(
        merit
          .filter((_, i) => asked.males[i] === male)
          .toSorted((a, b) => b - a)
          .slice(0, 5),
      )
    expect(free!.gain).toBeCloseTo(0.1 * (five(true) + five(false)), 4)
  })
  it('are found where all are worth the same, however much that is', () => {
    const family = Array.from({ length: 40 }, (_, i) => i % 4)
    const coancestry = family.map(a => family.map(b => (a === b ? 0.16 : 0.01 * (a + b))))
    const asked = { merit: family.map(() => 50), coancestry, most: family.map(() => 0.1) }
    for (const limit of [0.07, 1]) {
      const told = optimalContributions(asked, limit)
      expect(total(told.shares)).toBeCloseTo(1, 6)
      expect(told.kinship).toBeLessThanOrEqual(limit + 1e-6)
    }
  })
})
