import { type Colony, DAY_MS, type EntryOf, type Order } from '#core/records'

/** One line of the weekly list: what a colony offers after what is reserved. */
export interface Offer {
  colonyId: string
  name: string
  canGo: number
  reserved: number
  offered: number
  priceEach: number | null
  /** of what rungs they are, best first; empty where nobody graded them */
  rungs: readonly OfferedRung[]
}

/** Grown animals of one rung that are on offer. */
export interface OfferedRung {
  words: string
  offered: number
  priceEach: number | null
}

/**
 * Orders as they stand: one is filled as long as a removal that served it stands in the log, so taking the harvest back
 * opens it again.
 * @param removals standing ones
 */
export function standingOrders(orders: readonly Order[], removals: readonly EntryOf<'removal'>[]): Order[] {
  const served = new Set(removals.flatMap(r => r.orderId ?? []))
  return orders.map(o =>
    o.state === 'dropped' ? o : { ...o, state: served.has(o.id) ? ('filled' as const) : ('open' as const) },
  )
}

/** Orders due within so many days are reserved from what can go now. */
export const RESERVED_DAYS = 28

/** Animals of a colony that open orders keep back. */
export function reservedOf(orders: readonly Order[], colonyId: string, nowMs: number): number {
  return orders
    .filter(o => o.state === 'open' && o.colonyId === colonyId && Date.parse(o.dueAt) <= nowMs + RESERVED_DAYS * DAY_MS)
    .reduce((sum, o) => sum + o.number, 0)
}

/**
 * The weekly list of what is on offer: what can go less what is reserved, largest first. The price is that of the last
 * order or sale.
 * @param colonies with what can go today
 */
export function offersList(
  colonies: readonly { colony: Colony; canGo: number; rungs?: readonly OfferedRung[] }[],
  orders: readonly Order[],
  nowMs: number,
  priceOf: (colonyId: string) => number | null,
): Offer[] {
  return colonies
    .map(({ colony, canGo, rungs = [] }) => {
      const reserved = reservedOf(orders, colony.id, nowMs)
      return {
        colonyId: colony.id,
        name: colony.name,
        canGo,
        reserved,
        offered: Math.max(0, canGo - reserved),
        priceEach: priceOf(colony.id),
        rungs: rungs.filter(r => r.offered > 0),
      }
    })
    .filter(o => o.offered > 0 || o.reserved > 0)
    .sort((a, b) => b.offered - a.offered)
}
