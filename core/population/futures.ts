import { WEEK_MS } from '#core/records'
import { binomialFrom, quantileSorted, streamAt } from '#core/stats'
import { type Stopped, StoppedError } from './fit'
import { type TakeOf, takeFrom, takeWeights } from './comeAndGo'
import { luckAt } from './luck'
import { gather, type Particles, spread80 } from './particles'
import type { BandPoint, GrownPoint } from './question'
import type { StageRates } from './rates'
import { counted, FEMALES, MALES, ROWS, STAGES, YOUNG_1, YOUNG_2 } from './stages'
import { stepOf } from './step'

/** Weeks that futures look ahead where nobody asks for more. */
export const FUTURE_WEEKS = 26

/** Where futures start: colonies that are equally likely today. */
export interface Start {
  cloud: Float64Array
  size: number
}

/** What is done to a colony in its futures. */
export interface Doing {
  /** taken out today */
  take?: { of: TakeOf; number: number }
  /** taken out every week from today; what is not there is not taken */
  weekly?: { of: TakeOf; number: number }
  /** share of all animals, eggs too, taken out every week */
  weeklyShare?: number
  /** put in or taken out first, as whole animals of a fitting make-up: another starting number */
  startFactor?: number
  /** factor on the room, for food, surface or a second tank */
  roomFactor?: number
  /** factor on the young that come up, for fish */
  recruitsFactor?: number
  /** deaths beside the usual ones, per adult and week, that fade within some weeks */
  dyingPerWeek?: number
}

/** Numbers of many futures. Layout: week by week, in each all futures; week 0 is today, after what was taken. */
export interface Futures {
  size: number
  weeks: number
  totals: Float64Array
  females: Float64Array
  halfGrown: Float64Array
}

/** Deaths beside the usual ones fade from the futures within about so many weeks (from memory). */
export const DYING_WEEKS = 6

/** Futures to live: from where, how many, how long, under what and with whose luck. */
export interface Living {
  start: Start
  /** futures; they start from the colonies of `start` in turn */
  size: number
  weeks: number
  rates: StageRates
  seed: number
  doing?: Doing | undefined
  /** asked after each step */
  stopped?: Stopped | undefined
}

/**
 * Lives so many futures. Two runs with the same seed share all their luck, whatever is done in them (common random
 * numbers; Glasserman & Yao 1992), so that what differs between them is what was done.
 */
export function liveFutures(living: Living): Futures {
  const { size, weeks } = living
  const rows = () => new Float64Array(size * (weeks + 1))
  const futures: Futures = { size, weeks, totals: rows(), females: rows(), halfGrown: rows() }
  liveThrough(living, (cloud, week) => {
    record(cloud, futures, week)
    return false
  })
  return futures
}

/**
 * Lives futures week by week and shows the cloud at the end of each, and in which of them a weekly take found too few;
 * ends when `see` says that enough was seen.
 */
function liveThrough(
  { start, size, weeks, rates, seed, doing = {}, stopped }: Living,
  see: (cloud: Float64Array, week: number, short: Uint8Array) => boolean,
): void {
  const cloud = opened(start, size)
  if (doing.startFactor !== undefined && doing.startFactor !== 1) grow(cloud, size, doing.startFactor)
  if (doing.take && doing.take.number > 0) takeAll({ cloud, size }, doing.take, streamAt(seed, -7))
  const stepsPerWeek = Math.round(1 / rates.dtWeeks)
  const step = stepOf(rates)
  const short = new Uint8Array(size)
  if (see(cloud, 0, short)) return
  for (let week = 1; week <= weeks; week++) {
    const dying = (doing.dyingPerWeek ?? 0) * Math.exp(-(week - 1) / DYING_WEEKS)
    for (let s = 0; s < stepsPerWeek; s++) {
      if (stopped?.()) throw new StoppedError()
      step({ cloud, size }, streamAt(seed, week, s), {
        extraHazard: dying * rates.dtWeeks,
        roomFactor: doing.roomFactor ?? 1,
        recruitsFactor: doing.recruitsFactor ?? 1,
      })
    }
    if (doing.weekly && doing.weekly.number > 0) takeAll({ cloud, size }, doing.weekly, streamAt(seed, week, -8), short)
    if (doing.weeklyShare) takeShare(cloud, size, doing.weeklyShare, streamAt(seed, week, -9))
    if (see(cloud, week, short)) return
  }
}

/** A cloud of so many colonies, taken from those of the start in turn. */
function opened(start: Start, size: number): Float64Array {
  const cloud = new Float64Array(ROWS * size)
  const taken = Uint32Array.from({ length: size }, (_, i) => Math.floor(((i + 0.5) * start.size) / size))
  gather(start, ROWS, taken, cloud)
  return cloud
}

/** @param short gets a mark for each future that held too few */
function takeAll({ cloud, size }: Particles, take: { of: TakeOf; number: number }, key: number, short?: Uint8Array) {
  const weights = takeWeights[take.of]
  // part of an animal a week is one animal in so many weeks, and in each week in that share of the futures: evenly
  // spread by the golden ratio, so that a larger share takes from the same futures and more
  const whole = Math.floor(take.number)
  const rest = take.number - whole
  for (let i = 0; i < size; i++) {
    const number = whole + (rest > 0 && ((key >>> 0) / 4294967296 + i * 0.618034) % 1 < rest ? 1 : 0)
    const missing = number > 0 ? takeFrom({ cloud, size }, i, { number, weights }, key) : 0
    if (missing > 0 && short) short[i] = 1
  }
}

function takeShare(cloud: Float64Array, size: number, share: number, key: number) {
  for (let row = 0; row < STAGES; row++)
    for (let i = 0; i < size; i++)
      cloud[row * size + i] = cloud[row * size + i]! - binomialFrom(luckAt(key, i, row), cloud[row * size + i]!, share)
}

