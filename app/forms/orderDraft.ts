import { Order, type TakeKind, toMoment } from '#core/records'
import { parseNumber } from '#core/units'
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

/** A price, or nothing; null when it is none. */
export function readPrice(text: string): number | undefined | null {
  if (text.trim() === '') return undefined
  const value = parseNumber(text)
  return value !== null && value >= 0 && value <= 10_000 ? Math.round(value * 100) / 100 : null
}

/** Reads an order; the day ends in the evening. */
export function readOrder(draft: OrderDraft, id: string, roomId: string, nowMs: number): OrderRead {
  const issues: Partial<Record<keyof OrderDraft, string>> = {}
  const number = wholeNumber(draft.number, 1)
  if (!number.ok) issues.number = number.issue
  const who = draft.who.trim()
  if (who === '' || who.length > 60) issues.who = who === '' ? 'For whom? Initials do.' : 'Use 60 letters at most.'
  const due = new Date(`${draft.dueAt}T18:00`).getTime()
  if (Number.isNaN(due)) issues.dueAt = 'By which day?'
  else if (due < nowMs - 86_400_000) issues.dueAt = 'That day is over.'
  const price = readPrice(draft.priceEach)
  if (price === null) issues.priceEach = 'A price from 0 to 10 000, or nothing.'
  if (!draft.colonyId) issues.colonyId = 'From which colony?'
  if (Object.keys(issues).length > 0 || !number.ok) return { ok: false, issues }
  return {
    ok: true,
    order: Order.parse({
      id,
      editedAt: toMoment(nowMs),
      roomId,
      colonyId: draft.colonyId,
      who,
      number: number.value,
      of: draft.of,
      dueAt: toMoment(due),
      ...(price !== undefined && { priceEach: price }),
      state: 'open',
    }),
  }
}
