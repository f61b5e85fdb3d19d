export { lastPrice, type LedgerMonth, ledger, type Outlet } from './ledger'
export { type Offer, type OfferedRung, offersList, RESERVED_DAYS, reservedOf, standingOrders } from './offers'
export {
  type OrderOutlook,
  ordersAhead,
  outgrownAt,
  type SafeTake,
  safeTake,
  spareAhead,
  stayUnder,
  type Upper,
} from './plan'
export { type WeeklyCourse, weeklyCourse } from './weeklyCourse'
