import { randomGamma, randomNormal } from 'd3-random'
import { groupOf } from '#core/groups'
import { moltChart, moltCourse, moltFailures, type Stretch, USUAL_LEVEL, watchMolts } from '#core/molts'
import { DAY_MS, type Entry, Entry as EntrySchema, toMoment } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { middle, shareOf, sumOf } from './summing'

/**
 * Colonies whose animals molt one by one, each in its own rhythm that follows the warmth of the room; one molt in fifty
 * fails, and from some day on one in eight. A keeper finds some of it, some days later, and knows the number more or
 * less. The alarm knows nothing of how they are made.
 */

const START = Date.parse('2024-03-01T12:00:00.000Z')
/** An animal molts about every four weeks, its own rhythm apart from that of others by a sixth. */
const INTERVAL_DAYS = 28
const OWN_RHYTHM = 0.16
/** Before trouble begins so many days are well, and so many are watched after. */
const WELL_DAYS = 540
const TROUBLE_DAYS = 150
const IN_TROUBLE = 0.125

/** How many grown animals there are, by class of size: molts in three weeks are about three quarters of them. */
const classes = { large: [38, 160], middling: [15, 33], few: [4, 11] } as const
type SizeClass = keyof typeof classes

/** What the alarm did in one colony. */
export interface MoltResult {
  size: SizeClass
  years: number
  falseAlarms: number
  /** days from the beginning of the trouble to the alarm; null where none came, or one stood already */
  days: number | null
  /** whether an alarm stood already */
  stood: boolean
  /** molts of three weeks in the trouble */
  molts: number
}

interface Keeper {
  /** share of the failed that are found */
  finds: number
  /** days between two looks */
  looks: number
  /** what the number is taken for, against the truth */
  counts: number
}

function keeperOf(random: Random): Keeper {
  return {
    finds: 0.5 + 0.5 * random(),
    looks: 1 + 3 * random(),
    counts: Math.exp(0.15 * randomNormal.source(random)()()),
  }
}

/** The room's warmth on a day: the year's wave and the weather. */
const warmthOf = (random: Random) => {
  const phase = random() * 365
  const normal = randomNormal.source(random)()
  let weather = 0
  return (day: number) => {
    weather = 0.9 * weather + 0.3 * normal()
    return 23.5 + 1.3 * Math.sin((2 * Math.PI * (day - phase)) / 365) + weather
  }
}

/** A failed molt that may be found from a day on; one that was seen living may be found dead later. */
interface Failed {
  dead: boolean
  again: number | null
}

/** Grown animals that molt one by one. */
function molting(grown: number, random: Random) {
  const gamma = randomGamma.source(random)
  const normal = randomNormal.source(random)()
  const ways = Array.from({ length: grown }, () => ({
    rhythm: Math.exp(OWN_RHYTHM * normal()),
    left: random() * INTERVAL_DAYS,
  }))
  /** Molts of a day, by its warmth in degree-days above eight: not the alarm's own law, but near it. */
  return (celsius: number): number => {
    let molts = 0
    for (const animal of ways) {
      animal.left -= (celsius - 8) / (USUAL_C - 8)
      if (animal.left > 0) continue
      animal.left = INTERVAL_DAYS * animal.rhythm * (gamma(30)() / 30)
      molts++
    }
    return molts
  }
}
const USUAL_C = 23.5

/** A keeper's log: looks every few days, and what was found at them. */
function logging(keeper: Keeper, random: Random, seed: number) {
  const entries: Entry[] = []
  let waiting: (Failed & { from: number })[] = []
  let [id, nextLook] = [0, 0]
  const write = (day: number, rest: object) => {
    const at = toMoment(START + day * DAY_MS)
    entries.push(EntrySchema.parse({ id: uuid(++id, seed), at, loggedAt: at, colonyId: uuid(0, 1), ...rest }))
  }
  return {
    entries,
    fails: (day: number) => {
      if (random() >= keeper.finds) return
      const dead = random() < 0.6
      const again = !dead && random() < 0.5 ? day + 1 + Math.floor(4 * random()) : null
      waiting.push({ from: day, dead, again })
    },
    look: (day: number) => {
      if (day < nextLook) return
      nextLook = day + keeper.looks * (0.5 + random())
      const there = waiting.filter(w => w.from <= day)
      const living = there.filter(w => !w.dead)
      const dead = there.length - living.length
      if (dead > 0) write(day + 0.4, { kind: 'death', number: dead, sign: 'failedMolt' })
      if (living.length > 0) write(day + 0.4, { kind: 'failedMolt', number: living.length, sign: 'whiteGap' })
      const dying = living.flatMap(w => (w.again === null ? [] : [{ from: w.again, dead: true, again: null }]))
      waiting = [...waiting.filter(w => w.from > day), ...dying]
    },
  }
}

