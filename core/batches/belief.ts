import { DAY_MS } from '#core/records'
import { equalDraws, normalFrom, quantileSorted, type Ranged, sampleBelief, streamAt, uniformAt } from '#core/stats'
import { type TemperatureReading, type ThermalClock, thermalClock } from '#core/warmth'
import { type Course, courseFrom, dayOf, dimsOf, livesThrough, standingAt } from './course'
import { type BatchLaw, type BatchStage, SPREADS } from './law'
import { type BatchLook, leftAfter, lookChances, outBy } from './looks'

/** What is known of a hatch when its course is asked for. Moments are milliseconds. */
export interface BatchAsked {
  law: BatchLaw
  /** when the tub was filled, or the pool flooded */
  beganMs: number
  looks: readonly BatchSeen[]
  temperatures: readonly TemperatureReading[]
  seed: number
  nowMs: number
  /** by few courses, for a first look */
  rough?: boolean
}
/** A look with its moment. */
export type BatchSeen = { at: number } & WithoutDay<BatchLook>
type WithoutDay<L> = L extends BatchLook ? Omit<L, 'day'> : never

/** Equally likely courses of a hatch. */
export interface BatchBelief {
  law: BatchLaw
  clock: ThermalClock
  looks: readonly BatchLook[]
  courses: readonly Course[]
  /** the luck of each in who lives, in who is first, and in the days ahead, in standard deviations */
  luck: Float64Array
  order: Float64Array
  weather: Float64Array
  nowDay: number
}

/** Draws of each round, and equally likely courses that stand for all: in full, and for a first look. */
const WHOLE = { draws: 1200, courses: 400 }
const ROUGH = { draws: 300, courses: 100 }

/** Believes in courses as far as they fit what was seen; the same for the same seed. */
export function batchBelief({ law, beganMs, looks, temperatures, seed, nowMs, rough }: BatchAsked): BatchBelief {
  const size = rough ? ROUGH : WHOLE
  const clock = thermalClock({ readings: temperatures, law: law.warmth, nowMs })
  const beganDay = clock.daysAt(beganMs)
  const seen = looks
    .filter(l => l.at <= nowMs)
    .map(({ at, ...look }) => ({ ...look, day: Math.max(beganDay, clock.daysAt(at)) }) as BatchLook)
  const chance = lookChances(law, seen)
  const { draws, weights } = sampleBelief({
    dims: dimsOf(law),
    logLikelihood: (z, at) => chance(courseFrom(law, beganDay, z, at)),
    seed,
    size: size.draws,
  })
  const courses = Array.from(equalDraws(weights, size.courses), i => courseFrom(law, beganDay, draws, i * dimsOf(law)))
  const [luck, order, weather] = [77, 78, 79].map(part =>
    Float64Array.from({ length: size.courses }, (_, i) => normalFrom(uniformAt(streamAt(seed, part, i)))),
  ) as [Float64Array, Float64Array, Float64Array]
  return { law, clock, looks: seen, courses, luck, order, weather, nowDay: clock.daysAt(nowMs) }
}

/** Range of a quantity over all courses. */
export function rangeOf({ courses }: BatchBelief, of: (course: Course, i: number) => number): Ranged {
  const sorted = Float64Array.from(courses, of).sort()
  return { value: quantileSorted(sorted, 0.5), low: quantileSorted(sorted, 0.1), high: quantileSorted(sorted, 0.9) }
}

/** A number with the chance in who lives and who does not: of few it matters more than all that is not known. */
const withLuck = (n: number, z: number): number => Math.max(0, n + z * Math.sqrt(n))

/** How much longer the days ahead take in a course than those so far. */
const paceAhead = ({ weather }: BatchBelief, i: number): number => Math.exp(SPREADS.ahead * weather[i]!)

/** Numbers of a stage in each course at a moment. */
export interface StandingOfAll {
  /** course by course: those of every stage that are there */
  left: number[][]
  /** living animals, with their luck */
  totals: Float64Array
}

