import { stageModel } from '#core/population'
import { questionOf } from '#core/statements'
import { type CalibrationCase, calibrationGroups, makeCase } from './colonies'
import { carriedForward, logLinearFit, type Simple } from './simpleForecasts'

/** Answers of the model and of the two simple ways, for one colony. */
export interface CalibrationResult {
  groupId: string
  truth: CalibrationCase['truth']
  now: Quantiles
  in8: Quantiles
  carried: Simple
  logLinear: Simple
  counts: number
}
export interface Quantiles {
  p10: number
  p25: number
  p50: number
  p75: number
  p90: number
}

/** Fits one synthetic colony in every way. */
export function answerCase(c: CalibrationCase, particles?: number): CalibrationResult {
  const question = questionOf(c.colony, c.glass, { entries: c.entries }, c.nowMs)
  const answer = stageModel.fit(question, particles ? { particles } : {}).explain()
  const counts = question.events.flatMap(e => (e.kind === 'count' ? [{ at: e.at, value: e.evidence.value }] : []))
  const start = {
    at: question.startMs,
    value: c.colony.founders.females + c.colony.founders.males + c.colony.founders.unsexed,
  }
  return {
    groupId: c.groupId,
    truth: c.truth,
    now: answer.path.at(-1)!,
    in8: answer.fan[8]!,
    carried: carriedForward([start, ...counts], c.nowMs),
    logLinear: logLinearFit([start, ...counts], c.nowMs),
    counts: counts.length,
  }
}

/** Coverage and errors of a set of answers. */
export interface CalibrationTable {
  n: number
  now: Coverage
  in8: Coverage
  error: { now: Errors; in8: Errors }
}
export interface Coverage {
  in80: number
  in50: number
}
/** Median of |log(answer/truth)|, as a share: 0.1 is a tenth off. */
export interface Errors {
  model: number
  carried: number
  logLinear: number
}

/** Sums answers up. */
export function summariseCases(results: readonly CalibrationResult[]): CalibrationTable {
  const share = (test: (r: CalibrationResult) => boolean) => results.filter(test).length / results.length
  const inside = (x: number, low: number, high: number) => x >= low && x <= high
  const off = (answer: number, truth: number) => Math.abs(Math.log(Math.max(answer, 0.5) / Math.max(truth, 0.5)))
  const median = (of: (r: CalibrationResult) => number) =>
    Math.expm1(results.map(of).sort((a, b) => a - b)[Math.floor(results.length / 2)]!)
  const coverage = (at: 'now' | 'in8'): Coverage => ({
    in80: share(r => inside(r.truth[at], r[at].p10, r[at].p90)),
    in50: share(r => inside(r.truth[at], r[at].p25, r[at].p75)),
  })
  const errors = (at: 'now' | 'in8'): Errors => ({
    model: median(r => off(r[at].p50, r.truth[at])),
    carried: median(r => off(r.carried[at], r.truth[at])),
    logLinear: median(r => off(r.logLinear[at], r.truth[at])),
  })
  return {
    n: results.length,
    now: coverage('now'),
    in8: coverage('in8'),
    error: { now: errors('now'), in8: errors('in8') },
  }
}

/** So many colonies of each group from a seed on. */
export function calibrate(
  perGroup: number,
  firstSeed: number,
  particles?: number,
  done: (r: CalibrationResult) => void = () => {},
): CalibrationResult[] {
  return calibrationGroups.flatMap(groupId =>
    Array.from({ length: perGroup }, (_, i) => {
      const result = answerCase(makeCase(groupId, firstSeed + i), particles)
      done(result)
      return result
    }),
  )
}
