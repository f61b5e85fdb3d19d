import { describe, expect, it } from 'vitest'
import {
  betaAbove,
  betaMean,
  betaQuantileOf,
  betaSd,
  eventChances,
  fisherP,
  gammaAbove,
  gammaMean,
  gammaQuantileOf,
  logChanceOf,
  poissonInterval,
  seenEvents,
  seenShare,
  shareDifference,
  wilsonInterval,
} from '#core/stats'
import intervals from './data/intervals.json'
import rates from './data/rates.json'
import { casesOf, excess } from './tolerance'

describe('rates against SciPy: gamma–Poisson, and exact by Garwood 1936', () => {
  type Inputs = Record<'failed' | 'molts' | 'priorShape' | 'priorMolts' | 'accepted', number>
  it.each(casesOf<Inputs>(rates, 'failure_rate'))('$id', ({ inputs: i, expected, tolerance }) => {
    const belief = seenEvents({ shape: i.priorShape, rate: i.priorMolts }, i.failed, i.molts)
    const [low, high] = poissonInterval(i.failed, 0.8)
    const got: Record<string, number> = {
      mean: gammaMean(belief),
      q10: gammaQuantileOf(belief, 0.1),
      q90: gammaQuantileOf(belief, 0.9),
      chanceAboveAccepted: gammaAbove(belief, i.accepted),
      exactLow: low / i.molts,
      exactHigh: high / i.molts,
    }
    for (const key of Object.keys(expected))
      expect([key, excess(got[key]!, expected[key]!, tolerance)]).toEqual([key, 0])
  })
  type Update = Record<'events' | 'exposure' | 'priorShape' | 'priorRate', number>
  it.each(casesOf<Update>(intervals, 'gamma_poisson_update'))('$id', ({ inputs: i, expected }) => {
    const belief = seenEvents({ shape: i.priorShape, rate: i.priorRate }, i.events, i.exposure)
    expect([belief.shape, belief.rate]).toEqual([expected.postShape, expected.postRate])
    expect(gammaQuantileOf(belief, 0.025)).toBeCloseTo(expected.q025!, 8)
    expect(gammaQuantileOf(belief, 0.5)).toBeCloseTo(expected.median!, 8)
    expect(gammaQuantileOf(belief, 0.975)).toBeCloseTo(expected.q975!, 8)
  })
  it('counts to come scatter by the rate’s doubt too: mean and variance of the negative binomial', () => {
    const belief = { shape: 2.5, rate: 4 }
    const chances = eventChances(belief, 3)
    const mean = chances.reduce((sum, c, k) => sum + c * k, 0)
    const square = chances.reduce((sum, c, k) => sum + c * k * k, 0)
    expect(mean).toBeCloseTo((3 * 2.5) / 4, 3)
    expect(square - mean * mean).toBeCloseTo((1.875 * (4 + 3)) / 4, 2)
  })
})

describe('shares against SciPy, R and extraDistr', () => {
  type Update = Record<'x' | 'n' | 'priorA' | 'priorB' | 'nextM', number>
  it.each(casesOf<Update, Record<string, number> & { predictivePmf: number[] }>(intervals, 'beta_binomial_update'))(
    '$id',
    ({ inputs: i, expected, tolerance }) => {
      const prior = { a: i.priorA, b: i.priorB }
      const belief = seenShare(prior, i.x, i.n)
      const got: Record<string, number> = {
        mean: betaMean(belief),
        sd: betaSd(belief),
        q025: betaQuantileOf(belief, 0.025),
        median: betaQuantileOf(belief, 0.5),
        q975: betaQuantileOf(belief, 0.975),
        probRateAbove10pct: betaAbove(belief, 0.1),
        logMarginalLikelihood: logChanceOf(prior, i.x, i.n),
      }
      for (const key of Object.keys(got)) expect([key, excess(got[key]!, expected[key]!, tolerance)]).toEqual([key, 0])
      expected.predictivePmf.forEach((chance, x) =>
        expect(excess(Math.exp(logChanceOf(belief, x, i.nextM)), chance, tolerance)).toBe(0),
      )
    },
  )
  type One = Record<'x' | 'n' | 'level', number>
  it.each(casesOf<One, { wilson: number[] }>(intervals, 'binomial_interval'))('Wilson, $id', ({ inputs, expected }) => {
    const got = wilsonInterval(inputs, inputs.level)
    expect(got[0]).toBeCloseTo(expected.wilson[0]!, 8)
    expect(got[1]).toBeCloseTo(expected.wilson[1]!, 8)
  })
  type Two = Record<'events1' | 'none1' | 'events2' | 'none2', number>
  type Difference = { fisherP: number; diff: number; newcombeCI95: [number, number] }
  it.each(casesOf<Two, Difference>(intervals, 'two_proportions'))(
    'two of them, $id (Fisher; Newcombe 1998)',
    ({ inputs: i, expected, tolerance }) => {
      const [one, other] = [
        { x: i.events1, n: i.events1 + i.none1 },
        { x: i.events2, n: i.events2 + i.none2 },
      ]
      expect(excess(fisherP(one, other), expected.fisherP, tolerance)).toBe(0)
      const { value, low, high } = shareDifference(one, other, 0.95)
      expect(excess(value, expected.diff, tolerance)).toBe(0)
      expect(excess(low, expected.newcombeCI95[0], tolerance)).toBe(0)
      expect(excess(high, expected.newcombeCI95[1], tolerance)).toBe(0)
    },
  )
})
