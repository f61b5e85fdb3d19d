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

/**
 * Weeks for which a box will last at the pace of some weeks.
 * @param usedG weighed out in these weeks, above 0
 */
export const lastsWeeks = (leftG: number, usedG: number, weeks: number): number => (leftG / usedG) * weeks

/** What was poured of each water and weighed of each box in some time, the most first. */
export interface Poured {
  waters: { name: string; litres: number }[]
  /** litres that were changed or topped up without saying with which water */
  unnamedL: number
  boxes: { itemId: string | null; name: string; grams: number }[]
}

/**
 * Sums up what went into buckets.
 * @param entries standing entries of the room
 * @param sinceMs from when on
 */
export function pouredSince(entries: readonly Entry[], sinceMs: number): Poured {
  const waters = new Map<string, Poured['waters'][number]>()
  const boxes = new Map<string, Poured['boxes'][number]>()
  let unnamedL = 0
  for (const e of entries) {
    if ((e.kind !== 'waterChange' && e.kind !== 'topUp') || momentMs(e.at) < sinceMs) continue
    if (!e.poured?.length) unnamedL += e.litres
    for (const { sourceId, name, litres } of e.poured ?? []) {
      const sum = waters.get(sourceId ?? name) ?? { name, litres: 0 }
      waters.set(sourceId ?? name, { name, litres: sum.litres + litres })
    }
    for (const { itemId = null, name, grams } of e.weighed ?? []) {
      const sum = boxes.get(itemId ?? name) ?? { itemId, name, grams: 0 }
      boxes.set(itemId ?? name, { itemId, name, grams: sum.grams + grams })
    }
  }
  return {
    waters: [...waters.values()].sort((a, b) => b.litres - a.litres),
    unnamedL,
    boxes: [...boxes.values()].sort((a, b) => b.grams - a.grams),
  }
}
