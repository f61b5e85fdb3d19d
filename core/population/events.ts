import { WEEK_MS } from '#core/records'
import type { PopulationEvent } from './population'

/** A moment on the way of the filter: an event, or a week's mark to draw. */
export interface Node { at: number, event: PopulationEvent | null }

/** Every event, and a node each week back from today, so that drawn weeks line up with today. */
export function timeline(startMs: number, nowMs: number, events: readonly PopulationEvent[]): Node[] {
  const nodes: Node[] = events.map(event => ({ at: event.at, event }))
  for (let at = nowMs; at >= startMs; at -= WEEK_MS) nodes.push({ at, event: null })
  // at the same moment animals that come or go are known before a count is made
  const rank = (n: Node) => (n.event === null ? 2 : n.event.kind === 'count' ? 1 : 0)
  return nodes.sort((a, b) => a.at - b.at || rank(a) - rank(b))
}

/** A glass that was counted fuller than the group's default carries more; the largest count alone may be a slip. */
export function capacityShown(capacity: number, events: readonly PopulationEvent[]): number {
  const numbers = events.flatMap(e => (e.kind === 'count' ? [e.number] : [])).sort((a, b) => b - a)
  return Math.max(capacity, 1.3 * (numbers[1] ?? 0))
}

/** Logged deaths of the last twelve weeks as a weekly share: the futures must go on losing them. */
export function deathRate(events: readonly PopulationEvent[], nowMs: number, n: number): number {
  const weeks = 12
  let deaths = 0
  for (const e of events) if (e.kind === 'step' && e.death && e.at > nowMs - weeks * WEEK_MS) deaths -= e.change
  return Math.min(0.2, deaths / weeks / Math.max(n, 1))
}
