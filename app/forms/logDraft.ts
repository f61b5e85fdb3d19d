import { format } from 'date-fns'
import { animalsOf, type Entry, headKeys, valueKeys } from '#core/records'
import { plainCountMethods } from '~/words/states'
import { shownValue, type UnitPrefs } from '~/words/unitPrefs'
import { fieldKinds, isFieldKind, type otherKinds } from './kindFields'
import { type FieldValues, valuesOf } from './readFields'

/** Kinds that the log sheet can write: those with fields of their own below, and those that fields alone describe. */
export const plainKinds = [
  'count',
  'waterTest',
  'addition',
  'removal',
  'death',
  'note',
  'photo',
] as const satisfies readonly (keyof typeof otherKinds)[]
export const logKinds = [...plainKinds, ...fieldKinds] as const
export type LogKind = (typeof logKinds)[number]
/**
 * Whether an entry is corrected in the sheet. What happened to two colonies, to a clutch or in a picture, and counts
 * that the Count desk reckoned from a row of numbers, are taken back and logged anew.
 */
export const canCorrect = (entry: Entry): entry is Entry & { kind: LogKind } =>
  (logKinds as readonly string[]).includes(entry.kind) &&
  !['move', 'clutch', 'photo'].includes(entry.kind) &&
  !(
    entry.kind === 'count' &&
    (entry.series !== undefined || !(plainCountMethods as readonly string[]).includes(entry.method))
  )

/** What stands in the sheet's fields, as typed. Kept in the tab's session, so that a reload loses nothing. */
export interface Draft {
  kind: LogKind
  colonyId: string
  /** local date and time as the field has it; empty means now */
  at: string
  number: string
  /** number by method etc.: choices of the kind at hand */
  choice: string
  sharePct: string
  parts: Record<string, string>
  readings: Record<string, { text: string; method: string }>
  /** the conductivity was shown without compensation, at the temperature of the same test */
  rawConductivity: boolean
  /** what stands in the fields of the other kinds */
  values: FieldValues
  text: string
  /** followed animals that it is about */
  animalIds: string[]
  /** entry that is being corrected */
  correcting: Entry | null
}

export const emptyDraft = (kind: LogKind = 'count', colonyId = ''): Draft => ({
  kind,
  colonyId,
  at: '',
  number: '',
  choice: '',
  sharePct: '',
  parts: {},
  readings: {},
  rawConductivity: false,
  values: {},
  animalIds: [],
  text: '',
  correcting: null,
})

/** How a field of date and time writes a moment. */
export const FIELD_TIME = "yyyy-MM-dd'T'HH:mm"

/** First choice of each kind that has one. */
export const defaultChoice: Partial<Record<LogKind, string>> = {
  count: 'allSeen',
  addition: 'bought',
  removal: 'sold',
  death: 'unknown',
}

/** A sentence for each field that is not right, by its name. */
export type DraftIssues = Record<string, string>

/** Fills the sheet from an entry that is to be corrected. */
export function draftOf(entry: Entry, colonyId: string, units: UnitPrefs): Draft | null {
  if (!canCorrect(entry)) return null
  const draft: Draft = {
    ...emptyDraft(entry.kind, colonyId),
    at: format(new Date(entry.at), FIELD_TIME),
    text: entry.text ?? '',
    animalIds: [...animalsOf(entry)],
    correcting: entry,
  }
  if (isFieldKind(entry.kind)) draft.values = valuesOf(entry.kind, entry, units)
  if ('berried' in entry && entry.berried !== undefined)
    draft.values = { ...draft.values, berried: String(entry.berried) }
  if ('number' in entry && entry.number !== undefined) draft.number = String(entry.number)
  if ('parts' in entry && entry.parts)
    for (const key of headKeys) if (entry.parts[key] > 0) draft.parts[key] = String(entry.parts[key])
  switch (entry.kind) {
    case 'count':
      draft.choice = entry.method
      if (entry.share !== undefined) draft.sharePct = String(Number((entry.share * 100).toPrecision(6)))
      break
    case 'addition':
      draft.choice = entry.origin
      break
    case 'removal':
      draft.choice = entry.outlet
      break
    case 'death':
      draft.choice = entry.sign
      break
    case 'waterTest':
      for (const key of valueKeys) {
        const reading = entry.readings[key]
        if (reading)
          draft.readings[key] = {
            text: String(Number(shownValue(key, reading.value, units).toPrecision(6))),
            method: reading.method,
          }
      }
      break
    default:
  }
  return draft
}
