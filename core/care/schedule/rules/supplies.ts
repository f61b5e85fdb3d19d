import { DAY_MS, momentMs } from '#core/records'
import type { Figure } from '#core/groups'
import type { DueItem, DueKind, GlassCare } from '../item'
import { areLarvae, item, last, startOf } from './tools'

/** What it takes. */
interface Work {
  minutes: number
  values?: DueItem['values']
}

/** Greens, leaves and calcium at the days that the group wants them. */
export function supplyRule(g: GlassCare, nowMs: number): DueItem[] {
  const colonies = g.colonies.filter(c => !areLarvae(c))
  if (colonies.length === 0) return []
  const wanted = (of: (c: GlassCare['colonies'][number]['group']['group']['care']) => Figure | undefined) =>
    colonies.flatMap(c => of(c.group.group.care) ?? []).sort((a, b) => a.value - b.value)[0]
  const leaves = Math.max(1, Math.round((colonies[0]!.group.group.setup.leavesPer20L.value * g.netL) / 20))
  const rule = (kind: DueKind, days: Figure | undefined, lastAt: string | undefined, work: Work): DueItem[] => {
    if (!days) return []
    const { minutes, values = {} } = work
    const lastMs = lastAt === undefined ? null : momentMs(lastAt)
    return [
      item({
        key: `${kind}:${g.glass.id}`,
        kind,
        glassId: g.glass.id,
        dueMs: (lastMs ?? startOf(g)) + days.value * DAY_MS,
        everyDays: days.value,
        earlyDays: days.value / 4,
        lateDays: days.value,
        minutes,
        flexible: true,
        why: lastMs === null ? 'never' : 'every',
        whyValues: { every: days.value, days: lastMs === null ? 0 : (nowMs - lastMs) / DAY_MS },
        basis: days.basis,
        values,
      }),
    ]
  }
  return [
    ...rule(
      'greens',
      wanted(c => c.greensDays),
      last(g.entries, 'feeding', e => e.food === 'greens')?.at,
      { minutes: 3 },
    ),
    ...rule(
      'leaves',
      wanted(c => c.leavesDays),
      last(g.entries, 'supplement', e => e.what === 'leaves')?.at,
      { minutes: 1, values: { number: leaves } },
    ),
    ...rule(
      'calcium',
      wanted(c => c.calciumDays),
      last(g.entries, 'supplement', e => e.what === 'calcium')?.at,
      { minutes: 1 },
    ),
  ]
}
