import type { SubstrateKind, Glass, Rack } from '#core/records'
import { begun, Glass as GlassSchema, MAX_LITRES, MIN_LITRES, onShelf, placeAt, toMoment } from '#core/records'
import { editText, volume } from '#core/units'
import { newId } from '~/data/newId'
import { type UnitPrefs, volumeText } from '~/words/unitPrefs'
import { deviceDay, readPastDay } from './deviceDays'
import { nameIssue } from './nameIssue'
import { numberIn, readNumber } from './readNumber'
import { readVolume } from './readVolume'

/** A glass as typed. */
export interface GlassDraft {
  name: string
  kind: Glass['kind']
  litres: string
  fillBy: 'height' | 'netLitres'
  fillPct: string
  /** what the field was filled with for the keeper; as long as it stands, nobody has said how full the glass is */
  assumedPct: string
  netLitres: string
  rackId: string
  shelf: number
  lengthCm: string
  widthCm: string
  heightCm: string
  substrate: SubstrateKind
  depthCm: string
  rockKg: string
  carbonateG: string
  soilSince: string
}

/** A share as the field has it: "90". */
const pctText = (share: number) => String(Math.round(share * 1000) / 10)
/** Most glasses are filled to a finger under the rim (from memory), a paludarium to a fifth (common practice). */
const USUAL_PCT = '90'
const PALUDARIUM_PCT = '20'

/** The fill that is taken for granted follows what is to be in the glass, as long as the keeper said nothing of it. */
export function assumeFill(draft: GlassDraft, fillShare?: number): void {
  if (draft.assumedPct === '' || draft.fillPct !== draft.assumedPct) return
  const ofKind = draft.kind === 'paludarium' ? PALUDARIUM_PCT : USUAL_PCT
  draft.fillPct = draft.assumedPct = fillShare === undefined ? ofKind : pctText(fillShare)
}

/** An empty draft, or one filled from a glass. */
export function glassDraft(
  glass: Glass | null,
  racks: readonly Rack[],
  units: UnitPrefs,
  place?: { rackId: string; shelf: number },
): GlassDraft {
  const empty = {
    lengthCm: '',
    widthCm: '',
    heightCm: '',
    substrate: 'none' as const,
    depthCm: '',
    rockKg: '',
    carbonateG: '',
    soilSince: '',
  }
  if (!glass)
    return {
      name: '',
      kind: 'tank',
      litres: '',
      fillBy: 'height',
      fillPct: USUAL_PCT,
      assumedPct: USUAL_PCT,
      netLitres: '',
      rackId: place?.rackId ?? racks[0]?.id ?? '',
      shelf: place?.shelf ?? 0,
      ...empty,
    }
  const { fill, inside, substrate } = glass
  const text = (n: number | undefined) => (n === undefined ? '' : String(Number(n.toFixed(2))))
  return {
    name: glass.name,
    kind: glass.kind,
    litres: editText(volume, glass.grossL, units.volume),
    fillBy: fill.by,
    fillPct: fill.by === 'height' ? pctText(fill.share) : USUAL_PCT,
    assumedPct: fill.by === 'height' && fill.assumed ? pctText(fill.share) : '',
    netLitres: fill.by === 'netLitres' ? editText(volume, fill.netL, units.volume) : '',
    rackId: glass.place.rackId,
    shelf: glass.place.shelf,
    lengthCm: text(inside?.lengthCm),
    widthCm: text(inside?.widthCm),
    heightCm: text(inside?.heightCm),
    substrate: substrate?.kind ?? 'none',
    depthCm: text(substrate?.depthCm),
    rockKg: text(glass.rockKg),
    carbonateG: text(glass.carbonateG),
    soilSince: glass.soilSince ? deviceDay(Date.parse(glass.soilSince)) : '',
  }
}

/** What a glass is read against. */
export interface GlassContext {
  /** the glass that is edited, null for a new one */
  old: Glass | null
  roomId: string
  glasses: readonly Glass[]
  racks: readonly Rack[]
  units: UnitPrefs
  nowMs: number
}

export type GlassIssues = Partial<
  Record<'name' | 'litres' | 'fill' | 'place' | 'inside' | 'depthCm' | 'rockKg' | 'carbonateG' | 'soilSince', string>
>

/**
 * Reads a draft.
 * @returns the glass, or a sentence for every field that is not right
 */
