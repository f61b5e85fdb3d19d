import { quantileSorted } from '#core/stats'
import type { FittedColony } from './fitted'
import { type Doing, type Floors, type Futures, type Risk, riskUnder } from './futures'
import type { TakeOf } from './comeAndGo'

/** Everything that a search for a take needs. */
export interface TakeSearch {
  colony: Pick<FittedColony, 'numbers' | 'futures' | 'risk'>
  futures: number
  weeks: number
  /** what is done anyway */
  doing: Doing
  floors: Floors
  allowedRisk: number
  /** more than these are never offered, however little must stay */
  most: number
  /** more than half of a colony goes only after a fresh count: so many at most without one; null where it is fresh */
  uncounted: number | null
}

/** The answer of a search. */
export interface LargestTake {
  take: number
  riskNow: number
  riskAfter: number
  /** the floor that the next one more would break, or that there are too few of them week after week */
  limit: 'number' | 'females' | 'males' | 'kind'
  /** how many it could be after a fresh count; null where one would allow hardly more */
  afterCount: number | null
  /** whether nothing but the number there limits it */ all: boolean
}

/** The futures with nothing taken, that searches start from. */
export const asThingsAre = ({ colony, futures, weeks, doing }: TakeSearch): Futures =>
  colony.futures({ size: futures, weeks, doing })

/** Risk of doing something more than what is done anyway. */
const riskWith = (s: TakeSearch, more: Doing): Risk =>
  s.colony.risk({ size: s.futures, weeks: s.weeks, doing: { ...s.doing, ...more } }, s.floors, s.allowedRisk)

/**
 * The most that can be taken today so that the chance of falling under a floor stays at the allowed one or under it.
 * All takes share their luck, so the risk rises with the take and can be searched: from a guess in doubling strides,
 * then by halving.
 * @param now futures with nothing taken, when they are known already
 */
export function largestTake(s: TakeSearch, of: TakeOf, now: Futures = asThingsAre(s)): LargestTake {
  return search(s, now, { risk: number => riskWith(s, { take: { of, number } }), guess: guessOf(now, s), most: s.most })
}

/** The most that can be taken every week from today, to a tenth of an animal. */
export function largestWeeklyTake(s: TakeSearch, of: TakeOf, now: Futures = asThingsAre(s)): LargestTake {
  const unit = 10
  const found = search({ ...s, uncounted: null }, now, {
    risk: tenths => riskWith(s, { weekly: { of, number: tenths / unit } }),
    guess: Math.round((guessOf(now, s) * unit) / s.weeks),
    most: s.most * unit,
  })
  // a week's take is small beside the colony, and the next count comes before many of them
  return { ...found, take: found.take / unit, afterCount: null }
}

/**
 * Three hundred futures tell a risk of a tenth to two in a hundred, which is as much as two or three animals of a
 * hundred change it: a search that goes on would find luck.
 */
const WITHIN = 0.02

/** A fresh count is asked for where at least so many times as many could go after it. */
const WORTH_A_COUNT = 1.1

/** What is searched: the risk of a number, from which guess, up to how many. */
interface Searched {
  risk: (k: number) => Risk
  guess: number
  most: number
}

function search(s: TakeSearch, now: Futures, { risk, guess, most }: Searched): LargestTake {
  const none = riskUnder(now, s.floors)
  if (none.any > s.allowedRisk || most < 1) return untaken(none)
  const { good, after, broken } = largestBearable(risk, s.allowedRisk, { guess, most, within: WITHIN })
  const held = s.uncounted !== null && good > s.uncounted
  return {
    take: held ? s.uncounted! : good,
    afterCount: held && good >= WORTH_A_COUNT * s.uncounted! ? good : null,
    riskNow: none.any,
    riskAfter: (held ? risk(s.uncounted!) : (after ?? none)).any,
    limit: limitOf(broken ?? none),
    all: !held && good === most,
  }
}

/** Nothing taken: the risk as things are. */
export const noTake = (s: TakeSearch, now: Futures): LargestTake => untaken(riskUnder(now, s.floors))

const untaken = (none: Risk): LargestTake => ({
  take: 0,
  afterCount: null,
  riskNow: none.any,
  riskAfter: none.any,
  limit: limitOf(none),
  all: false,
})

const limitOf = ({ total, females, males, short }: Risk): LargestTake['limit'] => {
  const most = Math.max(total, females, males, short)
  return most === total ? 'number' : most === females ? 'females' : most === males ? 'males' : 'kind'
}

/**
 * The largest whole number that can be borne, where the risk never falls as the number rises. Begins at a guess,
 * doubles its stride until the answer lies between two numbers, and halves what is left.
 * @param risk of a number
 * @param most no more than this is tried
 * @param within the search ends when no more than this share of the number is left to be found
 * @returns the number, its risk (null for none), and the risk of the next one tried that was too many (null when none
 * was)
 */
export function largestBearable<R extends { any: number }>(
  risk: (k: number) => R,
  allowed: number,
  { guess, most, within = 0 }: { guess: number; most: number; within?: number },
): { good: number; after: R | null; broken: R | null } {
  let good = 0
  let after: R | null = null
  let bad = most + 1
  let broken: R | null = null
  // the guess is a tenth off most often
  let stride = Math.max(1, Math.round(guess / 10))
  for (let next = Math.max(1, guess); bad - good > 1 + good * within; stride *= 2) {
    const k = Math.min(bad - 1, Math.max(good + 1, next))
    const r = risk(k)
    if (r.any <= allowed) {
      good = k
      after = r
    } else {
      bad = k
      broken = r
    }
    next = after && broken ? Math.floor((good + bad) / 2) : after ? good + stride : bad - stride
  }
  return { good, after, broken }
}

/** If all of a future scaled with its start, taking k of n would leave its lowest point at (n − k)/n: a first guess. */
function guessOf(now: Futures, { floors, allowedRisk }: TakeSearch): number {
  const { size, weeks } = now
  const takes = new Float64Array(size)
  for (let i = 0; i < size; i++) {
    let lowest = Infinity
    for (let week = 0; week <= weeks; week++) lowest = Math.min(lowest, now.totals[week * size + i]!)
    takes[i] = lowest > 0 ? now.totals[i]! * (1 - floors.total / lowest) : 0
  }
  return Math.max(0, Math.round(quantileSorted(takes.sort(), Math.min(1, allowedRisk))))
}
