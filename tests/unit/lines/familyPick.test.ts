import { describe, expect, it } from 'vitest'
import {
  FAMILIES_LEAST,
  familyPick,
  fitLine,
  grownIn,
  groupKinshipOf,
  groupKinships,
  type LineGroup,
  optimalContributions,
  readFamilies,
  readLine,
  type Stock,
} from '#core/lines'
import { breederGroups } from '../../../core/lines/breederGroups'
import { nextId } from '../../make'
import { bred, graded } from './historyParts'
import { breedLine } from './lineParts'

/** Founders, and families of them: of each how its young were graded, by the rung of its parents. */
function families(list: readonly { parents: number; counts: readonly number[] }[]) {
  const groups: LineGroup[] = [
    { id: 'g', size: 120, breeders: [], period: 'p0', gradings: [graded([50, 40, 20, 10])], twice: [] },
    ...list.map(({ parents, counts }, f): LineGroup => {
      const on = (n: number) => [0, 1, 2, 3].map(k => (k === parents ? n : 0))
      return {
        ...{ id: `f${f}`, size: 40, breeders: [bred('g', on(1), 'male'), bred('g', on(3), 'female')], period: 'p1' },
        ...{ gradings: [graded(counts)], twice: [] },
      }
    }),
  ]
  const stocks: Stock[] = list.map(({ counts }, f) => {
    const half = counts.map(n => Math.floor(n / 2))
    return { groupId: `f${f}`, grader: 'A', females: half, males: half }
  })
  return { fit: fitLine({ rungs: 4, groups }), stocks }
}
const total = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
const dull = { parents: 0, counts: [20, 12, 6, 2] }
const good = { parents: 3, counts: [4, 10, 16, 10] }

describe('whom to keep of several families', () => {
  const { fit, stocks } = families([good, dull, good, dull, good])
  const many = { females: 12, males: 5 }
  const { proposed, bestRungs, more } = familyPick(fit, stocks, many)!
  it('keeps as many as are wanted, and no more than there are', () => {
    for (const pick of [proposed, bestRungs]) {
      expect(total(pick.keep.flatMap(k => k.females))).toBe(12)
      expect(total(pick.keep.flatMap(k => k.males))).toBe(5)
      for (const [f, k] of pick.keep.entries())
        for (const [r, n] of k.females.entries()) expect(n).toBeLessThanOrEqual(stocks[f]!.females[r]!)
    }
  })
  it('gains no less than the best rungs, at a kinship no higher', () => {
    expect(proposed.gain).toBeGreaterThanOrEqual(bestRungs.gain - 1e-9)
    // three tenths of what lot adds stay unspent
    const kin = groupKinships(breederGroups(fit.model.history.groups))
    const shares = bestRungs.keep.map(k => ({ id: k.groupId, of: total(k.females) / 24 + total(k.males) / 10 }))
    const spread = shares.reduce(
      (sum, a) => shares.reduce((inner, b) => inner + a.of * b.of * groupKinshipOf(kin, a.id, b.id), sum),
      0,
    )
    const lot = bestRungs.kinship - spread
    expect(lot).toBeGreaterThan(0.002)
    expect(bestRungs.kinship - proposed.kinship).toBeGreaterThan(0.3 * lot - 1e-9)
    expect(bestRungs.gain).toBeGreaterThan(0.1)
    expect((1 + more) * bestRungs.gain).toBeCloseTo(proposed.gain, 9)
  })
  it('takes a good family’s animals before a poor one’s of the same rung', () => {
    const of = (pick: typeof proposed, list: readonly number[]) =>
      list.reduce((n, f) => n + total(pick.keep[f]!.females) + total(pick.keep[f]!.males), 0)
    expect(of(proposed, [1, 3])).toBeLessThanOrEqual(of(bestRungs, [1, 3]))
    expect(of(proposed, [0, 2, 4])).toBeGreaterThan(of(proposed, [1, 3]))
    // the best rungs alone take of each family by how many stand there
    expect(bestRungs.keep[0]!.males[3]).toBe(bestRungs.keep[2]!.males[3])
  })
  it('of one family far above the others does not take all: they would be too near kin', () => {
    const near = families([good, dull, dull, dull, dull])
    const pick = familyPick(near.fit, near.stocks, many)!
    expect(total(pick.proposed.keep[0]!.males)).toBeLessThan(5)
    expect(pick.proposed.keep.filter(k => total(k.females) > 0).length).toBeGreaterThan(1)
  })
  it('keeps all where all are wanted', () => {
    const all = { females: total(stocks.flatMap(x => x.females)), males: total(stocks.flatMap(x => x.males)) }
    const pick = familyPick(fit, stocks, all)!.proposed
    expect(pick.keep.map(k => k.females)).toEqual(stocks.map(x => x.females))
    expect(pick.gain).toBeCloseTo(0, 9)
  })
  it('is none where families or animals are too few', () => {
    expect(familyPick(fit, stocks.slice(0, FAMILIES_LEAST - 1), many)).toBeNull()
    expect(familyPick(fit, stocks, { females: 500, males: 5 })).toBeNull()
    expect(familyPick(fit, stocks, { females: 5, males: 500 })).toBeNull()
    // nor where a sex has nobody: of animals that are of one sex nobody chooses like this
    expect(familyPick(fit, stocks, { females: 5, males: 0 })).toBeNull()
    expect(familyPick(fit, stocks, { females: 0, males: 5 })).toBeNull()
    expect(grownIn(stocks)).toEqual({ females: 100, males: 100 })
  })
})

