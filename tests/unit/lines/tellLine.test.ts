import { describe, expect, it } from 'vitest'
import { tellLine } from '#core/lines'
import { breedLine } from './lineParts'

/** A line whose generations were graded like this; the best twelve of each bred. */
function told(gradings: readonly (readonly number[])[], { keeper = 'A. R.', now = false } = {}) {
  const l = breedLine()
  let groups: string[] = []
  for (const [t, counts] of gradings.entries()) {
    const days = 100 * (gradings.length - t)
    const generation = l.generation(days, groups)
    const newest = t === gradings.length - 1
    l.grade(days - 2, l.spread(counts, 'unknown'), { generationId: generation.id, ...(newest && { keeper }) })
    if (newest && !now) break
    const parents = [...l.spread([0, 0, 4, 4], 'female'), ...l.spread([0, 0, 2, 2], 'male')]
    groups = [l.breed(days - 5, generation.id, parents).id]
  }
  return tellLine(l.records(), 0.25)!.told
}
const rising = [
  [30, 40, 20, 10],
  [18, 36, 30, 16],
  [10, 30, 35, 25],
  [6, 22, 38, 34],
  [3, 16, 37, 44],
]

describe('a line that is told', () => {
  it('rises, with what it gained', () => {
    const line = told(rising)
    expect(line.heading).toBe('rising')
    expect(line.bestFrom).toBe(2)
    expect(line.best!.first).toBeCloseTo(0.3, 9)
    expect(line.best!.now).toBeCloseTo(0.81, 9)
    // 3.22 − 2.44 over three generations, as far as the fit goes along with what was graded
    expect(Math.abs(line.pace! - (3.22 - 2.44) / 3)).toBeLessThan(0.05)
    expect(line.known).toBe(true)
    expect(line.next).toBeNull()
    expect(line.generations.map(g => g.inbreeding.value > 0)).toEqual([false, false, true, true, true])
  })
  it('says nothing of where it goes after one generation', () => {
    const line = told(rising.slice(0, 1))
    expect(line.heading).toBe('unknown')
    expect([line.pace, line.came, line.variety]).toEqual([null, null, null])
    expect(line.known).toBe(false)
  })
  it('comes to a plateau, falls, or stands still', () => {
    const high = [6, 22, 38, 34]
    expect(told([...rising.slice(0, 3), high, [7, 21, 38, 34], [6, 23, 37, 34], high]).heading).toBe('plateau')
    expect(told([rising[3]!, rising[2]!, rising[0]!, [45, 35, 15, 5]]).heading).toBe('falling')
    expect(told([rising[1]!, [18, 36, 30, 16]]).heading).not.toBe('falling')
  })
  it('falls only where four draws of five do', () => {
    const shrinking = (f: number) =>
      told([1, f, f * f].map(by => [10 / by, 30 / Math.sqrt(by), 35 * Math.sqrt(by), 25 * by].map(Math.round))).heading
    expect([0.45, 0.52].map(shrinking)).toEqual(['falling', 'falling'])
    expect([0.6, 0.7].map(shrinking)).toEqual(['still', 'still'])
  })
  it('forecasts the young of those who breed now', () => {
    const line = told(rising.slice(0, 3), { now: true })
    expect(line.next!.upFrom[2]!.value).toBeGreaterThan(0.5)
    expect(line.generationsLeft).toBeGreaterThan(1)
    expect(line.variety).toMatchObject({ females: 8, males: 4 })
  })
  it('holds the newest against its forecast, and names a fall that breeding does not explain', () => {
    const usual = told(rising)
    expect(usual.came!.unexplained).toBe(false)
    expect(usual.came!.meanRung).toBeCloseTo(3.22, 6)
    expect(usual.came!.forecast.meanRung.low).toBeLessThan(3.22)
    const fallen = told([...rising.slice(0, 4), [32, 38, 20, 10]])
    expect(fallen.came!.unexplained).toBe(true)
    // a rise is no alarm
    expect(told([...rising.slice(0, 4), [0, 0, 10, 90]]).came!.unexplained).toBe(false)
  })
  it('tells how a keeper sees beside the one who graded most', () => {
    const [first, other] = told([...rising.slice(0, 4), [20, 38, 28, 14]], { keeper: 'M. T.' }).keepers
    expect(first).toMatchObject({ name: 'A. R.', graded: 400, shift: null, measured: false })
    expect(other).toMatchObject({ name: 'M. T.', graded: 100, measured: false })
    expect(other!.shift!.value).toBeLessThan(0)
  })
  it('does not take a strict eye for a fall: its pace is that of the animals', () => {
    const l = breedLine()
    let groups: string[] = []
    for (const [t, counts] of rising.entries()) {
      const days = 100 * (rising.length - t)
      const generation = l.generation(days, groups)
      const newest = t === rising.length - 1
      const strict = [...counts.slice(1), 0].map((n, k) => (k === 0 ? n + counts[0]! : n))
      if (t === 1) {
        // both graded these, one of them a rung lower
        const list = counts.flatMap((n, k) => Array.from({ length: n }, () => k))
        const one = (k: number) => ({ rungId: l.rungId(k), sex: 'unknown' as const, number: 1 })
        const first = l.grade(days - 2, list.map(one), { generationId: generation.id, inOrder: true })
        const again = { generationId: generation.id, inOrder: true, againOf: first.id, keeper: 'M. T.' }
        l.grade(
          days - 2,
          list.map(k => one(Math.max(0, k - 1))),
          again,
        )
      } else {
        const keeper = newest ? 'M. T.' : 'A. R.'
        l.grade(days - 2, l.spread(newest ? strict : counts, 'unknown'), { generationId: generation.id, keeper })
      }
      if (newest) break
      groups = [
        l.breed(days - 5, generation.id, [...l.spread([0, 0, 4, 4], 'female'), ...l.spread([0, 0, 2, 2], 'male')]).id,
      ]
    }
    const { told: line } = tellLine(l.records(), 0.25)!
    const raw = (line.generations[4]!.meanRung! - line.generations[1]!.meanRung!) / 3
    expect(raw).toBeLessThan(0.1)
    expect(line.pace).toBeGreaterThan(raw + 0.1)
    expect(line.heading).toBe('rising')
  })
  it('takes breeders of a keeper whose sessions are all taken back', () => {
    const l = breedLine()
    const generation = l.generation(100)
    l.grade(98, l.spread(rising[0]!, 'unknown'), { generationId: generation.id })
    const parents = [...l.spread([0, 0, 4, 4], 'female'), ...l.spread([0, 0, 2, 2], 'male')]
    l.breed(95, generation.id, parents, { keeper: 'S. O.' })
    const { next } = tellLine(l.records(), 0.25)!.told
    expect(next!.upFrom[2]!.value).toBeGreaterThan(0.2)
  })
  it('is nothing before anybody was graded', () => {
    const l = breedLine()
    expect(tellLine(l.records(), 0.25)).toBeNull()
    l.generation(10)
    expect(tellLine(l.records(), 0.25)).toBeNull()
  })
})

