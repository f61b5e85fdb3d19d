import { describe, expect, it } from 'vitest'
import { fitLine, readLine, tellLine, type Upbringing } from '#core/lines'
import { CONDITIONS, differedIn, raisedBy, upbringingOf } from '../../../core/lines/upbringing'
import { breedLine } from './lineParts'

describe('what the way animals grew up adds', () => {
  const conditions = Object.fromEntries(CONDITIONS.map(c => [c.key, c]))
  const adds = (key: keyof Upbringing, usual: number, said: Upbringing | undefined) =>
    raisedBy([{ condition: conditions[key]!, usual }], [0.2], said)
  it('goes by doublings of the usual age', () => {
    expect([20, 5, 10].map(ageWeeks => adds('ageWeeks', 10, { ageWeeks }))).toEqual([0.2, -0.2, 0])
    expect([adds('ageWeeks', 10, {}), adds('ageWeeks', 10, undefined)]).toEqual([0, 0])
    expect(adds('ageWeeks', 10, { ageWeeks: 40 })).toBeCloseTo(0.4, 12)
    // under a week there is no age
    expect([adds('ageWeeks', 1, { ageWeeks: 0 }), adds('ageWeeks', 0.5, { ageWeeks: 0.5 })]).toEqual([0, 0])
  })
  it('by doublings of the size where the age is not known, by steps of food, by degrees', () => {
    expect(adds('sizeMm', 12, { sizeMm: 24 })).toBe(0.2)
    expect(adds('sizeMm', 12, { sizeMm: 24, ageWeeks: 9 })).toBe(0)
    expect((['sparse', 'usual', 'rich'] as const).map(food => adds('food', 0, { food }))).toEqual([-0.2, 0, 0.2])
    expect(adds('food', 1, { food: 'sparse' })).toBe(-0.4)
    expect(adds('temperatureC', 22, { temperatureC: 26 })).toBeCloseTo(0.8, 12)
  })
  it('and all of it together is a sum', () => {
    const differed = CONDITIONS.filter(c => c.key !== 'sizeMm').map((condition, i) => ({
      condition,
      usual: [10, 0, 22][i]!,
    }))
    expect(raisedBy(differed, [0.2, 0.1, -0.05], { ageWeeks: 20, food: 'rich', temperatureC: 24 })).toBeCloseTo(0.2, 12)
  })
  it('is only asked where it differs, against the middle of what was said', () => {
    const history = (...said: (Upbringing | undefined)[]) => ({
      rungs: 4,
      groups: said.map((raised, t) => ({
        ...{ id: `g${t}`, size: 9, breeders: [], period: `g${t}`, twice: [] },
        gradings: [{ grader: 'A', sex: 'mixed' as const, cells: [], ...(raised && { raised }) }],
      })),
    })
    const of = (...said: (Upbringing | undefined)[]) =>
      differedIn(history(...said)).map(d => [d.condition.key, d.usual])
    expect(of({ ageWeeks: 12, food: 'usual' }, undefined, { ageWeeks: 12, food: 'usual' })).toEqual([])
    expect(of({ ageWeeks: 12 }, { ageWeeks: 30 }, { ageWeeks: 14, food: 'rich' })).toEqual([['ageWeeks', 14]])
    expect(of({ food: 'rich', temperatureC: 21 }, { food: 'rich' }, { food: 'sparse', temperatureC: 24 })).toEqual([
      ['food', 1],
      ['temperatureC', 24],
    ])
  })
  it('of a group is what was said first of each', () => {
    const said = [{}, { raised: { food: 'rich' as const } }, { raised: { food: 'sparse' as const, ageWeeks: 9 } }]
    expect(upbringingOf(said)).toEqual({ food: 'rich', ageWeeks: 9 })
  })
})

const rising = [
  [30, 40, 20, 10],
  [18, 36, 30, 16],
  [10, 30, 35, 25],
  [6, 22, 38, 34],
]

