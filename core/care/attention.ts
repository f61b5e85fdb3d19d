import type { Message, VerdictState } from '#core/records'
import { type ColonyStatements, type StatementKey, urgency } from '#core/statements'
import type { WaterMessageKey } from '#core/water'

/** Something that needs the keeper: one for a colony, its most urgent matter first. */
export interface Attention {
  colonyId: string
  state: VerdictState
  title: Message<WaterMessageKey | StatementKey>
  reason: Message<WaterMessageKey | StatementKey> | null
  action: Message<WaterMessageKey | StatementKey> | null
  /** higher comes first */
  weight: number
}

/**
 * What needs the keeper now, most urgent first: water that is off, colonies that shrink, water that drifts, water or
 * numbers that are not known any more.
 * @param statements of all colonies, in any order; ties keep their order
 */
export function needsAttention(statements: readonly ColonyStatements[]): Attention[] {
  return statements.flatMap(s => mostUrgent(s) ?? []).sort((a, b) => b.weight - a.weight)
}

function mostUrgent(s: ColonyStatements): Attention | null {
  const { colonyId } = s
  const worst = s.water.worst
  // among equals the value that kills sooner comes first
  const sooner = worst ? urgency.indexOf(worst.key) / 2 : 0
  if (worst?.state === 'off')
    return {
      colonyId,
      state: 'off',
      title: worst.conclusion,
      reason: worst.reasons[0] ?? null,
      action: worst.actions[0] ?? null,
      weight: 100 - sooner,
    }
  if (s.heading.state === 'off')
    return {
      colonyId,
      state: 'off',
      title: s.heading.conclusion,
      reason: s.heading.reasons[0] ?? null,
      action: null,
      weight: 80,
    }
  if (worst?.state === 'drifting')
    return {
      colonyId,
      state: 'drifting',
      title: worst.conclusion,
      reason: worst.reasons[0] ?? null,
      action: worst.actions[0] ?? null,
      weight: 60 - sooner,
    }
  if (worst && worst.state === 'unknown' && worst.latest)
    return {
      colonyId,
      state: 'unknown',
      title: worst.conclusion,
      reason: null,
      action: worst.actions[0] ?? null,
      weight: 40 - sooner,
    }
  if (worst && !worst.latest)
    return {
      colonyId,
      state: 'unknown',
      title: { key: 'water.nothingKnown', values: {} },
      reason: null,
      action: null,
      weight: 35,
    }
  if (s.number.state === 'unknown')
    return {
      colonyId,
      state: 'unknown',
      title: s.number.reasons.find(r => r.key === 'number.reasonOld') ?? s.number.conclusion,
      reason: null,
      action: s.number.actions[0] ?? null,
      weight: 20,
    }
  return null
}
