import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import {
  fitLine,
  grownTogether,
  inbreedingOfGroups,
  type LineFit,
  type LineGroup,
  nextGeneration,
  paceByTime,
  readLine,
  renewalOf,
  tellLine,
} from '#core/lines'
import { DAY_MS, type Entry, WEEK_MS } from '#core/records'
import { normalDensity, normalBelow } from '#core/stats'
import { lineModel } from '../../../core/lines/lineModel'
import { daysAgo, nextId, NOW } from '../../make'
import { bred, lineOf } from './historyParts'
import { breedLine } from './lineParts'

const renewal = renewalOf(groupOf('neocaridina'))
/** From then on a rung of these was gone. */
const takenOut = (l: ReturnType<typeof breedLine>, days: number, counts: readonly number[]) =>
  ({
    ...l.entries[0]!,
    ...{ id: nextId(), kind: 'removal', at: daysAgo(days), outlet: 'sold', seen: undefined, ladderId: undefined },
    ...{ number: counts.reduce((a, b) => a + b, 0), rungs: l.spread(counts, 'unknown') },
  }) as unknown as Entry

describe('renewal of a colony', () => {
  it('goes by life and growth of its group', () => {
    // grown after 3.5 + 3 + 9 weeks; they die at 1/45 a week, and the colony grows by 6.5 %
    expect(renewal.grownAfterWeeks).toBe(15.5)
    expect(renewal.parentsAgeWeeks).toBeCloseTo(15.5 + 1 / (1 / 45 + 0.065), 9)
    expect(renewal.newWithin(7)).toBeCloseTo(0.457, 3)
    expect(renewal.newWithin(renewal.halfNewWeeks)).toBeCloseTo(0.5, 12)
    expect([renewal.newWithin(0), renewal.newWithin(-3), renewal.surviving(0)]).toEqual([0, 0, 1])
    expect(renewal.surviving(45)).toBeCloseTo(Math.exp(-1), 12)
  })
  it('of one that shrinks is by its deaths alone', () => {
    const { stages, life } = groupOf('neocaridina')
    const shrinks = renewalOf({ stages, life: { ...life, growthPerWeek: { ...life.growthPerWeek, value: -0.1 } } })
    expect(shrinks.parentsAgeWeeks).toBeCloseTo(15.5 + 45, 9)
  })
})

describe('grown animals of several colonies', () => {
  it('are those known last of each, to two figures', () => {
    const of = (...points: [number, number][]) => points.map(([day, value]) => ({ at: NOW - day * DAY_MS, value }))
    const told = grownTogether([of([30, 100.4], [10, 220]), of([20, 31])], [daysAgo(5), daysAgo(25), daysAgo(40)])
    expect(told).toEqual([
      { atMs: NOW - 25 * DAY_MS, number: 100 },
      { atMs: NOW - 5 * DAY_MS, number: 250 },
    ])
  })
})

