import { groupOf, schoolKinds, type SchoolKind } from '#core/groups'
import {
  begun,
  Colony as ColonySchema,
  type Colony,
  type ColonyForm,
  headKeys,
  Heads,
  headsTotal,
  toMoment,
} from '#core/records'
import { newId } from '~/data/newId'
import { readPastDay, readPastMoment } from './deviceDays'
import { nameIssue } from './nameIssue'
import { wholeNumber } from './wholeNumber'

/** A colony as it is started: animals, habits, starters. */
export interface ColonyDraft {
  groupId: string
  name: string
  schools: Record<string, string>
  heads: Record<keyof Heads, string>
  startedAt: string
  /** a colony, larvae in a tub, or a pool of dry eggs */
  form: ColonyForm
  /** the lot that a pool is begun from; empty for eggs that are in no bank */
  eggLotId: string
}

export const emptyColonyDraft = (groupId = ''): ColonyDraft => ({
  groupId,
  name: '',
  schools: {},
  heads: { females: '', males: '', unsexed: '', halfGrown: '', young: '' },
  startedAt: '',
  form: 'colony',
  eggLotId: '',
})

/** The forms that a group can have beside a colony. */
export const formsOf = (groupId: string): ColonyForm[] => {
  const { larvae, dryEggs } = groupOf(groupId)
  return ['colony', ...(larvae ? (['rearing'] as const) : []), ...(dryEggs ? (['batch'] as const) : [])]
}
/** Fields of an unwritten moment: a hatch has its hour, a colony its day. */
const readStart = (draft: ColonyDraft, nowMs: number) => {
  if (draft.startedAt === '') return { ok: true as const, ms: nowMs }
  return draft.form === 'colony' ? readPastDay(draft.startedAt, nowMs) : readPastMoment(draft.startedAt, nowMs)
}

/** Kinds of school in which a group's keepers disagree, i.e. with more than one option. */
export const schoolsOf = (groupId: string): SchoolKind[] =>
  schoolKinds.filter(kind => (groupOf(groupId).schools[kind]?.length ?? 0) > 1)

/** Reads starters; an empty field is none. */
export function readHeads(heads: Record<string, string>): { ok: true; heads: Heads } | { ok: false; issue: string } {
  const out: Record<string, number> = {}
  for (const key of headKeys) {
    const text = heads[key]?.trim() ?? ''
    if (text === '') continue
    const read = wholeNumber(text, 0)
    if (!read.ok) return { ok: false, issue: read.issue }
    out[key] = read.value
  }
  return { ok: true, heads: Heads.parse(out) }
}

export type ColonyIssues = Partial<Record<'groupId' | 'name' | 'heads' | 'startedAt', string>>

/**
 * Reads a draft.
 * @param glassId the glass that it goes into
 * @returns the colony, or a sentence for every field that is not right
 */
export function readColony(
  draft: ColonyDraft,
  glassId: string,
  nowMs: number,
): { ok: true; colony: Colony } | { ok: false; issues: ColonyIssues } {
  const issues: ColonyIssues = {}
  if (draft.groupId === '') issues.groupId = 'Choose the animals.'
  const unnamed = nameIssue(draft.name, 'Give the line or colony a name.')
  if (unnamed) issues.name = unnamed
  const heads = readHeads(draft.heads)
  if (!heads.ok) issues.heads = heads.issue
  else if (headsTotal(heads.heads) === 0 && draft.form === 'colony')
    issues.heads = 'How many animals start it? At least one.'
  const started = readStart(draft, nowMs)
  if (!started.ok) issues.startedAt = started.issue
  if (Object.keys(issues).length > 0 || !heads.ok || !started.ok) return { ok: false, issues }
  const known = new Set(schoolsOf(draft.groupId) as string[])
  const schools = Object.fromEntries(
    Object.entries(draft.schools).filter(([kind, option]) => known.has(kind) && option !== ''),
  )
  return {
    ok: true,
    colony: ColonySchema.parse({
      ...begun(newId(), nowMs),
      form: draft.form,
      ...(draft.form === 'batch' && draft.eggLotId && { eggLotId: draft.eggLotId }),
      stays: [{ glassId, from: toMoment(started.ms) }],
      name: draft.name.trim(),
      groupId: draft.groupId,
      schools,
      startedAt: toMoment(started.ms),
      founders: heads.heads,
      targets: {},
      life: {},
    }),
  }
}
