import { WEEK_MS } from '#core/records'
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
 * The newest count, where it is not believed, or only with a jump of the number: it cannot be told yet which is wrong.
 */
export function asksAgain(counts: readonly JudgedCount[], startMs: number): PopulationAnswer['asks'] {
  const last = counts.at(-1)
  if (!last || (last.weight === 'full' && !last.leapt)) return null
  const off = Math.log((last.value + 0.5) / (last.expected + 0.5))
  if (Math.abs(off) < FAR) return null
  return {
    entryId: last.entryId,
    at: last.at,
    seen: last.seen,
    method: last.method,
    expected: last.expected,
    gone: last.expected - last.value,
    since: counts.at(-2)?.at ?? startMs,
  }
}

/**
 * A loss between two counts that are both believed: the likely ranges before and after do not meet, and what was taken
 * out and what such a colony loses anyway do not explain it.
 * @param path likely numbers of the past
 */
export function lossOf(
  question: Pick<PopulationQuestion, 'events' | 'nowMs' | 'rates'>,
  counts: readonly JudgedCount[],
  path: readonly BandPoint[],
): PopulationAnswer['loss'] {
  const halfStepMs = (question.rates.dtWeeks * WEEK_MS) / 2
  const believed = counts.filter(c => c.weight === 'full')
  for (let k = believed.length - 1; k > 0; k--) {
    const [from, to] = [believed[k - 1]!, believed[k]!]
    if (to.at < question.nowMs - TOLD_WEEKS * WEEK_MS) return null
    // a count is set to the nearest end of a step, where the path already knows of it
    const before = path.findLast(p => p.at < to.at - halfStepMs) ?? path[0]!
    const after = path.find(p => p.at >= to.at - halfStepMs) ?? path.at(-1)!
    const moved = movedBetween(question.events, from.at, to.at)
    const expected = before.p50 + moved
    const lost = expected - after.p50
    const usual = Math.max(0, -question.rates.growth) * ((to.at - from.at) / WEEK_MS)
    const clear = before.p10 + moved > after.p90
    // what falls from count to count by its own deaths is no loss: it is told as where the colony is heading
    if (to.leapt && clear && lost >= LOST.animals && lost >= (LOST.share + 2 * usual) * expected)
      return { number: lost, of: expected, left: after.p50, fromMs: from.at, toMs: to.at }
  }
  return null
}

/** What came less what went between two moments, the dead left out: they are part of a loss. */
function movedBetween(events: readonly PopulationEvent[], fromMs: number, toMs: number): number {
  let moved = 0
  for (const e of events)
    if (e.kind === 'step' && !e.death && !e.hatched && e.at > fromMs && e.at <= toMs) moved += e.change
  return moved
}
