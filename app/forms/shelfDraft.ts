import { begun, type SaltId, type ShelfContent, type ShelfItem, ShelfItem as ShelfSchema } from '#core/records'
import { shownValue, storedValue, type UnitPrefs, valueUnit } from '~/words/unitPrefs'
import { newId } from '~/data/newId'
import { nameIssue } from './nameIssue'
import { type NumberLimits, readNumber } from './readNumber'

/** A box on the shelf as typed: a salt by name, or a mix by what a gram in a litre raises, in the keeper's units. */
export interface ShelfDraft {
  name: string
  by: 'salt' | 'mix'
  salt: SaltId
  ghDh: string
  khDh: string
  conductivityUsCm: string
  caMg: string
  stockG: string
}
export type ShelfIssues = Partial<Record<'name' | 'ghDh' | 'khDh' | 'conductivityUsCm' | 'caMg' | 'stockG', string>>

/** Ca to Mg that is taken where a mix's label is silent (common practice). */
const USUAL_CA_MG = '3'

/** What a mix may raise at most, in the canonical units. */
const MOST = { ghDh: 200, khDh: 200, conductivityUsCm: 5000 } as const
type Raised = keyof typeof MOST

/** @param leftG what is left of it by now: the field shows that, and saving writes it down anew */
export function shelfDraft(item: ShelfItem | null, units: UnitPrefs, leftG?: number): ShelfDraft {
  const mix = item?.content.by === 'mix' ? item.content : null
  const raised = (key: Raised) => (mix ? String(Number(shownValue(key, mix[key], units).toPrecision(6))) : '')
  return {
    name: item?.name ?? '',
    by: mix ? 'mix' : 'salt',
    salt: item?.content.by === 'salt' ? item.content.salt : 'sodiumBicarbonate',
    ghDh: raised('ghDh'),
    khDh: raised('khDh'),
    conductivityUsCm: raised('conductivityUsCm'),
    caMg: mix ? String(mix.caMgByMass) : USUAL_CA_MG,
    stockG: leftG === undefined ? '' : String(Number(leftG.toFixed(1))),
  }
}

/** Reads a draft: the item, or a sentence for every field that is not right. */
export function readShelf(
  draft: ShelfDraft,
  { old, roomId, units, nowMs }: { old: ShelfItem | null; roomId: string; units: UnitPrefs; nowMs: number },
): { ok: true; item: ShelfItem } | { ok: false; issues: ShelfIssues } {
  const issues: ShelfIssues = {}
  const unnamed = nameIssue(draft.name, 'Give the box a name.')
  if (unnamed) issues.name = unnamed
  const field = (key: Raised | 'caMg' | 'stockG', limits: NumberLimits, ifEmpty: number | null) => {
    const read = readNumber(draft[key], limits)
    if (read.ok) return read.value
    if (read.empty && ifEmpty !== null) return ifEmpty
    issues[key] = read.issue
    return 0
  }
  const raised = (key: Raised) => {
    const typed = field(key, { low: 0, high: shownValue(key, MOST[key], units), unit: valueUnit(key, units) }, 0)
    return Number(storedValue(key, typed, units).toPrecision(5))
  }
  let content: ShelfContent = { by: 'salt', salt: draft.salt }
  if (draft.by === 'mix') {
    content = {
      by: 'mix',
      ghDh: raised('ghDh'),
      khDh: raised('khDh'),
      conductivityUsCm: raised('conductivityUsCm'),
      caMgByMass: field('caMg', { low: 0.05, high: 100 }, Number(USUAL_CA_MG)),
    }
    if (content.ghDh === 0 && content.khDh === 0 && !issues.ghDh && !issues.khDh)
      issues.ghDh = 'A mineral mix raises GH or KH: by how much does one gram in a litre?'
  }
  const stockG = draft.stockG.trim() === '' ? null : field('stockG', { low: 0, high: 1_000_000 }, null)
  if (Object.keys(issues).length > 0) return { ok: false, issues }
  const { stockG: _, ...kept } = old ?? { ...begun(newId(), nowMs), stockG: 0 }
  return {
    ok: true,
    item: ShelfSchema.parse({
      ...kept,
      roomId,
      name: draft.name.trim(),
      content,
      ...(stockG !== null && { stockG }),
    }),
  }
}
