import type { ResolvedGroup } from '#core/groups'
import { changeCalendar, recipeKeys, waterStory } from '#core/water'
import { DAY_MS, momentMs } from '#core/records'
import { CP, TOP_UP_DAYS } from '../figures'
import type { DueItem, GlassCare } from '../item'
import { item, last, startOf } from './tools'

/** How a school changes water. */
type ChangeHabit = NonNullable<ResolvedGroup['change']>

/** Water changes by school, or top-ups where the school changes nothing. */
export function waterRule(g: GlassCare, nowMs: number): DueItem[] {
  if (g.colonies.length === 0) return []
  // the colony that wants the most frequent change decides: they share the water
  const school = g.colonies.flatMap(c => c.group.change ?? []).sort((a, b) => a.everyDays - b.everyDays)[0]
  return [school ? changeItem(g, school, nowMs) : topUpItem(g, nowMs)]
}

/**
 * A day early or late is nothing, and a change left out once is made good by the next (common practice): what harms is
 * a jump.
 */
function changeItem(g: GlassCare, { share, everyDays }: ChangeHabit, nowMs: number): DueItem {
  const changes = g.entries.filter(e => e.kind === 'waterChange')
  const { lastMs } = changeCalendar(waterStory(changes, g.netL, nowMs), g.netL, everyDays, nowMs)
  const off = g.colonies
    .flatMap(c => c.values)
    .find(
      v =>
        (v.state === 'off' || v.state === 'drifting') && v.latest && (recipeKeys as readonly string[]).includes(v.key),
    )
  const litres = g.netL * share
  return item({
    key: `waterChange:${g.glass.id}`,
    kind: 'waterChange',
    glassId: g.glass.id,
    dueMs: (lastMs ?? startOf(g)) + everyDays * DAY_MS,
    everyDays,
    earlyDays: 1.5,
    lateDays: everyDays,
    minutes: 4 + Math.min(16, litres),
    flexible: true,
    why: lastMs === null ? 'changeNever' : off ? 'changeCorrects' : 'changeEvery',
    whyValues: {
      litres,
      every: everyDays,
      days: lastMs === null ? 0 : (nowMs - lastMs) / DAY_MS,
      ...(off && { key: off.key }),
    },
    basis: CP,
    values: { litres },
  })
}

function topUpItem(g: GlassCare, nowMs: number): DueItem {
  const top = last(g.entries, 'topUp')
  const usual = usualTopUp(g)
  return item({
    key: `topUp:${g.glass.id}`,
    kind: 'topUp',
    glassId: g.glass.id,
    dueMs: (top ? momentMs(top.at) : startOf(g)) + TOP_UP_DAYS * DAY_MS,
    everyDays: TOP_UP_DAYS,
    earlyDays: 2,
    lateDays: 3,
    minutes: 2,
    flexible: true,
    why: top ? 'topUpEvery' : 'topUpNever',
    whyValues: { every: TOP_UP_DAYS, days: top ? (nowMs - momentMs(top.at)) / DAY_MS : 0 },
    basis: CP,
    values: usual === null ? {} : { litres: usual },
  })
}

/** Litres of the last top-ups; null when none was logged. */
function usualTopUp(g: GlassCare): number | null {
  const litres = g.entries.flatMap(e => (e.kind === 'topUp' ? [e.litres] : [])).slice(-4)
  return litres.length === 0 ? null : litres.reduce((s, l) => s + l, 0) / litres.length
}
