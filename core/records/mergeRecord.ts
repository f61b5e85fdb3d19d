import { dequal } from 'dequal'
import { hashText } from '#core/stats'
import type { Edited } from './edited'
import type { Rev } from './editedFields'

/** A field that both sides changed since their common version, and differently. */
export interface Clash {
  /** the field, with a dot into an object: `care.days` */
  field: string
  mine: unknown
  theirs: unknown
}

/** What came of joining two versions of a record. */
export interface Merged<T> {
  record: T
  /** fields of which one side's value was not taken; the other one's is in `record` */
  clashes: Clash[]
}

type Fields = Record<string, unknown>
/** They are of the version, not of the record. */
const STAMPS = new Set(['rev', 'basedOn', 'editedAt'])

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * Joins two versions of a record that were made from the same one: changes of different fields stand side by side; of a
 * field that both changed, the value of the later `rev` is taken and the other is named. Clocks decide nothing, and
 * both devices come to the same record, whichever of them joins.
 * @param base the version that both were made from; null when nobody has it any more, and then every difference is a
 * clash
 * @param prefer whose value is taken where both changed a field; the later version's when missing
 */
export function mergeRecord<T extends Edited>(
  base: T | null,
  mine: T,
  theirs: T,
  prefer: 'mine' | 'theirs' = mine.rev >= theirs.rev ? 'mine' : 'theirs',
): Merged<T> {
  const clashes: Clash[] = []
  const fields = mergeFields({ base, mine, theirs } as unknown as Sides, prefer, '', clashes)
  const later = mine.rev >= theirs.rev ? mine : theirs
  const record = {
    ...fields,
    editedAt: mine.editedAt >= theirs.editedAt ? mine.editedAt : theirs.editedAt,
    rev: joinedRev(mine.rev, theirs.rev, prefer === 'mine' ? mine.rev : theirs.rev),
    basedOn: later.rev,
  } as T
  return { record, clashes }
}

interface Sides {
  base: Fields | null
  mine: Fields
  theirs: Fields
}

function mergeFields({ base, mine, theirs }: Sides, prefer: 'mine' | 'theirs', path: string, clashes: Clash[]): Fields {
  const merged: Fields = {}
  for (const field of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    if (path === '' && STAMPS.has(field)) continue
    const [b, m, t] = [base?.[field], mine[field], theirs[field]]
    const value = mergeValue({ field: path + field, base: b, mine: m, theirs: t }, base !== null, prefer, clashes)
    if (value !== undefined) merged[field] = value
  }
  return merged
}

function mergeValue(
  { field, base, mine, theirs }: Clash & { base: unknown },
  baseKnown: boolean,
  prefer: 'mine' | 'theirs',
  clashes: Clash[],
): unknown {
  if (dequal(mine, theirs)) return mine
  if (baseKnown && dequal(mine, base)) return theirs
  if (baseKnown && dequal(theirs, base)) return mine
  // a choice by a word (`fill: { by: … }`) is one thing; other objects are joined field by field
  if (isFields(mine) && isFields(theirs) && mine.by === theirs.by)
    return mergeFields({ base: isFields(base) ? base : null, mine, theirs }, prefer, `${field}.`, clashes)
  clashes.push({ field, mine, theirs })
  return prefer === 'mine' ? mine : theirs
}

/** The version of a joined record: the same on every device that joins these two alike. */
function joinedRev(a: Rev, b: Rev, preferred: Rev): Rev {
  const number = Math.max(Number(a.slice(0, 6)), Number(b.slice(0, 6))) + 1
  const [low, high] = a < b ? [a, b] : [b, a]
  const tail = hashText(`${low} ${high} ${preferred}`).toString(16).padStart(8, '0')
  return `${String(Math.min(number, 999_999)).padStart(6, '0')}-${tail.slice(-8)}`
}
