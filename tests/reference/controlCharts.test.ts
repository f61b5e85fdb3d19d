import { describe, expect, it } from 'vitest'
import { controlLimits, ewma } from '#core/water'
import file from './data/charts.json'
import { casesOf } from './tolerance'

describe('smoothed path and its limits, direct recursion (numpy); Roberts 1959, Lucas & Saccucci 1990', () => {
  type Inputs = { x: number[]; target: number; sigma: number; lambda_: number; L: number }
  it.each(
    casesOf<Inputs, { ewma: number[]; ewmaHalfWidth: number[]; ewmaFirstSignalIndex0: number | null }>(
      file,
      'cusum_ewma_path',
    ),
  )('$id', ({ inputs, expected }) => {
    const path = ewma(inputs.x, inputs.target, inputs.sigma, { lambda: inputs.lambda_, width: inputs.L })
    path.forEach((p, i) => {
      expect(p.value).toBeCloseTo(expected.ewma[i]!, 9)
      expect(p.high - inputs.target).toBeCloseTo(expected.ewmaHalfWidth[i]!, 9)
    })
    const first = path.findIndex(p => p.outside)
    expect(first < 0 ? null : first).toBe(expected.ewmaFirstSignalIndex0)
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
