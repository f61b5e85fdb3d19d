import { describe, expect, it } from 'vitest'
import { largestBearable } from '#core/population'
import { fixedDurationShare, lifeTable, matrixView } from '../../core/population/matrixView'
import { paceAt } from '#core/groups'
import development from './data/development.json'
import file from './data/demography.json'
import harvest from './data/harvest.json'
import { casesOf, excess } from './tolerance'

/**
 * Published matrices (killer whale, loggerhead turtle, desert tortoise, Caswell's Leslie matrix) and made-up ones;
 * every case carries its source.
 */
type Matrix = number[][]
const all = (got: readonly number[], expected: readonly number[], tolerance = { rel: 1e-8, abs: 1e-9 }) => {
  expect(got).toHaveLength(expected.length)
  for (const [i, e] of expected.entries()) expect(excess(got[i]!, e, tolerance)).toBe(0)
}

describe('eigenvalues, make-up, reproductive values, elasticities', () => {
  it.each(
    casesOf<
      { A: Matrix; F: Matrix },
      {
        lambda1: number
        stableStage: number[]
        reproductiveValue: number[]
        sensitivity: Matrix
        elasticity: Matrix
        doublingTime: number
        dampingRatio: number
        R0: number
        T_R0: number
        T_parents: number
        lifeExpectancy_stage1: number
      }
    >(file, 'eigen'),
  )('$id', ({ inputs, expected }) => {
    const v = matrixView(inputs.A)
    all([v.lambda, v.doublingTime, v.dampingRatio], [expected.lambda1, expected.doublingTime, expected.dampingRatio])
    all(v.stableStage, expected.stableStage)
    all(v.reproductiveValue, expected.reproductiveValue)
    all(v.sensitivity.flat(), expected.sensitivity.flat())
    all(v.elasticity.flat(), expected.elasticity.flat())
    const t = lifeTable(
      inputs.A.map((row, i) => row.map((a, j) => a - inputs.F[i]![j]!)),
      inputs.F,
    )
    all(
      [t.netReproduction, t.generationTime!, t.meanParentAge, t.lifeExpectancy],
      [expected.R0, expected.T_R0, expected.T_parents, expected.lifeExpectancy_stage1],
    )
  })
  it('a matrix that turns in a circle (Bernardelli 1941), and one with a stage past breeding', () => {
    for (const { inputs, expected } of casesOf<
      { A: Matrix },
      { lambda1: number; stableStage: number[]; reproductiveValue?: number[] }
    >(file, 'edge')) {
      const v = matrixView(inputs.A)
      all([v.lambda, ...v.stableStage], [expected.lambda1, ...expected.stableStage])
      if (expected.reproductiveValue) all(v.reproductiveValue, expected.reproductiveValue)
    }
  })
  it('refuses what is not square', () => {
    expect(() => matrixView([[1, 2]])).toThrow('the matrix must be square, got 1 rows of 2')
    expect(() => matrixView([[1, 2], [3]])).toThrow('got 2 rows of 2, 1')
    expect(() => matrixView([])).toThrow(/square/)
  })
  it('of one stage, or of one that nothing leads out of, says what can be said', () => {
    expect(matrixView([[0.9]])).toMatchObject({ lambda: 0.9, stableStage: [1], dampingRatio: Infinity })
    // the first stage here leads nowhere: worth is told beside the first that leads on
    const late = matrixView([
      [0.2, 0],
      [0, 1.1],
    ])
    expect(late.lambda).toBeCloseTo(1.1, 12)
    expect(late.reproductiveValue[0]).toBeCloseTo(0, 12)
    expect(late.reproductiveValue[1]).toBeCloseTo(1, 12)
  })
  it('what just replaces itself has no time to grow in; a stage that keeps all passes on one in its length', () => {
    const t = lifeTable(
      [
        [0, 0],
        [0.5, 0],
      ],
      [
        [0, 2],
        [0, 0],
      ],
    )
    expect([t.netReproduction, t.generationTime]).toEqual([1, null])
    expect(fixedDurationShare(1, 4, 1)).toBe(1 / 4)
    expect(fixedDurationShare(0.9, 4, 0.9)).toBe(1 / 4)
  })
})

describe('stages of fixed length: Crouse, Crowder & Caswell (1987)', () => {
  it.each(
    casesOf<{ survivalPerStep: number; durationSteps: number; lambda_: number }, { gamma: number }>(
      file,
      'stage_duration_gamma',
    ),
  )('$id', ({ inputs, expected }) => {
    all([fixedDurationShare(inputs.survivalPerStep, inputs.durationSteps, inputs.lambda_)], [expected.gamma])
  })
})

describe('pace of life by temperature: Q10', () => {
  it.each(
    casesOf<{ duration1: number; T1: number; T2: number; Q10: number }, { duration2: number; rateRatio: number }>(
      development,
      'q10',
    ),
  )('$id', ({ inputs, expected }) => {
    const pace = paceAt(inputs.Q10, inputs.T2, inputs.T1)
    all([pace, inputs.duration1 / pace], [expected.rateRatio, expected.duration2])
  })
})

describe('what can be taken for good', () => {
  it.each(casesOf<{ A: Matrix }, { lambda1: number; maxUniformHarvest: number }>(harvest, 'matrix_harvest'))(
    '$id: the same share of all, 1 − 1/λ',
    ({ inputs, expected }) => {
      all([1 - 1 / matrixView(inputs.A).lambda], [expected.maxUniformHarvest])
    },
  )
  it.each(casesOf<{ r: number; K: number }, { MSY: number; N_msy: number }>(harvest, 'logistic'))(
    '$id: the search for a quota finds r·K/4 from K/2 (Schaefer 1954)',
    ({ inputs: { r, K }, expected }) => {
      // in thousandths of an animal; a colony at K/2 that is fished harder than r·K/4 can only fall
      const unit = 1000
      const falls = (quota: number) => {
        let n = K / 2
        for (let week = 0; week < 40_000 && n > 0; week++) n += r * n * (1 - n / K) - quota / unit
        return n > 0 ? 0 : 1
      }
      const { good } = largestBearable(k => ({ any: falls(k) }), 0.5, { guess: () => 10, most: 100_000 })
      expect(expected.N_msy).toBe(K / 2)
      expect(Math.abs(good / unit / expected.MSY - 1)).toBeLessThan(0.003)
    },
  )
})
