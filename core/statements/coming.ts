import { clutchesOf } from '#core/broods'
import type { ResolvedGroup } from '#core/groups'
import { DAY_MS, type Entry, momentMs } from '#core/records'

/** Young that are on the way, and in no number yet. */
export interface Coming {
  place: 'inPlace' | 'incubator'
  /** still in the egg, or hatched in the incubator and not put in */
  hatched: boolean
  number: number
  /** when the first of them may hatch, or hatched */
  fromMs: number
}

/** What hatched in the incubator longer ago has gone its way, whether anybody wrote it or not (from memory). */
const WAITS_DAYS = 56

/**
 * Clutches on the way, here and in the incubator, and young in the incubator that were not put in yet.
 * @param entries standing entries of the colony, by time
 */
export function comingOf({ group }: Pick<ResolvedGroup, 'group'>, entries: readonly Entry[], nowMs: number): Coming[] {
  const clutches = clutchesOf(group.care.brood, entries).filter(c => c.laidMs <= nowMs)
  const eggs = (['incubator', 'inPlace'] as const).flatMap((place): Coming[] => {
    const open = clutches.filter(c => c.state === 'open' && c.place === place)
    if (open.length === 0) return []
    const number = open.length * group.stages.broodSize.value
    return [{ place, hatched: false, number, fromMs: Math.min(...open.map(c => c.fromMs)) }]
  })
  const out = clutches.filter(
    c => c.state === 'hatched' && c.place === 'incubator' && c.young && c.seenMs > nowMs - WAITS_DAYS * DAY_MS,
  )
  const fromMs = Math.min(...out.map(c => c.seenMs))
  const putIn = entries.reduce(
    (sum, e) => (e.kind === 'addition' && momentMs(e.at) >= fromMs ? sum + e.number : sum),
    0,
  )
  const number = out.reduce((sum, c) => sum + c.young!, 0) - putIn
  return number > 0 ? [...eggs, { place: 'incubator', hatched: true, number, fromMs }] : eggs
}
