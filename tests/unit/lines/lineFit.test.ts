import { describe, expect, it } from 'vitest'
import { chosenOf, joinChosen } from '../../../core/lines/chosen'
import { fitLine, keptMean, LEARNT_AT_LEAST, rungMeans } from '#core/lines'
import { graded, lineOf } from './historyParts'

const cuts = [-1, 0, 1]
const eye = { cuts, shift: 0, blur: 0 }
const standing = { mean: 0, variance: 0.4, environment: 0, raised: 0 }
const seen = { eye, environment: 0.6, unevenness: 0 }

describe('what the chosen pass on', () => {
  it('is heritability times the differential of their rungs', () => {
    const set = { rungs: [0, 0, 3, 5], number: 8 }
    const kept = keptMean({ mean: 0, sd: 1, cuts }, [0, 0, 3 / rungShare(2), 5 / rungShare(3)])
    expect(chosenOf(set, { standing, ...seen }).mean).toBeCloseTo(0.4 * kept, 4)
  })
  const rungShare = (k: number) => [0.15866, 0.34134, 0.34134, 0.15866][k]!
  it('is less by a keeper who errs, and from where the keeper sees them', () => {
    const set = { rungs: [0, 0, 0, 5], number: 5 }
    const sharp = chosenOf(set, { standing, ...seen }).mean
    const blurred = chosenOf(set, { standing, ...seen, eye: { ...eye, blur: 0.25 } }).mean
    // regression 0.4/1.25 on a mean of the top rung that lies 1/√1.25 out
    const [, , , top] = rungMeans({ mean: 0, sd: Math.sqrt(1.25), cuts })
    expect(blurred).toBeCloseTo((0.4 / 1.25) * top!, 6)
    expect(blurred).toBeLessThan(sharp)
    // who sees everything half a step higher has a top rung that is worth less
    expect(chosenOf(set, { standing, ...seen, eye: { ...eye, shift: 0.5 } }).mean).toBeLessThan(sharp)
    // so has a good year
    const good = chosenOf(set, { standing: { ...standing, environment: 0.5 }, ...seen })
    // age counts as a good year does
    expect(chosenOf(set, { standing: { ...standing, raised: 0.5 }, ...seen })).toEqual(good)
    expect(good.mean).toBeCloseTo(chosenOf(set, { standing, ...seen, eye: { ...eye, shift: 0.5 } }).mean, 9)
  })
  it('varies less among the best (Bulmer), and its doubt falls with their number', () => {
    const best = chosenOf({ rungs: [0, 0, 0, 8], number: 8 }, { standing, ...seen })
    // within a tail above 1: 1 + z·φ/p − (φ/p)² = 0.1991 of the variance
    expect(best.variance).toBeCloseTo(0.4 * (1 - 0.4 * (1 - 0.1991)), 3)
    expect(best.doubt).toBeCloseTo(best.variance / 8, 9)
    const uneven = chosenOf({ rungs: [0, 0, 0, 8], number: 8 }, { standing, ...seen, unevenness: 0.5 })
    expect(uneven.doubt).toBeCloseTo((1.5 * best.variance) / 8, 9)
    const of2 = chosenOf({ rungs: [0, 4, 0, 4], number: 8 }, { standing, ...seen })
    // rungs that are known leave no doubt of their own
    expect(of2.doubt).toBeLessThan(of2.variance / 8)
  })
  it('taken without regard to rungs they are like all', () => {
    expect(chosenOf({ rungs: null, number: 10 }, { standing, ...seen, unevenness: 0.5 })).toEqual({
      mean: 0,
      variance: 0.4,
      doubt: (1.5 * 0.4) / 10,
    })
  })
  it('stays finite where nobody should stand', () => {
    const far = chosenOf({ rungs: [0, 0, 0, 1], number: 1 }, { standing: { ...standing, mean: -30 }, ...seen })
    expect(Number.isFinite(far.mean)).toBe(true)
    expect(far.mean).toBeGreaterThan(-30)
  })
  it('of two sets goes by their numbers, and their means lie apart', () => {
    const a = { mean: 1, variance: 0.2, doubt: 0.1 }
    const b = { mean: 0, variance: 0.3, doubt: 0.2 }
    expect(
      joinChosen([
        { chosen: a, weight: 3 },
        { chosen: b, weight: 1 },
      ]),
    ).toEqual({
      mean: 0.75,
      variance: expect.closeTo(0.75 * (0.2 + 0.0625) + 0.25 * (0.3 + 0.5625), 9),
      doubt: expect.closeTo(0.5625 * 0.1 + 0.0625 * 0.2, 9),
    })
  })
})

