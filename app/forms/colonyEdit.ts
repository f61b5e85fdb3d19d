import type { ResolvedGroup } from '#core/groups'
import {
  Colony as ColonySchema,
  type Colony,
  movedTo,
  presentGlassId,
  type Stay,
  type TargetOverride,
  toMoment,
  type ValueKey,
  valueKeys,
} from '#core/records'
import { limitText, storedValue, type UnitPrefs } from '~/words/unitPrefs'
import { deviceDay, readPastDay } from './deviceDays'
import { nameIssue } from './nameIssue'
import { numberIn } from './readNumber'
import { wholeNumber } from './wholeNumber'

type Limits = { prefLow: string; prefHigh: string; tolLow: string; tolHigh: string }
/** What can be changed of a colony after it has started, as typed. Empty fields follow the group. */
export interface ColonyEdit {
  name: string
  /** the glass that it lives in now, or is moved to */
  glassId: string
  /** day of the move, where the glass changes; empty for today */
  movedAt: string
  /** day on which the colony began */
  startedAt: string
  /** the line that it shares with other colonies; empty for none */
  lineId: string
  schools: Record<string, string>
  minimumKeep: string
  growthPct: string
  capacityPerL: string
  targets: Partial<Record<ValueKey, Limits>>
}

/** Fills the fields from a colony; only its own figures appear, the group's are shown as placeholders. */
export function colonyEdit(colony: Colony, units: UnitPrefs): ColonyEdit {
  const targets: ColonyEdit['targets'] = {}
  for (const key of valueKeys) {
    const own = colony.targets[key]
    if (own)
      targets[key] = {
        prefLow: limitText(key, own.preferred[0], units),
        prefHigh: limitText(key, own.preferred[1], units),
        tolLow: limitText(key, own.tolerated[0], units),
        tolHigh: limitText(key, own.tolerated[1], units),
      }
  }
  const { life } = colony
  return {
    name: colony.name,
    glassId: presentGlassId(colony),
    movedAt: '',
    startedAt: deviceDay(Date.parse(colony.startedAt)),
    lineId: colony.lineId ?? '',
    schools: { ...colony.schools },
    minimumKeep: colony.minimumKeep === undefined ? '' : String(colony.minimumKeep),
    growthPct:
      life.growthPerWeek === undefined ? '' : String(Number((Math.expm1(life.growthPerWeek) * 100).toPrecision(3))),
    capacityPerL: life.capacityPerL === undefined ? '' : String(life.capacityPerL),
    targets,
  }
}

/**
 * Reads the fields back into the colony.
 * @returns the colony, or a sentence by field: `name`, `startedAt`, `movedAt`, `minimumKeep`, `growthPct`,
 * `capacityPerL`, `targets.<value>`
 */
export function readColonyEdit(
  edit: ColonyEdit,
  colony: Colony,
  units: UnitPrefs,
  nowMs: number,
): { ok: true; colony: Colony } | { ok: false; issues: Record<string, string> } {
  const issues: Record<string, string> = {}
  const unnamed = nameIssue(edit.name, 'Give it a name.')
  if (unnamed) issues.name = unnamed
  const started = readPastDay(edit.startedAt, nowMs, Date.parse(colony.startedAt))
  if (!started.ok) issues.startedAt = started.issue
  const stays = started.ok ? readStays(edit, { colony, startMs: started.ms, nowMs, issues }) : colony.stays
  const keep = edit.minimumKeep.trim() === '' ? null : wholeNumber(edit.minimumKeep, 0)
  if (keep && !keep.ok) issues.minimumKeep = keep.issue
  const between = (field: 'growthPct' | 'capacityPerL', [low, high]: [number, number], sentence: string) => {
    if (edit[field].trim() === '') return null
    const value = numberIn(edit[field].replace('%', ''), { low, high })
    if (value === null) issues[field] = sentence
    return value
  }
  const growth = between('growthPct', [-35, 150], 'Per cent a week, from −35 to 150.')
  const capacity = between('capacityPerL', [0.001, 500], 'Animals per litre, above 0 and at most 500.')
  const targets: Partial<Record<ValueKey, TargetOverride>> = {}
  for (const key of valueKeys) {
    const typed = edit.targets[key]
    if (!typed || Object.values(typed).every(t => t.trim() === '')) continue
    const read = readLimits(key, typed, units)
    if (typeof read === 'string') issues[`targets.${key}`] = read
    else targets[key] = read
  }
  if (Object.keys(issues).length > 0 || !started.ok) return { ok: false, issues }
  const { minimumKeep: _keep, lineId: _line, ...rest } = colony
  return {
    ok: true,
    colony: ColonySchema.parse({
      ...rest,
      name: edit.name.trim(),
      stays,
      ...(edit.lineId && { lineId: edit.lineId }),
      startedAt: toMoment(started.ms),
      schools: edit.schools,
      targets,
      life: {
        ...(growth !== null && { growthPerWeek: Math.log1p(growth / 100) }),
        ...(capacity !== null && { capacityPerL: capacity }),
      },
      ...(keep?.ok && { minimumKeep: keep.value }),
    }),
  }
}