export function readGlass(
  draft: GlassDraft,
  { old, roomId, glasses, racks, units, nowMs }: GlassContext,
): { ok: true; glass: Glass } | { ok: false; issues: GlassIssues } {
  const issues: GlassIssues = {}
  const unnamed = nameIssue(draft.name, 'Give the glass a name.')
  if (unnamed) issues.name = unnamed
  const inside = readEdges(draft, issues)
  const contents = readContents(draft, { issues, nowMs, old })
  const gross = inside
    ? { ok: true as const, value: Number(((inside.lengthCm * inside.widthCm * inside.heightCm) / 1000).toFixed(2)) }
    : readVolume(draft.litres, units, 'How much does it hold when full?')
  if (!gross.ok) issues.litres = gross.issue
  else if (gross.value < MIN_LITRES || gross.value > MAX_LITRES)
    issues.inside = `It must lie between ${volumeText(MIN_LITRES, units)} and ${volumeText(MAX_LITRES, units)}.`
  let fill: Glass['fill'] | null = null
  if (draft.fillBy === 'height') {
    const pct = numberIn(draft.fillPct.replace('%', ''), { low: 0, high: 100 })
    if (pct === null || pct === 0) issues.fill = 'The filled share must be above 0 and at most 100 %.'
    else fill = { by: 'height', share: pct / 100, ...(isAssumed(draft) && { assumed: true as const }) }
  } else {
    const net = readVolume(draft.netLitres, units, 'How much water is really in it?')
    if (!net.ok) issues.fill = net.issue
    else if (gross.ok && net.value > gross.value) issues.fill = 'The water in it cannot be more than it holds.'
    else fill = { by: 'netLitres', netL: net.value }
  }
  const rack = racks.find(r => r.id === draft.rackId)
  if (!rack) issues.place = 'Choose where it stands.'
  if (Object.keys(issues).length > 0 || !gross.ok || !fill || !rack) return { ok: false, issues }

  const shelf = Math.min(draft.shelf, rack.shelves - 1)
  const stays = old && old.place.rackId === rack.id && old.place.shelf === shelf
  const glass: Glass = {
    ...(old ? stampsOf(old) : begun(newId(), nowMs)),
    roomId,
    name: draft.name.trim(),
    kind: draft.kind,
    grossL: gross.value,
    fill,
    place: stays
      ? old.place
      : placeAt(
          onShelf(glasses, rack.id, shelf).filter(g => g.id !== old?.id),
          rack.id,
          shelf,
          Infinity,
        ),
    ...(inside && { inside }),
    ...contents,
  }
  return { ok: true, glass: GlassSchema.parse(glass) }
}

const isAssumed = ({ fillPct, assumedPct }: GlassDraft) => assumedPct !== '' && fillPct === assumedPct

/** What stays of a glass when it is read anew. */
const stampsOf = ({ id, editedAt, rev, basedOn, ended, hosts }: Glass) => ({
  id,
  editedAt,
  rev,
  ...(basedOn && { basedOn }),
  ...(ended && { ended }),
  ...(hosts && { hosts }),
})

/** Inner edges: all three or none; they give the gross litres. */
function readEdges(draft: GlassDraft, issues: GlassIssues): Glass['inside'] | null {
  const typed = [draft.lengthCm, draft.widthCm, draft.heightCm]
  if (typed.every(t => t.trim() === '')) return null
  const [l, w, h] = [
    readNumber(draft.lengthCm, { low: 1, high: 500, unit: 'cm' }),
    readNumber(draft.widthCm, { low: 1, high: 500, unit: 'cm' }),
    readNumber(draft.heightCm, { low: 1, high: 500, unit: 'cm' }),
  ]
  if (l.ok && w.ok && h.ok) return { lengthCm: l.value, widthCm: w.value, heightCm: h.value }
  issues.inside = 'Length, width and height in cm, or none of them.'
  return null
}

/** What is in a glass beside water; an empty field is none. */
function readContents(
  draft: GlassDraft,
  { issues, nowMs, old }: { issues: GlassIssues; nowMs: number; old: Glass | null },
): Pick<Glass, 'substrate' | 'rockKg' | 'carbonateG' | 'soilSince'> {
  const optional = (key: 'depthCm' | 'rockKg' | 'carbonateG', high: number, unit: string) => {
    const read = readNumber(draft[key], { low: 0, high, unit })
    if (!read.ok && !read.empty) issues[key] = read.issue
    return read.ok ? read.value : 0
  }
  const depthCm = draft.substrate === 'none' ? 0 : optional('depthCm', 60, 'cm')
  const rockKg = optional('rockKg', 1000, 'kg')
  const carbonateG = optional('carbonateG', 200_000, 'g')
  const soilSince = old?.soilSince && Date.parse(old.soilSince)
  const since = draft.soilSince === '' ? null : readPastDay(draft.soilSince, nowMs, soilSince || undefined)
  if (since && !since.ok) issues.soilSince = since.issue
  return {
    ...(draft.substrate !== 'none' && { substrate: { kind: draft.substrate, depthCm } }),
    ...(rockKg > 0 && { rockKg }),
    ...(carbonateG > 0 && { carbonateG }),
    ...(draft.substrate === 'activeSoil' && since?.ok && { soilSince: toMoment(since.ms) }),
  }
}