describe('a fit', () => {
  // best rung of five kept each time, and the line answers by about a third of it
  const rising = [
    { counts: [20, 40, 30, 10], kept: [0, 0, 0, 10] },
    { counts: [9, 30, 38, 23], kept: [0, 0, 0, 10] },
    { counts: [4, 22, 38, 36], kept: [0, 0, 0, 10] },
    { counts: [2, 14, 36, 48], kept: [0, 0, 0, 10] },
    { counts: [1, 10, 31, 58], kept: [0, 0, 0, 10] },
  ]
  const still = rising.map(g => ({ ...g, counts: rising[0]!.counts }))
  it('of a line that rises gives more than of one that stands still', () => {
    const [up, flat] = [fitLine(lineOf(rising)).heritability, fitLine(lineOf(still)).heritability]
    expect(up.low).toBeGreaterThan(flat.value)
    expect(up.value).toBeGreaterThan(0.2)
    expect(flat.high).toBeLessThan(0.25)
    expect(up.low).toBeLessThan(up.value)
    expect(up.value).toBeLessThan(up.high)
  })
  it('learns with generations, and says how much', () => {
    const learnt = [1, 2, 3, 5].map(n => fitLine(lineOf(rising.slice(0, n))).learnt)
    expect(learnt[0]).toBeLessThan(0.02)
    expect(learnt[3]).toBeGreaterThan(LEARNT_AT_LEAST)
    expect(learnt.toSorted((a, b) => a - b)).toEqual(learnt)
  })
  it('is unsure of a line that rises without being selected', () => {
    const taken = lineOf(rising)
    const groups = taken.groups.map(g => ({ ...g, breeders: g.breeders.map(b => ({ ...b, rungs: null })) }))
    expect(fitLine({ ...taken, groups }).learnt).toBeLessThan(0.7 * fitLine(taken).learnt)
  })
  it('takes a rise that an unselected spare glass shows as well for the environment', () => {
    const line = lineOf(rising)
    const control = rising.slice(1).map(({ counts }, t) => ({
      ...line.groups[t + 1]!,
      id: `spare${t + 1}`,
      gradings: [graded(counts)],
      breeders: (['male', 'female'] as const).map(sex => ({
        ...{ groupId: t === 0 ? 'g0' : `spare${t}`, sex, number: 30, rungs: null, grader: 'A' },
      })),
    }))
    const groups = line.groups.flatMap((g, t) => [g, ...(t > 0 ? [control[t - 1]!] : [])])
    expect(fitLine({ ...line, groups }).heritability.value).toBeLessThan(fitLine(line).heritability.value - 0.05)
  })
  it('reads an old rung that was split as either of the new ones', () => {
    const line = lineOf(rising)
    const old = line.groups.map((g, t) =>
      t === 0
        ? {
            ...g,
            gradings: [
              {
                ...graded([]),
                cells: [
                  { from: 0, to: 1, number: 60 },
                  { from: 2, to: 2, number: 30 },
                  { from: 3, to: 3, number: 10 },
                ],
              },
            ],
          }
        : g,
    )
    const [whole, split] = [fitLine(line), fitLine({ ...line, groups: old })]
    expect(split.heritability.value).toBeCloseTo(whole.heritability.value, 1)
  })
  it('a keeper who grades strictly is no fall of the line', () => {
    // the third generation by another keeper who sees all of it a rung lower; forty were graded by both
    const strict = lineOf(rising)
    const twice = {
      graders: ['A', 'B'] as const,
      table: [
        [8, 0, 0, 0],
        [9, 6, 0, 0],
        [1, 8, 4, 0],
        [0, 0, 3, 1],
      ],
    }
    const groups = strict.groups.map((g, t) => {
      if (t === 3) return { ...g, gradings: [graded([16, 36, 36, 12], 'B')] }
      return t === 2 ? { ...g, twice: [twice] } : g
    })
    const told = fitLine({ ...strict, groups })
    const eyes = told.draws.map(d => d.run.eyes.get('B')!.shift)
    expect(eyes.reduce((a, b) => a + b, 0) / eyes.length).toBeLessThan(-0.4)
    expect(told.heritability.value).toBeGreaterThan(0.2)
  })
  it('needs a grading, and gives the same of the same log', () => {
    expect(() => fitLine(lineOf([{ counts: [0, 0, 0], kept: [0, 0, 0] }]))).toThrow(/needs a grading/)
    expect(fitLine(lineOf(rising)).draws[17]).toEqual(fitLine(lineOf(rising)).draws[17])
  })
})