function lived(size: SizeClass, seed: number): MoltResult {
  const random = seededRandom(hashText(`molts ${size} ${seed}`))
  const [low, high] = classes[size]
  const keeper = keeperOf(random)
  const warmth = warmthOf(random)
  const grown = Math.round(low * (high / low) ** random())
  const moltsOn = molting(grown, random)
  const log = logging(keeper, random, seed)
  const onset = WELL_DAYS + Math.round(30 * random())
  const stretches: Stretch[] = []
  let inThreeWeeks = 0
  for (let day = 0; day < onset + TROUBLE_DAYS; day++) {
    const celsius = warmth(day)
    const molts = moltsOn(celsius)
    if (day >= onset && day < onset + 21) inThreeWeeks += molts
    for (let k = 0; k < molts; k++) if (random() < (day >= onset ? IN_TROUBLE : USUAL_LEVEL)) log.fails(day)
    log.look(day)
    if ((day + 1) % 7 > 0) continue
    stretches.push({
      untilMs: START + (day + 1) * DAY_MS,
      all: grown * keeper.counts * 1.4,
      grown: grown * keeper.counts,
      sdLog: 0.15,
      // to half a degree, as the log has it
      pace: 2.2 ** ((Math.round(2 * celsius) / 2 - USUAL_C) / 10),
    })
  }
  const { troubles } = watchMolts(
    moltCourse(groupOf('neocaridina').care.molts!, START, stretches),
    moltFailures(log.entries),
    { level: USUAL_LEVEL, nowMs: START + (onset + TROUBLE_DAYS) * DAY_MS },
  )
  const onsetMs = START + onset * DAY_MS
  const called = troubles.find(t => t.toldMs >= onsetMs)
  const stood = troubles.some(t => t.toldMs < onsetMs && (t.untilMs === null || t.untilMs > onsetMs))
  return {
    ...{ size, stood, molts: inThreeWeeks },
    years: onset / 365,
    falseAlarms: troubles.filter(t => t.toldMs < onsetMs).length,
    days: called && !stood ? (called.toldMs - onsetMs) / DAY_MS : null,
  }
}

const uuid = (n: number, seed: number) =>
  `0192a000-0000-7000-8000-${(seed % 1000).toString(16).padStart(4, '0')}${n.toString(16).padStart(8, '0')}`

/** Watches colonies of all sizes. */
export const watchMoltTrouble = (seeds: readonly number[]): MoltResult[] =>
  seeds.flatMap(seed => (Object.keys(classes) as SizeClass[]).map(size => lived(size, seed)))

/** What the alarm does in a set of colonies. */
export interface MoltTable {
  colonies: number
  falsePerYear: number
  found: number
  medianDays: number
  molts: number
  /** weeks between two false alarms as the chart reckons them */
  reckonedWeeks: number
}

export function summariseMolts(results: readonly MoltResult[]): MoltTable {
  const fresh = results.filter(r => !r.stood)
  const molts = middle(results.map(r => r.molts))
  return {
    colonies: results.length,
    falsePerYear: sumOf(results, r => r.falseAlarms) / sumOf(results, r => r.years),
    found: shareOf(fresh, r => r.days !== null),
    medianDays: middle(fresh.map(r => r.days ?? Infinity)),
    molts,
    reckonedWeeks: moltChart(molts / 3, USUAL_LEVEL).molts / Math.max(1, molts / 3),
  }
}
