import { type Entry, momentMs, type ShelfItem } from '#core/records'

/**
 * What is left of a box: the stock as the keeper last wrote it down, less what was weighed out since. Follows the log,
 * so taking a change back puts its grams back.
 * @param entries standing entries of all glasses
 * @returns grams, never below 0; undefined when the stock was never written down
 */
export function stockLeft(
  item: Pick<ShelfItem, 'id' | 'stockG' | 'editedAt'>,
  entries: readonly Entry[],
): number | undefined {
  if (item.stockG === undefined) return undefined
  const since = momentMs(item.editedAt)
  let used = 0
  for (const e of entries) {
    if ((e.kind !== 'waterChange' && e.kind !== 'topUp') || momentMs(e.loggedAt) < since) continue
    for (const w of e.weighed ?? []) if (w.itemId === item.id) used += w.grams
  }
  return Math.max(0, item.stockG - used)
}
