import { begun, DAY_MS, Order, toMoment } from '#core/records'
import { nextId, NOW, smallRoom } from '../../make'

/** A room whose one colony gets orders. */
export const s = smallRoom()
/** An open order for so many, due in so many days. */
export const order = (number: number, days: number, more: Partial<Order> = {}): Order =>
  Order.parse({
    ...begun(nextId(), NOW),
    roomId: s.room.id,
    colonyId: s.colony.id,
    who: 'B. N.',
    number,
    of: 'any',
    dueAt: toMoment(NOW + days * DAY_MS),
    state: 'open',
    ...more,
  })
