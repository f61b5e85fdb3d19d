import type { Message, ValueKey, VerdictState } from '#core/records'
import { valueKeys } from '#core/records'
import type { Figure, SpeciesGroup, Target, Targets } from './group'
import { type ResolvedGroup, toleratedOf } from './resolve'

/** What stands between two groups in one glass; the sentences are in app/words. */
export type CompanyKey =
  | 'company.cross'
  | 'company.kills'
  | 'company.eatsYoung'
  | 'company.nips'
  | 'company.takesFood'
  | 'company.larvae'
  | 'company.noWater'
  | 'company.tightWater'
  | 'company.soil'

/** How the ranges of one value lie to each other. */
export interface Overlap {
  key: ValueKey
  state: VerdictState
  /** where both are at their best, or at least both bear it; null when there is nothing in common */
  common: readonly [number, number] | null
  of: readonly [Target, Target]
}

export interface Compatibility {
  state: VerdictState
  overlaps: Overlap[]
  issues: (Message<CompanyKey> & { state: VerdictState })[]
}

const overlapOf = (a: readonly [number, number], b: readonly [number, number]): readonly [number, number] | null => {
  const low = Math.max(a[0], b[0])
  const high = Math.min(a[1], b[1])
  return low <= high ? [low, high] : null
}

/**
 * Whether two groups can share a glass: overlap of their water, who eats whom or whose young, nipping, food, larvae,
 * and crossing lines of one species.
 * @param a after its schools
 * @param b after its schools; the same group means two lines of it
 */
export function compatibility(a: ResolvedGroup, b: ResolvedGroup): Compatibility {
  const overlaps: Overlap[] = []
  for (const key of valueKeys) {
    const ta = a.targets[key]
    const tb = b.targets[key]
    if (!ta || !tb || (ta.preferred[1] === 0 && tb.preferred[1] === 0)) continue
    const best = overlapOf(ta.preferred, tb.preferred)
    const borne = overlapOf(toleratedOf(key, ta), toleratedOf(key, tb))
    overlaps.push({ key, of: [ta, tb], state: best ? 'onTarget' : borne ? 'drifting' : 'off', common: best ?? borne })
  }
  const issues: Compatibility['issues'] = []
  const say = (state: VerdictState, key: CompanyKey, values: Record<string, string | number> = {}) =>
    issues.push({ state, key, values })
  const salt = (g: ResolvedGroup) => g.targets.salinityGKg !== undefined
  const clash = overlaps.find(o => o.state === 'off')
  if (salt(a) !== salt(b)) say('off', 'company.noWater', { value: 'salinityGKg' })
  else if (clash) say('off', 'company.noWater', { value: clash.key })
  else {
    const tight = overlaps.filter(o => o.state === 'drifting')
    if (tight.length > 0) say('drifting', 'company.tightWater', { value: tight[0]!.key, n: tight.length })
  }
  if (a.group.company.crosses === b.group.company.crosses) say('off', 'company.cross', { name: a.group.name })
  for (const [one, other] of a.group.id === b.group.id
    ? [[a.group, b.group] as const]
    : [[a.group, b.group] as const, [b.group, a.group] as const])
    neighbour(one, other, say)
  const order: VerdictState[] = ['off', 'drifting', 'unknown', 'onTarget']
  const state =
    order.find(s => issues.some(i => i.state === s) || (s !== 'onTarget' && overlaps.some(o => o.state === s))) ??
    'onTarget'
  return { state, overlaps, issues }
}

function neighbour(
  one: SpeciesGroup,
  other: SpeciesGroup,
  say: (state: VerdictState, key: CompanyKey, values?: Record<string, string | number>) => void,
): void {
  const who = { who: one.name, whom: other.name }
  const { company } = one
  const same = one.id === other.id
  if (!same && company.kills.includes(other.company.kind)) say('off', 'company.kills', who)
  else if (!same && company.eatsYoungOf.includes(other.company.kind)) say('drifting', 'company.eatsYoung', who)
  if (!same && company.nips && !company.kills.includes(other.company.kind)) say('drifting', 'company.nips', who)
  if (!same && company.takesFood && !other.company.takesFood) say('drifting', 'company.takesFood', who)
  if (!same && company.larvaeNeedSea) say('unknown', 'company.larvae', who)
  if (!same && one.setup.substrate.kind === 'activeSoil' && other.company.kind === 'snail')
    say('drifting', 'company.soil', who)
}

/** What the water of a glass has to suit when several colonies share it. */
export interface SharedTargets {
  targets: Targets
  largestStepPerWeek: Partial<Record<ValueKey, Figure>>
  /** values for which nothing suits all */
  conflicts: ValueKey[]
}

/**
 * Targets of all colonies of a glass together: where preferred ranges overlap the overlap, else the part that all bear;
 * of the largest steps the smallest. A value that nothing suits follows the first colony and is named.
 * @param groups of the colonies, at least one
 */
export function sharedTargets(groups: readonly ResolvedGroup[]): SharedTargets {
  const targets: Targets = {}
  const steps: SharedTargets['largestStepPerWeek'] = {}
  const conflicts: ValueKey[] = []
  for (const key of valueKeys) {
    for (const g of groups) {
      const step = g.largestStepPerWeek[key]
      if (step && (!steps[key] || step.value < steps[key].value)) steps[key] = step
      const next = g.targets[key]
      if (!next) continue
      const sofar = targets[key]
      if (!sofar) {
        targets[key] = next
        continue
      }
      const tolerated = overlapOf(toleratedOf(key, sofar), toleratedOf(key, next))
      const preferred = overlapOf(sofar.preferred, next.preferred) ?? tolerated
      if (!preferred || !tolerated) {
        conflicts.push(key)
        continue
      }
      const aims = [sofar.aim, next.aim].filter(
        (aim): aim is number => aim !== undefined && aim >= preferred[0] && aim <= preferred[1],
      )
      targets[key] = {
        preferred: [...preferred],
        tolerated: [...tolerated],
        basis: sofar.basis,
        ...(aims.length > 0 && { aim: aims[0] }),
      }
    }
  }
  return { targets, largestStepPerWeek: steps, conflicts: [...new Set(conflicts)] }
}
