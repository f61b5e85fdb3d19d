import type { ResolvedGroup } from '#core/groups'
import { DAY_MS, WEEK_MS } from '#core/records'
import { type Ranged, Z80 } from '#core/stats'
import { type TemperatureReading, type ThermalClock, thermalClock } from '#core/warmth'
import { type GrowthLaw, growthLaw, PACE_AHEAD_SD, readingSd, START_SD, usualCurve } from './growthLaw'
import {
  type BornCurve,
  type GrowthBelief,
  growthBelief,
  type OwnGrowth,
  ownGrowth,
  rangeOfBelief,
  rangeOfEach,
  sizeThen,
  taughtLaw,
} from './growthPosterior'
import { readShell, type ShellZone, type ZoneDates } from './readShell'
import { ageAt, fitIncrements, fitSizes, grownIn, type GrowthCurve, mmPerWeek } from './vonBertalanffy'

/** A size that was read. Moments are milliseconds. */
export interface SizeRead {
  at: number
  mm: number
}

/** What an animal's growth is told from. */
export interface GrowthAsked {
  resolved: Pick<ResolvedGroup, 'group' | 'targets'>
  /** by time */
  sizes: readonly SizeRead[]
  /** when it was born, as far as that is known */
  born: { fromMs: number; toMs: number } | null
  /** zones of its shell as they were marked last, with the moment of the look */
  shell?: { at: number; zones: readonly ShellZone[] } | null
  temperatures: readonly TemperatureReading[]
  /** what the keeper's other animals of the kind have taught */
  taught?: readonly OwnGrowth[]
  nowMs: number
}

/** Growth of one animal. Plain data. */
export interface Growth {
  sizes: readonly SizeRead[]
  /** whether the curve is its own; else it is the group's, and only its place on it is read from the sizes */
  own: boolean
  /** least squares through its own sizes alone; null where they are too few or say nothing that can be */
  plain: Pick<GrowthCurve, 'mostMm' | 'k'> | null
  bornMs: Ranged
  sizeMm: Ranged
  /** how fast it grows at present, mm a week of the calendar */
  perWeekMm: Ranged
  breedsMm: number
  /** when it is large enough to breed; null when it is already, or when most curves never come so far */
  breeds: { ms: Ranged } | 'already' | null
  /** what grew between the last two looks against what is usual at that size and warmth; null where there are no two */
  lately: { fromMs: number; toMs: number; grownMm: number; usualMm: Ranged } | null
  /** points of the curve, from the birth on and some weeks ahead */
  curve: (Ranged & { at: number })[]
  /** when each zone of its shell was built */
  zones: ZoneDates[]
  /** what it teaches of its kind; null where its own sizes are too few */
  teaches: OwnGrowth | null
}

const AHEAD_WEEKS = 16
const POINTS = 40
/** An animal that nobody knows the age of is no older than so many times what a grown one lives on average. */
const OLDEST = 2
/** Two sizes are held against each other from so many days on: before that a ruler sees nothing. */
const APART_DAYS = 10

/**
 * How an animal grows: its age, what it measures today, when it can breed, and whether it grows as fast as usual.
 * @returns null for animals without sizes, or whose sizes no curve of the group explains
 */
export function growthOf(asked: GrowthAsked): Growth | null {
  const usual = growthLaw(asked.resolved)
  if (!usual || asked.sizes.length === 0) return null
  const law = taughtLaw(usual, asked.taught ?? [])
  const clock = thermalClock({ readings: asked.temperatures, law, nowMs: asked.nowMs })
  const weeksAt = (ms: number) => clock.daysAt(ms) / 7
  const sizes = asked.sizes.map(s => ({ weeks: weeksAt(s.at), mm: s.mm }))
  const belief = growthBelief(law, sizes, bornBetween(asked, weeksAt))
  if (!belief) return null
  const now = weeksAt(asked.nowMs)
  const paceNow = weeksAt(asked.nowMs + WEEK_MS) - now
  const sizeAtMs = (ms: number) => rangeOfBelief(belief, c => sizeThen(c, weeksAt(ms)))
  // good weeks and bad ones are to come, and a curve that was kept to so far may be left
  const ahead = (ms: number) => rangeOfEach(belief, c => aheadOf(c, now, weeksAt(ms)))
  const bornMs = rangeOfEach(belief, ({ born }) =>
    THREE.map(([z, share]) => {
      const off = asked.born ? 1 : Math.exp(START_SD * z)
      return [clock.msAt(7 * (now - (now - born) * off)), share] as const
    }),
  )
  return {
    sizes: asked.sizes,
    own: belief.own,
    plain: belief.own ? plainFit(sizes, asked.born && weeksAt((asked.born.fromMs + asked.born.toMs) / 2)) : null,
    bornMs,
    sizeMm: sizeAtMs(asked.nowMs),
    perWeekMm: rangeOfBelief(belief, c => mmPerWeek(c, sizeThen(c, now)) * paceNow),
    breedsMm: law.breedsMm,
    breeds: breedsAt(law, belief, clock, asked.nowMs),
    lately: growthLately(law, asked.sizes, weeksAt),
    curve: curveOf(bornMs, asked.nowMs, ms => (ms > asked.nowMs ? ahead(ms) : sizeAtMs(ms))),
    zones: asked.shell ? readShell({ belief, clock }, asked.shell) : [],
    teaches: ownGrowth(belief),
  }
}

/** No shell grows to more than so many times the largest size that was read. */
const FAR_OUT = 2

