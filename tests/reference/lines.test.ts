import { describe, expect, it } from 'vitest'
import {
  chanceHeld,
  differentialOf,
  effectiveByFamilies,
  effectiveBySexes,
  effectiveFor,
  effectiveOver,
  fitOrdinal,
  generationsUntil,
  inbreedingAfter,
  inbreedingOf,
  inbreedingOfBox,
  intensityOfFew,
  keptMean,
  kinshipOf,
  kinships,
  meanKinship,
  optimalContributions,
  realisedHeritability,
  responseTo,
  rungMeans,
  rungShares,
  selectionOf,
  varietyOf,
  weightedKappa,
  youngShares,
} from '#core/lines'
import agreement from './data/agreement.json'
import breeding from './data/breeding.json'
import contributions from './data/contributions.json'
import pedigree from './data/pedigree.json'
import { type Case, casesOf, excess, type Tolerance } from './tolerance'

const near = (got: number, expected: number, tolerance: Tolerance) =>
  expect(excess(got, expected, tolerance), `${got} for ${expected}`).toBe(0)
const allNear = (got: readonly number[], expected: readonly number[], tolerance: Tolerance) => {
  expect(got).toHaveLength(expected.length)
  for (const [i, e] of expected.entries()) near(got[i]!, e, tolerance)
}

describe('kinship by the tabular method (exact fractions; path counting and gene dropping agree)', () => {
  type Row = [id: string, sire: string | null, dam: string | null]
  interface Expected {
    F: Record<string, number>
    meanKinship: number
    kinshipMatrixInRowOrder?: number[][]
  }
  it.each(casesOf<{ pedigree: Row[] }, Expected>(pedigree, 'pedigree'))('$id', ({ inputs, expected, tolerance }) => {
    const ids = inputs.pedigree.map(([id]) => id)
    const k = kinships(
      inputs.pedigree.map(([id, sire, dam]) => ({ id, sireIds: sire ? [sire] : [], damIds: dam ? [dam] : [] })),
    )
    for (const id of ids) near(inbreedingOf(k, id), expected.F[id]!, tolerance)
    near(meanKinship(k, ids), expected.meanKinship, tolerance)
    for (const [i, row] of (expected.kinshipMatrixInRowOrder ?? []).entries())
      for (const [j, value] of row.entries()) near(kinshipOf(k, ids[i]!, ids[j]!), value, tolerance)
  })
  it.each(casesOf<{ generations: number }, { F: number[]; asymptoticDeltaF: number }>(pedigree, 'regular_system'))(
    '$id: brother by sister, twenty generations',
    ({ inputs: { generations }, expected, tolerance }) => {
      const animals = Array.from({ length: generations + 1 }, (_, t) =>
        ['m', 'f'].map(sex => ({
          id: `${sex}${t}`,
          sireIds: t > 0 ? [`m${t - 1}`] : [],
          damIds: t > 0 ? [`f${t - 1}`] : [],
        })),
      ).flat()
      const k = kinships(animals)
      // the founders' young are not inbred: the cases begin with them
      for (let t = 1; t <= generations; t++) near(inbreedingOf(k, `m${t}`), expected.F[t - 1]!, tolerance)
      // and a box of one pair is the same system
      allNear(inbreedingOfBox({ males: 1, females: 1 }, generations), expected.F.slice(0, generations), tolerance)
      const [before, after] = inbreedingOfBox({ males: 1, females: 1 }, 200).slice(40, 42)
      expect((after! - before!) / (1 - before!)).toBeCloseTo(expected.asymptoticDeltaF, 8)
    },
  )
})

