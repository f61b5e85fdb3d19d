export { lastPrice, type LedgerMonth, ledger, type Outlet } from './ledger'
export { type Offer, offersList, RESERVED_DAYS, reservedOf } from './offers'
export { asThingsAre, type OrderOutlook, ordersAhead, type SafeTake, safeTake, searchOf, spareAhead, stayUnder, type SurplusBasis, type Upper } from './plan'
