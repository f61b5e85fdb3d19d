import { randomNormal } from 'd3-random'
import { resolveGroup } from '#core/groups'
import { DAY_MS, type TestMethod } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { judgeValue, readingSd, type ValueReading } from '#core/water'
import { inEveryGroup, middle, ranked, shareOf, sumOf } from './summing'

/**
 * Glasses whose water is well: values that wander well inside the preferred range, a room that breathes with the year,
 * tests that count whole degrees. And the same where one value slides: from the middle to the edge within six weeks,
 * and on. The judge knows nothing of how they are made.
 */

/** The values that are watched together. */
const watched = ['ghDh', 'khDh', 'ph', 'conductivityUsCm', 'temperatureC', 'nitrateMgL'] as const
type WatchedKey = (typeof watched)[number]
/** GH by drops alone, and beside a probe for conductivity. */
const kinds = [...watched, 'ghDh and conductivity'] as const
type WatchedKind = (typeof kinds)[number]

const START = Date.parse('2024-11-01T12:00:00.000Z')
const DAYS = 730
const SLIDE_DAYS = 42
/** Nothing is judged before so many days: nobody knows a new glass. */
const KNOWN_DAYS = 60
/** Alarms with less than so many quiet days between them are one. */
const APART_DAYS = 14

/** What is true of one value in one glass: parts of the breadth of its range. */
interface Wander {
  middle: number
  /** what is forgotten within weeks, and what within days */
  slow: number
  quick: number
  /** the year's wave, where the room breathes */
  year: number
  phase: number
  /** half of the glasses walk at random and turn round at the edges of the middle; the others come back to a middle */
  walks: boolean
  /** what evaporation heaps up before the weekly top-up takes it away */
  heap: number
}

/** How a keeper reads a value. */
interface Reading {
  every: number
  method: TestMethod
  /** the test's own scatter, and the step that it counts in */
  scatter: (value: number) => number
  step: (value: number) => number
}

/** One value of one glass, watched for two years. */
export interface WatchResult {
  kind: WatchedKind
  years: number
  falseAlarms: number
  /** share of the days on which a quiet value was called off or drifting */
  flagged: number
  /** a slide: days from leaving the range to the alarm, before it where negative; null without a slide or an alarm */
  slid: boolean
  found: number | null
}

function readingOf(key: WatchedKey, random: Random): Reading {
  const often = (from: number, to: number) => from + (to - from) * random()
  const kit = random() < 0.7
  switch (key) {
    case 'temperatureC':
      return { every: often(2, 7), method: 'probe', scatter: () => 0.15, step: () => 0.1 }
    case 'conductivityUsCm':
      return { every: often(7, 14), method: 'probe', scatter: v => 2 + 0.01 * v, step: () => 1 }
    case 'ph':
      return kit
        ? { every: often(7, 21), method: 'liquidKit', scatter: () => 0.08, step: () => 0.25 }
        : { every: often(7, 21), method: 'probe', scatter: () => 0.06, step: () => 0.1 }
    case 'nitrateMgL':
      return { every: often(14, 28), method: 'liquidKit', scatter: v => 0.5 + 0.12 * v, step: v => (v < 10 ? 2.5 : 5) }
    default:
      // drops are counted until the colour turns
      return { every: often(7, 21), method: 'liquidKit', scatter: () => 0.35, step: () => 1 }
  }
}

const wanderOf = (key: WatchedKey, random: Random): Wander => ({
  middle: 0.35 + 0.3 * random(),
  slow: 0.04 + 0.06 * random(),
  quick: 0.02 + 0.03 * random(),
  year: key === 'temperatureC' ? 0.12 + 0.1 * random() : key === 'ph' ? 0.04 : 0,
  phase: 2 * Math.PI * random(),
  walks: random() < 0.5,
  heap: key === 'temperatureC' || key === 'ph' ? 0 : 0.08 * random(),
})

/** From which day a value slides, and to which side. */
interface Slide {
  from: number
  up: boolean
}

/** A walk from the middle that turns round where it comes near an edge. */
function turned(slow: number, middle: number): number {
  const at = middle + slow
  return at > 0.75 ? 1.5 - at - middle : at < 0.25 ? 0.5 - at - middle : slow
}

/** True values by day, in the key's unit. */
function live(range: readonly [number, number], wander: Wander, { from, up }: Slide, random: Random) {
  const normal = randomNormal.source(random)()
  const keep = Math.exp(-1 / 20)
  const values: number[] = []
  let slow = 0
  for (let day = 0; day < DAYS; day++) {
    const step = wander.slow * normal()
    slow = wander.walks ? turned(slow + step / 4, wander.middle) : keep * slow + Math.sqrt(1 - keep * keep) * step
    const heaped = wander.heap * ((day % 7) / 7 - 0.5)
    const still = wander.middle + slow + heaped + wander.year * Math.sin((2 * Math.PI * day) / 365 + wander.phase)
    const inside = Math.max(0.12, Math.min(0.88, still + wander.quick * normal()))
    const slid = ((up ? 0.5 : -0.5) * (day - from)) / SLIDE_DAYS
    const share = day > from ? 0.5 + 0.5 * (inside - 0.5) + slid : inside
    values.push(Math.max(0, range[0] + (range[1] - range[0]) * share))
  }
  return values
}

