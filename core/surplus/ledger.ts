import type { EntryOf } from '#core/records'

type Removal = EntryOf<'removal'>
export type Outlet = Removal['outlet']

/** What left in one month, by outlet, and what came in for it. */
export interface LedgerMonth {
  /** year and month, e.g. 2026-11 */ month: string
  number: number
  byOutlet: Partial<Record<Outlet, number>>
  income: number
}

/** The ledger of standing removals by month, newest first. Moments are taken in UTC, as they are stored. */
export function ledger(removals: readonly Removal[]): LedgerMonth[] {
  const months = new Map<string, LedgerMonth>()
  for (const r of removals) {
    const month = r.at.slice(0, 7)
    const line = months.get(month) ?? { month, number: 0, byOutlet: {}, income: 0 }
    line.number += r.number
    line.byOutlet[r.outlet] = (line.byOutlet[r.outlet] ?? 0) + r.number
    line.income += r.price ?? 0
    months.set(month, line)
  }
  return [...months.values()].sort((a, b) => (a.month < b.month ? 1 : -1))
}

/** Price of one animal in the latest sale of a colony; null when none had a price. */
export function lastPrice(removals: readonly Removal[], colonyId: string): number | null {
  const last = removals
    .filter(r => r.colonyId === colonyId && r.price !== undefined && r.price > 0)
    .sort((a, b) => (a.at < b.at ? -1 : 1))
    .at(-1)
  return last ? Math.round((last.price! / last.number) * 100) / 100 : null
}
