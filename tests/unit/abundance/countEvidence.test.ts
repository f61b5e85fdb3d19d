import { describe, expect, it } from 'vitest'
import {
  countEvidence,
  depletion,
  markRecapture,
  quadrats,
  removalPasses,
  repeatedCounts,
  schnabel,
} from '#core/abundance'
import { groupOf } from '#core/groups'
import type { EntryOf } from '#core/records'

const { counting } = groupOf('neocaridina')
const of = (count: Partial<EntryOf<'count'>> & Pick<EntryOf<'count'>, 'number' | 'method'>, sheds = true) =>
  countEvidence(count, counting, sheds)

describe('one number', () => {
  it('is a part of those that are there', () => {
    expect(of({ number: 88, method: 'allSeen' }).value).toBeCloseTo(100, 9)
    expect(of({ number: 60, method: 'atFood' }).value).toBeCloseTo(100, 9)
    expect(of({ number: 20, method: 'partOfTank', share: 0.2 }).value).toBeCloseTo(100, 9)
    expect(of({ number: 100, method: 'estimate' }).value).toBeCloseTo(100, 9)
  })
  it('rough ways and small numbers are doubted more', () => {
    expect(of({ number: 100, method: 'estimate' }).r).toBeGreaterThan(of({ number: 100, method: 'allSeen' }).r)
    expect(of({ number: 4, method: 'atFood' }).r).toBeGreaterThan(of({ number: 400, method: 'atFood' }).r)
  })
  it('none seen is heard', () => {
    const { value, r } = of({ number: 0, method: 'allSeen' })
    expect(value).toBeLessThan(1)
    expect(r).toBeGreaterThan(1)
  })
  it('refuses what is no count', () => {
    expect(() => of({ number: -1, method: 'allSeen' })).toThrow(/number/)
  })
})

describe('photos', () => {
  it('the mean of frames is surer than one of them', () => {
    const one = of({ number: 44, method: 'photo', share: 1 })
    const three = of({ number: 44, method: 'photo', share: 1, series: [43, 45, 44] })
    expect(three.value).toBeCloseTo(one.value, 0)
    expect(three.r).toBeLessThan(one.r + 1e-3)
    expect(of({ number: 44, method: 'photo', share: 1, series: [20, 68] }).r).toBeGreaterThan(three.r)
  })
  it('a part of the tank is expanded, and doubted for it', () => {
    const part = of({ number: 44, method: 'photo', share: 0.25 })
    expect(part.value / of({ number: 44, method: 'photo', share: 1 }).value).toBeCloseTo(4, 1)
    expect(part.r).toBeGreaterThan(of({ number: 44, method: 'photo', share: 1 }).r)
  })
  it('the keeper’s own hit rate takes the place of the group’s, and is named', () => {
    const own = of({ number: 44, method: 'photo', share: 1, hitRate: { share: 0.5, sdLog: 0.1 } })
    expect(own.value).toBeCloseTo(88, 0)
    expect(own.notes).toContain('ownHitRate')
  })
})

describe('several counts of a day', () => {
  it('counts that agree speak of a number near them; counts that scatter, of more', () => {
    const close = of({ number: 52, method: 'repeated', series: [50, 52, 51, 50] })
    const wide = of({ number: 52, method: 'repeated', series: [52, 30, 44, 26] })
    expect(close.value).toBeGreaterThan(50)
    expect(close.value).toBeLessThan(64)
    expect(wide.value).toBeGreaterThan(50)
    expect(wide.share).toBeLessThan(close.share)
    expect(of({ number: 9, method: 'repeated', series: [9, 5] }).notes).toContain('scatterTellsLittle')
  })
  it('more counts narrow it', () => {
    const e = (counts: number[]) => repeatedCounts(counts, { mean: 0.8, sd: 0.1 }, 0.8)
    expect(e([40, 41, 39, 40, 42, 38]).sd).toBeLessThan(e([40, 41]).sd)
    expect(() => e([4])).toThrow(/two or more/)
  })
})

