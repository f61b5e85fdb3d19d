import type { Entry } from './entry'
import type { Id } from './id'

/**
 * The entries that count now: those that no standing entry supersedes, without the withdrawals themselves, by time.
 *
 * Rules, which do not depend on the order in which entries arrive (two devices may merge in any order):
 * - an entry stands unless a standing entry supersedes it, so withdrawing a correction brings the old value back;
 * - when several standing entries supersede the same one (two devices corrected it), only the one with the latest id
 *   stands, else the animals would be counted twice;
 * - only a later id can supersede an earlier one (whoever writes a correction makes sure of it), so chains cannot bite
 *   their own tail, not even in a damaged file.
 * @param entries all entries of a subject, in any order
 * @returns standing entries in order of time, then id
 */
export function currentEntries(entries: readonly Entry[]): Entry[] {
  const rivals = new Map<Id, Entry[]>()
  for (const entry of entries) {
    if (entry.supersedes === undefined || entry.supersedes >= entry.id) continue
    const list = rivals.get(entry.supersedes)
    if (list) list.push(entry)
    else rivals.set(entry.supersedes, [entry])
  }

  const standing = new Map<Id, boolean>()
  function stands(entry: Entry): boolean {
    const known = standing.get(entry.id)
    if (known !== undefined) return known
    const superseded = rivals.get(entry.id)?.some(stands) ?? false
    const overruled = entry.supersedes !== undefined && (rivals.get(entry.supersedes)?.some(r => r.id > entry.id && stands(r)) ?? false)
    standing.set(entry.id, !superseded && !overruled)
    return !superseded && !overruled
  }
  return entries
    .filter(e => e.kind !== 'withdrawal' && stands(e))
    .sort(byTime)
}

/** Order of the log: by time of the event, then by id. */
export function byTime(a: Entry, b: Entry): number {
  if (a.at !== b.at) return a.at < b.at ? -1 : 1
  return a.id < b.id ? -1 : 1
}
