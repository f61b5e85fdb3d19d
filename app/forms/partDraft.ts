import {
  type Colony,
  type EntryOf,
  type EntryStamp,
  type Heads,
  headsTotal,
  joinColony,
  partColony,
} from '#core/records'
import { readBerried } from './carriedEggs'
import { readHeads } from './colonyDraft'
import { readPastDay } from './deviceDays'
import { nameIssue } from './nameIssue'

/** Who goes where, as typed: a part into another glass, or all that are left into another colony. */
export interface PartDraft {
  name: string
  glassId: string
  intoId: string
  heads: Record<string, string>
  /** those of them that are followed */
  animalIds: string[]
  /** how many of them carry eggs; empty where nobody looked */
  berried: string
  /** day on which it was done; empty for today */
  on: string
}
export type PartIssues = Partial<Record<'name' | 'glassId' | 'intoId' | 'heads' | 'berried' | 'on', string>>

export const emptyPart = (): PartDraft => ({
  ...{ name: '', glassId: '', intoId: '', heads: {}, animalIds: [], berried: '', on: '' },
})

/** What a parting or joining is read against. */
export interface PartContext {
  colony: Colony
  /** id of the colony that is parted off */
  id: string
  stamp: EntryStamp
  nowMs: number
}

/** Day and animals, which partings and joinings share. */
function readMove(draft: PartDraft, { colony, nowMs }: PartContext) {
  const issues: PartIssues = {}
  const read = readHeads(draft.heads)
  if (!read.ok) issues.heads = read.issue
  const day = draft.on === '' ? { ok: true as const, ms: nowMs } : readPastDay(draft.on, nowMs)
  if (!day.ok) issues.on = day.issue
  else if (day.ms < Date.parse(colony.startedAt)) issues.on = `${colony.name} did not live yet.`
  const heads: Heads | null = read.ok ? read.heads : null
  if (heads && draft.animalIds.length > headsTotal(heads))
    issues.heads = `${draft.animalIds.length} are named: as many go at least.`
  const eggs = readBerried(draft.berried, heads ? heads.females + heads.unsexed : Infinity)
  if (!eggs.ok) issues.berried = eggs.issue
  const told = eggs.ok ? eggs.told : {}
  return { issues, heads, going: { animalIds: draft.animalIds, ...told, atMs: day.ok ? day.ms : nowMs } }
}

/** Reads a part that goes into another glass. */
export function readPart(
  draft: PartDraft,
  context: PartContext,
): { ok: true; colony: Colony; move: EntryOf<'move'> } | { ok: false; issues: PartIssues } {
  const { issues, heads, going } = readMove(draft, context)
  const unnamed = nameIssue(draft.name, 'Give the new colony a name.')
  if (unnamed) issues.name = unnamed
  if (!draft.glassId) issues.glassId = 'Which glass do they go into?'
  if (heads && headsTotal(heads) === 0) issues.heads = 'How many go? At least one.'
  if (Object.keys(issues).length > 0 || !heads) return { ok: false, issues }
  const { colony, id, stamp, nowMs } = context
  return {
    ok: true,
    ...partColony(colony, {
      id,
      name: draft.name.trim(),
      glassId: draft.glassId,
      heads,
      ...going,
      nowMs,
      stamp,
    }),
  }
}

/**
 * Reads a joining: all that are left go into another colony, and this one ends.
 * @param others colonies that they may go into
 */
export function readJoin(
  draft: PartDraft,
  context: PartContext,
  others: readonly Colony[],
): { ok: true; colony: Colony; move: EntryOf<'move'> | null } | { ok: false; issues: PartIssues } {
  const { issues, heads, going } = readMove(draft, context)
  const into = others.find(c => c.id === draft.intoId)
  if (!into) issues.intoId = 'Which colony do they go into?'
  else if (going.atMs < Date.parse(into.startedAt)) issues.on = `${into.name} did not live yet.`
  if (Object.keys(issues).length > 0 || !heads || !into) return { ok: false, issues }
  return { ok: true, ...joinColony(context.colony, into, { heads, ...going, stamp: context.stamp }) }
}

/** Stages of an estimate as numbers by sex and size, for the fields: whole animals, as far as they are told apart. */
export function headsOf(
  stages: { young: { value: number }; females: { value: number }; males: { value: number } },
  oneSex: boolean,
): Record<string, string> {
  const whole = (n: number) => (Math.round(n) > 0 ? String(Math.round(n)) : '')
  const grown: Record<string, string> = oneSex
    ? { unsexed: whole(stages.females.value + stages.males.value) }
    : { females: whole(stages.females.value), males: whole(stages.males.value) }
  return { ...grown, halfGrown: whole(stages.young.value) }
}
