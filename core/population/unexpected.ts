import { DAY_MS, WEEK_MS } from '#core/records'
import type { BandPoint, JudgedCount, PopulationAnswer, PopulationEvent, PopulationQuestion } from './question'

/**
 * What a count brought to light that the model did not expect: the newest count when it lies so far off that it asks
 * for another one, and a number that was lost between two counts that are believed.
 */

/** So far off, on the log scale, a count asks: three fifths of the expected, or seventeen for ten (from memory). */
const FAR = Math.log(1.7)
/** A loss that is told: so large a part of those that were there, and so many animals at least (from memory). */
const LOST = { share: 0.3, animals: 3 }
/** A loss is told for so many weeks (from memory). */
const TOLD_WEEKS = 8

/**
 * The newest count, where it is not believed, or only with a jump of the number, or speaks of fewer than anybody
 * expected: it cannot be told yet which is wrong.
 */
export function asksAgain(counts: readonly JudgedCount[], startMs: number): PopulationAnswer['asks'] {
  const last = counts.at(-1)
  if (!last) return null
  // few enough to be a loss, even one that the futures know of; and not what the count before said already
  const short = (c: JudgedCount) => c.high < c.expectedLow
  const before = counts.at(-2)
  const missing = short(last) && !(before && short(before) && before.low <= last.high)
  if (last.weight === 'full' && !last.leapt && !missing) return null
  const off = Math.log((last.value + 0.5) / (last.expected + 0.5))
  if (Math.abs(off) < FAR) return null
  return {
    entryId: last.entryId,
    at: last.at,
    seen: last.seen,
    method: last.method,
    expected: last.expected,
    gone: last.expected - last.value,
    since: before?.at ?? startMs,
  }
}

/**
 * A loss between the beginning or a count and the next count, both believed: the middle halves of before and after do
 * not meet, and what was taken out and what such a colony loses anyway do not explain it. When in between the many went
 * nobody knows; and what was counted later tells more of today than of the days after the loss.
 * @param path likely numbers of the past
 */
export function lossOf(
  question: Pick<PopulationQuestion, 'events' | 'startMs' | 'nowMs' | 'rates'>,
  counts: readonly JudgedCount[],
  path: readonly BandPoint[],
): PopulationAnswer['loss'] {
  const { events, startMs, nowMs, rates } = question
  const halfStepMs = (rates.dtWeeks * WEEK_MS) / 2
  // a count is set to the nearest end of a step
  const known = (at: number) => path.find(p => p.at >= at - halfStepMs) ?? path.at(-1)!
  const between = (fromMs: number, toMs: number): Stretch => {
    const [before, after, moved] = [known(fromMs), known(toMs), movedBetween(events, fromMs, toMs)]
    const of = before.p50 + moved
    // counts of one day tell no pace
    const weeks = Math.max(DAY_MS, toMs - fromMs) / WEEK_MS
    const fall = Math.log((Math.max(0, of) + 0.5) / (after.p50 + 0.5)) / weeks
    return { fromMs, toMs, weeks, of, left: after.p50, apart: before.p25 + moved > after.p75, fall }
  }
  const marks = [startMs, ...counts.filter(c => c.weight === 'full').map(c => c.at)]
  const stretches = marks.slice(1).map((toMs, k) => between(marks[k]!, toMs))
  const recent = stretches.findLastIndex((s, k) => {
    // what falls from count to count is no loss: it is told as where the colony is heading
    const beside = [stretches[k - 1], stretches[k + 1]].map(n => n?.fall ?? 0)
    const usual = Math.max(0, -2 * rates.growth, ...beside) * s.weeks
    const many = ({ of, left }: Stretch) => of - left >= LOST.animals && of - left >= (LOST.share + usual) * of
    const since = between(s.fromMs, nowMs)
    return many(s) && (s.apart || (since.apart && many(since)))
  })
  const told = stretches[recent]
  if (!told || told.toMs < nowMs - TOLD_WEEKS * WEEK_MS) return null
  const { of, left, fromMs, toMs } = told
  return { number: of - left, of, left, fromMs, toMs }
}

/** From one moment at which the number was known to the next. */
interface Stretch {
  fromMs: number
  toMs: number
  weeks: number
  /** so many would be there if none had come or gone of themselves, and so many are left */
  of: number
  left: number
  /** whether the middle halves of before and after do not meet */
  apart: boolean
  /** a week, natural logarithm; what was taken out is no fall */
  fall: number
}

/** What came less what went between two moments, the dead left out: they are part of a loss. */
function movedBetween(events: readonly PopulationEvent[], fromMs: number, toMs: number): number {
  let moved = 0
  for (const e of events)
    if (e.kind === 'step' && !e.death && !e.hatched && e.at > fromMs && e.at <= toMs) moved += e.change
  return moved
}
