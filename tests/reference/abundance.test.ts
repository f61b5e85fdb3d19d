import { readFileSync } from 'node:fs'
import hypergeometricCdf from '@stdlib/stats-base-dists-hypergeometric-cdf'
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
import { counting, M } from '../../core/groups/basis'
import file from './data/abundance.json'
import { casesOf, excess } from './tolerance'

/** Every case carries its own source. */
const near = (got: number | null, expected: number, tolerance = { rel: 1e-8, abs: 1e-9 }) =>
  expect(excess(got!, expected, tolerance)).toBe(0)

describe('mark and recapture: Lincoln & Petersen, Chapman (1951), exact hypergeometric interval', () => {
  it.each(
    casesOf<
      { M: number; C: number; R: number; level: number },
      {
        lincolnPetersen: number | null
        chapman: number
        chapmanVar: number
        chapmanCI95: [number, number]
        exactHypergeomCI?: [number, number]
      }
    >(file, 'mark_recapture_single'),
  )('$id', ({ inputs, expected }) => {
    const e = markRecapture({ marked: inputs.M, caught: inputs.C, recaptured: inputs.R }, inputs.level)
    if (expected.lincolnPetersen === null) expect(e.lincolnPetersen).toBeNull()
    else near(e.lincolnPetersen, expected.lincolnPetersen)
    near(e.chapman, expected.chapman)
    near(e.variance, expected.chapmanVar)
    near(e.interval[0], expected.chapmanCI95[0])
    near(e.interval[1], expected.chapmanCI95[1])
    if (expected.exactHypergeomCI) expect(e.exact).toEqual(expected.exactHypergeomCI)
  })
  it('the ends of the exact interval are where a library’s hypergeometric tails cross 2.5 %', () => {
    const {
      exact: [low, high],
    } = markRecapture({ marked: 40, caught: 36, recaptured: 9 }, 0.95)
    const few = (n: number) => hypergeometricCdf(9, n, 40, 36)
    const many = (n: number) => 1 - hypergeometricCdf(8, n, 40, 36)
    expect([few(low) > 0.025, few(low - 1) > 0.025, many(high!) > 0.025, many(high! + 1) > 0.025]).toEqual([
      true,
      false,
      true,
      false,
    ])
  })
})

describe('several catches: Schnabel (1938), Schumacher & Eschmeyer (1943)', () => {
  it.each(
    casesOf<
      { C: number[]; R: number[]; level: number },
      { schnabel: number; schnabelPlus1: number; schumacherEschmeyer: number; poissonCI95: [number, number] }
    >(file, 'schnabel'),
  )('$id', ({ inputs, expected }) => {
    const e = schnabel(
      inputs.C.map((caught, i) => ({ caught, recaptured: inputs.R[i]! })),
      inputs.level,
    )
    near(e.schnabel, expected.schnabel)
    near(e.schnabelPlus1, expected.schnabelPlus1)
    near(e.schumacherEschmeyer, expected.schumacherEschmeyer)
    near(e.interval[0], expected.poissonCI95[0])
    near(e.interval[1], expected.poissonCI95[1])
  })
})

describe('removal passes: Zippin (1956), Carle & Strub (1978)', () => {
  it.each(
    casesOf<
      { catches: number[] },
      {
        T: number
        carleStrubN: number
        carleStrubSE: number
        mleIntegerN: number
        mleP: number
        mleSE: number
        profileCI95: [number, number]
      }
    >(file, 'removal'),
  )('$id', ({ inputs, expected }) => {
    // half the 95 % quantile of chi-square with one degree of freedom
    const e = removalPasses(inputs.catches, 3.841458820694124 / 2)
    expect(e).toMatchObject({
      caught: expected.T,
      zippin: expected.mleIntegerN,
      carleStrub: expected.carleStrubN,
      interval: expected.profileCI95,
    })
    near(e.catchShare, expected.mleP)
    near(e.zippinStandardError, expected.mleSE)
    near(e.carleStrubStandardError, expected.carleStrubSE)
  })
  it('has no number where the catches do not fall, and says so', () => {
    const e = removalPasses([10, 12, 15], 1.92)
    expect(e.zippin).toBeNull()
    expect(e.interval[1]).toBeNull()
    expect(e.carleStrub).toBeGreaterThanOrEqual(37)
  })
})

