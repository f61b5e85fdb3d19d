import { describe, expect, it } from 'vitest'
import {
  besideNext,
  besideTrait,
  fitLine,
  type LineFit,
  readLine,
  SLOPE_PRIOR_SD,
  tellLine,
  varietyAmong,
} from '#core/lines'
import type { EntryOf, Ladder, RungCount } from '#core/records'
import { normalBelow, Z80, zQuantile } from '#core/stats'
import { rungWidth } from '../../../core/lines/lineFit'
import { rangeOf } from '../../../core/lines/sharesTold'
import { breedLine, ladderOf } from './lineParts'

/** A line graded on two ladders in so many generations, bred from its best. */
function twoLadders(generations: readonly { cover: number[]; size: number[] | null; keeper?: string }[]) {
  const l = breedLine()
  const size: Ladder = { ...ladderOf(3), trait: 'Size' }
  const on = (counts: readonly number[]): RungCount[] =>
    counts.map((number, k) => ({ rungId: size.rungs[k]!.id, sex: 'unknown', number }))
  let group: string[] = []
  for (const [t, { cover, size: counts, keeper = 'A. R.' }] of generations.entries()) {
    const days = 400 - 60 * t
    const generation = l.generation(days, group)
    l.grade(days - 1, l.spread(cover, 'unknown'), { generationId: generation.id })
    if (counts) l.grade(days - 2, on(counts), { generationId: generation.id, ladderId: size.id, keeper })
    const parents = [...l.spread([0, 0, 0, 30], 'female'), ...l.spread([0, 0, 0, 24], 'male')]
    group = [l.breed(days - 3, generation.id, parents).id]
  }
  const records = () => ({ ...l.records(), beside: [size] })
  const gradings = () => l.entries.filter((e): e is EntryOf<'grading'> => e.kind === 'grading')
  return { ...l, size, on, records, gradings }
}

const cover = [
  [30, 30, 25, 15],
  [20, 30, 30, 20],
  [12, 26, 34, 28],
  [8, 20, 36, 36],
]
const rising = [
  [40, 50, 10],
  [30, 50, 20],
  [18, 47, 35],
  [8, 42, 50],
]
const falling = rising.map(c => c.toReversed())
const lineWith = (size: readonly (number[] | null)[]) => twoLadders(cover.map((c, t) => ({ cover: c, size: size[t]! })))