/** Least squares through an animal's own sizes: of known age where its birth is known, else from what grew between. */
function plainFit(
  sizes: readonly { weeks: number; mm: number }[],
  born: number | null,
): Pick<GrowthCurve, 'mostMm' | 'k'> | null {
  const gaps = sizes.slice(1).map((s, i) => ({
    ...{ firstMm: sizes[i]!.mm, weeks: s.weeks - sizes[i]!.weeks },
    grownMm: s.mm - sizes[i]!.mm,
  }))
  const { mostMm, k } =
    born === null ? fitIncrements(gaps) : fitSizes(sizes.map(s => ({ weeks: s.weeks - born, mm: s.mm })))
  const largest = Math.max(...sizes.map(s => s.mm))
  return mostMm > 0.9 * largest && mostMm < FAR_OUT * largest ? { mostMm, k } : null
}

/** Between which weeks of the clock it was born: as it is known, else before the first size and within a life. */
function bornBetween({ resolved, sizes, born }: GrowthAsked, weeksAt: (ms: number) => number) {
  if (born) return { from: weeksAt(born.fromMs), to: weeksAt(born.toMs) }
  const { firstWeeks, youngWeeks, adultWeeks } = resolved.group.stages
  const first = weeksAt(sizes[0]!.at)
  return { from: first - OLDEST * (firstWeeks.value + youngWeeks.value + adultWeeks.value), to: first }
}

/** Three paces that stand for all: mean and spread are those of a normal law. */
const THREE = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
] as const

/** Sizes that one curve may lead to from one time to another, with their shares. */
function aheadOf(curve: BornCurve, from: number, to: number) {
  const mm = sizeThen(curve, from)
  return THREE.map(([z, share]) => {
    const k = curve.k * Math.exp(PACE_AHEAD_SD * z)
    return [mm + Math.max(0, grownIn({ ...curve, k }, mm, to - from)), share] as const
  })
}

function breedsAt(law: GrowthLaw, belief: GrowthBelief, clock: ThermalClock, nowMs: number): Growth['breeds'] {
  const weeks = rangeOfBelief(belief, c => c.born + ageAt(c, law.breedsMm))
  if (7 * weeks.value <= clock.daysAt(nowMs)) return 'already'
  if (weeks.high === Infinity) return null
  const ms = (w: number) => Math.max(nowMs, clock.msAt(7 * w))
  return { ms: { low: ms(weeks.low), value: ms(weeks.value), high: ms(weeks.high) } }
}

/** The last growth against that of the group's animals at the same size and warmth, with what a ruler can tell. */
function growthLately(law: GrowthLaw, sizes: readonly SizeRead[], weeksAt: (ms: number) => number): Growth['lately'] {
  const last = sizes.at(-1)!
  const before = sizes.findLast(s => s.at <= last.at - APART_DAYS * DAY_MS)
  if (!before) return null
  const weeks = weeksAt(last.at) - weeksAt(before.at)
  const { mostMm, k, mostSd, kSd } = law
  const grown = (most: number, pace: number) => Math.max(0, grownIn({ mostMm: most, k: pace }, before.mm, weeks))
  const value = grown(mostMm, k)
  // spreads by the slope at the group's own curve, and the weeks between were good ones or bad ones
  const off = Math.hypot(
    grown(mostMm * Math.exp(mostSd), k) - value,
    grown(mostMm, k * Math.exp(kSd)) - value,
    grown(mostMm, k * Math.exp(PACE_AHEAD_SD)) - value,
    readingSd(before.mm),
    readingSd(last.mm),
  )
  return {
    fromMs: before.at,
    toMs: last.at,
    grownMm: last.mm - before.mm,
    usualMm: { low: Math.max(0, value - Z80 * off), value, high: value + Z80 * off },
  }
}

function curveOf(bornMs: Ranged, nowMs: number, at: (ms: number) => Ranged): Growth['curve'] {
  const [from, to] = [bornMs.value, nowMs + AHEAD_WEEKS * WEEK_MS]
  return Array.from({ length: POINTS + 1 }, (_, n) => {
    const ms = from + ((to - from) * n) / POINTS
    return { at: ms, ...at(ms) }
  })
}

/** From so much of the full size on a ruler tells no age: what is left to grow is less than it can read. */
const GROWN = 0.9

/** A sample of a colony on one day: what it says by the group's curve. */
export interface SampleTold {
  n: number
  leastMm: number
  mostMm: number
  /** large enough to breed */
  breeding: number
  /**
   * weeks of age of the smallest and the largest by the group's usual curve, at the temperature of late; null of one
   * that is full-grown
   */
  ageWeeks: { youngest: number; oldest: number | null }
}

/**
 * What a sample of sizes says of a colony.
 * @param pace of life by the water's temperature, against the usual one
 * @returns null for animals that nobody measures, and for no sizes
 */
export function sampleTold(
  resolved: Pick<ResolvedGroup, 'group' | 'targets'>,
  sizesMm: readonly number[],
  pace: number,
): SampleTold | null {
  const law = growthLaw(resolved)
  if (!law || sizesMm.length === 0) return null
  const sorted = sizesMm.toSorted((a, b) => a - b)
  const curve = usualCurve(law)
  const age = (mm: number) => Math.max(0, ageAt(curve, mm)) / pace
  return {
    n: sorted.length,
    leastMm: sorted[0]!,
    mostMm: sorted.at(-1)!,
    breeding: sorted.filter(mm => mm >= law.breedsMm).length,
    ageWeeks: {
      youngest: age(sorted[0]!),
      oldest: sorted.at(-1)! < GROWN * law.mostMm ? age(sorted.at(-1)!) : null,
    },
  }
}