describe('depletion: Leslie & Davis (1939), DeLury (1947), with Ricker’s half step and without', () => {
  it.each(casesOf<{ catch: number[]; effort: number[] }, Record<string, number>>(file, 'depletion_regression'))(
    '$id',
    ({ inputs, expected }) => {
      const of = (method: 'leslie' | 'deLury', ricker: boolean) =>
        depletion(inputs.catch, inputs.effort, method, ricker)!
      near(of('leslie', false).number, expected.leslie_N0!)
      near(of('leslie', false).catchability, expected.leslie_q!)
      near(of('leslie', false).standardError, expected.leslie_seN0!)
      near(of('leslie', true).number, expected.leslieRicker_N0!)
      near(of('leslie', true).standardError, expected.leslieRicker_seN0!)
      near(of('deLury', false).number, expected.delury_N0!)
      near(of('deLury', true).number, expected.deluryRicker_N0!)
    },
  )
})

describe('samples of equal size: Cochran (1977)', () => {
  it.each(
    casesOf<
      { counts: number[]; quadratArea: number; totalArea: number; level: number },
      { N: number; seFpc: number; ciFpc95: [number, number]; varianceMeanRatio: number }
    >(file, 'quadrat'),
  )('$id', ({ inputs, expected }) => {
    const e = quadrats(inputs.counts, inputs.quadratArea / inputs.totalArea, inputs.level)
    near(e.number, expected.N)
    near(e.standardError, expected.seFpc)
    near(e.interval[0], expected.ciFpc95[0])
    near(e.interval[1], expected.ciFpc95[1])
    near(e.clumping, expected.varianceMeanRatio)
  })
  it(
    'fifty squares of a published field of seedlings (data set fir of R package boot): a tenth of them finds the ' +
      'whole within its interval nine times in ten',
    () => {
      const counts = readFileSync('tests/reference/data/fir_quadrats.csv', 'utf8')
        .trim()
        .split('\n')
        .slice(1)
        .map(line => Number(line.split(',')[0]))
      expect(counts).toHaveLength(50)
      const whole = counts.reduce((a, b) => a + b, 0)
      // every fifth square from each of five beginnings, and ten rows of five
      const samples = [
        ...[0, 1, 2, 3, 4].map(from => counts.filter((_, i) => i % 5 === from)),
        ...Array.from({ length: 10 }, (_, r) => counts.slice(r * 5, r * 5 + 5)),
      ]
      const held = samples.filter(s => {
        const {
          interval: [low, high],
        } = quadrats(s, 1 / 50, 0.9)
        return low <= whole && whole <= high
      }).length
      expect(held).toBeGreaterThanOrEqual(12)
    },
  )
})

describe('a count with a known share: the normal likelihood of the logarithm against the exact posterior', () => {
  const known = (share: number) => ({ ...counting.hiding, allSeen: { share, sdLog: 0, basis: M } })
  it.each(
    casesOf<
      { count: number; p: number },
      { moment: number; flatPriorQ025: number; flatPriorMedian: number; flatPriorQ975: number }
    >(file, 'binomial_detection').filter(c => c.inputs.count > 0),
  )('$id', ({ inputs, expected }) => {
    const e = countEvidence({ number: inputs.count, method: 'allSeen' }, known(inputs.p), true)
    near(e.value, expected.moment)
    // a normal of the logarithm stands for a discrete, skewed posterior: within a tenth of its width and two animals
    const wide = 1.959964 * Math.sqrt(e.r)
    const slack = 2 + 0.1 * (expected.flatPriorQ975 - expected.flatPriorQ025)
    expect(Math.abs(Math.exp(e.y - wide) - expected.flatPriorQ025)).toBeLessThan(slack)
    expect(Math.abs(Math.exp(e.y + wide) - expected.flatPriorQ975)).toBeLessThan(slack)
  })
})

describe('several counts of one day', () => {
  it.each(
    casesOf<{ counts: number[]; p: number }, { posteriorMean: number; posteriorSD: number }>(
      file,
      'repeat_counts_known_p',
    ),
  )('$id: with the share all but known the number is that of the exact posterior', ({ inputs, expected }) => {
    const e = repeatedCounts(inputs.counts, { mean: inputs.p, sd: 0.002 }, 0.95)
    // the reference holds all numbers equally likely, here all magnitudes are: it pulls down by about a hundredth
    expect(Math.abs(e.mean / expected.posteriorMean - 1)).toBeLessThan(0.02)
    expect(Math.abs(e.sd / expected.posteriorSD - 1)).toBeLessThan(0.05)
  })
  it('flags counts that do not vary together, from which no share can be told (Royle 2004)', () => {
    const { inputs } = casesOf<{ counts: number[][] }, object>(file, 'n_mixture_edge')[0]!
    for (const pair of inputs.counts) {
      const e = repeatedCounts(pair, { mean: 0.6, sd: 0.2 }, 0.8)
      expect(e.weak).toBe(true)
      expect(Number.isFinite(e.high)).toBe(true)
    }
  })
})
