import { type Entry, type EntryKind, type RungCount, rungsTotal } from '#core/records'
import { wholeNumber } from './wholeNumber'

/** Kinds by which animals come or go, with the eggs that they carry. */
const travels: ReadonlySet<string> = new Set<EntryKind>(['addition', 'removal', 'move'])
export const canCarry = (kind: string): boolean => travels.has(kind)

/**
 * Reads how many carry eggs; nothing where the field is empty.
 * @param most females that may carry; as many as there are where it is not known
 */
export function readBerried(
  text: string,
  most = Infinity,
): { ok: true; told: { berried?: number } } | { ok: false; issue: string } {
  if (text.trim() === '') return { ok: true, told: {} }
  const read = wholeNumber(text, 0)
  if (!read.ok) return read
  if (read.value > most) return { ok: false, issue: `No more carry eggs than go as females: ${most}.` }
  return { ok: true, told: { berried: read.value } }
}

/** On which rungs those stood whose number is corrected, as long as they fit it: the sheet has no fields for them. */
export function rungsKept(old: Entry | null, number: number): { rungs?: readonly RungCount[] } {
  const rungs = old && 'rungs' in old ? old.rungs : undefined
  return rungs && rungsTotal(rungs) <= number ? { rungs } : {}
}
