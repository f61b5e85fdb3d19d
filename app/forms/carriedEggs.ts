import { type Entry, type EntryKind, headsTotal, rungsTotal } from '#core/records'
import { wholeNumber } from './wholeNumber'

/** Kinds by which animals come or go, with the eggs that they carry. */
const travels: ReadonlySet<string> = new Set<EntryKind>(['addition', 'removal', 'move'])
export const canCarry = (kind: string): boolean => travels.has(kind)

/** Reads how many carry eggs; nothing where the field is empty. */
export function readBerried(text: string): { ok: true; told: { berried?: number } } | { ok: false; issue: string } {
  if (text.trim() === '') return { ok: true, told: {} }
  const read = wholeNumber(text, 0)
  return read.ok ? { ok: true, told: { berried: read.value } } : read
}

/** What a correction of those that came or went leaves as it was, as far as it still fits the number. */
export function keptOfSplit(old: Entry | null, number: number): { rungs?: unknown; parts?: unknown } {
  if (!old || !('rungs' in old || 'parts' in old)) return {}
  const { rungs, parts } = old as Extract<Entry, { kind: 'move' }>
  return {
    ...(rungs && rungsTotal(rungs) <= number && { rungs }),
    // the sheet has no fields for the parts of a move
    ...(old.kind === 'move' && parts && headsTotal(parts) <= number && { parts }),
  }
}
