import type { PopulationAnswer } from '#core/population'
import type { Evidence, Message, VerdictState } from '#core/records'
import { msg, type Statement, type StatementKey, STEADY } from './statement'

/** What can go today, and what holds the rest back. */
export function surplusStatement(p: PopulationAnswer, water: VerdictState): Statement {
  const { take, minimumKeep, riskNow, riskAfter, allowedRisk } = p.surplus
  const keep = { keep: minimumKeep, risk: take > 0 ? riskAfter : riskNow, allowed: allowedRisk }
  const evidence: Evidence[] = [
    { key: 'evidence.risk', values: { now: riskNow, after: riskAfter, allowed: allowedRisk } },
    { key: 'evidence.minimum', values: { keep: minimumKeep } },
  ]
  if (p.firstLook)
    return { state: 'unknown', conclusion: msg('surplus.notYet', {}), reasons: [], actions: [], evidence: [] }
  // animals that come from bad water travel badly, and the futures know nothing of what the water will do to the rest
  const first = water === 'off' ? [msg('surplus.reasonWaterOff', {})] : []
  if (take > 0)
    return {
      state: water === 'off' ? 'drifting' : 'onTarget',
      conclusion: msg('surplus.some', { take }),
      reasons: [...first, msg('surplus.reasonKeep', keep)],
      actions: [],
      evidence,
    }
  const reasons: Message<StatementKey>[] = []
  if (p.now.value < minimumKeep) reasons.push(msg('surplus.reasonUnder', { keep: minimumKeep, value: p.now.value }))
  else if (p.growthPerWeek.value < -STEADY) reasons.push(msg('surplus.reasonShrinking', keep))
  else reasons.push(msg('surplus.reasonDoubt', keep))
  const later = p.fan.find(point => point.p25 > minimumKeep * 1.25)
  if (later && later.at > p.fan[0]!.at) reasons.push(msg('surplus.later', { at: later.at, keep: minimumKeep }))
  return { state: 'unknown', conclusion: msg('surplus.none', keep), reasons, actions: [], evidence }
}
