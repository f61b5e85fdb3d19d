import type { PopulationAnswer } from '#core/population'
import { DAY_MS, type Evidence } from '#core/records'
import { msg, type Statement } from './statement'

/** Days after which a count is called old (from memory). */
const OLD_COUNT_DAYS = 56

/** How many there are, and from what that is known. */
export function numberStatement(p: PopulationAnswer, nowMs: number): Statement {
  const { value, low, high } = p.now
  const last = p.counts.at(-1)
  const numbers = { value, low, high }
  const conclusion =
    value < 0.6 ? 'number.none' : Math.round(low) === Math.round(high) ? 'number.exact' : 'number.about'
  if (p.firstLook)
    return {
      state: 'onTarget',
      conclusion: msg(conclusion, numbers),
      reasons: [msg('number.reasonFirstLook', {})],
      actions: [],
      evidence: [],
    }
  const evidence = countsOf(p)
  if (!last)
    return {
      state: 'unknown',
      conclusion: msg('number.neverCounted', numbers),
      reasons: [],
      actions: [msg('number.doCount', p.ifCountedToday)],
      evidence,
    }
  const days = (nowMs - last.at) / DAY_MS
  const reasons = [msg('number.reasonCounts', { n: p.counts.length, days, seen: last.seen, method: last.method })]
  const doubted = p.counts.filter(c => c.weight === 'none').at(-1)
  if (doubted)
    reasons.push(
      msg('number.reasonDoubted', {
        seen: doubted.seen,
        expected: doubted.expected,
        at: doubted.at,
        method: doubted.method,
      }),
    )
  if (p.leftOutBefore !== null) reasons.push(msg('number.reasonLeftOut', { at: p.leftOutBefore }))
  const old = days > OLD_COUNT_DAYS
  if (old) reasons.push(msg('number.reasonOld', { days }))
  const wide = high > 1.6 * low
  return {
    state: old ? 'unknown' : wide ? 'drifting' : 'onTarget',
    conclusion: msg(conclusion, numbers),
    reasons,
    actions: old || wide ? [msg('number.doCount', p.ifCountedToday)] : [],
    evidence,
  }
}

/** The last counts, the newest first. */
const countsOf = (p: PopulationAnswer): Evidence[] =>
  p.counts
    .slice(-8)
    .toReversed()
    .map(c => ({
      key: 'evidence.count',
      entryId: c.entryId,
      values: {
        at: c.at,
        seen: c.seen,
        method: c.method,
        implied: c.value,
        low: c.low,
        high: c.high,
        weight: c.weight,
        expected: c.expected,
      },
    }))
