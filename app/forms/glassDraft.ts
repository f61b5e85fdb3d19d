import { type Glass, Glass as GlassSchema, type Rack, onShelf, placeAt, toMoment } from '#core/records'
import { parseNumber, parseQuantity, volume, editText } from '#core/units'
import { newId } from '~/data/newId'
import type { UnitPrefs } from '~/words/unitPrefs'

/** A glass as typed. */
export interface GlassDraft { name: string, kind: Glass['kind'], litres: string, fillBy: 'height' | 'netLitres', fillPct: string, netLitres: string, rackId: string, shelf: number }

/** An empty draft, or one filled from a glass. */
export function glassDraft(glass: Glass | null, racks: readonly Rack[], units: UnitPrefs, place?: { rackId: string, shelf: number }): GlassDraft {
  if (!glass) return { name: '', kind: 'tank', litres: '', fillBy: 'height', fillPct: '90', netLitres: '', rackId: place?.rackId ?? racks[0]?.id ?? '', shelf: place?.shelf ?? 0 }
  const { fill } = glass
  return {
    name: glass.name, kind: glass.kind, litres: editText(volume, glass.grossL, units.volume), fillBy: fill.by,
    fillPct: fill.by === 'height' ? String(Math.round(fill.share * 1000) / 10) : '90', netLitres: fill.by === 'netLitres' ? editText(volume, fill.netL, units.volume) : '',
    rackId: glass.place.rackId, shelf: glass.place.shelf,
  }
}

export type GlassIssues = Partial<Record<'name' | 'litres' | 'fill' | 'place', string>>

/**
 * Reads a draft.
 * @param old the glass that is edited, null for a new one
 * @returns the glass, or a sentence for every field that is not right
 */
export function readGlass(draft: GlassDraft, old: Glass | null, roomId: string, glasses: readonly Glass[], racks: readonly Rack[], units: UnitPrefs, nowMs: number): { ok: true, glass: Glass } | { ok: false, issues: GlassIssues } {
  const issues: GlassIssues = {}
  if (draft.name.trim() === '') issues.name = 'Give the glass a name.'
  else if (draft.name.trim().length > 60) issues.name = 'The name must have 60 letters at most.'
  const gross = parseQuantity(draft.litres, volume, units.volume)
  if (!gross.ok) issues.litres = gross.issue === 'empty' ? 'How much does it hold when full?' : `“${draft.litres.slice(0, 20)}” is no volume.`
  else if (!(gross.value > 0 && gross.value <= 5000)) issues.litres = 'It must be above 0 and at most 5000 L.'
  let fill: Glass['fill'] | null = null
  if (draft.fillBy === 'height') {
    const pct = parseNumber(draft.fillPct.replace('%', ''))
    if (pct === null || !(pct > 0 && pct <= 100)) issues.fill = 'The filled share must be above 0 and at most 100 %.'
    else fill = { by: 'height', share: pct / 100 }
  }
  else {
    const net = parseQuantity(draft.netLitres, volume, units.volume)
    if (!net.ok || !(net.value > 0)) issues.fill = 'How much water is really in it?'
    else if (gross.ok && net.value > gross.value) issues.fill = 'The water in it cannot be more than it holds.'
    else fill = { by: 'netLitres', netL: net.value }
  }
  const rack = racks.find(r => r.id === draft.rackId)
  if (!rack) issues.place = 'Choose where it stands.'
  if (Object.keys(issues).length > 0 || !gross.ok || !fill || !rack) return { ok: false, issues }

  const shelf = Math.min(draft.shelf, rack.shelves - 1)
  const stays = old && old.place.rackId === rack.id && old.place.shelf === shelf
  const glass: Glass = {
    id: old?.id ?? newId(), editedAt: toMoment(nowMs), roomId, name: draft.name.trim(), kind: draft.kind, grossL: gross.value, fill,
    place: stays ? old.place : placeAt(onShelf(glasses, rack.id, shelf).filter(g => g.id !== old?.id), rack.id, shelf, Infinity),
  }
  return { ok: true, glass: GlassSchema.parse(glass) }
}