/** A line whose generations grew up in these ways. */
function lineRaised(raised: readonly Upbringing[], counts = rising) {
  const l = breedLine()
  let groups: string[] = []
  for (const [t, list] of counts.entries()) {
    const days = 100 * (counts.length - t)
    const generation = l.generation(days, groups)
    l.grade(days - 2, l.spread(list, 'unknown'), { generationId: generation.id, ...raised[t] })
    const parents = [...l.spread([0, 0, 6, 10], 'female'), ...l.spread([0, 0, 4, 8], 'male')]
    if (t < counts.length - 1) groups = [l.breed(days - 5, generation.id, parents).id]
  }
  return l.records()
}
const heritabilityOf = (raised: readonly Upbringing[]) => tellLine(lineRaised(raised), 0.25)!.told.heritability
const heritabilityAt = (ages: readonly (number | undefined)[]) =>
  heritabilityOf(ages.map(ageWeeks => (ageWeeks ? { ageWeeks } : {})))
const twelve = Array.from({ length: 4 }, () => ({ ageWeeks: 12 }))

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
    const records = lineRaised(twelve)
    const l = readLine(records).history
    // the same second generation looked duller when it was young
    const young = { grader: 'A. R.', sex: 'mixed' as const, raised: { ageWeeks: 5 } }
    const cells = [34, 38, 19, 9].map((number, k) => ({ from: k, to: k, number }))
    const groups = l.groups.map((g, t) => (t === 1 ? { ...g, gradings: [...g.gradings, { ...young, cells }] } : g))
    const { draws } = fitLine({ ...l, groups })
    const age = draws.reduce((sum, d) => sum + d.run.slopes[0]!, 0) / draws.length
    expect(age).toBeGreaterThan(0.2)
    expect(draws[0]!.run.differed[0]!.usual).toBe(12)
    // two keepers who graded one animal at that age say nothing else of it
    const pairs = { graders: ['A. R.', 'A. R.'] as const, raised: { ageWeeks: 5 } }
    const table = [34, 38, 19, 9].map((n, k) => [0, 1, 2, 3].map(j => (j === k ? n : 0)))
    const twice = l.groups.map((g, t) => (t === 1 ? { ...g, twice: [{ ...pairs, table }] } : g))
    const paired = fitLine({ ...l, groups: twice }).draws
    expect(paired.reduce((sum, d) => sum + d.run.slopes[0]!, 0) / paired.length).toBeGreaterThan(0.1)
  })
})

describe('food and warmth in which a line grew up', () => {
  const fed = (...food: NonNullable<Upbringing['food']>[]) => heritabilityOf(food.map(f => ({ food: f })))
  it('that were always the same change nothing', () => {
    expect(fed('rich', 'rich', 'rich', 'rich')).toEqual(heritabilityOf([{}, {}, {}, {}]))
  })
  it('that grew richer with the generations may be what the line seems to have gained', () => {
    const alike = heritabilityOf([{}, {}, {}, {}])
    const richer = fed('sparse', 'usual', 'usual', 'rich')
    const poorer = fed('rich', 'usual', 'usual', 'sparse')
    expect(richer.value).toBeLessThan(alike.value - 0.01)
    expect(poorer.value).toBeGreaterThan(richer.value + 0.02)
  })
  it('of warmth nobody knows beforehand which way it goes: what it shows is learnt', () => {
    const l = readLine(lineRaised([{ temperatureC: 22 }, { temperatureC: 22 }, { temperatureC: 22 }, {}])).history
    // young of the second generation that grew up six degrees warmer look paler
    const cells = [38, 38, 17, 7].map((number, k) => ({ from: k, to: k, number }))
    const warm = { grader: 'A. R.', sex: 'mixed' as const, raised: { temperatureC: 28 }, cells }
    const slopeOf = (groups: typeof l.groups) => {
      const { draws } = fitLine({ ...l, groups })
      return draws.reduce((sum, d) => sum + d.run.slopes[0]!, 0) / draws.length
    }
    const paler = slopeOf(l.groups.map((g, t) => (t === 1 ? { ...g, gradings: [...g.gradings, warm] } : g)))
    expect(paler).toBeLessThan(-0.03)
    expect(paler).toBeGreaterThan(-0.15)
    const same = { ...warm, cells: l.groups[1]!.gradings[0]!.cells }
    expect(
      Math.abs(slopeOf(l.groups.map((g, t) => (t === 1 ? { ...g, gradings: [...g.gradings, same] } : g)))),
    ).toBeLessThan(0.02)
  })
})
