import { begun, type SaltId, type ShelfContent, type ShelfItem, ShelfItem as ShelfSchema } from '#core/records'
import { newId } from '~/data/newId'
import { nameIssue } from './nameIssue'
import { readNumber } from './readNumber'

/** A box on the shelf as typed: a salt by name, or a mix by what a gram in a litre raises. */
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

/** @param leftG what is left of it by now: the field shows that, and saving writes it down anew */
export function shelfDraft(item: ShelfItem | null, leftG?: number): ShelfDraft {
  const mix = item?.content.by === 'mix' ? item.content : null
  return {
    name: item?.name ?? '',
    by: mix ? 'mix' : 'salt',
    salt: item?.content.by === 'salt' ? item.content.salt : 'sodiumBicarbonate',
    ghDh: mix ? String(mix.ghDh) : '',
    khDh: mix ? String(mix.khDh) : '',
    conductivityUsCm: mix ? String(mix.conductivityUsCm) : '',
    caMg: mix ? String(mix.caMgByMass) : USUAL_CA_MG,
    stockG: leftG === undefined ? '' : String(Number(leftG.toFixed(1))),
  }
}

/** Reads a draft: the item, or a sentence for every field that is not right. */
export function readShelf(
  draft: ShelfDraft,
  old: ShelfItem | null,
  roomId: string,
  nowMs: number,
): { ok: true; item: ShelfItem } | { ok: false; issues: ShelfIssues } {
  const issues: ShelfIssues = {}
  const unnamed = nameIssue(draft.name, 'Give the box a name.')
  if (unnamed) issues.name = unnamed
  const field = (
    key: 'ghDh' | 'khDh' | 'conductivityUsCm' | 'caMg' | 'stockG',
    low: number,
    high: number,
    ifEmpty: number | null,
  ) => {
    const read = readNumber(draft[key], { low, high })
    if (read.ok) return read.value
    if (read.empty && ifEmpty !== null) return ifEmpty
    issues[key] = read.issue
    return 0
  }
  let content: ShelfContent = { by: 'salt', salt: draft.salt }
  if (draft.by === 'mix') {
    content = {
      by: 'mix',
      ghDh: field('ghDh', 0, 200, 0),
      khDh: field('khDh', 0, 200, 0),
      conductivityUsCm: field('conductivityUsCm', 0, 5000, 0),
      caMgByMass: field('caMg', 0.05, 100, Number(USUAL_CA_MG)),
    }
    if (content.ghDh === 0 && content.khDh === 0 && !issues.ghDh && !issues.khDh)
      issues.ghDh = 'A mineral mix raises GH or KH: by how much does one gram in a litre?'
  }
  const stockG = draft.stockG.trim() === '' ? null : field('stockG', 0, 1_000_000, null)
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
