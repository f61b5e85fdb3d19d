import { describe, expect, it } from 'vitest'
import { ageAt, fitIncrements, fitSizes, mmPerWeek } from '#core/shells'
import growth from './data/growth.json'
import { casesOf, excess } from './tolerance'

describe('sizes of known age (SciPy, least squares with all three free)', () => {
  it.each(casesOf<{ weeks: number[]; diameterMm: number[] }>(growth, 'von_bertalanffy_fit'))(
    '$id',
    ({ inputs, expected, tolerance }) => {
      const fit = fitSizes(inputs.weeks.map((weeks, i) => ({ weeks, mm: inputs.diameterMm[i]! })))
      expect(excess(fit.mostMm, expected.Linf!, tolerance)).toBe(0)
      expect(excess(fit.k, expected.k!, tolerance)).toBe(0)
      expect(excess(fit.t0, expected.t0!, tolerance)).toBe(0)
      expect(excess(fit.rss, expected.rss!, tolerance)).toBe(0)
    },
  )
})

describe('age and growth at a size (closed form; von Bertalanffy 1938)', () => {
  interface AtSize {
    Linf: number
    k: number
    t0: number
    diameterMm: number
  }
  it.each(casesOf<AtSize>(growth, 'von_bertalanffy_age'))('$id', ({ inputs, expected, tolerance }) => {
    const curve = { mostMm: inputs.Linf, k: inputs.k, t0: inputs.t0 }
    expect(excess(ageAt(curve, inputs.diameterMm), expected.weeks!, tolerance)).toBe(0)
    expect(excess(mmPerWeek(curve, inputs.diameterMm), expected.mmPerWeek!, tolerance)).toBe(0)
  })
})

describe('what grew between two looks (SciPy; Fabens 1965)', () => {
  interface Increments {
    firstMm: number[]
    weeks: number[]
    grownMm: number[]
  }
  it.each(casesOf<Increments>(growth, 'fabens_increment_fit'))('$id', ({ inputs, expected, tolerance }) => {
    const { firstMm, weeks, grownMm } = inputs
    const fit = fitIncrements(firstMm.map((mm, i) => ({ firstMm: mm, weeks: weeks[i]!, grownMm: grownMm[i]! })))
    expect(excess(fit.mostMm, expected.Linf!, tolerance)).toBe(0)
    expect(excess(fit.k, expected.k!, tolerance)).toBe(0)
  })
})
