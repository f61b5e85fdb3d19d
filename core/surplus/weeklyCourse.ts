import { type BandPoint, type Futures, futureFan, type TakeSearch } from '#core/population'
import type { TakeKind } from '#core/records'

/** What becomes of a colony, week by week from today: with a take every week, and with none. */
export interface WeeklyCourse {
  of: TakeKind
  /** animals each week */
  weekly: number
  taking: BandPoint[]
  leaving: BandPoint[]
}

/**
 * Lives the futures of a weekly take, with the luck of those in which none are taken.
 * @param weekly animals that go each week, of a kind
 * @param asThingsAre the futures without the take
 */
export function weeklyCourse(
  { colony, futures: size, weeks, doing }: TakeSearch,
  { of, weekly }: Pick<WeeklyCourse, 'of' | 'weekly'>,
  asThingsAre: Futures,
  nowMs: number,
): WeeklyCourse {
  const lived = colony.futures({ size, weeks, doing: { ...doing, weekly: { of, number: weekly } } })
  const fan = (f: Futures) => futureFan(f.totals, f, nowMs)
  return { of, weekly, taking: fan(lived), leaving: fan(asThingsAre) }
}