describe('effective size', () => {
  it.each(casesOf<{ males: number; females: number }>(pedigree, 'Ne_sex_ratio'))(
    '$id: by sexes (Wright 1931), and the box reckoned exactly',
    ({ inputs, expected: e, tolerance }) => {
      const ne = effectiveBySexes(inputs.males, inputs.females)
      near(ne, e.Ne!, tolerance)
      near(1 / (2 * ne), e.deltaF!, tolerance)
      near(inbreedingAfter(Array.from({ length: 10 }, () => ne)), e.F_10_idealFormula!, tolerance)
      near(inbreedingOfBox(inputs, 11).at(-1)!, e.exactF_10!, { abs: 1e-9 })
      const [before, after] = inbreedingOfBox(inputs, 70).slice(-2)
      near((after! - before!) / (1 - before!), e.exactAsymptoticDeltaF!, { rel: 1e-6 })
    },
  )
  it.each(casesOf<{ Ne_perGeneration: number[] }>(pedigree, 'Ne_fluctuating'))('$id: over generations', c => {
    const { inputs, expected: e, tolerance } = c
    near(effectiveOver(inputs.Ne_perGeneration), e.harmonicMean!, tolerance)
    near(inbreedingAfter(inputs.Ne_perGeneration), e.F_exactProduct!, tolerance)
    const same = inputs.Ne_perGeneration.map(() => effectiveOver(inputs.Ne_perGeneration))
    near(inbreedingAfter(same), e.F_fromHarmonic!, tolerance)
  })
  it.each(casesOf<{ N: number; Vk: number }>(pedigree, 'Ne_family_variance'))('$id: by families (Wright 1938)', c =>
    near(effectiveByFamilies(c.inputs.N, c.inputs.Vk), c.expected.Ne_4Nminus2!, c.tolerance),
  )
  it.each(casesOf<{ Ne: number; generations: number }>(pedigree, 'deltaF_accumulation'))('$id', c => {
    const { inputs, expected: e, tolerance } = c
    near(inbreedingAfter(Array.from({ length: inputs.generations }, () => inputs.Ne)), e.F!, tolerance)
    near(generationsUntil(0.25, inputs.Ne), e.generationsToF25!, tolerance)
    near(effectiveFor(0.1, inputs.generations), e.minNeForF10In_t!, { rel: 1e-9 })
  })
  it.each(casesOf<{ founders: number; alleleFreq: number }>(pedigree, 'founder_allele'))('$id', c => {
    near(varietyOf(c.inputs.founders), c.expected.heterozygosityRetained!, c.tolerance)
    near(chanceHeld(c.inputs.alleleFreq, c.inputs.founders), c.expected.probAlleleCaptured!, c.tolerance)
  })
})

describe('selection (Falconer & Mackay 1996; SciPy, R)', () => {
  it.each(casesOf<{ p: number }>(breeding, 'selection_intensity'))('$id', ({ inputs, expected: e, tolerance }) => {
    const { cut, intensity, narrowing } = selectionOf(inputs.p)
    allNear([cut, intensity, narrowing], [e.x!, e.i!, e.k!], tolerance)
  })
  it.each(casesOf<{ selected: number; measured: number }>(breeding, 'selection_intensity_finite'))(
    '$id: of few, against order statistics, and near the rule of Burrows (1972)',
    ({ inputs: { selected, measured }, expected: e, tolerance }) => {
      const got = intensityOfFew(selected, measured)
      near(got, e.iFinite!, tolerance)
      near(got, e.burrows!, { rel: 0.02 })
    },
  )
  it.each(
    casesOf<{ h2: number; sigmaP: number; fractionMalesKept: number; fractionFemalesKept: number; mean: number }>(
      breeding,
      'breeders_equation',
    ),
  )('$id', ({ inputs: i, expected: e, tolerance }) => {
    const s = differentialOf({ males: i.fractionMalesKept, females: i.fractionFemalesKept }, i.sigmaP)
    allNear([s, responseTo(s, i.h2), i.mean + responseTo(s, i.h2)], [e.S!, e.R!, e.nextMean!], tolerance)
  })
  it.each(casesOf<{ S: number[]; R: number[] }>(breeding, 'realised_heritability'))(
    '$id: regression through the beginning (R lm)',
    ({ inputs, expected: e, tolerance }) => {
      const got = realisedHeritability(inputs.S.map((differential, i) => ({ differential, response: inputs.R[i]! })))
      allNear([got.value, got.se], [e.throughOrigin!, e.throughOriginSE!], tolerance)
    },
  )
})

