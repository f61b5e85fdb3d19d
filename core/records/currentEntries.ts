import type { Entry } from './entry'
import type { Id } from './id'

/** What the log says now: the entries that count, and for entries that were taken back the withdrawal that did it. */
export interface ReadLog {
  standing: Entry[]
  withdrawnBy: ReadonlyMap<Id, Entry>
}

/**
 * Reads a log: which entries count now, without the withdrawals themselves, by time.
 *
 * Every entry that supersedes nothing begins a lineage, and of a lineage at most one version stands:
 * - the newest correction that was not taken back, or the entry itself when there is none;
 * - none, when the entry was taken back later than it was corrected. Withdrawing the withdrawal brings it back;
 * - when two devices corrected the same entry, the version with the latest id, else the animals would count twice.
 * The rules look at ids alone, so the order in which entries arrive does not matter. Only a later id can supersede an
 * earlier one (whoever writes a correction makes sure of it), so chains cannot bite their own tail, not even in a
 * damaged file.
 * @param entries all entries of a subject, in any order
 */
export function readLog(entries: readonly Entry[]): ReadLog {
  // most logs are never corrected, and then there is nothing to resolve
  if (entries.every(e => e.supersedes === undefined)) return { standing: inOrder([...entries]), withdrawnBy: new Map() }
  const superseded = new Set<Id>()
  for (const e of entries) if (e.supersedes !== undefined) superseded.add(e.supersedes)
  const present = new Set<Id>()
  for (const e of entries) if (superseded.has(e.id)) present.add(e.id)
  const rivals = new Map<Id, Entry[]>()
  const roots: Entry[] = []
  for (const entry of entries) {
    const { supersedes } = entry
    if (supersedes === undefined || supersedes >= entry.id || !present.has(supersedes)) roots.push(entry)
    else if (rivals.has(supersedes)) rivals.get(supersedes)!.push(entry)
    else rivals.set(supersedes, [entry])
  }

  const withdrawnBy = new Map<Id, Entry>()
  const tips = tipsOf(entries, rivals, withdrawnBy)
  const standing: Entry[] = []
  for (const root of roots) {
    const tip = tips.has(root.id) ? tips.get(root.id)! : root
    if (tip && tip.kind !== 'withdrawal') standing.push(tip)
  }
  return { standing: inOrder(standing), withdrawnBy }
}

/**
 * The version that stands of each corrected entry, null where it was taken back. What supersedes has a later id, so the
 * latest are settled first and a chain of any length costs a step for each of its links.
 * @param rivals corrections and withdrawals by the entry that they supersede
 * @param withdrawnBy filled with the withdrawal that took an entry back
 */
function tipsOf(
  entries: readonly Entry[],
  rivals: ReadonlyMap<Id, Entry[]>,
  withdrawnBy: Map<Id, Entry>,
): Map<Id, Entry | null> {
  const tips = new Map<Id, Entry | null>()
  const corrected = entries.filter(e => rivals.has(e.id)).sort((a, b) => (a.id < b.id ? 1 : -1))
  for (const entry of corrected) {
    let winner: Entry | null = null
    for (const rival of rivals.get(entry.id)!) {
      const tip = tips.has(rival.id) ? tips.get(rival.id)! : rival
      if (tip && (!winner || tip.id > winner.id)) winner = tip
    }
    const withdrawn = winner?.kind === 'withdrawal'
    if (withdrawn) withdrawnBy.set(entry.id, winner!)
    tips.set(entry.id, withdrawn ? null : (winner ?? entry))
  }
  return tips
}

/** Sorts in place; a log that was read by index lies in order already. */
function inOrder(entries: Entry[]): Entry[] {
  return entries.some((e, i) => i > 0 && byTime(entries[i - 1]!, e) > 0) ? entries.sort(byTime) : entries
}

/** The entries that count now, in order of time, then id (see `readLog`). */
export const currentEntries = (entries: readonly Entry[]): Entry[] => readLog(entries).standing

/** Order of the log: by time of the event, then by id. */
export function byTime(a: Entry, b: Entry): number {
  if (a.at !== b.at) return a.at < b.at ? -1 : 1
  return a.id < b.id ? -1 : 1
}
