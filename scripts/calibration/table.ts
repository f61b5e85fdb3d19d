import type { CalibrationResult } from './calibrate'
import { middle, shareOf } from './summing'

/** What a set of answers comes to. */
export interface CalibrationTable {
  n: number
  now: Held
  in8: Held
  /** of the growth in the coming weeks */
  growth: { in80: number }
  /** of the broods that hatch within two weeks */
  hatching: { in80: number }
  heading: HeadingTable
  /** share of colonies whose last count asked for another one; and of these, by what was wrong */
  asks: { said: number; count: number; number: number; neither: number }
}
/** How often ranges hold the truth, how far the middle lies off, and the same of the two simple ways. */
export interface Held {
  in80: number
  in50: number
  /** median of log(answer/truth) */
  bias: number
  /** median of |log(answer/truth)|, as a share: 0.1 is a tenth off */
  error: { model: number; carried: number; logLinear: number }
}
/** How what is said of the direction goes with what was true. Shares; NaN where there is none to share. */
export interface HeadingTable {
  /** said of so many */
  growing: number
  steady: number
  shrinking: number
  /** of those called growing, so many grew; of those that grew by more than 3 % a week, so many were called so */
  growingTrue: number
  growingFound: number
  /**
   * of those called steady, so many changed by less than 1.5 % a week; of such with five counts, so many were called so
   */
  steadyTrue: number
  steadyFound: number
}

/** Change a week below which a colony is steady, and above which it plainly grows. */
const STEADY = 0.015
const PLAIN = 0.03
const ENOUGH_COUNTS = 5

const log = (answer: number, truth: number) => Math.log(Math.max(answer, 0.5) / Math.max(truth, 0.5))

/** Sums answers up. */
export function summariseCases(results: readonly CalibrationResult[]): CalibrationTable {
  const share = (test: (r: CalibrationResult) => boolean, of = results) => shareOf(of, test)
  const inside = (x: number, low: number, high: number) => x >= low && x <= high
  const held = (at: 'now' | 'in8'): Held => {
    const error = (of: (r: CalibrationResult) => number) =>
      Math.expm1(middle(results.map(r => Math.abs(log(of(r), r.truth[at])))))
    return {
      in80: share(r => inside(r.truth[at], r[at].p10, r[at].p90)),
      in50: share(r => inside(r.truth[at], r[at].p25, r[at].p75)),
      bias: middle(results.map(r => log(r[at].p50, r.truth[at]))),
      error: {
        model: error(r => r[at].p50),
        carried: error(r => r.carried[at]),
        logLinear: error(r => r.logLinear[at]),
      },
    }
  }
  const called = (heading: CalibrationResult['heading']) => results.filter(r => r.heading === heading)
  const steady = (r: CalibrationResult) => Math.abs(r.truth.growth) < STEADY
  const asking = results.filter(r => r.asks !== null)
  const wrong = (what: CalibrationResult['asks']) => share(r => r.asks === what, asking)
  const countedSteady = results.filter(r => steady(r) && r.counts >= ENOUGH_COUNTS)
  return {
    n: results.length,
    now: held('now'),
    in8: held('in8'),
    growth: { in80: share(r => inside(r.truth.growth, r.growth.low, r.growth.high)) },
    hatching: { in80: share(r => inside(r.truth.hatching, r.hatching.low, r.hatching.high)) },
    asks: {
      said: asking.length / results.length,
      count: wrong('count'),
      number: wrong('number'),
      neither: wrong('neither'),
    },
    heading: {
      growing: share(r => r.heading === 'growing'),
      steady: share(r => r.heading === 'steady'),
      shrinking: share(r => r.heading === 'shrinking'),
      growingTrue: share(r => r.truth.growth > 0, called('growing')),
      growingFound: share(
        r => r.heading === 'growing',
        results.filter(r => r.truth.growth > PLAIN),
      ),
      steadyTrue: share(steady, called('steady')),
      steadyFound: share(r => r.heading === 'steady', countedSteady),
    },
  }
}
