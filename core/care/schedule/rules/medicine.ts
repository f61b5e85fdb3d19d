import { DAY_MS, momentMs } from '#core/records'
import { CHANGE_AFTER_DOSE_DAYS, secondDose, type SubstanceId, substanceIds, substances } from '#core/water'
import { CP } from '../figures'
import type { DueItem, GlassCare } from '../item'
import { item, last } from './tools'

/** Two doses further apart than this are two treatments (from memory). */
const ONE_TREATMENT_DAYS = 24

/** The part change after a dose, and the second dose: eggs survive the first (common practice). */
export function medicineRule(g: GlassCare, nowMs: number): DueItem[] {
  const items: DueItem[] = []
  for (const substance of substanceIds) {
    const doses = g.entries.flatMap(e => (e.kind === 'treatment' && e.substance === substance ? [momentMs(e.at)] : []))
    const newest = doses.at(-1)
    if (newest === undefined || newest < nowMs - 2 * ONE_TREATMENT_DAYS * DAY_MS) continue
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
          values: { litres: g.netL * 0.3, substance },
        }),
      )
    const second = secondDose(doses, nowMs)
    const isFirst = doses.filter(at => at > newest - ONE_TREATMENT_DAYS * DAY_MS).length % 2 === 1
    if (second && isFirst && substances[substance as SubstanceId].secondDose)
      items.push(
        item({
          key: `secondDose:${g.glass.id}:${substance}`,
          kind: 'secondDose',
          glassId: g.glass.id,
          dueMs: second.dueMs,
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