describe('grades over a normal liability', () => {
  interface Grades {
    mu: number
    sigma: number
    thresholds: number[]
    h2Liability: number
    keepGradesIndex0: number[]
  }
  type Expected = Record<'gradeProb' | 'meanLiabilityPerGrade' | 'nextGradeProb', number[]> &
    Record<'selectedMean' | 'S' | 'R', number>
  it.each(casesOf<Grades, Expected>(breeding, 'threshold_grades'))('$id', ({ inputs: i, expected: e, tolerance }) => {
    const graded = { mean: i.mu, sd: i.sigma, cuts: i.thresholds }
    allNear(rungShares(graded), e.gradeProb, tolerance)
    allNear(rungMeans(graded), e.meanLiabilityPerGrade, tolerance)
    const kept = rungShares(graded).map((_, rung) => (i.keepGradesIndex0.includes(rung) ? 1 : 0))
    const s = keptMean(graded, kept) - i.mu
    allNear([keptMean(graded, kept), s, responseTo(s, i.h2Liability)], [e.selectedMean, e.S, e.R], tolerance)
    allNear(rungShares({ ...graded, mean: i.mu + responseTo(s, i.h2Liability) }), e.nextGradeProb, tolerance)
  })
  interface Parents {
    mu: number
    sigmaP: number
    thresholds: number[]
    h2: number
    sireGradeIndex0: number
    damGradeIndex0: number
  }
  it.each(casesOf<Parents, { offspringGradeProb: number[] }>(breeding, 'offspring_grade_given_parents'))(
    '$id: young of two parents of whom only the rungs are known (SciPy, double integral)',
    ({ inputs: i, expected, tolerance }) =>
      allNear(
        youngShares(
          { mean: i.mu, sd: i.sigmaP, cuts: i.thresholds },
          { sireRung: i.sireGradeIndex0, damRung: i.damGradeIndex0, heritability: i.h2 },
        ),
        expected.offspringGradeProb,
        tolerance,
      ),
  )
  it.each(
    casesOf<
      { countsByGenerationRow: number[][] },
      { theta: number[]; beta: number; logLik: number; se_theta_then_beta: number[] }
    >(breeding, 'ordinal_probit_fit'),
  )('$id: cuts and slope by maximum likelihood (R ordinal)', ({ inputs, expected: e, tolerance }) => {
    const fit = fitOrdinal(inputs.countsByGenerationRow.map((counts, x) => ({ counts, x })))
    allNear(fit.cuts, e.theta, tolerance)
    near(fit.slope, e.beta, tolerance)
    near(fit.logLikelihood, e.logLik, tolerance)
    allNear(fit.se, e.se_theta_then_beta, tolerance)
  })
})

describe('agreement of two graders: weighted kappa (Cohen 1968; Fleiss, Cohen & Everitt 1969)', () => {
  type Kappa = Case<{ table: number[][]; weights: 'linear' | 'quadratic' }, { kappa: number; se: number }>
  it.each(casesOf(agreement, 'weighted_kappa') as unknown as Kappa[])('$id', ({ inputs, expected, tolerance }) => {
    const { kappa, se } = weightedKappa(inputs.table, inputs.weights)
    allNear([kappa, se], [expected.kappa, expected.se], tolerance)
  })
})

describe('most gain at a set kinship (SciPy, SLSQP from thirty starts; Meuwissen 1997)', () => {
  interface Inputs {
    merit: number[]
    coancestry: number[][]
    limit: number
  }
  it.each(casesOf<Inputs, { gain: number; contributions: number[] }>(contributions, 'optimal_contribution'))(
    '$id',
    ({ inputs: { limit, ...candidates }, expected, tolerance }) => {
      const { gain, shares, kinship, reached } = optimalContributions(candidates, limit)
      near(gain, expected.gain, tolerance)
      for (const [i, share] of expected.contributions.entries()) expect(shares[i]).toBeCloseTo(share, 2)
      expect(kinship).toBeLessThanOrEqual(limit + 1e-6)
      expect(reached).toBe(true)
    },
  )
})
