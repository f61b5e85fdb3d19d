import { resolveGroup } from '#core/groups'
import { offersByRung, type RungOffer } from '#core/lines'
import { type Colony, currentEntries, type EntryOf, type Order } from '#core/records'
import { lastPrice, ledger, offersList, reservedOf, standingOrders } from '#core/surplus'
import { heldBack, offeredToday } from '#core/statements'
import { openDb } from '~/data/database'
import { entriesOfKinds } from '~/data/log'
import { ordersOf } from '~/data/records'

/** What the Surplus place stands on: colonies with what can go, orders, and what has left the room. */
export function useSurplusDesk() {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const { value: written } = useLiveQuery<Order[]>(
    () => ordersOf(openDb(), room.room?.id ?? ''),
    [],
    () => room.room?.id,
  )
  const { value: entries } = useLiveQuery(() => entriesOfKinds(openDb(), ['removal', 'withdrawal'], 0), [])

  // also those of colonies that have ended since
  const harvests = computed(() =>
    currentEntries(entries.value).filter((e): e is EntryOf<'removal'> => e.kind === 'removal'),
  )
  const removals = computed(() => harvests.value.filter(e => room.colonyById.has(e.colonyId)))
  const orders = computed(() => standingOrders(written.value, harvests.value))
  const open = computed(() => orders.value.filter(o => o.state === 'open'))
  const months = computed(() => ledger(removals.value))
  const priceOf = (colonyId: string) =>
    open.value.findLast(o => o.colonyId === colonyId && o.priceEach !== undefined)?.priceEach ??
    lastPrice(removals.value, colonyId)
  const nowMs = computed(() => statements.now.getTime())
  const { lines } = useLines()
  const { coreOf } = useBreeding()
  const { byRung } = useColonyRungs()
  const { mainOf } = useLadders()
  /** What its rungs have to offer; empty where nothing was graded. */
  function rungsOf(colony: Colony, free: number): RungOffer[] {
    const of = lines.value.find(l => l.line.id === colony.lineId)
    const ladder = of && mainOf(of.line)
    const stock = of && byRung(of, colony)
    if (!ladder || !stock) return []
    const ordered = (rungId: string) =>
      reservedOf(
        open.value.filter(o => o.rungId === rungId),
        colony.id,
        nowMs.value,
      )
    const reserved = new Map(ladder.rungs.map(r => [r.id, ordered(r.id)]))
    return offersByRung(ladder, { stock, core: coreOf(colony), offered: Math.max(0, free), reserved })
  }
  const colonies = computed(() =>
    statements.inFull
      .flatMap(s => {
        const colony = room.colonyById.get(s.colonyId)
        // a batch has no safe take
        if (!colony || resolveGroup(colony).batch) return []
        const [canGo, reserved] = [offeredToday(s), reservedOf(open.value, colony.id, nowMs.value)]
        const rungs = rungsOf(colony, canGo - reserved)
        return [{ colony, population: s.population, held: heldBack(s), canGo, reserved, rungs }]
      })
      .sort((a, b) => b.canGo - a.canGo),
  )
  const offers = computed(() => offersList(colonies.value, open.value, nowMs.value, priceOf))
  const currency = computed(() => room.room?.currency ?? '')
  return { orders, open, removals, months, priceOf, colonies, offers, currency, nowMs }
}
