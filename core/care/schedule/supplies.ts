import { DAY_MS, type Entry, momentMs, type ShelfItem } from '#core/records'
import { stockLeft } from '#core/water'

/** A box that will not last. */
export interface RunningLow {
  item: ShelfItem
  leftG: number
  /** days that it lasts at the pace of late; null when it is hardly used */ days: number | null
}

/**
 * Weeks over which use is averaged, days ahead that are looked at, and the share that is little in any case (from
 * memory).
 */
const USE_DAYS = 60
const AHEAD_DAYS = 28
const LITTLE = 0.1

/**
 * Boxes on the shelf that run low: at the pace of the last two months they last less than four weeks, or a tenth is
 * left.
 * @param pours standing entries of all glasses in which something was weighed out
 */
export function runningLow(shelf: readonly ShelfItem[], pours: readonly Entry[], nowMs: number): RunningLow[] {
  return shelf
    .flatMap(item => {
      const leftG = stockLeft(item, pours)
      if (leftG === undefined || item.ended) return []
      let usedG = 0
      for (const e of pours)
        if ((e.kind === 'waterChange' || e.kind === 'topUp') && momentMs(e.at) > nowMs - USE_DAYS * DAY_MS)
          for (const w of e.weighed ?? []) if (w.itemId === item.id) usedG += w.grams
      const days = usedG > 0 ? leftG / (usedG / USE_DAYS) : null
      return (days !== null && days < AHEAD_DAYS) || leftG <= LITTLE * item.stockG! ? [{ item, leftG, days }] : []
    })
    .sort((a, b) => (a.days ?? Infinity) - (b.days ?? Infinity))
}
