import { currentEntries, type EntryOf, type Order } from '#core/records'
import { lastPrice, ledger, offersList, reservedOf } from '#core/surplus'
import { openDb } from '~/data/database'
import { entriesOfKinds } from '~/data/log'
import { ordersOf } from '~/data/records'

/** What the Surplus place stands on: colonies with what can go, orders, and what has left the room. */
export function useSurplusDesk() {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const { value: orders } = useLiveQuery<Order[]>(
    () => ordersOf(openDb(), room.room?.id ?? ''),
    [],
    () => room.room?.id,
  )
  const { value: entries } = useLiveQuery(() => entriesOfKinds(openDb(), ['removal', 'withdrawal'], 0), [])

  const open = computed(() => orders.value.filter(o => o.state === 'open'))
  const removals = computed(() =>
    currentEntries(entries.value).filter(
      (e): e is EntryOf<'removal'> => e.kind === 'removal' && room.colonyById.has(e.colonyId),
    ),
  )
  const months = computed(() => ledger(removals.value))
  const priceOf = (colonyId: string) =>
    open.value.findLast(o => o.colonyId === colonyId && o.priceEach !== undefined)?.priceEach ??
    lastPrice(removals.value, colonyId)
  const nowMs = computed(() => statements.now.getTime())
  const colonies = computed(() =>
    statements.inFull
      .flatMap(s => {
        const colony = room.colonyById.get(s.colonyId)
        return colony
          ? [
              {
                colony,
                population: s.population,
                water: s.water.state,
                canGo: s.population.surplus.take,
                reserved: reservedOf(open.value, colony.id, nowMs.value),
              },
            ]
          : []
      })
      .sort((a, b) => b.canGo - a.canGo),
  )
  const offers = computed(() => offersList(colonies.value, open.value, nowMs.value, priceOf))
  const currency = computed(() => room.room?.currency ?? '')
  return { orders, open, removals, months, priceOf, colonies, offers, currency, nowMs }
}
