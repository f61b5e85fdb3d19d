import { describe, expect, it } from 'vitest'
import {
  bernoulliRunLength,
  countCusumFor,
  countRunLength,
  cusum,
  cusumRunLength,
  eventChances,
  ewma,
  ewmaRunLength,
  failureScore,
  poissonReference,
  seededRandom,
} from '#core/stats'
import { controlLimits } from '#core/water'
import file from './data/charts.json'
import { casesOf, excess } from './tolerance'

describe('sums and smoothed path, direct recursion (numpy); Page 1954, Roberts 1959, Lucas & Saccucci 1990', () => {
  type Inputs = { x: number[]; target: number; sigma: number; k: number; h: number; lambda_: number; L: number }
  type Expected = Record<'cusumPlus' | 'cusumMinus' | 'ewma' | 'ewmaHalfWidth', number[]> &
    Record<'ewmaFirstSignalIndex0' | 'cusumFirstSignalIndex0', number | null>
  const first = (signals: readonly boolean[]) => (signals.includes(true) ? signals.indexOf(true) : null)
  it.each(casesOf<Inputs, Expected>(file, 'cusum_ewma_path'))('$id', ({ inputs, expected }) => {
    const path = ewma(inputs.x, inputs.target, inputs.sigma, { lambda: inputs.lambda_, width: inputs.L })
    path.forEach((p, i) => {
      expect(p.value).toBeCloseTo(expected.ewma[i]!, 9)
      expect(p.high - inputs.target).toBeCloseTo(expected.ewmaHalfWidth[i]!, 9)
    })
    expect(first(path.map(p => p.outside))).toBe(expected.ewmaFirstSignalIndex0)
    const sums = cusum(
      inputs.x.map(x => (x - inputs.target) / inputs.sigma),
      inputs,
    )
    sums.forEach((s, i) => {
      expect(s.up).toBeCloseTo(expected.cusumPlus[i]!, 9)
      expect(s.down).toBeCloseTo(expected.cusumMinus[i]!, 9)
    })
    expect(first(sums.map(s => s.signal))).toBe(expected.cusumFirstSignalIndex0)
  })
})

describe('run lengths against R package spc and an independent Markov chain, within 1 %', () => {
  it.each(casesOf<{ k: number; h: number; shift: number; sided: 'one' | 'two' }, { ARL: number }>(file, 'cusum_arl'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      expect(excess(cusumRunLength(inputs, inputs), expected.ARL, tolerance)).toBe(0)
    },
  )
  it.each(casesOf<{ lambda_: number; L: number; shift: number }, { ARL: number }>(file, 'ewma_arl'))(
    '$id',
    ({ inputs: { lambda_, L, shift }, expected, tolerance }) => {
      expect(excess(ewmaRunLength({ lambda: lambda_, width: L }, shift), expected.ARL, tolerance)).toBe(0)
    },
  )
  it.each(casesOf<{ p0: number; p1: number; scoreFailure: number; H: number }>(file, 'bernoulli_cusum_arl'))(
    '$id (Reynolds & Stoumbos 1999; exact chain by numpy)',
    ({ inputs: { p0, p1, scoreFailure, H }, expected }) => {
      const chart = { failure: scoreFailure, limit: H }
      expect(failureScore(p0, p1)).toBeCloseTo(expected.exactScoreRatio!, 6)
      expect(bernoulliRunLength(chart, p0) / expected.ARL_atP0!).toBeCloseTo(1, 7)
      expect(bernoulliRunLength(chart, p1) / expected.ARL_atP1!).toBeCloseTo(1, 7)
    },
  )
})

describe('sums of counts', () => {
  const poisson = (mean: number) => {
    const chances = [Math.exp(-mean)]
    for (let k = 1; k < 60; k++) chances.push((chances[k - 1]! * mean) / k)
    return chances
  }
  /** mean run length, by drawing */
  const drawn = (chances: readonly number[], { reference, limit }: { reference: number; limit: number }) => {
    const random = seededRandom(5)
    let steps = 0
    const runs = 4000
    for (let run = 0; run < runs; run++) {
      let sum = 0
      while (sum <= limit + 1e-9) {
        let [u, k] = [random() - chances[0]!, 0]
        while (u > 0 && k < chances.length - 1) u -= chances[++k]!
        sum = Math.max(0, sum + k - reference)
        steps++
      }
    }
    return steps / runs
  }
  it('the reference lies where the usual mean and the one that is looked for are as likely (Lucas 1985)', () => {
    // Poisson chances of k under 2 and under 6 are the same at k = 4/ln 3
    expect(poissonReference(2, 3)).toBeCloseTo(4 / Math.log(3), 12)
  })
  it.each([0.05, 0.4, 2, 7])('of mean %s run as long as when they are drawn', mean => {
    const chart = countCusumFor(poisson(mean), poissonReference(mean, 3), 60)
    const length = countRunLength(poisson(mean), chart)
    expect(length).toBeGreaterThanOrEqual(60)
    expect(drawn(poisson(mean), chart) / length).toBeGreaterThan(0.94)
    expect(drawn(poisson(mean), chart) / length).toBeLessThan(1.06)
  })
  it('get the least limit that keeps the wanted run length', () => {
    const chart = countCusumFor(poisson(1), poissonReference(1, 3), 104)
    expect(countRunLength(poisson(1), chart)).toBeGreaterThanOrEqual(104)
    const units = 1 / (chart.reference / Math.ceil(poissonReference(1, 3) / 0.25))
    expect(countRunLength(poisson(1), { ...chart, limit: chart.limit - 1 / units })).toBeLessThan(104)
  })
  it('a rate that is not known scatters counts more, and needs a wider limit', () => {
    const sure = countCusumFor(poisson(1), 1.8, 104)
    const unsure = countCusumFor(eventChances({ shape: 1, rate: 1 }, 1), 1.8, 104)
    expect(unsure.limit).toBeGreaterThan(sure.limit + 1)
  })
})

describe(
  'control limits of single readings (Montgomery, Introduction to Statistical Quality Control, chapter 6, ' +
    'from memory)',
  () => {
    it(
      'mean ± 3·MR/1.128: readings 33.75, 33.05, 34, 33.81, 33.46, 34.02, 33.68, 33.27, 33.49, 33.2, 33.62, 33, ' +
        '33.54, 33.12, 33.84 give 33.52 and 32.22 to 34.82',
      () => {
        const limits = controlLimits(
          [33.75, 33.05, 34, 33.81, 33.46, 34.02, 33.68, 33.27, 33.49, 33.2, 33.62, 33, 33.54, 33.12, 33.84],
          15,
        )!
        expect(limits.centre).toBeCloseTo(33.52, 2)
        expect(limits.low).toBeCloseTo(32.22, 1)
        expect(limits.high).toBeCloseTo(34.82, 1)
        expect(limits.outside).toEqual([])
      },
    )
  },
)
