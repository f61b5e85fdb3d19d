import { groups, type ResolvedGroup, schoolOf } from '#core/groups'
import { begun, cations, type Colony, EggLot, eggForms, eggOrigins, poolClasses, toMoment } from '#core/records'
import { newId } from '~/data/newId'
import { deviceDay, readPastDay } from './deviceDays'
import { nameIssue } from './nameIssue'

/** A lot of dry eggs as it is typed. */
export interface EggLotDraft {
  name: string
  groupId: string
  form: string
  origin: string
  drySince: string
  keptAt: string
  class: string
  cation: string
}
export type EggLotIssues = Partial<Record<keyof EggLotDraft, string>>

/** Groups whose eggs rest dry. */
export const dryGroups = groups.filter(g => g.dryEggs)

/** The draft of a new lot, or of one that is changed. */
export const eggLotDraft = (lot: EggLot | null): EggLotDraft => ({
  name: lot?.name ?? '',
  groupId: lot?.groupId ?? dryGroups[0]!.id,
  form: lot?.form ?? eggForms[0],
  origin: lot?.origin ?? 'bought',
  drySince: lot ? deviceDay(Date.parse(lot.drySince)) : '',
  keptAt: lot?.keptAt ?? '',
  class: lot?.class ?? poolClasses[0],
  cation: lot?.cation ?? cations[0],
})

/** Reads a draft. @returns the lot, or a sentence for every field that is not right */
export function readEggLot(
  draft: EggLotDraft,
  { old, roomId, nowMs }: { old: EggLot | null; roomId: string; nowMs: number },
): { ok: true; lot: EggLot } | { ok: false; issues: EggLotIssues } {
  const issues: EggLotIssues = {}
  const unnamed = nameIssue(draft.name, 'Give the lot a name: the bag’s label will do.')
  if (unnamed) issues.name = unnamed
  const same = old && draft.drySince === deviceDay(Date.parse(old.drySince))
  const day = same
    ? { ok: true as const, ms: Date.parse(old.drySince) }
    : draft.drySince === ''
      ? { ok: true as const, ms: nowMs }
      : readPastDay(draft.drySince, nowMs)
  if (!day.ok) issues.drySince = day.issue
  if (unnamed || !day.ok) return { ok: false, issues }
  const { keptAt: _k, ...kept }: Partial<EggLot> = old ?? begun(newId(), nowMs)
  const keptAt = draft.keptAt.trim()
  return {
    ok: true,
    lot: EggLot.parse({
      ...kept,
      roomId,
      ...{ name: draft.name.trim(), groupId: draft.groupId, form: draft.form, origin: draft.origin },
      ...{ drySince: toMoment(day.ms), class: draft.class, cation: draft.cation },
      ...(keptAt && { keptAt }),
    }),
  }
}

/** The lot that a pool leaves when it falls dry: its ground, of its own classes. */
export function begunLot(
  colony: Pick<Colony, 'id' | 'name' | 'groupId' | 'schools'>,
  { group }: Pick<ResolvedGroup, 'group'>,
  roomId: string,
  nowMs: number,
): EggLot {
  const classOf = (kind: 'temperature' | 'hardness') => schoolOf(group, kind, colony.schools[kind])!.id
  return EggLot.parse({
    ...begun(newId(), nowMs),
    roomId,
    ...{ name: `Eggs of ${colony.name}`.slice(0, 60), groupId: colony.groupId, form: 'ground', origin: 'own' },
    ...{ drySince: toMoment(nowMs), class: classOf('temperature'), cation: classOf('hardness') },
    fromColonyId: colony.id,
  })
}

export { cations, eggForms, eggOrigins, poolClasses }
