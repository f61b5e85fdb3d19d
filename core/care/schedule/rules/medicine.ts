import { DAY_MS, momentMs } from '#core/records'
import { CHANGE_AFTER_DOSE_DAYS, CHANGED_AFTER_DOSE, substanceIds, treatmentCourse } from '#core/water'
import { CP } from '../figures'
import type { DueItem, GlassCare } from '../item'
import { item, last } from './tools'

/** The part change after a dose, and the second dose: eggs survive the first (common practice). */
export function medicineRule(g: GlassCare, nowMs: number): DueItem[] {
  const items: DueItem[] = []
  for (const substance of substanceIds) {
    const doses = g.entries.flatMap(e => (e.kind === 'treatment' && e.substance === substance ? [momentMs(e.at)] : []))
    const course = treatmentCourse(substance, doses, nowMs)
    const newest = course.dosesMs.at(-1)
    if (newest === undefined) continue
    const changed = last(g.entries, 'waterChange', e => momentMs(e.at) > newest + DAY_MS)
    const values = { substance, days: (nowMs - newest) / DAY_MS }
    if (!changed)
      items.push(
        item({
          key: `doseChange:${g.glass.id}:${substance}`,
          kind: 'doseChange',
          glassId: g.glass.id,
          dueMs: newest + CHANGE_AFTER_DOSE_DAYS * DAY_MS,
          everyDays: null,
          earlyDays: 1,
          lateDays: 1,
          minutes: 12,
          flexible: false,
          why: 'doseChange',
          whyValues: values,
          basis: CP,
          values: { litres: g.netL * CHANGED_AFTER_DOSE, substance },
        }),
      )
    if (course.nextMs !== null)
      items.push(
        item({
          key: `secondDose:${g.glass.id}:${substance}`,
          kind: 'secondDose',
          glassId: g.glass.id,
          dueMs: course.nextMs,
          everyDays: null,
          earlyDays: 2,
          lateDays: 2,
          minutes: 10,
          flexible: false,
          why: 'secondDose',
          whyValues: values,
          basis: CP,
          values: { substance },
        }),
      )
  }
  return items
}