describe('two keepers', () => {
  const l = breedLine()
  const generation = l.generation(20)
  const one = (k: number) => ({ rungId: l.rungId(k), sex: 'female' as const, number: 1 })
  const rungs = [0, 0, 1, 1, 1, 2, 2, 2, 3, 3, 1, 2]
  const first = l.grade(9, rungs.map(one), { inOrder: true, generationId: generation.id })
  it('agree by a weighted kappa', () => {
    l.grade(
      8,
      rungs.map(k => one(Math.max(0, k - 1))),
      { inOrder: true, againOf: first.id, keeper: 'M. T.' },
    )
    const [agreement] = tellLine(l.records(), 0.25)!.told.agreements
    expect(agreement).toMatchObject({ graders: ['A. R.', 'M. T.'], n: 12 })
    expect(agreement!.kappa).toBeGreaterThan(0.2)
    expect(agreement!.kappa).toBeLessThan(0.7)
    expect(tellLine(l.records(), 0.25)!.told.keepers[1]).toMatchObject({ name: 'M. T.', measured: true })
  })
  it('agree wholly where each grade is the same', () => {
    l.entries.pop()
    l.grade(8, rungs.map(one), { inOrder: true, againOf: first.id, keeper: 'M. T.' })
    expect(tellLine(l.records(), 0.25)!.told.agreements).toMatchObject([{ kappa: 1, se: 0 }])
  })
})

describe('throwbacks', () => {
  it('are held against one gene and many, once three generations had some', () => {
    const falling = [
      [16, 30, 30, 24],
      [8, 30, 32, 30],
      [5, 28, 34, 33],
      [3, 25, 36, 36],
    ]
    const ways = told(falling).throwbacks!
    expect(ways.map(w => w.how)).toEqual(['recessive', 'many', 'oneInTwo', 'oneInFour'])
    expect(ways.reduce((sum, w) => sum + w.chance, 0)).toBeCloseTo(1, 9)
    expect(ways[0]!.chance + ways[1]!.chance).toBeGreaterThan(0.95)
    expect(told(falling.slice(0, 2)).throwbacks).toBeNull()
  })
})
