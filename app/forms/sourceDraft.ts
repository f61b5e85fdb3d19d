import { format } from 'date-fns'
import {
  type Analysis,
  type AnalysisKey,
  analysisKeys,
  possibleAnalysis,
  type Source,
  Source as SourceSchema,
  toMoment,
} from '#core/records'
import { parseNumber } from '#core/units'
import { newId } from '~/data/newId'
import { analysisIssue, shownAnalysis, storedAnalysis } from '~/words/analysis'
import type { UnitPrefs } from '~/words/unitPrefs'

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
  on: format(new Date(analysis.at), 'yyyy-MM-dd'),
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
    const typed = parseNumber(text)
    if (typed === null) {
      issues[key] = `“${text.slice(0, 20)}” is no number.`
      continue
    }
    const value = storedAnalysis(key, typed, units)
    const [low, high] = possibleAnalysis[key]
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
  old: Source | null,
  roomId: string,
  units: UnitPrefs,
  nowMs: number,
): { ok: true; source: Source } | { ok: false; issues: SourceIssues } {
  const { values, issues } = readValues(draft, units)
  if (draft.name.trim() === '') issues.name = 'Give the source a name.'
  else if (draft.name.trim().length > 60) issues.name = 'The name must have 60 letters at most.'
  const at = draft.on === '' ? nowMs : new Date(`${draft.on}T12:00`).getTime()
  if (Number.isNaN(at)) issues.on = 'That is no day.'
  else if (at > nowMs + 86_400_000) issues.on = 'The day lies in the future.'
  const pure = draft.kind === 'pure' || draft.kind === 'distilled'
  const typed = Object.keys(values).length > 0
  if (!typed && !old && !pure && Object.keys(issues).length === 0)
    issues.values = 'Type at least one value: GH and KH are enough to begin with.'
  if (Object.keys(issues).length > 0) return { ok: false, issues }
  const analyses: Analysis[] = [
    ...(old?.analyses ?? []),
    ...(typed ? [{ at: toMoment(Math.min(at, nowMs)), by: draft.by, values }] : []),
  ]
  return {
    ok: true,
    source: SourceSchema.parse({
      id: old?.id ?? newId(),
      editedAt: toMoment(nowMs),
      roomId,
      name: draft.name.trim(),
      kind: draft.kind,
      disinfectant: draft.kind === 'tap' ? draft.disinfectant : 'none',
      analyses,
      retired: false,
    }),
  }
}