describe('shares that have a bound', () => {
  const about = { merit: [1, 0.5, 0], coancestry: [0, 1, 2].map(i => [0, 1, 2].map(j => (i === j ? 0.5 : 0))) }
  it('keep to it, and what is left goes to the next best', () => {
    expect(optimalContributions(about, 1).shares.map(s => Number(s.toFixed(3)))).toEqual([1, 0, 0])
    const bound = optimalContributions({ ...about, most: [0.4, 0.4, 1] }, 1)
    expect(bound.shares.map(s => Number(s.toFixed(3)))).toEqual([0.4, 0.4, 0.2])
    expect(() => optimalContributions({ ...about, most: [0.4] }, 1)).toThrow('the most that each may give')
    expect(() => optimalContributions({ ...about, most: [0.4, 0.4, 0.1] }, 1)).toThrow('too little')
    const sides = { ...about, males: [true, false, false] }
    expect(optimalContributions({ ...sides, most: [0.5, 0.25, 0.25] }, 1).shares[1]).toBeCloseTo(0.25, 6)
    expect(() => optimalContributions({ ...sides, most: [0.4, 0.5, 0.5] }, 1)).toThrow('too little')
  })
})

describe('a line that is told family by family', () => {
  it('splits its newest generation by the box in which its young were bred and graded', () => {
    const l = breedLine()
    const g1 = l.generation(100)
    l.grade(98, l.spread([20, 20, 20, 10], 'unknown'), { generationId: g1.id })
    const boxes = [nextId(), nextId(), nextId()]
    const parents = [...l.spread([0, 0, 0, 3], 'female'), ...l.spread([0, 0, 0, 1], 'male')]
    const groups = boxes.map(colonyId => l.breed(80, g1.id, parents, { colonyId }))
    const g2 = l.generation(
      30,
      groups.map(g => g.id),
    )
    const split = () => readFamilies(l.records(), readLine(l.records()))
    expect(split()).toBeNull()
    for (const [i, colonyId] of boxes.slice(0, 2).entries())
      l.grade(20, l.spread([1 + i, 5, 8, 4], 'unknown'), { generationId: g2.id, colonyId })
    const read = split()!
    expect(read.families.map(f => f.colonyId)).toEqual(boxes.slice(0, 2))
    expect(read.history.groups.map(g => g.id)).toEqual([g1.id, ...read.families.map(f => f.groupId)])
    expect(read.history.groups[1]).toMatchObject({ size: 18, period: g2.id, breeders: [{ number: 1 }, { number: 3 }] })
    expect(read.bred).toEqual({ females: 6, males: 2 })
    // of those that nobody told apart half are of each sex
    groups[0]!.parents = l.spread([0, 0, 0, 5], 'unknown')
    expect(split()!.bred).toEqual({ females: 6, males: 4 })
    groups[0]!.parents = parents
    // a choice that nobody carried out bred none
    groups[1]!.state = 'draft'
    expect(split()).toBeNull()
    groups[1]!.state = 'released'
    // as one it is still one
    expect(readLine(l.records()).history.groups.length).toBe(2)
    expect(fitLine(read.history).heritability.value).toBeGreaterThan(0)
  })
})
