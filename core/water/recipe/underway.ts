import type { Targets } from '#core/groups'
import { DAY_MS, type ValueKey } from '#core/records'
import type { WaterStory } from '../time/events'
import { type RecipeKey, recipeKeys } from '../chemistry/readouts'

/** Values that logged changes are bringing back, and from which side. */
export type Underway = Partial<Record<RecipeKey, 'low' | 'high'>>

/** A correction whose last change is older than this has been given up, or is done. */
const WINDOW_DAYS = 35

/**
 * Corrections that are under way: a value that stood outside its preferred range when the changes of the last weeks
 * began, and that they moved towards it. Such a correction goes on to its aim; it does not stop at the first edge.
 * @param story the glass's log as `waterStory` reads it
 */
export function correctionsUnderway(
  story: Pick<WaterStory, 'readings' | 'jumps'>,
  targets: Targets,
  nowMs: number,
): Underway {
  const out: Underway = {}
  for (const key of recipeKeys) {
    const target = targets[key]
    const jumps = story.jumps.filter(j => j.key === (key as ValueKey) && j.at >= nowMs - WINDOW_DAYS * DAY_MS)
    const first = jumps[0]
    if (!target || !first) continue
    // the reading that the first change itself reckoned stands at the same moment
    const before = story.readings.get(key)?.findLast(r => r.at < first.at)
    const moved = jumps.reduce((sum, j) => sum + j.by, 0)
    if (!before) continue
    if (before.value < target.preferred[0] && moved > 0) out[key] = 'low'
    if (before.value > target.preferred[1] && moved < 0) out[key] = 'high'
  }
  return out
}
