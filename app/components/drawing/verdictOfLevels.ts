import { type Target, toleratedOf } from '#core/groups'
import type { ValueKey } from '#core/records'
import type { ValueVerdict } from '#core/water'

/**
 * A strip of levels that nobody read: those of a recipe, or of a tap against the animals' target.
 * @param levels in order, the last one counts; none leaves the strip without a tick
 */
export function verdictOfLevels(key: ValueKey, target: Target, levels: readonly number[]): ValueVerdict {
  const tolerated = toleratedOf(key, target)
  const window = levels.map((value, i) => ({ entryId: '', at: i, value, sd: 0, method: 'reckoned' as const }))
  const end = window.at(-1) ?? null
  const inside = ([low, high]: readonly [number, number]) =>
    end !== null && end.value >= low - 1e-6 && end.value <= high + 1e-6
  return {
    state: end === null ? 'unknown' : inside(target.preferred) ? 'onTarget' : inside(tolerated) ? 'drifting' : 'off',
    conclusion: { key: 'water.onTarget', values: {} },
    reasons: [],
    actions: [],
    evidence: [],
    key,
    target,
    tolerated,
    latest: end,
    window,
    ageDays: 0,
    trendPerWeek: null,
    inFourWeeks: null,
    outsideSoon: null,
  }
}
