import { type Entry, momentMs } from '#core/records'

/** Where a round stands. */
export interface RoundProgress {
  /** glasses that were looked at, with the moment */
  looked: Map<string, number>
  /** glasses that were passed over */
  passed: Set<string>
  /**
   * the next glass to look at, in the order of the walk, after a given one, then from the start; null when no other is
   * left
   */
  next: (afterId?: string) => string | null
}

/**
 * Reads a round from the log: it can be paused, resumed, and brought together from two devices, because nothing but its
 * visits says where it stands.
 * @param walk ids of the glasses in the order of the walk
 * @param visits standing visits, any order
 */
export function roundProgress(walk: readonly string[], roundId: string, visits: readonly Entry[]): RoundProgress {
  const looked = new Map<string, number>()
  const passed = new Set<string>()
  for (const e of visits) {
    if (e.kind !== 'visit' || e.roundId !== roundId) continue
    if (e.outcome === 'looked') looked.set(e.glassId, Math.max(looked.get(e.glassId) ?? 0, momentMs(e.at)))
    else passed.add(e.glassId)
  }
  for (const id of looked.keys()) passed.delete(id)
  const open = (id: string) => !looked.has(id) && !passed.has(id)
  return {
    looked,
    passed,
    next: afterId => {
      const from = afterId === undefined ? -1 : walk.indexOf(afterId)
      return walk.slice(from + 1).find(open) ?? walk.find(id => id !== afterId && open(id)) ?? null
    },
  }
}