/** Where all courses stand at a moment, less those taken out. */
export function standingOfAll(belief: BatchBelief, ms: number): StandingOfAll {
  const { law, clock, looks, courses, luck, nowDay } = belief
  const day = clock.daysAt(ms)
  const out = outBy(looks, day)
  const own = (i: number) => (day > nowDay ? nowDay + (day - nowDay) / paceAhead(belief, i) : day)
  const left = courses.map((c, i) => leftAfter(standingAt(law, c, own(i)), out))
  const totals = Float64Array.from(left, (l, i) =>
    withLuck(
      l.reduce((a, b) => a + b, 0),
      luck[i]!,
    ),
  )
  return { left, totals }
}

/** Of each stage how many are there at a moment. */
export function stagesAt(belief: BatchBelief, ms: number): Partial<Record<BatchStage, Ranged>> {
  const { left } = standingOfAll(belief, ms)
  return Object.fromEntries(
    belief.law.stages.map((name, k) => [name, rangeOf(belief, (_, i) => withLuck(left[i]![k]!, belief.luck[i]!))]),
  )
}

/** Mean share of the way to the last stage, of those still on it. */
export const wayAt = (belief: BatchBelief, ms: number): Ranged =>
  rangeOf(belief, c => standingAt(belief.law, c, belief.clock.daysAt(ms)).onTheWay)

/** Those of the last stage that are there or will be, when nobody takes any more out. */
export function toCome(belief: BatchBelief): Ranged {
  const out = outBy(belief.looks, Infinity)
  return rangeOf(belief, (c, i) => withLuck(Math.max(0, c.hatched * livesThrough(c) - out), belief.luck[i]!))
}

/**
 * When so many have come to the last stage, as moments.
 * @param number of a course
 * @returns null where most courses never bring so many
 */
export function momentOf(belief: BatchBelief, number: (course: Course) => number): Ranged | null {
  const { law, clock } = belief
  const { nowDay, order } = belief
  const days = belief.courses.flatMap((c, i) => {
    const day = dayOf(law, c, number(c), order[i])
    if (day === null) return []
    return day > nowDay ? nowDay + (day - nowDay) * paceAhead(belief, i) : day
  })
  if (days.length < belief.courses.length / 2) return null
  const sorted = Float64Array.from(days).sort()
  const at = (p: number) => clock.msAt(quantileSorted(sorted, p))
  return { value: at(0.5), low: at(0.1), high: at(0.9) }
}

/** A point of a course as it is drawn. */
export interface CoursePoint {
  at: number
  /** living animals */
  all: { p10: number; p25: number; p50: number; p75: number; p90: number }
  /** the middle of all, shared out among the stages in their order */
  stages: number[]
}

/** A course is drawn by so many points at most. */
const MOST_POINTS = 48

/** Points of a course from one moment to another, a day apart or more. */
export function courseBetween(belief: BatchBelief, fromMs: number, toMs: number): CoursePoint[] {
  const { law } = belief
  const many = Math.max(2, Math.min(MOST_POINTS, Math.ceil((toMs - fromMs) / DAY_MS) + 1))
  return Array.from({ length: many }, (_, i) => {
    const at = fromMs + ((toMs - fromMs) * i) / (many - 1)
    const { left, totals } = standingOfAll(belief, at)
    const sorted = totals.toSorted()
    const q = (p: number) => quantileSorted(sorted, p)
    // the stages share out the middle of all, so that they add up to it
    const mean = law.stages.map((_, k) => left.reduce((sum, l) => sum + l[k]!, 0))
    const sum = mean.reduce((a, b) => a + b, 0)
    return {
      at,
      all: { p10: q(0.1), p25: q(0.25), p50: q(0.5), p75: q(0.75), p90: q(0.9) },
      stages: mean.map(n => (sum > 0 ? (q(0.5) * n) / sum : 0)),
    }
  })
}

/** Days of grown animals are summed in steps of so many, each by its middle. */
const STEP_DAYS = 2

/** Days that the animals of the last stage have lived through all together, by today and by the end. */
export function grownDays(
  { law, looks }: BatchBelief,
  course: Course,
  nowDay: number,
  endDay: number,
): { now: number; end: number } {
  const sum = { now: 0, end: 0 }
  if (course.hatched === 0) return sum
  for (let day = course.hatchDay + STEP_DAYS / 2; day < endDay; day += STEP_DAYS) {
    const days = leftAfter(standingAt(law, course, day), outBy(looks, day)).at(-1)! * STEP_DAYS
    sum.end += days
    if (day < nowDay) sum.now += days
  }
  return sum
}
