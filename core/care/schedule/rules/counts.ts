import { DAY_MS, momentMs, presentGlassId } from '#core/records'
import { COUNT_DAYS, M, WORTH_COUNTING } from '../figures'
import type { ColonyCare, DueItem } from '../item'
import { isOver, item } from './tools'

/**
 * By how much one full count today would narrow the likely range, 0 (nothing) to 1 (all doubt gone), on the scale of
 * ratios: a range from 100 to 400 that shrinks to 140 to 280 is half as wide.
 */
export function narrowing(n: NonNullable<ColonyCare['numbers']>): number {
  // whole animals: a range from 1.8 to 2.2 has no doubt left
  const width = (low: number, high: number) => Math.log(Math.max(Math.round(high), 1) / Math.max(Math.round(low), 0.5))
  const now = width(n.low, n.high)
  return now <= 0 ? 0 : Math.max(0, 1 - width(n.ifCounted.low, n.ifCounted.high) / now)
}

/** A count is due when it would tell much: after four weeks where it narrows the estimate, after eight in any case. */
export function countRule({ colony, group, numbers, entries, batch }: ColonyCare, nowMs: number): DueItem[] {
  // a hatch is told by samples and by what is picked
  if (batch || !numbers || numbers.firstLook || isOver({ group, numbers })) return []
  const logged = entries.findLast(e => e.kind === 'count')
  const lastMs = Math.max(numbers.lastCountMs ?? -Infinity, logged ? momentMs(logged.at) : -Infinity)
  const gain = narrowing(numbers)
  const worth = gain >= WORTH_COUNTING
  // a count that cannot be right unless many are gone asks for another one at once
  const asks = numbers.asks && lastMs === numbers.lastCountMs
  // known one by one: no count would tell more
  if (!asks && Math.round(numbers.low) === Math.round(numbers.high)) return []
  const days = worth ? COUNT_DAYS.soon : COUNT_DAYS.late
  const never = lastMs === -Infinity
  return [
    item({
      key: `count:${colony.id}`,
      kind: 'count',
      colonyId: colony.id,
      glassId: presentGlassId(colony),
      dueMs: asks ? lastMs : (never ? momentMs(colony.startedAt) : lastMs) + days * DAY_MS,
      everyDays: days,
      earlyDays: 7,
      lateDays: COUNT_DAYS.soon,
      minutes: Math.min(25, Math.max(3, numbers.value / 10)),
      flexible: !asks,
      why: asks ? 'countAsks' : never ? 'countNever' : worth ? 'countNarrows' : 'countOld',
      whyValues: {
        gain,
        low: numbers.ifCounted.low,
        high: numbers.ifCounted.high,
        nowLow: numbers.low,
        nowHigh: numbers.high,
        days: never ? 0 : (nowMs - lastMs) / DAY_MS,
      },
      basis: M,
      values: { about: numbers.value, gain },
    }),
  ]
}
