import { describe, expect, it } from 'vitest'
import { fitLine, readLine, tellLine } from '#core/lines'
import { ageing } from '../../../core/lines/lineRun'
import { breedLine } from './lineParts'

describe('what age adds', () => {
  it('goes by doublings of the usual age', () => {
    const at = (ageWeeks?: number, usualAge = 10) =>
      ageing({ age: 0.2, usualAge } as never, ageWeeks === undefined ? {} : { ageWeeks })
    expect([at(20), at(5), at(10), at()]).toEqual([0.2, -0.2, 0, 0])
    expect(at(40)).toBeCloseTo(0.4, 12)
    // under a week there is no age
    expect([at(0, 1), at(0.5, 0.5)]).toEqual([0, 0])
  })
})

const rising = [
  [30, 40, 20, 10],
  [18, 36, 30, 16],
  [10, 30, 35, 25],
  [6, 22, 38, 34],
]

/** A line whose generations were graded at these ages. */
function lineAt(ages: readonly (number | undefined)[], counts = rising) {
  const l = breedLine()
  let groups: string[] = []
  for (const [t, list] of counts.entries()) {
    const days = 100 * (counts.length - t)
    const generation = l.generation(days, groups)
    const ageWeeks = ages[t]
    l.grade(days - 2, l.spread(list, 'unknown'), { generationId: generation.id, ...(ageWeeks && { ageWeeks }) })
    const parents = [...l.spread([0, 0, 6, 10], 'female'), ...l.spread([0, 0, 4, 8], 'male')]
    if (t < counts.length - 1) groups = [l.breed(days - 5, generation.id, parents).id]
  }
  return l.records()
}
const heritabilityAt = (ages: readonly (number | undefined)[]) => tellLine(lineAt(ages), 0.25)!.told.heritability

describe('ages at which a line was graded', () => {
  it('that are all alike, or not said, change nothing', () => {
    const said = heritabilityAt([12, 12, 12, 12])
    expect(said).toEqual(heritabilityAt([undefined, undefined, undefined, undefined]))
    expect(said).toEqual(heritabilityAt([undefined, 12, undefined, 12]))
  })
  it('that rise with the generations may be what the line seems to have gained', () => {
    const alike = heritabilityAt([12, 12, 12, 12])
    const older = heritabilityAt([6, 10, 16, 26])
    const younger = heritabilityAt([26, 16, 10, 6])
    expect(older.value).toBeLessThan(alike.value - 0.01)
    expect(younger.value).toBeGreaterThan(older.value + 0.02)
    expect(older.high - older.low).toBeGreaterThan(0.9 * (alike.high - alike.low))
  })
  it('are learnt from one generation that was graded twice', () => {
    const records = lineAt([12, 12, 12, 12])
    const l = readLine(records).history
    // the same second generation looked duller when it was young
    const young = { grader: 'A. R.', sex: 'mixed' as const, ageWeeks: 5 }
    const cells = [34, 38, 19, 9].map((number, k) => ({ from: k, to: k, number }))
    const groups = l.groups.map((g, t) => (t === 1 ? { ...g, gradings: [...g.gradings, { ...young, cells }] } : g))
    const { draws } = fitLine({ ...l, groups })
    const age = draws.reduce((sum, d) => sum + d.run.age, 0) / draws.length
    expect(age).toBeGreaterThan(0.2)
    expect(draws[0]!.run.usualAge).toBe(12)
    // two keepers who graded one animal at that age say nothing else of it
    const pairs = { graders: ['A. R.', 'A. R.'] as const, ageWeeks: 5 }
    const table = [34, 38, 19, 9].map((n, k) => [0, 1, 2, 3].map(j => (j === k ? n : 0)))
    const twice = l.groups.map((g, t) => (t === 1 ? { ...g, twice: [{ ...pairs, table }] } : g))
    const paired = fitLine({ ...l, groups: twice }).draws
    expect(paired.reduce((sum, d) => sum + d.run.age, 0) / paired.length).toBeGreaterThan(0.1)
  })
})