/** Where the colony stood: its past stays where it was, and a move begins a new stay. */
function readStays(
  edit: ColonyEdit,
  {
    colony,
    startMs,
    nowMs,
    issues,
  }: { colony: Colony; startMs: number; nowMs: number; issues: Record<string, string> },
): Stay[] {
  const [first, ...later] = colony.stays
  const start = toMoment(startMs)
  const firstEnd = first!.to ?? later[0]?.from
  if (firstEnd !== undefined && start >= firstEnd) {
    issues.startedAt = 'It had moved to another glass by then.'
    return colony.stays
  }
  const stays = [{ ...first!, from: start }, ...later]
  if (edit.glassId === presentGlassId(colony)) return stays
  const moved = edit.movedAt === '' ? { ok: true as const, ms: nowMs } : readPastDay(edit.movedAt, nowMs)
  if (!moved.ok) issues.movedAt = moved.issue
  else if (moved.ms < startMs) issues.movedAt = 'It did not live yet.'
  else return movedTo(stays, edit.glassId, toMoment(moved.ms))
  return stays
}

/** The tolerated range may be left out: then it is the preferred one. */
function readLimits(key: ValueKey, typed: Limits, units: UnitPrefs): TargetOverride | string {
  const number = (text: string) => {
    const n = numberIn(text)
    return n === null ? null : Number(storedValue(key, n, units).toPrecision(12))
  }
  const preferred = [number(typed.prefLow), number(typed.prefHigh)] as const
  if (preferred[0] === null || preferred[1] === null) return 'Both ends of the preferred range must be numbers.'
  const tolerated = [
    typed.tolLow.trim() === '' ? preferred[0] : number(typed.tolLow),
    typed.tolHigh.trim() === '' ? preferred[1] : number(typed.tolHigh),
  ] as const
  if (tolerated[0] === null || tolerated[1] === null) return 'Both ends of the tolerated range must be numbers.'
  if (!(tolerated[0] <= preferred[0] && preferred[0] <= preferred[1] && preferred[1] <= tolerated[1]))
    return 'The preferred range must lie inside the tolerated one, lower end first.'
  return { preferred: [preferred[0], preferred[1]], tolerated: [tolerated[0], tolerated[1]] }
}

/** The group's own range of a value, for the placeholders. */
export function groupLimits(key: ValueKey, group: ResolvedGroup, units: UnitPrefs): Limits {
  const target = group.group.targets[key]
  const text = (n: number | undefined) => (n === undefined ? '' : limitText(key, n, units))
  return {
    prefLow: text(target?.preferred[0]),
    prefHigh: text(target?.preferred[1]),
    tolLow: text(target?.tolerated?.[0]),
    tolHigh: text(target?.tolerated?.[1]),
  }
}
