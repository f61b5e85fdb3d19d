import type { Order } from '#core/records'
import type { Outlet, SafeTake, Upper } from '#core/surplus'
import { WEEK_MS } from '#core/records'
import { formatNumber } from '#core/units'
import { num, percent, whole } from './numbers'
import { takeKindWord } from './outlook'
import { aheadText, dayText } from './when'

export const outletWords: Readonly<Record<Outlet, string>> = {
  sold: 'Sold',
  given: 'Given',
  fed: 'Fed',
  moved: 'Moved',
  culled: 'Culled',
}

/** "4 every week" or "one every 3 weeks". */
export function weeklyText(weekly: number): string {
  if (weekly < 0.1) return 'none'
  return weekly < 1
    ? `one every ${Math.ceil(1 / weekly)} weeks`
    : formatNumber(weekly, weekly < 10 && weekly % 1 > 0.04 ? 1 : 0)
}

/** What holds a take of a kind back. */
export function heldByText({ of, now: take }: Pick<SafeTake, 'of' | 'now'>, keep: number, females: number): string {
  if (take.all && take.take > 0 && (of === 'males' || of === 'females'))
    return `the last ${takeKindWord[of]}: none would be left to breed`
  if (take.all) return 'all that can be had of them'
  if (take.take === 0 && take.riskAfter > 0) return `already ${percent(take.riskNow)} risk with none taken`
  if (take.afterCount !== null) return `count first: then up to ${whole(take.afterCount)}`
  return {
    females: `grown females would fall under ${whole(females)}`,
    males: 'too few grown males would be left to breed',
    kind: 'they would run out before the half year is over',
    number: `the number would fall under ${whole(keep)}`,
  }[take.limit]
}

/** One sentence on what can go of a kind. */
export function takeText({ of, now, weekly }: SafeTake): string {
  const kind = of === 'any' ? 'of any kind' : takeKindWord[of]
  return (
    `${num(whole(now.take))} ${kind} now, or ` +
    `${num(weeklyText(weekly.take))}${weekly.take >= 1 ? ' every week' : ''}`
  )
}

/**
 * What must go so that the glass is not outgrown.
 * @param safe what may go every week; more than that asks for a count first
 */
export function upperText(u: Upper, nowMs: number, safe: number): string {
  if (u.week === null)
    return (
      `It will hardly pass ${num(whole(u.limit))} within half a year (${num(percent(u.chance))} chance): ` +
      `nothing has to go for room.`
    )
  const when =
    u.week < 0.5
      ? 'It is over that now'
      : `It passes ${num(whole(u.limit))} about ${num(dayText(nowMs + u.week * WEEK_MS, nowMs))}`
  const culling =
    u.weekly === null
      ? 'Even half of them each week would not hold it.'
      : u.weekly > safe + 0.5
        ? `It would take ${num(weeklyText(u.weekly))} a week to be sure to stay under, more than is safe yet: count ` +
          'them first, a surer number brings the two together.'
        : `Take out ${num(weeklyText(u.weekly))} a week to stay under.`
  return `${when} (${num(percent(u.chance))} chance within half a year). ${culling} Find an outlet before then.`
}

/** "30 half-grown for B. N. by Sat 12 Dec". */
export const orderText = (o: Order, nowMs: number, rungWords?: (id: string) => string): string =>
  `${whole(o.number)}${o.of === 'any' ? '' : ` ${takeKindWord[o.of]}`}` +
  `${o.rungId && rungWords ? ` (${rungWords(o.rungId)})` : ''} for ${o.who}, due ` +
  `${aheadText(Date.parse(o.dueAt), nowMs)}`

/** An amount of money. */
export const moneyText = (amount: number, currency: string): string =>
  `${amount.toFixed(2)}${currency ? ` ${currency}` : ''}`
