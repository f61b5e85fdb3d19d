import { format } from 'date-fns'
import type { ResolvedGroup } from '#core/groups'
import {
  Colony as ColonySchema,
  type Colony,
  type TargetOverride,
  toMoment,
  type ValueKey,
  valueKeys,
} from '#core/records'
import { parseNumber } from '#core/units'
import { limitText, storedValue, type UnitPrefs } from '~/words/unitPrefs'
import { wholeNumber } from './wholeNumber'

const DAY = 'yyyy-MM-dd'
type Limits = { prefLow: string; prefHigh: string; tolLow: string; tolHigh: string }
/** What can be changed of a colony after it has started, as typed. Empty fields follow the group. */
export interface ColonyEdit {
  name: string
  glassId: string
  /** day in this glass since */ startedAt: string
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
    glassId: colony.glassId,
    startedAt: format(new Date(colony.startedAt), DAY),
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
 * @returns the colony, or a sentence by field: `name`, `startedAt`, `minimumKeep`, `growthPct`, `capacityPerL`, `targets.<value>`
 */
export function readColonyEdit(
  edit: ColonyEdit,
  colony: Colony,
  units: UnitPrefs,
  nowMs: number,
): { ok: true; colony: Colony } | { ok: false; issues: Record<string, string> } {
  const issues: Record<string, string> = {}
  const name = edit.name.trim()
  if (name === '' || name.length > 60)
    issues.name = name === '' ? 'Give it a name.' : 'The name must have 60 letters at most.'
  // the same day keeps its hour
  const startMs =
    edit.startedAt === format(new Date(colony.startedAt), DAY)
      ? new Date(colony.startedAt).getTime()
      : new Date(`${edit.startedAt}T00:00`).getTime()
  if (Number.isNaN(startMs)) issues.startedAt = 'That is no day.'
  else if (startMs > nowMs) issues.startedAt = 'The day lies in the future.'
  const keep = edit.minimumKeep.trim() === '' ? null : wholeNumber(edit.minimumKeep, 0)
  if (keep && !keep.ok) issues.minimumKeep = keep.issue
  const growth = between(edit.growthPct, -35, 150, 'growthPct', issues, 'Per cent a week, from −35 to 150.')
  const capacity = between(
    edit.capacityPerL,
    0.001,
    500,
    'capacityPerL',
    issues,
    'Animals per litre, above 0 and at most 500.',
  )
  const targets: Partial<Record<ValueKey, TargetOverride>> = {}
  for (const key of valueKeys) {
    const typed = edit.targets[key]
    if (!typed || Object.values(typed).every(t => t.trim() === '')) continue
    const read = readLimits(key, typed, units)
    if (typeof read === 'string') issues[`targets.${key}`] = read
    else targets[key] = read
  }
  if (Object.keys(issues).length > 0) return { ok: false, issues }
  const { minimumKeep: _old, ...rest } = colony
  return {
    ok: true,
    colony: ColonySchema.parse({
      ...rest,
      name,
      glassId: edit.glassId,
      startedAt: toMoment(startMs),
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

function between(
  text: string,
  low: number,
  high: number,
  field: string,
  issues: Record<string, string>,
  sentence: string,
): number | null {
  if (text.trim() === '') return null
  const n = parseNumber(text.replace('%', ''))
  if (n === null || n < low || n > high) {
    issues[field] = sentence
    return null
  }
  return n
}

/** The tolerated range may be left out: then it is the preferred one. */
function readLimits(key: ValueKey, typed: Limits, units: UnitPrefs): TargetOverride | string {
  const number = (text: string) => {
    const n = parseNumber(text)
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
