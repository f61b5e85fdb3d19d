import {
  type Floors,
  type Futures,
  largestBearable,
  type LargestTake,
  largestTake,
  largestWeeklyTake,
  type TakeSearch,
} from '#core/population'
import { type Order, type TakeKind, WEEK_MS } from '#core/records'
import { quantileSorted } from '#core/stats'

/** The most that can go now, and every week, of one kind. */
export interface SafeTake {
  of: TakeKind
  now: LargestTake
  weekly: LargestTake
}

/**
 * Searches both takes of one kind; all searches share their luck. No more than there likely are of a kind is offered.
 */
export function safeTake(search: TakeSearch, of: TakeKind, asThingsAre: Futures): SafeTake {
  const there = thereOf(search, of)
  const now = largestTake({ ...search, most: Math.min(search.most, there) }, of, asThingsAre)
  // every week no more than half of those that are there: beyond it nothing is left to take
  const weekly = largestWeeklyTake({ ...search, most: Math.min(search.most, Math.ceil(there / 2)) }, of, asThingsAre)
  return { of, now: { ...now, all: now.take >= there }, weekly }
}

/** How many of a kind there likely are today. */
const thereOf = ({ colony }: TakeSearch, of: TakeKind): number => Math.round(colony.numbers(of).value)

/** What is needed so that a colony stays under a number. */
export interface Upper {
  limit: number
  /** chance of more than that within the weeks if none are taken */
  chance: number
  /** week in which half of those futures are over it; null when the chance is small */
  week: number | null
  /** fewest to take out each week so that the chance stays at the allowed one; null when no such number was found */
  weekly: number | null
}

/** A glass is called outgrown beyond nine tenths of its room. */
export const outgrownAt = (capacity: number): number => Math.round(0.9 * capacity)
/** Chance of going over that is worth a word. */
const WORTH = 0.2

/** How many must go each week so that a colony does not outgrow its room: snail booms and full glasses. */
export function stayUnder(s: TakeSearch, limit: number, allowed: number, futures: Futures): Upper {
  const over = (f: Futures) => {
    const weeks: number[] = []
    for (let i = 0; i < f.size; i++) {
      for (let week = 0; week <= f.weeks; week++) {
        if (f.totals[week * f.size + i]! > limit) {
          weeks.push(week)
          break
        }
      }
    }
    return weeks.sort((a, b) => a - b)
  }
  const reached = over(futures)
  const chance = reached.length / futures.size
  if (chance < WORTH) return { limit, chance, week: null, weekly: null }
  // the same search as for takes, on what is left of a large number: the risk falls as more are taken
  const most = Math.max(1, Math.round(limit))
  const risk = (spared: number) => {
    const weekly = { of: 'any' as const, number: (most - spared) / 2 }
    const f = s.colony.futures({ size: s.futures, weeks: s.weeks, doing: { ...s.doing, weekly } })
    let late = 0
    for (let i = 0; i < f.size; i++) if (f.totals[f.weeks * f.size + i]! > limit) late++
    return { any: late / f.size }
  }
  const { good, after } = largestBearable(risk, allowed, { guess: () => 0.9 * most, most })
  return { limit, chance, week: quantileSorted(reached, 0.5), weekly: after ? (most - good) / 2 : null }
}

/**
 * What can likely be spared at some weeks ahead, so that an outlet is found before the animals are there: four chances
 * in five. Of each sex as many go as stand among the others.
 * @param floors what must stay
 */
export function spareAhead(
  futures: Futures,
  floors: Floors,
  weeks: readonly number[],
): { week: number; number: number }[] {
  const { size, totals, females, halfGrown } = futures
  return weeks
    .filter(w => w <= futures.weeks)
    .map(week => {
      const spare = new Float64Array(size)
      for (let i = 0; i < size; i++) {
        const at = week * size + i
        const males = totals[at]! - halfGrown[at]! - females[at]!
        const share = Math.min(leftOver(females[at]!, floors.females), leftOver(males, floors.males))
        spare[i] = Math.min(totals[at]! - floors.total, totals[at]! * share)
      }
      return { week, number: Math.max(0, Math.floor(quantileSorted(spare.sort(), 0.2))) }
    })
}

/** Share of some animals that may go so that so many stay. */
const leftOver = (there: number, floor: number) => (floor <= 0 ? 1 : there > floor ? 1 - floor / there : 0)

/**
 * An order with the chance that it can be filled on its day without going under what must stay, after the orders due
 * before it.
 */
export interface OrderOutlook {
  orderId: string
  week: number
  chance: number
  /** ordered until then, with this one */ until: number
}

/** Animals of each kind in one future. */
type OfKinds = Record<Exclude<TakeKind, 'any'>, number>

/** Whether so many of a kind are there beside those that earlier orders take; who is grown is a female or a male. */
function thereFor(kind: TakeKind, number: number, there: OfKinds, gone: OfKinds): boolean {
  const grown = there.adults - gone.adults - gone.females - gone.males
  if (kind === 'any') return true
  if (kind === 'halfGrown') return there.halfGrown - gone.halfGrown >= number
  return grown >= number && (kind === 'adults' || there[kind] - gone[kind] >= number)
}

/** What orders are held against. */
export interface OrdersAsked {
  /** animals that must stay */
  keep: number
  nowMs: number
  /** of the grown animals, the part that stands on each rung and does not breed */
  onRung?: Readonly<Record<string, number>>
}

/**
 * Looks ahead at all open orders of one colony. Each is judged on its own stage, sex and rung, and served after those
 * due before it; what those take of its kind is no longer there. What would have been born of them is not taken off,
 * and the grown ones are taken to stand on their rungs as they do today.
 */
export function ordersAhead(
  orders: readonly Order[],
  futures: Futures,
  { keep, nowMs, onRung = {} }: OrdersAsked,
): OrderOutlook[] {
  let until = 0
  const gone: OfKinds = { halfGrown: 0, adults: 0, females: 0, males: 0 }
  const goneOfRung = new Map<string, number>()
  return orders
    .filter(o => o.state === 'open')
    .toSorted((a, b) => (a.dueAt < b.dueAt ? -1 : 1))
    .map(order => {
      until += order.number
      const week = Math.min(futures.weeks, Math.max(0, Math.round((Date.parse(order.dueAt) - nowMs) / WEEK_MS)))
      let can = 0
      for (let i = 0; i < futures.size; i++) {
        const at = week * futures.size + i
        const [total, halfGrown, females] = [futures.totals[at]!, futures.halfGrown[at]!, futures.females[at]!]
        const there = { halfGrown, females, adults: total - halfGrown, males: total - halfGrown - females }
        const share = order.rungId === undefined ? undefined : onRung[order.rungId]
        const ofRung = share === undefined ? Infinity : share * there.adults - (goneOfRung.get(order.rungId!) ?? 0)
        if (total - until >= keep && ofRung >= order.number && thereFor(order.of, order.number, there, gone)) can++
      }
      if (order.of !== 'any') gone[order.of] += order.number
      if (order.rungId) goneOfRung.set(order.rungId, (goneOfRung.get(order.rungId) ?? 0) + order.number)
      return { orderId: order.id, week, chance: can / futures.size, until }
    })
}
