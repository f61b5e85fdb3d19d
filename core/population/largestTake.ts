import { quantileSorted, zQuantile } from '#core/stats'
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

/** Risks over so many times the allowed one are not told apart: the futures end there. */
const TOLD_APART = 2

/** Risk of doing something more than what is done anyway. */
const riskWith = (s: TakeSearch, more: Doing): Risk =>
  s.colony.risk(
    { size: s.futures, weeks: s.weeks, doing: { ...s.doing, ...more } },
    s.floors,
    TOLD_APART * s.allowedRisk,
  )

/**
 * The most that can be taken today so that the chance of falling under a floor stays at the allowed one or under it.
 * All takes share their luck, so the risk rises with the take and can be searched: from a guess on, as the
 * risks point.
 * @param now futures with nothing taken, when they are known already
 */
export function largestTake(s: TakeSearch, of: TakeOf, now: Futures = asThingsAre(s)): LargestTake {
  const guess = guessOf(now, s)
  return search(s, now, { risk: number => riskWith(s, { take: { of, number } }), guess, most: s.most })
}

/** The most that can be taken every week from today, to a tenth of an animal. */
export function largestWeeklyTake(s: TakeSearch, of: TakeOf, now: Futures = asThingsAre(s)): LargestTake {
  const unit = 10
  const guess = guessOf(now, s)
  const found = search({ ...s, uncounted: null }, now, {
    risk: tenths => riskWith(s, { weekly: { of, number: tenths / unit } }),
    guess: risk => (guess(risk) * unit) / s.weeks,
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

/** What is searched: the risk of a number, from which guess of the number that has a risk, up to how many. */
interface Searched {
  risk: (k: number) => Risk
  guess: (risk: number) => number
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
 * The largest whole number that can be borne, where the risk never falls as the number rises. Begins at a guess and
 * goes on to where the guess, held against the first risk, would have the answer; where that does not find it, it
 * doubles its stride until the answer lies between two numbers. Between them it is tried where the risks point to on
 * the scale of the normal curve, and where that did not help, in the middle.
 * @param risk of a number
 * @param guess of the number that has a risk, above nought
 * @param most no more than this is tried
 * @param within the search ends when no more than this share of the number is left to be found
 * @returns the number, its risk (null for none), and the risk of the next one tried that was too many (null when none
 * was)
 */
export function largestBearable<R extends { any: number }>(
  risk: (k: number) => R,
  allowed: number,
  { guess, most, within = 0 }: { guess: (risk: number) => number; most: number; within?: number },
): Bracket<R> {
  const b: Bracket<R> & { bad: number } = { good: 0, after: null, bad: most + 1, broken: null }
  const open = () => b.bad - b.good > 1 + b.good * within
  const reach = () => Math.floor(1 + b.good * within)
  /** Tries a number between the two ends, which becomes one of them. */
  function attempt(next: number): { k: number; any: number } {
    const k = Math.min(b.bad - 1, Math.max(b.good + 1, Math.round(next)))
    const r = risk(k)
    if (r.any <= allowed) [b.good, b.after] = [k, r]
    else [b.bad, b.broken] = [k, r]
    return { k, any: r.any }
  }
  if (!open()) return told(b)
  const { k, any } = attempt(guess(allowed))
  let next = (k / guess(bounded(any))) * guess(allowed) + (b.after ? reach() : -reach())
  // a guess is a tenth off most often
  for (let stride = Math.max(1, Math.round(guess(allowed) / 10)); open() && !(b.after && b.broken); stride *= 2) {
    attempt(next)
    next = b.after ? b.good + stride : b.bad - stride
  }
  for (let pointed = true; open();) {
    const left = b.bad - b.good
    attempt(pointed ? pointedAt(b, allowed, reach()) : Math.floor((b.good + b.bad) / 2))
    pointed = !pointed || 2 * (b.bad - b.good) <= left
  }
  return told(b)
}

/** The largest number that was found to be borne, its risk, and that of one that was not. */
interface Bracket<R> {
  good: number
  after: R | null
  broken: R | null
}
const told = <R>({ good, after, broken }: Bracket<R>): Bracket<R> => ({ good, after, broken })

/** Risks nearer to nothing or to all than this are as good as these. */
const HARDLY_ANY = 1e-3
const bounded = (p: number) => Math.min(1 - HARDLY_ANY, Math.max(HARDLY_ANY, p))

/**
 * Where the allowed risk lies between two numbers; where that is near one of them, as far from it as ends the search
 * when it lies between.
 * @param reach the search ends when no more than this is left
 */
function pointedAt(
  { good, after, bad, broken }: Bracket<{ any: number }> & { bad: number },
  allowed: number,
  reach: number,
): number {
  const z = (p: number) => zQuantile(bounded(p))
  const share = (z(allowed) - z(after!.any)) / (z(broken!.any) - z(after!.any))
  const at = good + share * (bad - good)
  return at - good < reach ? good + reach : bad - at < reach ? bad - reach : at - reach / 2
}

/**
 * If all of a future scaled with its start, taking k of n would leave its lowest point at (n − k)/n: a first guess.
 * @returns the take that has a risk
 */
function guessOf(now: Futures, { floors }: TakeSearch): (risk: number) => number {
  const { size, weeks } = now
  const takes = new Float64Array(size)
  for (let i = 0; i < size; i++) {
    let lowest = Infinity
    for (let week = 0; week <= weeks; week++) lowest = Math.min(lowest, now.totals[week * size + i]!)
    takes[i] = lowest > 0 ? now.totals[i]! * (1 - floors.total / lowest) : 0
  }
  takes.sort()
  return risk => Math.max(1, quantileSorted(takes, Math.min(1, risk)))
}
