import type { ResolvedGroup } from '#core/groups'
import { DAY_MS, type Entry, momentMs } from '#core/records'
import { type TemperatureReading, type ThermalClock, thermalClock } from '#core/warmth'
import { awaitedBroods } from './awaited'
import type { Brood, BroodReader } from './brood'
import type { BroodLine } from './broodLine'
import { clutchesOf } from './clutches'
import { cohortsOf } from './cohorts'
import { EGG_ROOMS } from './eggQueue'
import { followedBroods } from './followed'
import { hatchDays } from './hatchDays'
import { ANY_PACE, type BroodSign, hatchDaysAt, hatchLaw, type OwnPace } from './hatchLaw'
import { ownPace, type WatchedLength, watchedLengths } from './ownPace'
import { type Run, runOf } from './runs'

/** A brood of a followed animal, as her life tells of it. */
export type FollowedBrood = Pick<Brood, 'key' | 'firstSeenMs' | 'end'> & { who: string }

/** All broods of one colony. Plain data: it crosses to and from a worker and is stored. */
export interface ColonyBroods {
  sign: BroodSign
  /** by the day on which they hatch */
  lines: BroodLine[]
  /** that ended of late, newest first */
  ended: Pick<Brood, 'key' | 'who' | 'number' | 'young' | 'end' | 'place' | 'lostTo'>[]
  /** of followed animals, all that were ever seen, oldest first */
  followed: FollowedBrood[]
  /** the last look at all, and what it found; null where nobody looked */
  last: Run['last']
  /** what this keeper’s broods have taught */
  pace: OwnPace
  /** what its own watched broods taught, for the keeper's other colonies of the group */
  lengths: WatchedLength[]
  /** temperature that the days ahead go by, and what a brood takes at it */
  temperatureC: number
  usual: { earliest: number; likely: number; latest: number }
}

/** What the broods of a colony are told from. Moments are milliseconds. */
export interface BroodsAsked {
  resolved: Pick<ResolvedGroup, 'group' | 'targets'>
  /** standing entries of the colony, by time */
  entries: readonly Entry[]
  /** of its water, by time */
  temperatures: readonly TemperatureReading[]
  /** watched broods of this keeper's other colonies of the group */
  lengths?: readonly WatchedLength[]
  /** broods in each room, from the fit; null until there is one */
  rooms: readonly number[] | null
  nowMs: number
}

/** A brood is told for so many days after it should have hatched, and an ended one for so long. */
const OVERDUE_DAYS = 10
const ENDED_DAYS = 56

/**
 * The broods of a colony: when each hatches, by the looks at it, the warmth and the keeper's own pace.
 * @returns null for animals whose broods nobody sees, or that never hatch in their water
 */
export function colonyBroods(asked: BroodsAsked): ColonyBroods | null {
  const { resolved, rooms, nowMs } = asked
  const sign = resolved.group.care.brood?.sign
  if (!sign) return null
  const { pace, lengths: own, clock, past, first } = watched(asked, sign)
  const law = hatchLaw(resolved, pace)
  const { all, run } = pace.broods > 0 ? broodsOf(sign, past, { law, clock }) : first
  const tell = { law, clock, nowMs }
  const told = all.filter(b => !b.end && (b.who !== null || b.sign === 'clutch' || run.told))
  const known = told.flatMap(b => lineOf(b, tell) ?? [])
  const lines = [...known, ...(sign === 'berried' ? awaitedBroods(past, all, { ...tell, resolved }) : [])]
  const cohorts =
    run.told || !rooms ? [] : cohortsOf(without(rooms, known, tell), law, tell).map(c => cohortLine(sign, c))
  const temperatureC = warmthAhead(clock, law, nowMs)
  return {
    sign,
    lines: [...lines, ...cohorts].sort((a, b) => a.hatch.likelyMs - b.hatch.likelyMs),
    ended: all
      .filter(b => b.end && b.end.toMs > nowMs - ENDED_DAYS * DAY_MS)
      .map(({ key, who, number, young, end, place, lostTo }) => ({
        ...{ key, who, number, young, end, place },
        ...(lostTo && { lostTo }),
      }))
      .toReversed(),
    followed: all.flatMap(({ key, who, firstSeenMs, end }) => (who === null ? [] : [{ key, who, firstSeenMs, end }])),
    last: run.last,
    ...{ pace, lengths: own },
    temperatureC,
    usual: hatchDaysAt(law, temperatureC),
  }
}