describe('a colony that breeds all the time', () => {
  const l = breedLine()
  l.grade(280, l.spread([10, 20, 15, 5], 'unknown'))
  l.grade(210, l.spread([6, 18, 14, 12], 'unknown'))
  l.grade(70, l.spread([4, 16, 16, 14], 'unknown'))
  const entries = [...l.entries, takenOut(l, 279, [10, 10, 0, 0]), takenOut(l, 60, [4, 4, 0, 0])]
  const records = { ...l.records(), entries }
  it('is, after a grading, those who stayed and the young of those that were there when they were laid', () => {
    const { history, generations, running } = readLine(records)
    const [first, second, third] = history.groups
    expect(first!.stayed).toBeUndefined()
    // ten weeks later none of the young are of those that were left: they were laid before
    expect(second!.stayed).toMatchObject({
      share: expect.closeTo(1 - renewal.newWithin(10), 9),
      breeders: { groupId: first!.id, sex: 'mixed', number: 30, rungs: [0, 10, 15, 5] },
    })
    expect(second!.breeders).toEqual([expect.objectContaining({ groupId: first!.id, number: 50, rungs: null })])
    // twenty weeks later they were laid 25.5 weeks before, 4.5 weeks after the first grading: of those left, and of
    // what came up to the second
    expect(third!.stayed!.breeders).toMatchObject({ groupId: second!.id, number: 50, rungs: null })
    const later = 4.5 / 10
    expect(third!.breeders).toEqual([
      expect.objectContaining({ groupId: first!.id, number: expect.closeTo((1 - later) * 30, 9) }),
      expect.objectContaining({ groupId: second!.id, number: expect.closeTo(later * 50, 9), rungs: null }),
    ])
    expect(third!.breeders[0]!.rungs![2]).toBeCloseTo((1 - later) * 15, 9)
    // those left now breed on
    expect(running).toMatchObject([{ groupId: third!.id, number: 42, rungs: [0, 12, 16, 14] }])
    expect(generations.map(g => g.bred?.mixed)).toEqual([[0, 10, 15, 5], undefined, [0, 12, 16, 14]])
  })
  it('of more than were graded loses fewer of them, and is new by what the numbers leave', () => {
    const grown = [280, 210, 70].map((day, i) => ({ atMs: NOW - day * DAY_MS, number: [100, 150, 40][i]! }))
    const { history, generations } = readLine({ ...records, grown })
    expect(generations.map(g => g.size)).toEqual([100, 150, 50])
    const { share, breeders } = history.groups[1]!.stayed!
    expect(breeders).toMatchObject({ number: 80, rungs: [10, 30, 30, 10] })
    expect(share).toBeCloseTo((80 * renewal.surviving(10)) / 150, 9)
    // of fewer grown than should have lived on all are old
    expect(history.groups[2]!.stayed!.share).toBe(1)
  })
  it('is told by the week, over the parents’ age', () => {
    const { told } = tellLine(records, 0.25)!
    const { rolling } = told
    expect(rolling!.parentsAgeWeeks).toBe(renewal.parentsAgeWeeks)
    expect(rolling).toMatchObject({ culled: true, pace: { overWeeks: 30 } })
    expect(rolling!.gradeAgainMs).toBeCloseTo(NOW - 70 * DAY_MS + renewal.halfNewWeeks * WEEK_MS, 0)
    expect(told.pace).toBeCloseTo(rolling!.pace!.weekly.value * renewal.parentsAgeWeeks, 9)
    expect(told.generationYears).toBeCloseTo((renewal.parentsAgeWeeks * 7) / 365.25, 9)
    expect(told.generations.map(g => g.at)).toEqual([0, 10, 30].map(w => 1 + w / renewal.parentsAgeWeeks))
    // young of those left are foreseen, and young and old together were
    expect(told.next).not.toBeNull()
    expect(told.came).toMatchObject({ unexplained: false })
    expect(told.next!.meanRung.value).toBeGreaterThan(told.generations[2]!.byGenes.value - 0.05)
    expect(tellLine(l.records(), 0.25)!.told.rolling!.culled).toBe(false)
    // nobody was taken out, and half of them are dull at once: a stranger, or another eye
    const newest = l.entries.findLast(e => e.kind === 'grading')!
    const dull = { ...newest, seen: l.spread([60, 10, 5, 5], 'unknown') } as Entry
    const fallen = { ...l.records(), entries: l.entries.map(e => (e === newest ? dull : e)) }
    expect(tellLine(fallen, 0.25)!.told.came).toMatchObject({ unexplained: true })
  })
})

describe('those who stayed', () => {
  const two = lineOf([
    { counts: [30, 40, 30], kept: [0, 0, 10] },
    { counts: [20, 40, 40], kept: [] },
  ])
  const withShare = (share: number) => {
    const [first, second] = two.groups
    const breeders = [{ ...bred('g0', [1, 1, 1], 'mixed'), rungs: null }]
    const joined = { ...second!, breeders, stayed: { share, breeders: bred('g0', [0, 0, 10], 'mixed') } }
    const model = lineModel({ ...two, groups: [first!, joined] })
    return model.run(new Float64Array(model.size), 0.4).standings[1]!
  }
  // borders at a half to each side, blur 0.35, no luck
  const sd = Math.sqrt(1 + 0.35 ** 2)
  const x = 0.5 / sd
  const intensity = normalDensity(x) / (1 - normalBelow(x, 0, 1))
  it('bring their genes and what else was chosen of them, by hand', () => {
    const { mean, environment } = withShare(0.6)
    expect(mean).toBeCloseTo((0.6 * 0.4 * intensity) / sd, 4)
    expect(environment).toBeCloseTo((0.6 * 0.6 * intensity) / sd, 4)
  })
  it('alone are what was chosen, and nobody who stayed is the young', () => {
    const all = withShare(1)
    expect(all.mean).toBeCloseTo((0.4 * intensity) / sd, 4)
    expect(all.variance).toBeCloseTo(0.4 * (1 - (0.4 / sd ** 2) * intensity * (intensity - x)), 4)
    const none = withShare(0)
    expect([none.mean, none.environment]).toEqual([0, 0])
    // the spread between the two is added
    const half = withShare(0.5)
    expect(half.variance).toBeCloseTo((all.variance + none.variance) / 2 + all.mean ** 2 / 4, 9)
  })
})

