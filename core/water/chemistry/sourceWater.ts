import { type AnalysisKey, momentMs, type Source, type ValueKey, type Water } from '#core/records'
import { adjustTo, completeAnalysis, type CompletedAnalysis } from './analysis'
import { pureWater } from './ions'
import { readoutsOf } from './readouts'

/** The water of a source as its analyses tell it. */
export interface SourceWater {
  water: Water
  /** the newest analysis that says something of its ions, made whole */
  completed: CompletedAnalysis
  /** moment of the newest analysis, ms; null when it is only assumed */
  testedMs: number | null
}

/** Values that make an analysis more than a quick test. */
const ions: readonly AnalysisKey[] = ['calciumMgL', 'magnesiumMgL', 'sodiumMgL', 'chlorideMgL', 'sulfateMgL']

/**
 * Reads a source: the newest analysis of its ions, brought in line with every quick test (GH, KH, conductivity) made
 * after.
 * Pure and distilled water need no analysis: without one they are taken as empty.
 * @returns null for a source of which nothing is known
 */
export function sourceWater(source: Pick<Source, 'kind' | 'analyses'>): SourceWater | null {
  const byTime = oldestFirst(source)
  if (byTime.length === 0) {
    if (source.kind !== 'pure' && source.kind !== 'distilled') return null
    return { water: { ...pureWater }, completed: completeAnalysis({}), testedMs: null }
  }
  let completed: CompletedAnalysis | null = null
  let water: Water | null = null
  for (const { values } of byTime) {
    if (!water || ions.some(k => values[k] !== undefined) || (values.salinityGKg ?? 0) >= 1) {
      completed = completeAnalysis(values)
      water = completed.water
    } else water = adjustTo(water, values)
  }
  return {
    water: water!,
    completed: completed!,
    testedMs: byTime.at(-1)!.by === 'assumed' ? null : momentMs(byTime.at(-1)!.at),
  }
}

const oldestFirst = ({ analyses }: Pick<Source, 'analyses'>) =>
  analyses.filter(a => Object.keys(a.values).length > 0).toSorted((a, b) => (a.at < b.at ? -1 : 1))

/** The values of a source as tests would show them: those of its water, and the pH that was read last. */
export function sourceValues(source: Pick<Source, 'kind' | 'analyses'>): Partial<Record<ValueKey, number>> {
  const known = sourceWater(source)
  const ph = oldestFirst(source).findLast(a => a.values.ph !== undefined)?.values.ph
  return { ...(known && readoutsOf(known.water)), ...(ph !== undefined && { ph }) }
}
