import { DAY_MS, momentMs, presentGlassId } from '#core/records'
import { M } from '../figures'
import type { ColonyCare, DueItem, GlassCare } from '../item'
import { item, last } from './tools'

/** A look so many days before a bud can be seen counts as the look at it. */
const EARLY_DAYS = 3

/** A look at limbs that were lost, when a bud should show: who lost several is kept apart until then. */
export function limbRule(g: GlassCare): DueItem[] {
  return g.colonies.flatMap(c => c.limbs.flatMap(limb => lookAt(g, c, limb) ?? []))
}

function lookAt(g: GlassCare, { colony, entries }: ColonyCare, limb: ColonyCare['limbs'][number]): DueItem | null {
  const from = limb.lookMs - EARLY_DAYS * DAY_MS
  const looked = last(g.entries, 'visit', v => v.outcome === 'looked')
  const written = entries.findLast(e => e.kind === 'note' || e.kind === 'photo' || e.kind === 'limbLoss')
  if ([looked, written].some(e => e && momentMs(e.at) > Math.max(from, limb.atMs))) return null
  return item({
    key: `limb:${colony.id}:${limb.atMs}`,
    kind: 'limb',
    colonyId: colony.id,
    glassId: presentGlassId(colony),
    dueMs: limb.lookMs,
    everyDays: null,
    earlyDays: EARLY_DAYS,
    lateDays: 7,
    minutes: 1,
    flexible: true,
    why: 'limbBud',
    whyValues: { lost: limb.atMs, whole: limb.wholeMs },
    basis: M,
    values: { n: limb.number, several: limb.several ? 1 : 0 },
  })
}