function grow(cloud: Float64Array, size: number, factor: number) {
  for (let row = 0; row < STAGES; row++)
    for (let i = 0; i < size; i++) cloud[row * size + i] = Math.round(cloud[row * size + i]! * factor)
}

function record(cloud: Float64Array, f: Futures, week: number) {
  const { size } = f
  for (let i = 0; i < size; i++) {
    f.totals[week * size + i] = counted(cloud, size, i)
    f.females[week * size + i] = cloud[FEMALES * size + i]!
    f.halfGrown[week * size + i] = cloud[YOUNG_1 * size + i]! + cloud[YOUNG_2 * size + i]!
  }
}

/** The fan: quantiles of one of the numbers for each week from today. */
export function futureFan(
  numbers: Float64Array,
  { size, weeks }: Pick<Futures, 'size' | 'weeks'>,
  nowMs: number,
): BandPoint[] {
  return Array.from({ length: weeks + 1 }, (_, week) => {
    const column = numbers.slice(week * size, (week + 1) * size).sort()
    const q = (p: number) => quantileSorted(column, p)
    return { at: nowMs + week * WEEK_MS, p10: q(0.1), p25: q(0.25), p50: q(0.5), p75: q(0.75), p90: q(0.9) }
  })
}

/** The grown of each week from today, with their likely range. */
export function grownAhead({ totals, halfGrown, size, weeks }: Futures, nowMs: number): GrownPoint[] {
  return Array.from({ length: weeks + 1 }, (_, week) => {
    const column = Float64Array.from({ length: size }, (_, i) => totals[week * size + i]! - halfGrown[week * size + i]!)
    return { at: nowMs + week * WEEK_MS, ...spread80(column.sort()) }
  })
}

/** The floors under a colony; those of a sex are nothing where they do not bind. */
export interface Floors {
  total: number
  females: number
  males: number
}

/** For each future whether it falls under a floor at any time from today, as shares of all. */
export function riskUnder(f: Futures, floors: Floors): Risk {
  const { size, weeks } = f
  let any = 0
  let total = 0
  let females = 0
  let males = 0
  for (let i = 0; i < size; i++) {
    let under = 0
    for (let week = 0; week <= weeks; week++) {
      const at = week * size + i
      if (f.totals[at]! < floors.total) under |= UNDER.total
      if (f.females[at]! < floors.females) under |= UNDER.females
      if (floors.males > 0 && f.totals[at]! - f.females[at]! - f.halfGrown[at]! < floors.males) under |= UNDER.males
    }
    if (under) any++
    if (under & UNDER.total) total++
    if (under & UNDER.females) females++
    if (under & UNDER.males) males++
  }
  return { any: any / size, total: total / size, females: females / size, males: males / size, short: 0 }
}

/** Which floors a future fell under, or that a weekly take found too few, as bits. */
const UNDER = { total: 1, females: 2, males: 4, short: 8 }

/** Chance of falling under any floor or of finding too few to take, and of each. */
export interface Risk {
  any: number
  total: number
  females: number
  males: number
  /** a weekly take found fewer than it wanted */
  short: number
}

/**
 * The risk of a doing, without keeping its futures; gives up as soon as more of them have fallen than are allowed,
 * since nothing that falls stands up again.
 * @returns the shares of all futures; when it gave up they are those until then
 */
export function riskOf(living: Living, floors: Floors, allowed: number): Risk {
  const { size } = living
  const fallen = new Uint8Array(size)
  let any = 0
  let total = 0
  let females = 0
  let males = 0
  let shorts = 0
  liveThrough(living, (cloud, _, short) => {
    for (let i = 0; i < size; i++) {
      const mark =
        (counted(cloud, size, i) < floors.total ? UNDER.total : 0) |
        (cloud[FEMALES * size + i]! < floors.females ? UNDER.females : 0) |
        (floors.males > 0 && cloud[MALES * size + i]! < floors.males ? UNDER.males : 0) |
        (short[i] ? UNDER.short : 0)
      const fresh = mark & ~fallen[i]!
      if (fresh === 0) continue
      if (fallen[i] === 0) any++
      if (fresh & UNDER.total) total++
      if (fresh & UNDER.females) females++
      if (fresh & UNDER.males) males++
      if (fresh & UNDER.short) shorts++
      fallen[i] = fallen[i]! | mark
    }
    return any > allowed * size
  })
  return { any: any / size, total: total / size, females: females / size, males: males / size, short: shorts / size }
}

/** When a number is first reached: quantiles over the futures (Infinity where they do not), and the share that does. */
export interface WeeksToReach {
  p10: number
  p50: number
  p90: number
  reachedShare: number
}

/** First week in which a number is there, over all futures. */
export function weeksToReach(
  numbers: Float64Array,
  { size, weeks }: Pick<Futures, 'size' | 'weeks'>,
  wanted: number,
): WeeksToReach {
  const first = new Float64Array(size).fill(Infinity)
  let reached = 0
  for (let i = 0; i < size; i++) {
    let week = 0
    while (week <= weeks && numbers[week * size + i]! < wanted) week++
    if (week > weeks) continue
    first[i] = week
    reached++
  }
  first.sort()
  const q = (p: number) => first[Math.min(size - 1, Math.floor(p * size))]!
  return { p10: q(0.1), p50: q(0.5), p90: q(0.9), reachedShare: reached / size }
}

/** Share of the futures that hold a number at a week. */
export function chanceAt(numbers: Float64Array, { size }: Pick<Futures, 'size'>, week: number, wanted: number): number {
  let there = 0
  for (let i = 0; i < size; i++) if (numbers[week * size + i]! >= wanted) there++
  return there / size
}
