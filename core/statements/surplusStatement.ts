import type { MoltWatch } from '#core/molts'
import { type PopulationAnswer, type PopulationQuestion, STEADY } from '#core/population'
import type { Evidence, Message, VerdictState } from '#core/records'
import { msg, type Statement, type StatementKey } from './statement'

/** What has to be put right before any can go. */
const FIRST: ReadonlySet<StatementKey> = new Set([
  'surplus.reasonWaterOff',
  'surplus.reasonDying',
  'surplus.reasonMolts',
  'surplus.reasonAsks',
  'surplus.reasonLoss',
])

/** What has to be put right before any can go, as the statement says it; null when nothing has. */
export const heldBack = ({ surplus }: { surplus: Statement }): Message<StatementKey> | null =>
  surplus.reasons.find(r => FIRST.has(r.key)) ?? null

/** How many are offered today wherever the app offers: none while something has to be put right first. */
export const offeredToday = (s: { surplus: Statement; population: PopulationAnswer }): number =>
  s.surplus.conclusion.key === 'surplus.some' ? s.population.surplus.take : 0

/** What beside the numbers says whether any can go. */
export interface SurplusBeside {
  water: VerdictState
  /** larvae, young or dry eggs: they have no number that must stay, and so no safe take */
  batch: boolean
  molts?: MoltWatch | null
  /** those that breed for their line, and stay */
  breeding?: PopulationQuestion['breeding']
}

/**
 * What can go today, and what holds the rest back.
 */
export function surplusStatement(
  p: PopulationAnswer,
  { water, batch, molts = null, breeding }: SurplusBeside,
): Statement {
  const { take, minimumKeep, riskNow, riskAfter, allowedRisk } = p.surplus
  const keep = { keep: minimumKeep, risk: take > 0 ? riskAfter : riskNow, allowed: allowedRisk }
  const evidence: Evidence[] = [
    { key: 'evidence.risk', values: { now: riskNow, after: riskAfter, allowed: allowedRisk } },
    { key: 'evidence.minimum', values: { keep: minimumKeep } },
  ]
  if (p.firstLook)
    return { state: 'unknown', conclusion: msg('surplus.notYet', {}), reasons: [], actions: [], evidence: [] }
  const none = (reasons: Message<StatementKey>[]): Statement => ({
    state: 'unknown',
    conclusion: msg('surplus.none', keep),
    reasons,
    actions: [],
    evidence,
  })
  if (batch) return { state: 'unknown', conclusion: msg('surplus.ofBatch', {}), reasons: [], actions: [], evidence: [] }
  // what is wrong is put right first: the futures know nothing of what it will do to those that stay
  if (water === 'off') return none([msg('surplus.reasonWaterOff', {})])
  if (p.deaths.alarm) return none([msg('surplus.reasonDying', { found: p.deaths.found, since: p.deaths.sinceMs })])
  if (molts?.trouble) return none([msg('surplus.reasonMolts', {})])
  if (p.asks) return none([msg('surplus.reasonAsks', {})])
  if (p.loss) return none([msg('surplus.reasonLoss', { ...p.loss })])
  if (take > 0)
    return {
      state: 'onTarget',
      conclusion: msg('surplus.some', { take }),
      reasons: [
        ...(p.surplus.afterCount === null ? [] : [msg('surplus.countFirst', { number: p.surplus.afterCount })]),
        msg('surplus.reasonKeep', keep),
        ...(breeding ? [msg('surplus.reasonBreeding', { ...breeding })] : []),
      ],
      actions: [],
      evidence,
    }
  const reasons: Message<StatementKey>[] = breeding ? [msg('surplus.reasonBreeding', { ...breeding })] : []
  if (p.now.value < minimumKeep) reasons.push(msg('surplus.reasonUnder', { keep: minimumKeep, value: p.now.value }))
  else if (p.now.high <= minimumKeep) reasons.push(msg('surplus.reasonNoMore', { keep: minimumKeep }))
  else if (p.growthPerWeek.value < -STEADY) reasons.push(msg('surplus.reasonShrinking', keep))
  else reasons.push(msg('surplus.reasonDoubt', keep))
  const later = p.fan.find(point => point.p25 > minimumKeep * 1.25)
  if (later && later.at > p.fan[0]!.at) reasons.push(msg('surplus.later', { at: later.at, keep: minimumKeep }))
  return none(reasons)
}