describe('passes', () => {
  it('what falls tells how many are left', () => {
    const e = of({ number: 103, method: 'passes', series: [64, 30, 9] })
    expect(e.value).toBeGreaterThan(103)
    expect(e.value).toBeLessThan(118)
    expect(e.low).toBeGreaterThan(95)
    expect(e.notes).toEqual([])
  })
  it('what does not fall leaves it open above, and says so', () => {
    const e = of({ number: 30, method: 'passes', series: [10, 10, 10] })
    expect(e.notes).toEqual(['passesDoNotFall'])
    expect(e.high / e.low).toBeGreaterThan(3)
  })
  it('passes that took differently long go by the catch of a minute (Leslie)', () => {
    const even = of({ number: 100, method: 'passes', series: [50, 30, 20] })
    const longer = of({ number: 100, method: 'passes', series: [50, 30, 20], efforts: [10, 10, 30] })
    // twenty in half an hour is a steeper fall than twenty in ten minutes: fewer are left
    expect(longer.value).toBeLessThan(even.value)
    expect(longer.value).toBeGreaterThanOrEqual(100)
    expect(of({ number: 20, method: 'passes', series: [10, 10], efforts: [10, 10] }).notes).toEqual(['passesDoNotFall'])
    expect(of({ number: 16, method: 'passes', series: [10, 6], efforts: [10, 12] }).r).toBeCloseTo(0.25, 9)
  })
  it('nothing caught at all is a small number', () => {
    expect(of({ number: 0, method: 'passes', series: [0, 0] }).value).toBeLessThan(2)
  })
  it('refuses one pass, and negative catches', () => {
    expect(() => removalPasses([5], 1)).toThrow(/two or more/)
    expect(() => removalPasses([5, -1], 1)).toThrow(/0 or more/)
    expect(() => depletion([5, 4], [1], 'leslie')).toThrow(/as many/)
    expect(() => depletion([5, 4], [1, 0], 'leslie')).toThrow(/effort/)
    expect(depletion([4, 5], [1, 1], 'leslie')).toBeNull()
  })
})

describe('marks', () => {
  const marks = [
    { caught: 30, recaptured: 0 },
    { caught: 30, recaptured: 9 },
    { caught: 28, recaptured: 14 },
  ]
  it('snails keep theirs', () => {
    const e = of({ number: 65, method: 'marks', marks }, false)
    expect(e.value).toBeGreaterThan(80)
    expect(e.value).toBeLessThan(120)
    expect(e.notes).toEqual([])
  })
  it('large catches with few marks among them are reckoned at once', () => {
    const [low, high] = markRecapture({ marked: 5000, caught: 5000, recaptured: 5 }, 0.95).exact
    expect(low).toBeGreaterThan(2_000_000)
    expect(high).toBeGreaterThan(10_000_000)
  })
  it('one marking and one look is Chapman’s number', () => {
    const e = of(
      {
        number: 61,
        method: 'marks',
        marks: [
          { caught: 33, recaptured: 0 },
          { caught: 47, recaptured: 9 },
        ],
      },
      false,
    )
    expect(e.value).toBeCloseTo(162.2, 6)
    expect(e.low).toBeGreaterThan(105)
    expect(e.high).toBeLessThan(260)
  })
  it('animals that molt shed theirs: a warning and a wider range', () => {
    const e = of({ number: 65, method: 'marks', marks }, true)
    expect(e.notes).toContain('marksAreShed')
    expect(e.r).toBeGreaterThan(of({ number: 65, method: 'marks', marks }, false).r)
  })
  it('few that came back are named', () => {
    expect(
      of(
        {
          number: 40,
          method: 'marks',
          marks: [
            { caught: 20, recaptured: 0 },
            { caught: 20, recaptured: 2 },
          ],
        },
        false,
      ).notes,
    ).toContain('fewRecaptures')
    expect(
      of(
        {
          number: 40,
          method: 'marks',
          marks: [
            { caught: 20, recaptured: 0 },
            { caught: 20, recaptured: 0 },
          ],
        },
        false,
      ).value,
    ).toBeGreaterThan(100)
  })
  it('refuses marks that cannot be', () => {
    expect(() => markRecapture({ marked: 5, caught: 6, recaptured: 7 }, 0.95)).toThrow(/recaptured/)
    expect(() => schnabel([{ caught: 5, recaptured: 0 }], 0.8)).toThrow(/two or more/)
    expect(() =>
      schnabel(
        [
          { caught: 5, recaptured: 0 },
          { caught: 5, recaptured: 6 },
        ],
        0.8,
      ),
    ).toThrow(/catch 2/)
  })
})

describe('samples', () => {
  it('expand by their share; heaps are doubted', () => {
    const even = of({ number: 40, method: 'partOfTank', share: 0.05, series: [10, 11, 9, 10] })
    const heaps = of({ number: 40, method: 'partOfTank', share: 0.05, series: [36, 2, 1, 1] })
    expect(even.value).toBeCloseTo(200, 0)
    expect(heaps.r).toBeGreaterThan(even.r)
    expect(heaps.notes).toEqual(['heaps'])
    expect(() => quadrats([1, 2], 0.6, 0.8)).toThrow(/within the tank/)
    expect(() => quadrats([1], 0.1, 0.8)).toThrow(/two or more/)
  })
})
