import { stateRank, type ValueKey } from '#core/records'
import { recipeKeys, type ValueVerdict } from '#core/water'
import type { WaterStatement } from './statement'

/**
 * Values that kill first are named first; then those that most molts hang on (common practice: GH and KH, then the
 * rest).
 */
export const urgency: readonly ValueKey[] = [
  'ammoniaMgL',
  'nitriteMgL',
  'copperMgL',
  'khDh',
  'ghDh',
  'salinityGKg',
  'temperatureC',
  'ph',
  'conductivityUsCm',
  'humidityPct',
  'calciumMgL',
  'nitrateMgL',
]

/** What the water needs: the value that speaks for it, or that all is well. */
export function waterStatement(values: ValueVerdict[]): WaterStatement {
  const [worst = null, next] = byUrgency(values)
  const state = worst?.state ?? 'unknown'
  const known = values.some(v => v.latest)
  return {
    state,
    worst,
    second: next && (next.state === 'off' || next.state === 'drifting') ? next : null,
    conclusion:
      state === 'onTarget'
        ? { key: 'water.allGood', values: { n: values.filter(v => v.state === 'onTarget').length } }
        : known
          ? null
          : { key: 'water.nothingKnown', values: {} },
    values,
    correctable: values.some(
      v =>
        (recipeKeys as readonly ValueKey[]).includes(v.key) &&
        v.latest &&
        (v.state === 'off' || v.state === 'drifting'),
    ),
  }
}

/**
 * The values that speak for the water: the worst state first, then the more urgent value.
 * A value that was never tested speaks only when nothing else was tested either: not every keeper owns every kit, and a
 * room full of open rings says nothing.
 */
function byUrgency(values: readonly ValueVerdict[]): ValueVerdict[] {
  const tested = values.filter(v => v.latest !== null)
  const pool = tested.length > 0 ? tested : values
  return pool.toSorted(
    (a, b) => stateRank[b.state] - stateRank[a.state] || urgency.indexOf(a.key) - urgency.indexOf(b.key),
  )
}
