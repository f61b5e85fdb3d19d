import type { PopulationAnswer } from '#core/population'
import { DAY_MS, type Evidence } from '#core/records'
import type { Coming } from './coming'
import type { Sexes } from './sexes'
import { msg, type Statement } from './statement'

/** Days after which a count is called old (from memory). */
const OLD_COUNT_DAYS = 56

/** What the number of a colony is told by beside the model's answer. */
export interface NumberOf {
  nowMs: number
  /** young on the way */
  coming: readonly Coming[]
  /** larvae, young or dry eggs, and no colony */
  batch: boolean
  /** where the group wants a ratio of them, and they are known */
  sexes?: Sexes | null
}

/** Whether one full count would leave fewer numbers than are likely now: of few animals it often would not. */
const narrows = ({ now, ifCountedToday: then }: PopulationAnswer) =>
  Math.round(then.high) - Math.round(then.low) < Math.round(now.high) - Math.round(now.low)

/** Whether most likely none are left. */
export const noneLeft = ({ value }: { value: number }): boolean => value < 0.6

/** How many there are, of which sex where that matters, and from what that is known. */
export function numberStatement(p: PopulationAnswer, of: NumberOf): Statement {
  const said = numberAlone(p, of)
  if (!of.sexes || noneLeft(p.now)) return said
  const { tooManyMales, ...sexes } = of.sexes
  const reasons = [...said.reasons, msg('number.reasonSexes', sexes)]
  if (!tooManyMales) return { ...said, reasons }
  const state = said.state === 'onTarget' ? 'drifting' : said.state
  return { ...said, state, reasons, actions: [...said.actions, msg('number.doFewerMales', sexes)] }
}

function numberAlone(p: PopulationAnswer, { nowMs, coming, batch }: NumberOf): Statement {
  const { value, low, high } = p.now
  const last = p.counts.at(-1)
  const numbers = { value, low, high }
  const conclusion = noneLeft(p.now)
    ? 'number.none'
    : Math.round(low) === Math.round(high)
      ? 'number.exact'
      : 'number.about'
  if (p.firstLook) {
    const reasons = [msg('number.reasonFirstLook', {})]
    return { state: 'onTarget', conclusion: msg(conclusion, numbers), reasons, actions: [], evidence: [] }
  }
  // a batch ends by itself: that none are left is no question
  if (batch && noneLeft(p.now))
    return {
      state: 'onTarget',
      conclusion: msg('number.over', {}),
      reasons: [],
      actions: [msg('number.endBatch', {})],
      evidence: countsOf(p),
    }
  const exact = conclusion === 'number.exact'
  const said = { conclusion: msg(conclusion, numbers), evidence: countsOf(p) }
  const onTheWay = coming.map(c =>
    msg(c.hatched ? 'number.waiting' : 'number.coming', { number: c.number, place: c.place, from: c.fromMs }),
  )
  const named = p.known ? [msg('number.reasonFollowed', { n: Math.round(value) })] : []
  if (!last || p.known)
    return exact
      ? { ...said, state: 'onTarget', reasons: [...named, ...onTheWay], actions: [] }
      : {
          ...said,
          state: 'unknown',
          conclusion: msg('number.neverCounted', numbers),
          reasons: onTheWay,
          actions: [msg('number.doCount', p.ifCountedToday)],
        }
  const days = (nowMs - last.at) / DAY_MS
  const reasons = [
    ...unexpectedReasons(p),
    msg('number.reasonCounts', { n: p.counts.length, days, seen: last.seen, method: last.method }),
    ...onTheWay,
  ]
  if (p.leftOutBefore !== null) reasons.push(msg('number.reasonLeftOut', { at: p.leftOutBefore }))
  if (p.asks) return { ...said, state: 'off', reasons, actions: [msg('number.countAgain', {})] }
  if (p.loss) return { ...said, state: 'off', reasons, actions: [msg('number.lookForCause', {})] }
  // known one by one: no count would tell more
  if (exact) return { ...said, state: 'onTarget', reasons, actions: [] }
  const old = days > OLD_COUNT_DAYS
  if (old) reasons.push(msg('number.reasonOld', { days }))
  const wide = high > 1.6 * low && narrows(p)
  return {
    ...said,
    state: old ? 'unknown' : wide ? 'drifting' : 'onTarget',
    reasons,
    actions: old || wide ? [msg('number.doCount', p.ifCountedToday)] : [],
  }
}

/** What the last count, or two of them together, brought to light. What later counts have settled is not told again. */
function unexpectedReasons(p: PopulationAnswer) {
  if (p.asks) {
    const { seen, method, at, expected, gone, since } = p.asks
    return [
      msg('number.asks', { seen, method, at, expected }),
      msg(gone > 0 ? 'number.asksMissed' : 'number.asksMore', { number: Math.abs(gone), since }),
    ]
  }
  return p.loss ? [msg('number.loss', { ...p.loss })] : []
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
