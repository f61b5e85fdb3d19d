import { describe, expect, it } from 'vitest'
import { breedersNext, fitLine, inbreedingOfBoxes, outcrossAhead, readLine } from '#core/lines'
import { bred, lineOf } from './historyParts'
import { breedLine } from './lineParts'

describe('boxes whose males go round', () => {
  const four = { boxes: 4, malesEach: 1, femalesEach: 4 }
  const of = (way: 'inTurn' | 'stay' | 'together', generations = 12) => inbreedingOfBoxes(four, way, generations)
  it('begin with young that are not inbred, and never fall', () => {
    for (const way of ['inTurn', 'stay', 'together'] as const) {
      const f = of(way)
      expect(f[0]).toBe(0)
      for (const [t, now] of f.entries()) expect(now).toBeGreaterThanOrEqual((f[t - 1] ?? 0) - 1e-9)
    }
  })
  it('stay least inbred where males go to the next box (common practice; Kimura & Crow 1963)', () => {
    expect(of('inTurn')[11]).toBeLessThan(of('together')[11]!)
    expect(of('together')[11]).toBeLessThan(of('stay')[11]!)
  })
  it('that stay are each a line of its own, however many there are', () => {
    for (const [t, f] of inbreedingOfBoxes({ ...four, boxes: 8 }, 'stay', 6).entries())
      expect(f).toBeCloseTo(of('stay', 6)[t]!, 9)
    expect(inbreedingOfBoxes({ ...four, boxes: 8 }, 'inTurn', 6)[5]).toBeLessThan(of('inTurn', 6)[5]!)
  })
  it('a pair alone is brother by sister: 0, 1/4, 3/8, 1/2 (Wright 1921)', () => {
    const pair = inbreedingOfBoxes({ boxes: 1, malesEach: 1, femalesEach: 1 }, 'stay', 4)
    expect(pair.map(f => Number(f.toFixed(6)))).toEqual([0, 0.25, 0.375, 0.5])
    expect(() => inbreedingOfBoxes({ ...four, malesEach: 0 }, 'stay', 4)).toThrow('a male and a female')
  })
})

describe('new blood', () => {
  const line = lineOf([
    { counts: [40, 30, 20, 10], kept: [0, 0, 6, 8] },
    { counts: [20, 30, 30, 20], kept: [0, 0, 0, 12] },
    { counts: [8, 24, 38, 30], kept: [0, 0, 0, 10] },
  ])
  const fit = fitLine(line)
  const breeders = (['male', 'female'] as const).map(sex => bred('g2', [0, 0, 0, 10], sex))
  const ask = (generations: number) => outcrossAhead(fit, { breeders, young: 100, generations, nowMean: 2.9 })!
  const told = ask(6)
  it('costs about half of what was gained, and is made good by breeding on', () => {
    const [first, on] = [told.crossed[0]!.meanRung.value, told.on[0]!.meanRung.value]
    expect(first).toBeLessThan(on - 0.3)
    // the founders stood at 2.0: half way between them and what it would be
    expect(Math.abs(first - (2 + on) / 2)).toBeLessThan(0.25)
    expect(told.crossed.at(-1)!.meanRung.value).toBeGreaterThan(first + 0.5)
    expect(told.backAfter).toBeGreaterThan(1)
    expect(told.crossed[told.backAfter! - 1]!.meanRung.value).toBeGreaterThanOrEqual(2.9)
    expect(told.crossed[told.backAfter! - 2]!.meanRung.value).toBeLessThan(2.9)
  })
  it('is level at once with a line that was bred downwards, and never with one that goes on rising', () => {
    const down = lineOf([
      { counts: [10, 20, 30, 40], kept: [8, 6, 0, 0] },
      { counts: [20, 30, 30, 20], kept: [12, 0, 0, 0] },
      { counts: [40, 36, 16, 8], kept: [10, 0, 0, 0] },
    ])
    const worst = (['male', 'female'] as const).map(sex => bred('g2', [10, 0, 0, 0], sex))
    const fallen = outcrossAhead(fitLine(down), { breeders: worst, young: 100, generations: 3, nowMean: 1.9 })!
    expect(fallen.caughtUpAfter).toBe(1)
    expect(fallen.crossed[0]!.meanRung.value).toBeGreaterThan(fallen.on[0]!.meanRung.value + 0.3)
    expect(told.caughtUpAfter).toBeNull()
  })
  it('is told less surely of one male than of twenty', () => {
    const wide = (males: number) => {
      const set = [bred('g2', [0, 0, 0, males], 'male'), breeders[1]!]
      const { low, high } = outcrossAhead(fit, { breeders: set, young: 100, generations: 1, nowMean: 2.9 })!.crossed[0]!
        .meanRung
      return high - low
    }
    expect(wide(1)).toBeGreaterThan(1.05 * wide(20))
  })
  it('is not back within too few generations, and is none without both sexes', () => {
    expect(ask(1).backAfter).toBeNull()
    expect(ask(1).caughtUpAfter).toBeNull()
    expect(outcrossAhead(fit, { breeders: breeders.slice(0, 1), young: 100, generations: 3, nowMean: 3 })).toBeNull()
  })
})

describe('who breeds next', () => {
  it('are those that are at it, or else the best as many as the last time', () => {
    const l = breedLine()
    const g1 = l.generation(100)
    l.grade(98, l.spread([20, 10, 10, 10], 'unknown'), { generationId: g1.id })
    const first = l.breed(90, g1.id, [...l.spread([0, 0, 0, 6], 'female'), ...l.spread([0, 0, 1, 2], 'male')])
    const g2 = l.generation(40, [first.id])
    expect(breedersNext(readLine(l.records())).map(b => [b.groupId, b.sex, b.number])).toEqual([
      [g1.id, 'male', 3],
      [g1.id, 'female', 6],
    ])
    l.grade(38, l.spread([4, 20, 12, 4], 'unknown'), { generationId: g2.id })
    expect(breedersNext(readLine(l.records()))).toMatchObject([
      { groupId: g2.id, sex: 'male', number: 3, rungs: [0, 0, 1, 2] },
      { groupId: g2.id, sex: 'female', number: 6, rungs: [0, 0, 4, 2] },
    ])
    l.breed(5, g2.id, [...l.spread([0, 0, 2, 2], 'female'), ...l.spread([0, 0, 0, 1], 'male')], {
      state: 'running',
    })
    expect(breedersNext(readLine(l.records())).map(b => [b.sex, b.number])).toEqual([
      ['male', 1],
      ['female', 4],
    ])
  })
})
