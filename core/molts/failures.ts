import { DAY_MS, type Entry, momentMs } from '#core/records'

/** Animals that were found in molt trouble, living or dead of it. */
export interface MoltFailure {
  at: number
  number: number
}

/** Who was seen in trouble and is found dead within so many days is the same animal (from memory). */
const SAME_DAYS = 4

/**
 * The failed molts of a colony's log, in order of time. An animal that was seen in trouble and died of it days later is
 * one failure.
 * @param entries standing entries of the colony, by time
 */
export function moltFailures(entries: readonly Entry[]): MoltFailure[] {
  const failures: MoltFailure[] = []
  /** seen in trouble, and not found dead yet */
  const living: { at: number; number: number }[] = []
  for (const e of entries) {
    const at = momentMs(e.at)
    if (e.kind === 'failedMolt') {
      living.push({ at, number: e.number })
      failures.push({ at, number: e.number })
    }
    if (e.kind !== 'death' || e.sign !== 'failedMolt') continue
    let left = e.number
    for (const seen of living) {
      if (seen.at < at - SAME_DAYS * DAY_MS) continue
      const known = Math.min(left, seen.number)
      seen.number -= known
      left -= known
    }
    if (left > 0) failures.push({ at, number: left })
  }
  return failures
}