function read(key: WatchedKey, truth: readonly number[], how: Reading, random: Random) {
  const normal = randomNormal.source(random)()
  const list: ValueReading[] = []
  for (let day = how.every * random(); day < DAYS; day += how.every * (0.7 + 0.6 * random())) {
    const value = truth[Math.floor(day)]!
    const step = how.step(value)
    const told = Math.max(0, Math.round((value + how.scatter(value) * normal()) / step) * step)
    const { method } = how
    const at = START + day * DAY_MS
    list.push({ entryId: `${key}${list.length}`, at, value: told, sd: readingSd(key, method, told), method })
  }
  return list
}

/** A weekly probe beside the drops: what GH gives, and what else comes and goes. */
function readSalts(truth: readonly number[], random: Random): ValueReading[] {
  const normal = randomNormal.source(random)()
  const keep = Math.exp(-1 / 30)
  const perDegree = 30 + 15 * random()
  let other = 0
  const salts = truth.map(gh => {
    other = keep * other + Math.sqrt(1 - keep * keep) * 8 * normal()
    return 60 + perDegree * gh + other
  })
  return read('conductivityUsCm', salts, readingOf('conductivityUsCm', random), random)
}

function watch(groupId: string, kind: WatchedKind, slides: boolean, random: Random): WatchResult | null {
  const key = kind === 'ghDh and conductivity' ? 'ghDh' : kind
  const group = resolveGroup({ groupId, schools: {}, targets: {}, life: {} })
  const target = group.targets[key]
  if (!target || !(target.preferred[1] > target.preferred[0])) return null
  const slidesFrom = slides ? Math.round(DAYS * (0.4 + 0.4 * random())) : Infinity
  // nitrate only gathers, and below nothing is nothing
  const up = key === 'nitrateMgL' || target.preferred[0] === 0 || random() < 0.5
  const truth = live(target.preferred, wanderOf(key, random), { from: slidesFrom, up }, random)
  const readings = read(key, truth, readingOf(key, random), random)
  const salts = key === kind ? null : readSalts(truth, random)
  const flaggedOn: number[] = []
  let flagged = false
  let seen = 0
  for (let day = KNOWN_DAYS; day < DAYS; day++) {
    const nowMs = START + day * DAY_MS
    const known = readings.filter(r => r.at <= nowMs)
    // between two tests little changes, and every fifth day shows it
    if (known.length > seen || day % 5 === 0) {
      const { state } = judgeValue({
        key,
        target,
        readings: known,
        nowMs,
        largestStep: group.largestStepPerWeek[key]?.value,
        ...(salts && { conductivity: salts.filter(r => r.at <= nowMs) }),
      })
      flagged = state === 'off' || state === 'drifting'
    }
    seen = known.length
    if (flagged) flaggedOn.push(day)
  }
  const quiet = flaggedOn.filter(d => d <= slidesFrom)
  const quietDays = Math.min(DAYS, slidesFrom) - KNOWN_DAYS
  const leaves = slidesFrom + SLIDE_DAYS
  // what was flagged already when the slide began saw nothing
  const alarm = flaggedOn.find(d => d > slidesFrom + 7)
  return {
    kind,
    years: quietDays / 365,
    falseAlarms: quiet.filter((d, i) => i === 0 || d - quiet[i - 1]! >= APART_DAYS).length,
    flagged: quiet.length / quietDays,
    slid: slides,
    found: slides && alarm !== undefined ? alarm - leaves : null,
  }
}

/** Watches the water of glasses of all groups: half of the values slide at some time. */
export const watchWater = (seeds: readonly number[]): WatchResult[] =>
  inEveryGroup(seeds, (groupId, seed) =>
    kinds.flatMap(kind =>
      [false, true].flatMap(
        slides => watch(groupId, kind, slides, seededRandom(hashText(`${groupId} ${kind} ${seed} ${slides}`))) ?? [],
      ),
    ),
  )

/** What the judge does with a value. */
export interface WatchTable {
  values: number
  falsePerYear: number
  flagged: number
  /** of the slides so many were found; days from leaving the range, half of them and nine of ten */
  found: number
  medianDays: number
  ninthDays: number
}

export function summariseWatch(results: readonly WatchResult[]): WatchTable {
  const years = sumOf(results, r => r.years)
  const slides = results.filter(r => r.slid)
  // what was never found comes last
  const days = slides.map(r => r.found ?? Infinity)
  return {
    values: results.length,
    falsePerYear: sumOf(results, r => r.falseAlarms) / years,
    flagged: sumOf(results, r => r.flagged * r.years) / years,
    found: shareOf(slides, r => r.found !== null),
    medianDays: middle(days),
    ninthDays: ranked(days, 0.9),
  }
}
