import { describe, expect, it } from 'vitest'
import { breedingCore, bySex, freeOnRungs, offersByRung, stockByRung, worthByRung, worthOf } from '#core/lines'
import type { Entry, RungCount } from '#core/records'
import { entryOf, nextId, removal, withdrawal } from '../../make'
import { breedLine } from './lineParts'

const l = breedLine()
const g1 = l.generation(60)
const seen = [...l.spread([0, 10, 20, 10], 'female'), ...l.spread([10, 20, 10, 0], 'male')]
const grading = l.grade(40, seen, { generationId: g1.id })
const stock = (
  entries: Entry[],
  grown = { females: 80, males: 40 },
  { colonyId = l.colonyId, breeding = [] as RungCount[] } = {},
) => stockByRung({ ladder: l.ladder, colonyId, gradings: [grading], entries, breeding, grown })
const left = (days: number, rungs: ReturnType<typeof l.spread>) =>
  entryOf('removal', days, {
    ...{ colonyId: l.colonyId, outlet: 'sold', number: rungs.reduce((n, r) => n + r.number, 0), rungs },
  })

describe('grown animals by rung', () => {
  it('are the model’s number, shared out as they were graded, sex by sex', () => {
    expect(stock([])).toEqual({ females: [0, 20, 40, 20], males: [10, 20, 10, 0] })
    expect(stock([], { females: 0, males: 3 })).toEqual({ females: [0, 0, 0, 0], males: [1, 1, 1, 0] })
  })
  it('are no others where a second keeper graded the same ones again', () => {
    const seen = [...l.spread([40, 0, 0, 0], 'female'), ...l.spread([40, 0, 0, 0], 'male')]
    const again = { ...grading, id: nextId(), keeper: 'M. T.', againOf: grading.id, seen }
    const both = stockByRung({
      ...{ ladder: l.ladder, colonyId: l.colonyId, gradings: [grading, again], entries: [], breeding: [] },
      grown: { females: 80, males: 40 },
    })
    expect(both).toEqual(stock([]))
  })
  it('lose those that left on a known rung since, and only those', () => {
    const best = left(10, l.spread([0, 0, 0, 15], 'female'))
    // ninety-five before, of whom a quarter stood on top: of 23.75 fifteen are gone
    expect(stock([best], { females: 80, males: 40 }).females).toEqual([0, 24, 47, 9])
    expect(stock([best]).males).toEqual([10, 20, 10, 0])
    expect(stock([left(50, l.spread([0, 0, 0, 15], 'female'))])).toEqual(stock([]))
    expect(stock([removal(l.colonyId, 10, 15)])).toEqual(stock([]))
    expect(stock([best, withdrawal(best)])).toEqual(stock([]))
    expect(stock([left(10, l.spread([0, 0, 0, 500], 'female'))]).females[3]).toBe(0)
  })
  it('gain those that came', () => {
    const came = entryOf('move', 5, {
      ...{ colonyId: nextId(), toColonyId: l.colonyId, number: 20, rungs: l.spread([0, 0, 0, 20], 'female') },
    })
    expect(stock([came]).females).toEqual([0, 15, 30, 35])
    // of more than there are now nobody was there before them
    const many = { ...came, number: 40, rungs: l.spread([0, 0, 20, 20], 'female') } as Entry
    expect(stock([many], { females: 10, males: 0 }).females).toEqual([0, 0, 5, 5])
    // a box holds whoever came into it, and a glass in which nobody was graded stands as the line does
    const box = nextId()
    const intoBox = entryOf('move', 5, {
      ...{ colonyId: l.colonyId, toColonyId: box, number: 5, rungs: l.spread([0, 0, 0, 5], 'female') },
    })
    expect(stock([intoBox], { females: 4, males: 2 }, { colonyId: box })).toEqual({
      females: [0, 0, 0, 4],
      males: [0, 0, 0, 0],
    })
    expect(stock([], { females: 4, males: 4 }, { colonyId: box })).toEqual({
      females: [0, 1, 2, 1],
      males: [1, 2, 1, 0],
    })
  })
})

describe('those that breed', () => {
  const running = l.breed(5, g1.id, [...l.spread([0, 0, 3, 9], 'female'), ...l.spread([0, 0, 4, 0], 'male')], {
    state: 'running',
  })
  it('are the running groups of that colony', () => {
    expect(bySex(breedingCore([running], l.colonyId))).toEqual({ females: 12, males: 4 })
    expect(breedingCore([{ ...running, state: 'released' }], l.colonyId)).toEqual([])
    expect(breedingCore([running], nextId())).toEqual([])
    expect(bySex(l.spread([0, 5, 0, 0], 'unknown'))).toEqual({ females: 3, males: 2 })
  })
  it('stand where they were put, whatever the others do', () => {
    const breeding = [...l.spread([0, 0, 3, 30], 'female'), ...l.spread([0, 0, 4, 0], 'male')]
    // of eighty thirty-three are known; forty-seven share the twenty and thirty-seven that were graded below
    expect(stock([], undefined, { breeding }).females).toEqual([0, 16, 34, 30])
    expect(stock([], undefined, { breeding }).males).toEqual([10, 20, 10, 0])
    // where the model sees fewer than breed, no more are made up
    expect(stock([], { females: 11, males: 2 }, { breeding })).toEqual({ females: [0, 0, 1, 10], males: [0, 0, 2, 0] })
  })
  it('are never offered: of each rung what is left of it', () => {
    const priced = { ...l.ladder, rungs: l.ladder.rungs.map((r, k) => ({ ...r, priceEach: k + 1 })) }
    const core = breedingCore([running], l.colonyId)
    const offers = offersByRung(priced, { stock: stock([]), core, offered: 30 })
    expect(offers.map(o => [o.there, o.breeding, o.atMost])).toEqual([
      [20, 9, 11],
      [50, 7, 30],
      [40, 0, 30],
      [10, 0, 10],
    ])
    // thirty of a hundred and four, as they come
    expect(offers.map(o => o.offered)).toEqual([3, 12, 12, 3])
    expect(worthOf(offers)).toBe(3 * 4 + 12 * 3 + 12 * 2 + 3)
    // what is ordered of a rung is no longer on offer there
    const ordered = new Map([[l.rungId(2), 40]])
    const less = offersByRung(priced, { stock: stock([]), core, offered: 30, reserved: ordered })
    expect(less.map(o => [o.reserved, o.atMost])).toEqual([
      [0, 11],
      [40, 3],
      [0, 30],
      [0, 10],
    ])
    expect(less.reduce((n, o) => n + o.offered, 0)).toBe(30)
    expect(less[1]!.offered).toBeLessThanOrEqual(3)
    // of a hundred and twenty grown: 20, 50, 40 and 10 less those that breed
    expect(Object.values(freeOnRungs(offers)).map(x => Math.round(120 * x))).toEqual([11, 43, 40, 10])
    expect(freeOnRungs([])).toEqual({})
    expect(worthByRung(priced, l.spread([0, 1, 0, 3], 'male'))).toBe(2 + 3 * 4)
    expect(worthByRung(l.ladder, l.spread([0, 1, 0, 3], 'male'))).toBe(0)
    const all = offersByRung(l.ladder, { stock: stock([]), core, offered: 500 })
    expect(all.map(o => o.offered)).toEqual([11, 43, 40, 10])
    expect([all[0]!.priceEach, worthOf(all)]).toEqual([null, 0])
  })
})
