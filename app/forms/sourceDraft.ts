import {
  begun,
  type Analysis,
  type AnalysisKey,
  analysisKeys,
  possibleAnalysis,
  type Source,
  Source as SourceSchema,
  toMoment,
} from '#core/records'
import { newId } from '~/data/newId'
import { analysisIssue, shownAnalysis, storedAnalysis } from '~/words/analysis'
import type { UnitPrefs } from '~/words/unitPrefs'
import { deviceDay, readPastDay } from './deviceDays'
import { nameIssue } from './nameIssue'
import { numberIssue, typedNumber } from './readNumber'

/** A source as typed, with one analysis: a new one, or the one that is being corrected. */
export interface SourceDraft {
  name: string
  kind: Source['kind']
  disinfectant: Source['disinfectant']
  by: Analysis['by']
  on: string
  values: Partial<Record<AnalysisKey, string>>
}
export type SourceIssues = Partial<Record<'name' | 'on' | 'values' | AnalysisKey, string>>

/** An empty draft, or one with a source's name and kind and no values yet. */
export const sourceDraft = (source: Source | null): SourceDraft => ({
  name: source?.name ?? '',
  kind: source?.kind ?? 'tap',
  disinfectant: source?.disinfectant ?? 'unknown',
  by: 'ownTest',
  on: '',
  values: {},
})

/** An analysis as text for the fields. */
export const analysisDraft = (analysis: Analysis, units: UnitPrefs): Pick<SourceDraft, 'by' | 'on' | 'values'> => ({
  by: analysis.by,
  on: deviceDay(Date.parse(analysis.at)),
  values: Object.fromEntries(
    analysisKeys.flatMap(k =>
      analysis.values[k] === undefined
        ? []
        : [[k, String(Number(shownAnalysis(k, analysis.values[k], units).toPrecision(6)))]],
    ),
  ),
})

/** Reads the values alone; what is not right is left out and named. */
export function readValues(
  draft: Pick<SourceDraft, 'values'>,
  units: UnitPrefs,
): { values: Analysis['values']; issues: SourceIssues } {
  const values: Analysis['values'] = {}
  const issues: SourceIssues = {}
  for (const key of analysisKeys) {
    const text = draft.values[key]?.trim() ?? ''
    if (text === '') continue
    const [low, high] = possibleAnalysis[key]
    const typed = typedNumber(text, { low: shownAnalysis(key, low, units), high: shownAnalysis(key, high, units) })
    if (!typed.ok) {
      issues[key] = numberIssue(text, typed)
      continue
    }
    const value = storedAnalysis(key, typed.value, units)
    if (value < low || value > high) issues[key] = analysisIssue(key, text, units)
    else values[key] = value
  }
  return { values, issues }
}

/**
 * Reads a draft. Values that were typed become a further analysis; older ones are kept.
 * @param old the source that is edited, null for a new one
 */
export function readSource(
  draft: SourceDraft,
  { old, roomId, units, nowMs }: { old: Source | null; roomId: string; units: UnitPrefs; nowMs: number },
): { ok: true; source: Source } | { ok: false; issues: SourceIssues } {
  const { values, issues } = readValues(draft, units)
  const unnamed = nameIssue(draft.name, 'Give the source a name.')
  if (unnamed) issues.name = unnamed
  const on = draft.on === '' ? { ok: true as const, ms: nowMs } : readPastDay(draft.on, nowMs)
  if (!on.ok) issues.on = on.issue
  const pure = draft.kind === 'pure' || draft.kind === 'distilled'
  const typed = Object.keys(values).length > 0
  if (!typed && !old && !pure && Object.keys(issues).length === 0)
    issues.values = 'Type at least one value: GH and KH are enough to begin with.'
  if (Object.keys(issues).length > 0 || !on.ok) return { ok: false, issues }
  const analyses: Analysis[] = [
    ...(old?.analyses ?? []),
    ...(typed ? [{ at: toMoment(on.ms), by: draft.by, values }] : []),
  ]
  return {
    ok: true,
    source: SourceSchema.parse({
      ...(old ?? begun(newId(), nowMs)),
      roomId,
      name: draft.name.trim(),
      kind: draft.kind,
      disinfectant: draft.kind === 'tap' ? draft.disinfectant : 'none',
      analyses,
    }),
  }
}
