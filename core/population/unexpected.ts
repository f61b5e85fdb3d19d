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
  const marks = [startMs, ...counts.filter(c => c.weight === 'full').map(c => c.at)]
  /** of itself and by what was taken, each week of the stretch that ends with a mark, as natural logarithms */
  const fall = (k: number) =>
    k > 0 && k < marks.length
      ? Math.log((known(marks[k - 1]!).p50 + 0.5) / (known(marks[k]!).p50 + 0.5)) /
        weeksBetween(marks[k - 1]!, marks[k]!)
      : 0
  for (let k = marks.length - 1; k > 0; k--) {
    const [fromMs, toMs] = [marks[k - 1]!, marks[k]!]
    if (toMs < nowMs - TOLD_WEEKS * WEEK_MS) return null
    const before = known(fromMs)
    const usual = Math.max(0, -2 * rates.growth, fall(k - 1), fall(k + 1)) * weeksBetween(fromMs, toMs)
    const missing = (ms: number, after: BandPoint) => {
      const moved = movedBetween(events, fromMs, ms)
      const of = before.p50 + moved
      const number = of - after.p50
      // what falls from count to count is no loss: it is told as where the colony is heading
      const many = number >= LOST.animals && number >= (LOST.share + usual) * of
      return { number, of, left: after.p50, many, clear: many && before.p25 + moved > after.p75 }
    }
    const then = missing(toMs, known(toMs))
    if (then.clear || (then.many && missing(nowMs, path.at(-1)!).clear))
      return { number: then.number, of: then.of, left: then.left, fromMs, toMs }
  }
  return null
}

/** At least a day: counts of one day tell no pace. */
const weeksBetween = (fromMs: number, toMs: number) => Math.max(DAY_MS, toMs - fromMs) / WEEK_MS

/** What came less what went between two moments, the dead left out: they are part of a loss. */
function movedBetween(events: readonly PopulationEvent[], fromMs: number, toMs: number): number {
  let moved = 0
  for (const e of events)
    if (e.kind === 'step' && !e.death && !e.hatched && e.at > fromMs && e.at <= toMs) moved += e.change
  return moved
}
