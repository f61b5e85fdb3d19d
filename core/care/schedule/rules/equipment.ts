import { DAY_MS, type EquipmentPart, equipmentParts, momentMs } from '#core/records'
import { CP, EQUIPMENT, EQUIPMENT_DAYS } from '../figures'
import type { DueItem, GlassCare } from '../item'
import { areLarvae, item, startOf } from './tools'

/** Over this lower edge of the preferred range the room's air alone is too cool (from memory). */
const HEATED_C = 23

/** Parts that a glass has, by what its groups want. */
function partsOf(g: GlassCare): EquipmentPart[] {
  const groups = g.colonies.map(c => c.group)
  const grown = g.colonies.filter(c => !areLarvae(c)).map(c => c.group)
  const has = {
    climbs: grown.some(r => r.group.setup.climbs),
    filter: grown.some(r => r.group.setup.turnover.range[0] > 0),
    warm: groups.some(r => (r.targets.temperatureC?.preferred[0] ?? 0) >= HEATED_C),
  }
  return equipmentParts.filter(p => EQUIPMENT[p](has))
}

/**
 * A weekly look at cover, intake sponge and flow (common practice: a fallen sponge is not put back by itself, and what
 * climbs finds every gap), and mending of what was found broken.
 */
export function equipmentRule(g: GlassCare, nowMs: number): DueItem[] {
  const parts = g.colonies.length === 0 ? [] : partsOf(g)
  const seen = new Map<EquipmentPart, { at: number; state: string }>()
  for (const e of g.entries)
    if (e.kind === 'equipment')
      for (const p of equipmentParts) if (e.found[p]) seen.set(p, { at: momentMs(e.at), state: e.found[p]! })
  const items: DueItem[] = []
  const broken = [...seen].filter(([, s]) => s.state === 'broken')
  if (broken.length > 0) {
    const sinceMs = Math.min(...broken.map(([, s]) => s.at))
    items.push(
      item({
        key: `mend:${g.glass.id}`,
        kind: 'mend',
        glassId: g.glass.id,
        dueMs: sinceMs,
        everyDays: null,
        earlyDays: 0,
        lateDays: 1,
        minutes: 10,
        flexible: false,
        why: 'broken',
        whyValues: { days: (nowMs - sinceMs) / DAY_MS },
        basis: CP,
        values: { parts: broken.map(([p]) => p).join(' ') },
      }),
    )
  }
  if (parts.length === 0) return items
  const known = parts.map(p => seen.get(p)?.at ?? null)
  const never = known.includes(null)
  const oldest = never ? startOf(g) : Math.min(...(known as number[]))
  items.push(
    item({
      key: `equipment:${g.glass.id}`,
      kind: 'equipment',
      glassId: g.glass.id,
      dueMs: oldest + EQUIPMENT_DAYS * DAY_MS,
      everyDays: EQUIPMENT_DAYS,
      earlyDays: 2,
      lateDays: 7,
      minutes: 0.5,
      flexible: true,
      why: never ? 'never' : 'every',
      whyValues: { every: EQUIPMENT_DAYS, days: never ? 0 : (nowMs - oldest) / DAY_MS },
      basis: CP,
      values: { parts: parts.join(' ') },
    }),
  )
  return items
}
