import type { Entry } from '#core/records'
import { editText, volume } from '#core/units'
import type { UnitPrefs } from '~/words/unitPrefs'
import { type FieldKind, isAsked, type KindField, kindFields } from './kindFields'
import { readNumber } from './readNumber'
import { readSizes, readZones } from './readSizes'
import { readVolume } from './readVolume'
import { wholeNumber } from './wholeNumber'

/** What stands in the fields of a kind, by the names of the fields. */
export type FieldValues = Record<string, string>

/** The water of an entry that is corrected, as it was written down. */
export const AS_LOGGED = 'asLogged'

/** What stands in a tally: "early=12 late=3". */
export const tallyOf = (text: string): Record<string, string> =>
  Object.fromEntries(
    text
      .split(' ')
      .filter(Boolean)
      .map(p => p.split('=')),
  )

const orIssue = (value: unknown, issue: string) => (value === null ? { issue } : { value })

/** One field as the entry wants it; undefined when it is empty and may be. */
function readField(field: KindField, values: FieldValues, units: UnitPrefs): { value?: unknown; issue?: string } {
  const text = values[field.name] || ('preset' in field && field.preset) || ''
  const empty = text.trim() === ''
  const optional = 'optional' in field && field.optional
  if (
    empty &&
    (optional ||
      field.type === 'flags' ||
      field.type === 'found' ||
      field.type === 'clutch' ||
      field.type === 'source' ||
      field.type === 'tally' ||
      field.type === 'scale' ||
      field.type === 'zones')
  )
    return field.type === 'flags' ? { value: [] } : field.type === 'found' ? { value: {} } : {}
  switch (field.type) {
    case 'whole': {
      const read = wholeNumber(text, field.least)
      return read.ok ? { value: read.value } : { issue: read.issue }
    }
    case 'decimal': {
      const read = readNumber(text)
      if (!read.ok) return { issue: read.empty ? 'Type a number above 0.' : read.issue }
      return read.value > 0 ? { value: read.value } : { issue: 'Type a number above 0.' }
    }
    case 'litres': {
      const read = readVolume(text, units)
      return read.ok ? { value: read.value } : { issue: read.issue }
    }
    case 'flags':
      return { value: text.split(' ').filter(Boolean) }
    case 'found':
      return { value: tallyOf(text) }
    case 'tally': {
      const typed = tallyOf(text)
      const wrong = field.options.find(o => typed[o.value] && !wholeNumber(typed[o.value]!, 0).ok)
      if (wrong) return { issue: `“${typed[wrong.value]}” is no whole number.` }
      return { value: Object.fromEntries(field.options.map(o => [o.value, Number(typed[o.value] ?? 0)])) }
    }
    case 'scale':
      return { value: Number(text) }
    case 'sizes':
      return orIssue(readSizes(text), 'Type at least two sizes in mm, like: 4.5, 8, 11.5.')
    case 'zones':
      return orIssue(readZones(text, values[field.size] ?? ''), 'Each zone ends at a diameter; the size comes first.')
    case 'choice':
      return empty ? { issue: 'Choose one.' } : { value: text }
    case 'toColony':
      return empty ? { issue: 'Choose the colony that they moved into.' } : { value: text }
    case 'text':
    case 'clutch':
    case 'source':
      return { value: text.trim() }
  }
}

/** A single flag is a field of the entry that is there or is not; several are a list. */
const isLoneFlag = (field: KindField) => field.type === 'flags' && field.options[0]?.value === field.name
const isUnset = (field: KindField, value: unknown) => isLoneFlag(field) && (value as unknown[]).length === 0

/**
 * Reads the fields of a kind.
 * @returns the entry's own part, and a sentence for every field that is not right, by its name
 */
export function readFields(
  kind: FieldKind,
  values: FieldValues,
  units: UnitPrefs,
): { raw: Record<string, unknown>; issues: Record<string, string> } {
  const raw: Record<string, unknown> = {}
  const issues: Record<string, string> = {}
  for (const field of kindFields[kind].filter(f => isAsked(f, kindFields[kind], values))) {
    const { value, issue } = readField(field, values, units)
    if (issue) issues[field.name] = issue
    else if (value !== undefined && !isUnset(field, value)) raw[field.name] = isLoneFlag(field) ? true : value
  }
  return { raw, issues }
}

/** Fills the fields of a kind from an entry that is to be corrected. */
export function valuesOf(kind: FieldKind, entry: Entry, units: UnitPrefs): FieldValues {
  const from = entry as unknown as Record<string, unknown>
  const values: FieldValues = {}
  for (const field of kindFields[kind]) {
    if (field.type === 'source') {
      if ('water' in entry && entry.water) values[field.name] = AS_LOGGED
      continue
    }
    const value = from[field.name]
    if (value === undefined) continue
    if (field.type === 'litres') values[field.name] = editText(volume, Number(value), units.volume)
    else if (field.type === 'found' || field.type === 'tally')
      values[field.name] = Object.entries(value as Record<string, string | number>)
        .map(([k, v]) => `${k}=${v}`)
        .join(' ')
    else if (field.type === 'sizes') values[field.name] = (value as number[]).join(', ')
    else if (field.type === 'zones')
      values[field.name] = (value as { kind: string; endMm: number }[]).map(z => `${z.kind}=${z.endMm}`).join(' ')
    else if (value === true) values[field.name] = field.name
    else values[field.name] = Array.isArray(value) ? value.join(' ') : String(value)
  }
  return values
}