describe('what was foreseen of young that join those who stayed', () => {
  const first = lineOf([{ counts: [30, 40, 30], kept: [] }])
  const fit = fitLine(first)
  const breeders = [{ ...bred('g0', [1, 1, 1], 'mixed'), rungs: null }]
  const meanRung = (stayed?: { share: number; rungs: number[] | null }) =>
    nextGeneration(fit, {
      ...{ breeders, young: 100 },
      ...(stayed && {
        stayed: {
          share: stayed.share,
          breeders: { ...bred('g0', stayed.rungs ?? [1, 1, 1], 'mixed'), rungs: stayed.rungs },
        },
      }),
    }).meanRung
  it('is that of the young where nobody stayed, and of those that were left where all did', () => {
    expect(meanRung({ share: 0, rungs: [0, 0, 30] }).value).toBeCloseTo(meanRung().value, 1)
    // the best third are nearly as they were: their rungs fall back by the keeper's error alone
    const best = meanRung({ share: 1, rungs: [0, 0, 30] }).value
    expect(best).toBeGreaterThan(meanRung().value + 0.5)
    expect(best).toBeLessThan(3)
    const half = meanRung({ share: 0.5, rungs: [0, 0, 30] }).value
    expect(half).toBeGreaterThan(meanRung().value + 0.2)
    expect(half).toBeLessThan(best - 0.2)
  })
  it('has less of the luck of another year in it the more stayed', () => {
    const wide = ({ low, high }: { low: number; high: number }) => high - low
    expect(wide(meanRung({ share: 0.9, rungs: null }))).toBeLessThan(wide(meanRung()))
    // of few that stayed it is open which they are
    expect(wide(meanRung({ share: 1, rungs: [0, 2, 0] }))).toBeGreaterThan(
      1.2 * wide(meanRung({ share: 1, rungs: [0, 900, 0] })),
    )
  })
})

describe('pace by time', () => {
  const at = (weeks: number, mean: number) => ({ id: nextId(), fromMs: NOW - weeks * WEEK_MS, mean })
  const paceOf = (list: ReturnType<typeof at>[], second = 1) => {
    const run = (times: number) => ({
      eyes: new Map([['A', { cuts: [-1, 1, 3], shift: 0, blur: 0 }]]),
      standings: list.map(s => ({ mean: times * s.mean })),
    })
    const fit = { model: { rowOf: new Map(list.map((s, i) => [s.id, i])) }, draws: [run(1), run(second)] }
    fit.draws = fit.draws.map(r => ({ run: r })) as never
    return paceByTime(fit as unknown as LineFit, list, { parentsAgeWeeks: 20 })
  }
  it('is a slope by least squares in rungs a week, over the last three generations', () => {
    // rungs are two wide: 0.04 a week is 0.02 rungs
    const told = paceOf([at(200, 50), at(40, 0), at(20, 0.8), at(0, 1.6)])!
    expect(told.weekly.value).toBeCloseTo(0.02, 9)
    expect(told.overWeeks).toBe(40)
    // uneven times and a bend: the slope is the one of least squares
    const bent = paceOf([at(40, 0), at(10, 1), at(0, 1)])!
    expect(bent.weekly.value).toBeCloseTo(leastSquares() / 2, 9)
  })
  it('is as wide as the possible truths, and not told within half a generation', () => {
    const { weekly } = paceOf([at(30, 0), at(0, 3)], 3)!
    expect(weekly.low).toBeCloseTo(0.06, 9)
    expect(weekly.high).toBeCloseTo(0.14, 9)
    expect(paceOf([at(9, 0), at(0, 1)])).toBeNull()
    expect(paceOf([at(10, 0), at(0, 1)])).not.toBeNull()
  })
  const leastSquares = () => {
    const [weeks, means] = [
      [-40, -10, 0],
      [0, 1, 1],
    ]
    const [mw, mm] = [-50 / 3, 2 / 3]
    const top = weeks!.reduce((sum, w, i) => sum + (w - mw) * (means![i]! - mm), 0)
    return top / weeks!.reduce((sum, w) => sum + (w - mw) ** 2, 0)
  }
})

describe('inbreeding of a colony that breeds all the time', () => {
  const mixed = (groupId: string, number: number) => ({
    ...{ groupId, number, sex: 'mixed' as const, rungs: null, grader: 'A' },
  })
  /** Stretches of so many animals; a part of each is of the one before. */
  const stretches = (size: number, share: number, many = 8): LineGroup[] =>
    Array.from({ length: many }, (_, t) => ({
      ...{ id: `s${t}`, size, period: `p${t}`, gradings: [], twice: [] },
      breeders: t === 0 ? [] : [mixed(`s${t - 1}`, size)],
      ...(t > 0 && { stayed: { share, breeders: mixed(`s${t - 1}`, size) } }),
    }))
  const last = (groups: LineGroup[]) => inbreedingOfGroups(groups).of.get('s7')!
  it('rises by how many are new', () => {
    const [allNew, half] = [last(stretches(12, 0)), last(stretches(12, 0.5))]
    expect(half.value).toBeLessThan(0.75 * allNew.value)
    expect(half.value).toBeGreaterThan(0.3 * allNew.value)
    // all who stayed are no closer kin than the first ones
    expect(last(stretches(12, 1)).value).toBe(0)
  })
  it('of very many is the mean of all their pedigrees, as wide as how unevenly they breed', () => {
    // a little under and a little over what is drawn one by one
    const [drawn, mean] = [last(stretches(128, 0.5)), last(stretches(130, 0.5))]
    expect(mean.value / drawn.value).toBeGreaterThan(0.85)
    expect(mean.value / drawn.value).toBeLessThan(1.15)
    expect(mean.high - mean.low).toBeGreaterThan(0.4 * (drawn.high - drawn.low))
    expect(mean.high - mean.low).toBeLessThan(1.2 * (drawn.high - drawn.low))
  })
})
