import { format, isSameDay } from 'date-fns'
import {
  type Colony,
  Entry,
  headsTotal,
  possibleRange,
  stayAt,
  toMoment,
  type ValueKey,
  valueKeys,
} from '#core/records'
import { compensateConductivity } from '#core/units'
import { kindWord, plainCountMethods } from '~/words/states'
import { limitText, shownValue, storedValue, type UnitPrefs, valueName, valueUnit } from '~/words/unitPrefs'
import { headKeys, readHeads } from './colonyDraft'
import { fieldKinds, glassKinds, isFieldKind, type otherKinds } from './kindFields'
import { type FieldValues, readFields, valuesOf } from './readFields'
import { numberIn, numberIssue, typedNumber } from './readNumber'
import { wholeNumber } from './wholeNumber'

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
 * that
 * the Count desk reckoned from a row of numbers, are taken back and logged anew.
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
  text: '',
  correcting: null,
})

const FIELD_TIME = "yyyy-MM-dd'T'HH:mm"

/**
 * When it happened: now when the field is empty; a correction that leaves the field alone keeps the seconds of the old
 * entry.
 */
function momentOf(draft: Draft, nowMs: number): number {
  if (draft.at === '') return nowMs
  const old = draft.correcting && new Date(draft.correcting.at)
  return old && format(old, FIELD_TIME) === draft.at ? old.getTime() : new Date(draft.at).getTime()
}

/** First choice of each kind that has one. */
export const defaultChoice: Partial<Record<LogKind, string>> = {
  count: 'allSeen',
  addition: 'bought',
  removal: 'sold',
  death: 'unknown',
}

/** What a new entry gets beside what was typed. */
export interface Stamp {
  id: string
  loggedAt: string
  keeper?: string
}
/** What a draft is read against. */
export interface DraftContext {
  colony: Colony | undefined
  /** id and time of writing for the new entry */
  stamp: Stamp
  units: UnitPrefs
  nowMs: number
  /** the glass whose water the colony lived in at a moment; its own glass when missing */
  waterIdAt?: (atMs: number) => string
}
export type DraftIssues = Record<string, string>

/**
 * Reads the log sheet. Keys of the issues are `number`, `share`, `parts`, `at`, `text`, `colonyId`, `readings` or
 * `readings.<value>`.
 * @returns the entry with what to say when it is saved, or a sentence for every field that is not right
 */
export function readDraft(
  draft: Draft,
  { colony, stamp, units, nowMs, waterIdAt }: DraftContext,
): { ok: true; entry: Entry; words: string } | { ok: false; issues: DraftIssues } {
  const issues: DraftIssues = {}
  if (!colony) return { ok: false, issues: { colonyId: 'Choose the colony.' } }
  const atMs = momentOf(draft, nowMs)
  const startMs = new Date(colony.startedAt).getTime()
  if (Number.isNaN(atMs)) issues.at = 'That is no date and time.'
  // a minute of grace: the field has no seconds
  else if (atMs > nowMs + 60_000) issues.at = 'That lies in the future.'
  // water may be older than the colony in it; numbers may not
  else if (!glassKinds.has(draft.kind) && atMs < startMs && !isSameDay(atMs, startMs))
    issues.at =
      `${colony.name} began on ${format(startMs, 'd MMM yyyy')}; this lies before it. Change the day it ` +
      `began, or this one.`
  const happenedMs = Math.min(nowMs, glassKinds.has(draft.kind) ? atMs : Math.max(atMs, startMs))
  const waterId = waterIdAt?.(happenedMs) ?? stayAt(colony.stays, happenedMs).glassId
  const text = draft.text.trim()
  const base = {
    ...stamp,
    at: issues.at ? '' : toMoment(happenedMs),
    ...(draft.correcting && { supersedes: draft.correcting.id }),
    ...(text && { text: text.slice(0, 2000) }),
  }
  const choice = draft.choice || defaultChoice[draft.kind] || ''
  const done = (raw: unknown, words: string) => {
    if (Object.keys(issues).length > 0) return { ok: false as const, issues }
    const parsed = Entry.safeParse(raw)
    return parsed.success
      ? { ok: true as const, entry: parsed.data, words: `${colony.name}: ${words}` }
      : { ok: false as const, issues: { text: parsed.error.issues[0]!.message } }
  }
  if (draft.kind === 'note') {
    if (text === '') issues.text = 'The note is empty.'
    return done({ ...base, kind: 'note', colonyId: colony.id, text }, 'note kept.')
  }
  if (draft.kind === 'photo') return { ok: false, issues: { photo: 'Take or choose a photo.' } }
  if (draft.kind === 'waterTest') {
    const readings = readReadings(draft, units, issues)
    return done(
      { ...base, kind: 'waterTest', glassId: waterId, readings },
      `${Object.keys(readings)
        .map(k => valueName(k as ValueKey))
        .join(', ')} kept.`,
    )
  }

  if (isFieldKind(draft.kind)) {
    const { raw, issues: wrong } = readFields(draft.kind, draft.values, units)
    Object.assign(issues, wrong)
    if (Object.keys(issues).length > 0) return { ok: false, issues }
    const parsed = Entry.safeParse({
      ...base,
      kind: draft.kind,
      ...(glassKinds.has(draft.kind) ? { glassId: waterId } : { colonyId: colony.id }),
      ...raw,
    })
    if (parsed.success)
      return { ok: true, entry: parsed.data, words: `${colony.name}: ${kindWord[draft.kind].toLowerCase()} logged.` }
    const wrongField = parsed.error.issues[0]!
    return {
      ok: false,
      issues: { [String(wrongField.path[0] ?? 'text')]: `${wrongField.message.replace(/^./, c => c.toUpperCase())}.` },
    }
  }

  const number = wholeNumber(draft.number, draft.kind === 'count' ? 0 : 1)
  if (!number.ok) issues.number = number.issue
  const heads = readHeads(draft.parts)
  if (!heads.ok) issues.parts = heads.issue
  else if (number.ok && headsTotal(heads.heads) > number.value)
    issues.parts = `The parts add up to ${headsTotal(heads.heads)}, more than ${number.value}.`
  const parts = heads.ok && headsTotal(heads.heads) > 0 ? { parts: heads.heads } : {}
  const n = number.ok ? number.value : 0
  const own = { ...base, colonyId: colony.id, kind: draft.kind, number: n }
  switch (draft.kind) {
    case 'count': {
      if (choice !== 'partOfTank') return done({ ...own, method: choice, ...parts }, `count of ${n} saved.`)
      const pct = numberIn(draft.sharePct.replace('%', ''))
      if (pct === null || !(pct > 0 && pct <= 100)) issues.share = 'Which part of the tank? Above 0 and at most 100 %.'
      return done({ ...own, method: choice, share: (pct ?? 0) / 100, ...parts }, `count of ${n} in ${pct} % saved.`)
    }
    case 'addition':
      return done({ ...own, origin: choice, ...parts }, `${n} put in.`)
    case 'removal': {
      // price and order came from the Surplus; the sheet has no fields for them
      const old = draft.correcting?.kind === 'removal' ? draft.correcting : null
      return done(
        {
          ...own,
          outlet: choice,
          ...parts,
          ...(old?.price !== undefined && { price: old.price }),
          ...(old?.orderId && { orderId: old.orderId }),
        },
        `${n} taken out.`,
      )
    }
    case 'death':
      return done({ ...own, sign: choice }, `${n} died.`)
  }
}

