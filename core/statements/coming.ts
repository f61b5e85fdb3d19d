import type { ColonyBroods } from '#core/broods'
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
 * @param broods of the colony
 * @param eggs of one clutch
 * @param entries standing entries of the colony, by time
 */
export function comingOf(
  broods: ColonyBroods | null,
  eggs: number,
  entries: readonly Entry[],
  nowMs: number,
): Coming[] {
  if (broods?.sign !== 'clutch') return []
  const coming = (['incubator', 'inPlace'] as const).flatMap((place): Coming[] => {
    const open = broods.lines.filter(l => l.place === place)
    if (open.length === 0) return []
    return [
      {
        ...{ place, hatched: false, number: open.length * eggs },
        fromMs: Math.min(...open.map(l => l.hatch.earliestMs)),
      },
    ]
  })
  const out = broods.ended.filter(
    b => b.end!.how === 'hatched' && b.place === 'incubator' && b.young && b.end!.toMs > nowMs - WAITS_DAYS * DAY_MS,
  )
  const fromMs = Math.min(...out.map(b => b.end!.toMs))
  const putIn = entries.reduce(
    (sum, e) => (e.kind === 'addition' && momentMs(e.at) >= fromMs ? sum + e.number : sum),
    0,
  )
  const number = out.reduce((sum, b) => sum + b.young!, 0) - putIn
  return number > 0 ? [...coming, { place: 'incubator', hatched: true, number, fromMs }] : coming
}