/** What was watched to its end: it says how fast broods go here, and that is what the others are reckoned by. */
function watched(
  { resolved, entries, temperatures: readings, lengths = [], nowMs }: Omit<BroodsAsked, 'rooms'>,
  sign: BroodSign,
) {
  const law = hatchLaw(resolved)
  const clock = thermalClock({ readings, law, nowMs })
  const past = entries.filter(e => momentMs(e.at) <= nowMs)
  const first = broodsOf(sign, past, { law, clock })
  const own = watchedLengths(first.all, clock)
  return { clock, past, first, lengths: own, pace: ownPace([...own, ...lengths], law) }
}

/** Lengths of a colony's broods that were watched to their end. */
export function lengthsOf(asked: Omit<BroodsAsked, 'rooms' | 'lengths'>): WatchedLength[] {
  const sign = asked.resolved.group.care.brood?.sign
  return sign ? watched(asked, sign).lengths : []
}

/** How fast a keeper's broods of a group go, by those that were watched to their end. */
export function paceOf(asked: Omit<BroodsAsked, 'rooms'>): OwnPace {
  const sign = asked.resolved.group.care.brood?.sign
  return sign ? watched(asked, sign).pace : ANY_PACE
}

interface Tell extends BroodReader {
  nowMs: number
}

/** What the log tells of broods, each kind by its own looks. */
function broodsOf(sign: BroodSign, entries: readonly Entry[], reader: BroodReader): { all: Brood[]; run: Run } {
  if (sign === 'clutch') return { all: clutchesOf(entries), run: { broods: [], last: null, told: true } }
  const followed = sign === 'berried' ? followedBroods(entries, reader) : []
  const run = runOf(sign, entries, { ...reader, followed })
  return { all: [...followed, ...run.broods], run }
}

/** A brood as a row; null when it should have hatched long ago, or cannot be. */
function lineOf(brood: Brood, { law, clock, nowMs }: Tell): BroodLine | null {
  const hatch = hatchDays(brood, law, clock)
  if (!hatch || hatch.latestMs < nowMs - OVERDUE_DAYS * DAY_MS) return null
  const { key, sign, who, number, place, aboveCm, firstSeenMs, lastSeenMs, looks } = brood
  return {
    ...(aboveCm !== undefined && { aboveCm }),
    ...{ key, sign, who, number, place, firstSeenMs, lastSeenMs, hatch, awaits: null, age: null },
    eyed: looks.some(l => l.eyed),
    looksMs: looks.slice(1).map(l => l.at),
  }
}

const cohortLine = (sign: BroodSign, { age, number, hatch }: ReturnType<typeof cohortsOf>[number]): BroodLine => ({
  ...{ key: `rooms:${age}`, sign, who: null, number, awaits: null, age, eyed: age === 'eyed', place: null },
  ...{ firstSeenMs: null, lastSeenMs: null, looksMs: [], hatch },
})

/** The rooms without the broods that are known one by one: each is taken off where it most likely is. */
function without(rooms: readonly number[], known: readonly BroodLine[], tell: Tell): number[] {
  const left = [...rooms]
  for (const line of known) {
    const room = roomOf(line, left.length, tell)
    left[room] = Math.max(0, left[room]! - line.number)
  }
  return left
}

/** The room in which a brood most likely is. */
function roomOf({ hatch }: BroodLine, rooms: number, { law, clock, nowMs }: Tell): number {
  const middle = (hatch.begunFromMs + hatch.begunToMs) / 2
  const share = (clock.daysAt(nowMs) - clock.daysAt(middle)) / Math.exp(law.meanLog)
  return Math.min(rooms - 1, Math.max(0, Math.floor(share * rooms)))
}

/** Broods in each room of a colony of which every brood is known by itself. */
export function eggRoomsOf(asked: Omit<BroodsAsked, 'rooms'>): number[] {
  const rooms = Array.from({ length: EGG_ROOMS }, () => 0)
  const sign = asked.resolved.group.care.brood?.sign
  if (!sign) return rooms
  const { pace, clock, past } = watched(asked, sign)
  const tell = { law: hatchLaw(asked.resolved, pace), clock, nowMs: asked.nowMs }
  for (const brood of broodsOf(sign, past, tell).all) {
    const line = brood.end ? null : lineOf(brood, tell)
    if (line) rooms[roomOf(line, EGG_ROOMS, tell)]! += line.number
  }
  return rooms
}

/** The temperature that the days ahead go by, read back from the clock. */
function warmthAhead(clock: ThermalClock, { q10, referenceC }: Tell['law'], nowMs: number): number {
  const from = nowMs + DAY_MS
  const pace = clock.daysAt(from + DAY_MS) - clock.daysAt(from)
  return referenceC + (10 * Math.log(pace)) / Math.log(q10)
}
