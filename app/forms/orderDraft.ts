import { begun, Order, type TakeKind, toMoment } from '#core/records'
import { deviceDay, hourOn } from './deviceDays'
import { readNumber } from './readNumber'
import { wholeNumber } from './wholeNumber'

/** An order as it is typed. */
export interface OrderDraft {
  who: string
  colonyId: string
  number: string
  of: TakeKind
  dueAt: string
  priceEach: string
}
export type OrderRead = { ok: true; order: Order } | { ok: false; issues: Partial<Record<keyof OrderDraft, string>> }

/** A price to the cent, or nothing. */
export function readPrice(text: string): { ok: true; price?: number } | { ok: false; issue: string } {
  if (text.trim() === '') return { ok: true }
  const read = readNumber(text, { low: 0, high: 10_000 })
  return read.ok ? { ok: true, price: Math.round(read.value * 100) / 100 } : read
}

/** Reads an order; the day ends in the evening. */
export function readOrder(draft: OrderDraft, id: string, roomId: string, nowMs: number): OrderRead {
  const issues: Partial<Record<keyof OrderDraft, string>> = {}
  const number = wholeNumber(draft.number, 1)
  if (!number.ok) issues.number = number.issue
  const who = draft.who.trim()
  if (who === '' || who.length > 60) issues.who = who === '' ? 'For whom? Initials do.' : 'Use 60 letters at most.'
  const due = hourOn(draft.dueAt, 18)
  if (due === null) issues.dueAt = 'By which day?'
  else if (draft.dueAt < deviceDay(nowMs)) issues.dueAt = 'That day is over.'
  const price = readPrice(draft.priceEach)
  if (!price.ok) issues.priceEach = price.issue
  if (!draft.colonyId) issues.colonyId = 'From which colony?'
  if (Object.keys(issues).length > 0 || !number.ok || !price.ok || due === null) return { ok: false, issues }
  return {
    ok: true,
    order: Order.parse({
      ...begun(id, nowMs),
      roomId,
      colonyId: draft.colonyId,
      who,
      number: number.value,
      of: draft.of,
      dueAt: toMoment(due),
      ...(price.price !== undefined && { priceEach: price.price }),
      state: 'open',
    }),
  }
}