function readReadings(
  draft: Draft,
  units: UnitPrefs,
  issues: DraftIssues,
): Record<string, { value: number; method: string }> {
  const readings: Record<string, { value: number; method: string }> = {}
  for (const key of valueKeys) {
    const typed = draft.readings[key]
    if (!typed || typed.text.trim() === '') continue
    const read = readValue(key, typed.text, units)
    if (read.ok) readings[key] = { value: read.value, method: typed.method }
    else issues[`readings.${key}`] = read.issue
  }
  const { conductivityUsCm, temperatureC } = readings
  if (draft.rawConductivity && conductivityUsCm) {
    if (!temperatureC || temperatureC.value < 0 || temperatureC.value > 40)
      issues['readings.temperatureC'] =
        'Type the temperature too: without it the conductivity cannot be brought to 25 °C.'
    else
      conductivityUsCm.value = Math.round(compensateConductivity(conductivityUsCm.value, temperatureC.value) * 10) / 10
  }
  if (Object.keys(readings).length === 0 && !Object.keys(issues).some(k => k.startsWith('readings.')))
    issues.readings = 'Type at least one value.'
  return readings
}

/** Reads one value as typed in the keeper's unit; a slip ("pH 71") gives a question. */
export function readValue(
  key: ValueKey,
  text: string,
  units: UnitPrefs,
): { ok: true; value: number } | { ok: false; issue: string } {
  const unit = valueUnit(key, units)
  const [least, most] = possibleRange[key].map(v => shownValue(key, v, units))
  const shown = typedNumber(text, { low: least!, high: most! })
  if (!shown.ok) return { ok: false, issue: numberIssue(text, shown) }
  // rounding away what the conversion adds keeps 75 °F from being stored as 23.888888888888886
  const value = Number(storedValue(key, shown.value, units).toPrecision(12))
  const [low, high] = possibleRange[key]
  if (value < low || value > high)
    return {
      ok: false,
      issue:
        `${valueName(key)} ${text.trim()}? It lies between ${limitText(key, low, units)} and ` +
        `${limitText(key, high, units)}${unit && ` ${unit}`}.`,
    }
  return { ok: true, value }
}

/** Fills the sheet from an entry that is to be corrected. */
export function draftOf(entry: Entry, colonyId: string, units: UnitPrefs): Draft | null {
  if (!canCorrect(entry)) return null
  const draft: Draft = {
    ...emptyDraft(entry.kind, colonyId),
    at: format(new Date(entry.at), FIELD_TIME),
    text: entry.text ?? '',
    correcting: entry,
  }
  if (isFieldKind(entry.kind)) draft.values = valuesOf(entry.kind, entry, units)
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
