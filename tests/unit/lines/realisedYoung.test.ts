import { describe, expect, it } from 'vitest'
import { type BreederSet, readLine, youngByGroup } from '#core/lines'
import type { EntryOf } from '#core/records'
import { lineModel } from '../../../core/lines/lineModel'
import { nextId } from '../../make'
import { breeders, breedLine, lineGroup } from './lineParts'

describe('how many young each breeding group has', () => {
  function boxes() {
    const l = breedLine()
    const g1 = l.generation(100)
    l.grade(98, l.spread([20, 20, 20, 10], 'unknown'), { generationId: g1.id })
    const parents = [...l.spread([0, 0, 0, 3], 'female'), ...l.spread([0, 0, 0, 1], 'male')]
    const places = [nextId(), nextId()]
    const groups = places.map(colonyId => l.breed(80, g1.id, parents, { colonyId }))
    const g2 = l.generation(
      30,
      groups.map(g => g.id),
    )
    const grade = (box: number, counts: number[], more: object = {}) =>
      l.grade(20, l.spread(counts, 'unknown'), { generationId: g2.id, colonyId: places[box]!, all: true, ...more })
    const young = () => readLine(l.records()).history.groups[1]!.breeders.map(b => b.young)
    return { l, groups, grade, young }
  }
  it('is known where all of each box were graded', () => {
    const { grade, young } = boxes()
    grade(0, [1, 5, 8, 16])
    grade(1, [1, 4, 3, 2])
    expect(young()).toEqual([30, 30, 10, 10])
  })
  it('is not known where one was graded in part, in one glass with others, or again', () => {
    const { l, groups, grade, young } = boxes()
    const whole = grade(0, [1, 5, 8, 16])
    const part = grade(1, [1, 4, 3, 2], { all: undefined })
    expect(young()).toEqual([undefined, undefined, undefined, undefined])
    const all = { ...part, all: true } as EntryOf<'grading'>
    const of = (...entries: EntryOf<'grading'>[]) => youngByGroup(groups, entries, l.ladder)
    expect([...of(whole, all)!.values()]).toEqual([30, 10])
    expect(of(whole, { ...all, againOf: whole.id })).toBeNull()
    expect(of(whole, { ...all, ladderId: nextId() })).toBeNull()
    expect(of(whole)).toBeNull()
    expect(youngByGroup(groups.slice(0, 1), [whole], l.ladder)).toBeNull()
    expect(
      youngByGroup([groups[0]!, { ...groups[1]!, colonyId: groups[0]!.colonyId }], [whole, all], l.ladder),
    ).toBeNull()
  })
})

describe('breeders of whom the young are known', () => {
  const graded = {
    grader: 'A',
    sex: 'mixed' as const,
    cells: [30, 40, 30].map((number, k) => ({ from: k, to: k, number })),
  }
  const male = (rungs: number[], young?: number): BreederSet => ({
    ...{ groupId: 'g0', sex: 'male', number: 5, rungs, grader: 'A' },
    ...(young !== undefined && { young }),
  })
  const modelOf = (...males: BreederSet[]) => {
    const first = { ...lineGroup('g0', []), gradings: [graded] }
    return lineModel({ rungs: 3, groups: [first, lineGroup('g1', [...males, breeders('g0', 'female', 5)])] })
  }
  const meanOf = (...males: BreederSet[]) => {
    const model = modelOf(...males)
    return model.run(new Float64Array(model.size), 0.4).standings[1]!.mean
  }
  const [best, dull] = [
    [0, 0, 5],
    [5, 0, 0],
  ] as const
  it('pass on by how many these are, and else by how many they are themselves', () => {
    const [high, low] = [meanOf(male([...best])), meanOf(male([...dull]))]
    expect(high).toBeGreaterThan(0)
    expect(meanOf(male([...best], 90), male([...dull], 10))).toBeCloseTo(0.9 * high + 0.1 * low, 9)
    expect(meanOf(male([...best]), male([...dull]))).toBeCloseTo((high + low) / 2, 9)
  })
  it('leave their own part of what inbreeding took', () => {
    const inbred = lineModel({
      rungs: 3,
      groups: [
        { ...lineGroup('g0', []), gradings: [graded] },
        lineGroup('g1', [breeders('g0', 'male', 1), breeders('g0', 'female', 1)]),
        lineGroup('g2', [breeders('g1', 'male', 1), breeders('g1', 'female', 1)]),
      ],
    })
    const of = (id: string, young: number) => ({ ...breeders(id, 'mixed', 4), young })
    expect(inbred.segregates([of('g0', 30), of('g2', 10)])).toBeCloseTo(1 - 0.25 * 0.25, 9)
  })
})
