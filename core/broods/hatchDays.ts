import { DAY_MS } from '#core/records'
import { normalBelow } from '#core/stats'
import type { ThermalClock } from '#core/warmth'
import { type HatchLaw, lawSd } from './hatchLaw'
import { shareBelow, type SpreadOut, spreadOut, valueAt } from './spreadOut'

/** A look at one brood. Moments are milliseconds. */
export interface BroodLook {
  at: number
  /** whether the eggs were seen */
  there: boolean
  /** whether they had eyes; missing where nobody said */
  eyed?: boolean
}

/** When a brood may have begun: each stretch as likely as its weight says, evenly within it. */
export interface Beginning {
  fromMs: number
  toMs: number
  weight: number
}

/** One brood as it was seen. */
export interface WatchedBrood {
  began: readonly Beginning[]
  /** looks from the first one that found it */
  looks: readonly BroodLook[]
}

/** When a brood hatches: one in ten earlier than `earliest`, one in ten later than `latest`. */
export interface HatchDays {
  earliestMs: number
  likelyMs: number
  latestMs: number
  /** when it began: one in ten earlier, one in ten later */
  begunFromMs: number
  begunToMs: number
  /** chance of each day from the first one on, as a share of the whole */
  firstDayMs: number
  days: number[]
}

/** Eyes show from about so much of the development on, and so unevenly (from memory: days before the hatch). */
export const EYED_FROM = 0.7
export const EYED_SD = 0.08
/** Who looks at eggs with eyes takes them for eggs without so often (from memory). */
const EYES_MISSED = 0.15
/** A look at a brood that is there misses it so often (from memory). */
export const MISSED = 0.06

const BEGIN_POINTS = 32
const LENGTH_POINTS = 121
/** bins in which times are summed up, in days of the thermal clock */
const BIN_DAYS = 0.25
/** a day curve leaves out so much at either end */
const HARDLY = 0.005
/** the grid of lengths goes so many standard deviations out */
const FAR = 3.5

/**
 * When a brood hatches, given when it may have begun, the warmth since then and every look at it: begin and length are
 * laid out on a grid and weighed (interval-censored; Turnbull 1976, J. R. Stat. Soc. B 38: 290, from memory for the
 * reference).
 * @returns null when nothing that was seen can be: it ought to have hatched long ago
 */
export function hatchDays(brood: WatchedBrood, law: HatchLaw, clock: ThermalClock): HatchDays | null {
  const grid = layOut(brood, law, clock)
  return grid.total > 0 ? tellDays(grid, clock) : null
}

/** Begins and hatches in days of the thermal clock, with what each pair is worth, as days of the wall clock. */
export function tellDays(grid: HatchGrid, clock: ThermalClock): HatchDays {
  const { total, weights } = grid
  const hatch = spreadOut(grid.hatches, weights, total, BIN_DAYS)
  const begin = spreadOut(grid.begins, weights, total, BIN_DAYS)
  return {
    earliestMs: clock.msAt(valueAt(hatch, 0.1)),
    likelyMs: clock.msAt(valueAt(hatch, 0.5)),
    latestMs: clock.msAt(valueAt(hatch, 0.9)),
    begunFromMs: clock.msAt(valueAt(begin, 0.1)),
    begunToMs: clock.msAt(valueAt(begin, 0.9)),
    ...byDay(hatch, clock),
  }
}

/** All begins and lengths of a brood, with their weights; times in days of the thermal clock. */
export interface HatchGrid {
  begins: Float64Array
  hatches: Float64Array
  weights: Float64Array
  total: number
}

function layOut({ began, looks }: WatchedBrood, law: HatchLaw, clock: ThermalClock): HatchGrid {
  const sd = lawSd(law)
  const begins: number[] = []
  const chances: number[] = []
  const all = began.reduce((sum, b) => sum + b.weight, 0)
  for (const { fromMs, toMs, weight } of began) {
    const points = Math.max(3, Math.round((BEGIN_POINTS * weight) / all))
    for (let k = 0; k < points; k++) {
      begins.push(clock.daysAt(fromMs + ((k + 0.5) / points) * (toMs - fromMs)))
      chances.push(weight / all / points)
    }
  }
  const seen = looks.map(l => ({ ...l, days: clock.daysAt(l.at) }))
  const many = begins.length * LENGTH_POINTS
  const grid: HatchGrid = {
    begins: new Float64Array(many),
    hatches: new Float64Array(many),
    weights: new Float64Array(many),
    total: 0,
  }
  for (let d = 0, i = 0; d < LENGTH_POINTS; d++) {
    const z = -FAR + (2 * FAR * d) / (LENGTH_POINTS - 1)
    const length = Math.exp(law.meanLog + sd * z)
    const chance = Math.exp(-0.5 * z * z)
    for (let b = 0; b < begins.length; b++, i++) {
      const begin = begins[b]!
      grid.begins[i] = begin
      grid.hatches[i] = begin + length
      let weight = chances[b]! * chance
      for (const look of seen) {
        weight *= chanceOfLook(look, begin, length)
        if (weight === 0) break
      }
      grid.weights[i] = weight
      grid.total += weight
    }
  }
  return grid
}

/** Chance of one look at a brood that began at a time and takes so long, in days of the thermal clock. */
function chanceOfLook({ there, eyed, days }: BroodLook & { days: number }, begin: number, length: number): number {
  const developed = (days - begin) / length
  const carried = developed >= 0 && developed < 1
  if (!there) return carried ? MISSED : 1
  if (!carried) return 0
  if (eyed === undefined) return 1 - MISSED
  const eyes = normalBelow(developed, EYED_FROM, EYED_SD)
  return (1 - MISSED) * (eyed ? eyes : 1 - (1 - EYES_MISSED) * eyes)
}

/** The chances by day of the wall clock, from the day before which hardly any lies to the one after which none does. */
function byDay(hatch: SpreadOut, clock: ThermalClock): Pick<HatchDays, 'firstDayMs' | 'days'> {
  const firstDayMs = clock.msAt(valueAt(hatch, HARDLY))
  const lastMs = clock.msAt(valueAt(hatch, 1 - HARDLY))
  const days: number[] = []
  for (let from = firstDayMs; from < lastMs; from += DAY_MS)
    days.push(shareBelow(hatch, clock.daysAt(from + DAY_MS)) - shareBelow(hatch, clock.daysAt(from)))
  return { firstDayMs, days }
}
