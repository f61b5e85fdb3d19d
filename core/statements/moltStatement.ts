import { paceAt, preferredC, type ResolvedGroup } from '#core/groups'
import {
  limbsUnderway,
  type LostLimbs,
  moltWatch,
  type MoltWatch,
  type Soft,
  softAt,
  type Stretch,
  USUAL_LEVEL,
} from '#core/molts'
import type { PopulationAnswer, PopulationQuestion } from '#core/population'
import type { Colony, Entry } from '#core/records'
import { Z80 } from '#core/stats'
import { type CauseAsked, causesOf, type MoltCause } from './moltCauses'
import { msg, type Statement } from './statement'

/** What is told of a colony's molts. */
export interface MoltsTold {
  watch: MoltWatch
  statement: Statement
  /** what they may fail of, in the order in which keepers look, with what the log says */
  causes: MoltCause[]
  /** who is soft at present, and limbs that are not yet back */
  soft: Soft | null
  limbs: LostLimbs[]
}

/** What the molts of a colony are told from. */
export interface MoltsOf extends CauseAsked {
  colony: Pick<Colony, 'moltLevel'>
  resolved: Pick<ResolvedGroup, 'group' | 'targets' | 'batch'>
  question: PopulationQuestion
  answer: PopulationAnswer
  /** standing entries of the colony, by time */
  colonyEntries: readonly Entry[]
}

/**
 * Whether the molts of a colony are trouble or ordinary.
 * @returns null for animals that do not molt, for a batch, and in a first look
 */
export function moltsTold(of: MoltsOf): MoltsTold | null {
  const { colony, resolved, question, answer, colonyEntries } = of
  const { molts } = resolved.group.care
  if (!molts || resolved.batch || answer.firstLook) return null
  const watch = moltWatch({
    molts,
    startMs: question.startMs,
    stretches: stretchesOf(resolved, question, answer),
    entries: colonyEntries,
    level: colony.moltLevel ?? USUAL_LEVEL,
    nowMs: question.nowMs,
  })
  const { nowMs, temperatureC } = question
  const pace = paceAt(resolved.group.stages.q10.value, temperatureC, preferredC(resolved))
  return (
    watch && {
      ...{ watch, statement: moltStatement(watch), causes: causesOf(of) },
      soft: softAt(molts, colonyEntries, nowMs),
      limbs: limbsUnderway(molts, colonyEntries, { nowMs, pace }),
    }
  )
}

/** The colony step by step, as its fit has it, each at the pace of its own temperature. */
function stretchesOf(
  resolved: MoltsOf['resolved'],
  { pastRates = [], temperatureC }: PopulationQuestion,
  { path, grown }: PopulationAnswer,
): Stretch[] {
  const q10 = resolved.group.stages.q10.value
  return path.map(({ at, p10, p50, p90 }, i) => {
    const here = pastRates.find(p => at <= p.untilMs)?.temperatureC ?? temperatureC
    return {
      untilMs: at,
      all: p50,
      grown: Math.min(p50, grown.past[i]?.value ?? p50),
      sdLog: p10 > 0 ? Math.log(p90 / p10) / (2 * Z80) : 0,
      pace: paceAt(q10, here, preferredC(resolved)),
    }
  })
}

/** Failures against molts, as both the heading and the molts tell them. */
export const failedOf = (w: MoltWatch) => ({
  failed: w.failed,
  molts: w.molts.value,
  low: Math.floor(w.usual),
  high: Math.ceil(w.usual),
  since: w.trouble?.fromMs ?? 0,
})

function moltStatement(w: MoltWatch): Statement {
  const values = failedOf(w)
  const rate = msg('molts.reasonRate', { value: w.rate.value, low: w.rate.low, high: w.rate.high })
  const skins = msg('molts.reasonSkins', {
    found: w.skins.found,
    expected: w.skins.expected.value,
    low: w.skins.share.low,
    high: w.skins.share.high,
  })
  const evidence: Statement['evidence'] = []
  if (w.trouble)
    return {
      state: 'off',
      conclusion: msg('molts.tooMany', values),
      reasons: [rate, skins],
      actions: [msg('heading.lookAtMolts', {})],
      evidence,
    }
  if (w.tooFew)
    return {
      state: 'unknown',
      conclusion: msg('molts.tooFew', values),
      reasons: [skins],
      actions: [msg('molts.lookAtEach', {})],
      evidence,
    }
  return { state: 'onTarget', conclusion: msg('molts.ordinary', values), reasons: [rate, skins], actions: [], evidence }
}
