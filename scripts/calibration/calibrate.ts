import { resolveGroup } from '#core/groups'
import { stageModel } from '#core/population'
import { headingStatement, questionOf } from '#core/statements'
import { type CalibrationCase, makeCase, type Way } from './colonies'
import { type Variant, variants } from './keeper'
import { inEveryGroup } from './summing'
import { carriedForward, logLinearFit, type Simple } from './simpleForecasts'

/** What is said of where a colony is heading. */
export type Heading = 'growing' | 'steady' | 'shrinking' | 'unclear'

/** Answers of the model and of the two simple ways, for one colony. */
export interface CalibrationResult {
  variant: Variant
  groupId: string
  way: Way
  truth: CalibrationCase['truth'] & { growth: number }
  now: Quantiles
  in8: Quantiles
  /** growth per week as natural logarithms */
  growth: { low: number; high: number }
  heading: Heading
  /** broods that hatch within two weeks */
  hatching: { low: number; high: number }
  /** where the last count asks for another one: what was wrong, the count, the number that was expected, or neither */
  asks: 'count' | 'number' | 'neither' | null
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

/** Which colonies are asked about, and how. */
export interface Asked {
  seeds: readonly number[]
  /** one kind of log, or every */
  variant: Variant | 'every'
  particles?: number
}

const HEADINGS: Readonly<Record<string, Heading>> = {
  'heading.growing': 'growing',
  'heading.steady': 'steady',
  'heading.full': 'steady',
  'heading.shrinking': 'shrinking',
}
const WEEKS = 8
const grownBy = (from: number, to: number) => Math.log(Math.max(to, 0.5) / Math.max(from, 0.5)) / WEEKS

/** So far off the truth, on the log scale, something was wrong. */
const OFF = Math.log(1.4)
const off = (told: number, truth: number) => Math.abs(Math.log(Math.max(told, 0.5) / Math.max(truth, 0.5))) > OFF

const wrongOf = ({ expected }: { expected: number }, implied: number, truth: number): CalibrationResult['asks'] =>
  off(implied, truth) ? 'count' : off(expected, truth) ? 'number' : 'neither'

/** Fits one synthetic colony in every way. */
function answerCase(c: CalibrationCase, particles?: number): CalibrationResult {
  const question = questionOf(c.colony, c.glass, { entries: c.entries }, c.nowMs)
  const answer = stageModel.fit(question, particles ? { particles } : {}).explain()
  const counts = question.events.flatMap(e => (e.kind === 'count' ? [{ at: e.at, value: e.evidence.value }] : []))
  const start = {
    at: question.startMs,
    value: c.colony.founders.females + c.colony.founders.males + c.colony.founders.unsexed,
  }
  const { low, high } = answer.growthPerWeek
  return {
    variant: c.variant,
    groupId: c.groupId,
    way: c.way,
    truth: { ...c.truth, growth: grownBy(c.truth.now, c.truth.in8) },
    now: answer.path.at(-1)!,
    in8: answer.fan[WEEKS]!,
    growth: { low: Math.log1p(low), high: Math.log1p(high) },
    hatching: answer.broods.soon,
    heading: HEADINGS[headingStatement(answer, resolveGroup(c.colony)).conclusion.key] ?? 'unclear',
    asks: answer.asks && wrongOf(answer.asks, answer.counts.at(-1)!.value, c.truth.now),
    carried: carriedForward([start, ...counts], c.nowMs),
    logLinear: logLinearFit([start, ...counts], c.nowMs),
    counts: counts.length,
  }
}

/**
 * Lives and answers colonies of all groups.
 * @throws RangeError for a kind of log that nobody keeps
 */
export function calibrate({ seeds, variant, particles }: Asked): CalibrationResult[] {
  const wanted = variants.filter(v => variant === 'every' || v === variant)
  if (wanted.length === 0)
    throw new RangeError(`variant must be every or one of ${variants.join(', ')}, got ${variant}`)
  return wanted.flatMap(v =>
    inEveryGroup(seeds, (groupId, seed) => [answerCase(makeCase(groupId, seed, { variant: v }), particles)]),
  )
}
