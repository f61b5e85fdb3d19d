import { changeCalendar, recipeKeys, waterStory } from '#core/water'
import { DAY_MS, momentMs } from '#core/records'
import { CP, TOP_UP_DAYS } from '../figures'
import type { DueItem, GlassCare } from '../item'
import { item, last, startOf } from './tools'

/**
 * Water changes by school, or top-ups where the school changes nothing. A day early or late is nothing, and a change
 * left
 * out once is made good by the next (common practice): what harms is a jump.
 */
export function waterRule(g: GlassCare, nowMs: number): DueItem[] {
  if (g.colonies.length === 0) return []
  // the colony that wants the most frequent change decides: they share the water
  const school = g.colonies.flatMap(c => c.group.change ?? []).sort((a, b) => a.everyDays - b.everyDays)[0]
  const started = startOf(g)
  if (school) {
    const { lastMs } = changeCalendar(
      waterStory(
        g.entries.filter(e => e.kind === 'waterChange'),
        g.netL,
        nowMs,
      ),
      g.netL,
      school.everyDays,
      nowMs,
    )
    const off = g.colonies
      .flatMap(c => c.values)
      .find(
        v =>
          (v.state === 'off' || v.state === 'drifting') &&
          v.latest &&
          (recipeKeys as readonly string[]).includes(v.key),
      )
    const values = {
      litres: g.netL * school.share,
      every: school.everyDays,
      days: lastMs === null ? 0 : (nowMs - lastMs) / DAY_MS,
    }
    const why = lastMs === null ? 'changeNever' : off ? 'changeCorrects' : 'changeEvery'
    return [
      item({
        key: `waterChange:${g.glass.id}`,
        kind: 'waterChange',
        glassId: g.glass.id,
        dueMs: (lastMs ?? started) + school.everyDays * DAY_MS,
        everyDays: school.everyDays,
        earlyDays: 1.5,
        lateDays: school.everyDays,
        minutes: 4 + Math.min(16, values.litres),
        flexible: true,
        why,
        whyValues: { ...values, ...(off && { key: off.key }) },
        basis: CP,
        values: { litres: values.litres },
      }),
    ]
  }
  const top = last(g.entries, 'topUp')
  const usual = usualTopUp(g)
  return [
    item({
      key: `topUp:${g.glass.id}`,
      kind: 'topUp',
      glassId: g.glass.id,
      dueMs: (top ? momentMs(top.at) : started) + TOP_UP_DAYS * DAY_MS,
      everyDays: TOP_UP_DAYS,
      earlyDays: 2,
      lateDays: 3,
      minutes: 2,
      flexible: true,
      why: top ? 'topUpEvery' : 'topUpNever',
      whyValues: { every: TOP_UP_DAYS, days: top ? (nowMs - momentMs(top.at)) / DAY_MS : 0 },
      basis: CP,
      values: usual === null ? {} : { litres: usual },
    }),
  ]
}

/** Litres of the last top-ups; null when none was logged. */
function usualTopUp(g: GlassCare): number | null {
  const litres = g.entries.flatMap(e => (e.kind === 'topUp' ? [e.litres] : [])).slice(-4)
  return litres.length === 0 ? null : litres.reduce((s, l) => s + l, 0) / litres.length
}