describe('a trait beside the one that is bred for', () => {
  it('goes with it where both rise, and against it where it falls', () => {
    const up = tellLine(lineWith(rising).records(), 0.25)!.told.beside[0]!
    const down = tellLine(lineWith(falling).records(), 0.25)!.told.beside[0]!
    expect(up.perRung!.low).toBeGreaterThan(0)
    expect(down.perRung!.high).toBeLessThan(0)
    expect(down.perRung!.value).toBeCloseTo(-up.perRung!.value, 1)
    expect(up.meanRungs[0]).toBeCloseTo(1.7, 9)
    expect(up.counts[3]).toEqual([8, 42, 50])
    // a slope between standard deviations, told in rungs of one for a rung of the other
    const whole = tellLine(lineWith(rising).records(), 0.25)!
    const { slopes, rungsPerSd } = whole.beside[0]!
    const inRungs = rangeOf(slopes.map(s => s.slope * rungsPerSd * rungWidth(whole.fit)))
    expect(up.perRung!.value).toBeCloseTo(inRungs.value, 9)
    expect(up.learnt).toBeGreaterThan(0.1)
  })
  it('is not told before two generations were graded on it', () => {
    const { told, beside, fit } = tellLine(lineWith([[30, 50, 20], null, null, null]).records(), 0.25)!
    expect(told.beside[0]).toMatchObject({ perRung: null, learnt: 0, meanRungs: [1.9, null, null, null] })
    const breeders = told.generations.length > 0 ? fit.model.history.groups.at(-1)!.breeders : []
    expect(besideNext(beside[0]!, fit, { breeders, young: 100 })).toBeNull()
    // all on one rung says nothing either
    expect(tellLine(lineWith(rising.map(() => [0, 90, 0])).records(), 0.25)!.told.beside[0]!.perRung).toBeNull()
  })
  it('is generalised least squares of two generations by hand, where the breeding values are known', () => {
    const l = lineWith([[3000, 5000, 2000], null, [2000, 5000, 3000], null])
    const read = readLine(l.records())
    const fitted = fitLine(read.history)
    // one possible truth: each generation half a standard deviation above the one before
    const draw = fitted.draws[0]!
    const standings = draw.run.standings.map((s, t) => ({ ...s, mean: 0.5 * t }))
    const fit: LineFit = {
      ...fitted,
      draws: Array.from({ length: 400 }, () => ({ ...draw, run: { ...draw.run, standings } })),
    }
    const told = besideTrait(l.size, l.gradings(), { read, fit })
    const slopes = told.slopes.map(s => s.slope).toSorted((a, b) => a - b)
    // the middle of the probit of both borders: 30 to 20 and 80 to 70 of a hundred below
    const rise = (zQuantile(0.3) - zQuantile(0.2) + zQuantile(0.8) - zQuantile(0.7)) / 2
    const perGeneration = 2 * varietyAmong(read.history.groups[1]!.breeders).perGeneration
    const variance = 2 * 0.15 ** 2 + 2 * (2 / 5.5) * perGeneration
    const precision = 1 / SLOPE_PRIOR_SD ** 2 + 1 / variance
    expect(slopes[200]!).toBeCloseTo(rise / variance / precision, 1)
    const wide = slopes[360]! - slopes[40]!
    expect(wide / ((2 * Z80) / Math.sqrt(precision))).toBeCloseTo(1, 1)
  })
  it('weighs the truths: one in which the main trait went the other way counts less', () => {
    const l = lineWith(rising)
    const read = readLine(l.records())
    const fitted = fitLine(read.history)
    const of = (step: number) => {
      const draw = fitted.draws[0]!
      return { ...draw, run: { ...draw.run, standings: draw.run.standings.map((s, t) => ({ ...s, mean: step * t })) } }
    }
    // of steady breeding values no slope is learnt: those that moved explain what was seen
    const fit: LineFit = { ...fitted, draws: Array.from({ length: 400 }, (_, d) => of(d < 200 ? 0.4 : 0)) }
    const { slopes } = besideTrait(l.size, l.gradings(), { read, fit })
    expect(slopes.filter(s => s.draw < 200).length).toBeGreaterThan(260)
  })
  it('is known less where another keeper graded the later generations, and each animal counts once', () => {
    const one = tellLine(lineWith(rising).records(), 0.25)!.told.beside[0]!
    const two = twoLadders(cover.map((c, t) => ({ cover: c, size: rising[t]!, keeper: t < 2 ? 'A. R.' : 'M. T.' })))
    const told = tellLine(two.records(), 0.25)!.told.beside[0]!
    const wide = (b: typeof one) => b.perRung!.high - b.perRung!.low
    expect(wide(told)).toBeGreaterThan(1.1 * wide(one))
    // a second look at the same animals adds nobody
    const first = two.gradings().find(e => e.ladderId === two.size.id)!
    two.grade(398, two.on([100, 0, 0]), { ladderId: two.size.id, againOf: first.id, generationId: first.generationId })
    expect(tellLine(two.records(), 0.25)!.told.beside[0]!.counts[0]).toEqual(rising[0])
  })
  it('takes sexes that were graded apart for what they are: more females later are no rise', () => {
    const l = lineWith([null, null, null, null])
    const at = (t: number, sex: RungCount['sex'], counts: readonly number[]) => {
      const seen = counts.map((number, k) => ({ rungId: l.size.rungs[k]!.id, sex, number }))
      l.grade(390 - 60 * t, seen, { ladderId: l.size.id, generationId: l.generations[t]!.id })
    }
    // females larger than males in every generation, first mostly males, then mostly females
    for (const t of [0, 1, 2, 3]) {
      at(
        t,
        'male',
        [10 - 2 * t, 8 - 2 * t, 2].map(n => 4 * n),
      )
      at(
        t,
        'female',
        [2, 4 + 2 * t, 5 + 2 * t].map(n => 4 * n),
      )
    }
    const apart = tellLine(l.records(), 0.25)!.told.beside[0]!
    const mixed = lineWith(apart.counts)
    const together = tellLine(mixed.records(), 0.25)!.told.beside[0]!
    expect(Math.abs(apart.perRung!.value)).toBeLessThan(0.6 * together.perRung!.value)
  })
})

describe('what a choice does to it', () => {
  const told = tellLine(lineWith(falling).records(), 0.25)!
  const last = told.fit.model.history.groups.at(-1)!.id
  const choice = (top: number, males: number) => [
    { groupId: last, sex: 'female' as const, number: 10, rungs: [0, 0, 10 - top, top], grader: 'A. R.' },
    { groupId: last, sex: 'male' as const, number: males, rungs: [0, 0, 0, males], grader: 'A. R.' },
  ]
  const of = (top: number, males = 8) =>
    besideNext(told.beside[0]!, told.fit, { breeders: choice(top, males), young: 100 })!
  it('costs more the harder the main trait is chosen, and is the less sure the fewer breed', () => {
    expect(of(10).value).toBeLessThan(of(0).value)
    expect(of(10).value).toBeLessThan(0)
    expect(of(10, 1).high - of(10, 1).low).toBeGreaterThan(1.2 * (of(10, 20).high - of(10, 20).low))
  })
  it('is drift alone where the slope is none', () => {
    const slopes = Array.from({ length: 400 }, (_, draw) => ({ draw, slope: 0 }))
    const breeders = choice(10, 8)
    const { low, high } = besideNext({ slopes, rungsPerSd: 2 }, told.fit, { breeders, young: 100 })!
    const sd = Math.sqrt((2 / 5.5) * (2 * varietyAmong(breeders).perGeneration + 1 / 200))
    expect((high - low) / (2 * 2 * Z80 * sd)).toBeCloseTo(1, 0)
    expect(Math.abs(normalBelow((high + low) / 2, 0, 2 * sd) - 0.5)).toBeLessThan(0.1)
  })
})
