import type { ResolvedGroup } from '#core/groups'
import { type Colony, DAY_MS, type Entry, type Id, momentMs, toMoment } from '#core/records'
import { hashText, type Ranged } from '#core/stats'
import type { TemperatureReading } from '#core/warmth'
import {
  type BatchBelief,
  batchBelief,
  courseBetween,
  type CoursePoint,
  grownDays,
  momentOf,
  rangeOf,
  stagesAt,
  toCome,
  wayAt,
} from './belief'
import { livesBefore, livesThrough } from './course'
import { batchLaw, type BatchLaw, type BatchStage } from './law'
import { numbersOf, putIn, seenOf, takenOut } from './seen'

/** Animals of one stage today, and what is known of how many live through it. */
export interface StageTold {
  name: BatchStage
  now: Ranged
  /** share that lives through it; null for the last stage */
  lives: Ranged | null
  /** whether the log has said so, and not the group alone */
  learnt: boolean
}

/** What is told of a hatch. Moments are milliseconds. */
export interface BatchTold {
  kind: BatchLaw['kind']
  beganMs: number
  hatch: Ranged
  /** chance that nothing hatched */
  none: number
  hatched: Ranged
  alive: Ranged
  stages: StageTold[]
  /** share of the way to the last stage that those on it have gone */
  way: Ranged
  /** molts done so far, of how many; null for those that are not told by molts */
  molts: { done: Ranged; of: number } | null
  /** share of the hatched that comes to the last stage */
  lives: Ranged
  /** when the first, half and nearly all come to the last stage; null where nothing does */
  arrive: Record<'first' | 'half' | 'nearly', Ranged | null>
  /** taken out so far */
  out: { number: number; lastMs: number | null }
  /** of the last stage those that are there or will come */
  toCome: Ranged
  /** when hardly any are left of a pool; null where it does not end by age, or nothing hatched */
  endsMs: number | null
  /** looks at stages, as they were made */
  samples: { at: number; entryId: Id; numbers: number[]; litres: number | null }[]
  /** looks at all of them: counts, and young that were seen */
  totals: { at: number; entryId: Id; number: number }[]
  /** how green the water was, look by look */
  greens: { at: number; green: number }[]
  outs: { at: number; number: number }[]
  course: CoursePoint[]
  /** eggs of a pool: laid so far, and by its end; null where none rest */
  eggs: { now: Ranged; end: Ranged } | null
}

/** A hatch as it was believed in, for the model of numbers, and as it is told. */
export interface BatchRead {
  belief: BatchBelief
  told: BatchTold
}

/** What a hatch is read from. */
export interface BatchInput {
  resolved: ResolvedGroup
  colony: Pick<Colony, 'id' | 'form' | 'founders' | 'startedAt'>
  /** standing entries of the colony, in order of time */
  entries: readonly Entry[]
  temperatures: readonly TemperatureReading[]
  netL: number
  nowMs: number
  /** by few courses, for a first look */
  rough?: boolean
}

/** A posterior so much narrower than the prior has learnt. */
const LEARNT = 0.75
/** Nearly all: so large a share of those that come at all. */
const NEARLY = 0.95

/**
 * Reads a colony that is one hatch.
 * @returns null for every other colony
 */
export function readBatch({
  resolved,
  colony,
  entries,
  temperatures,
  netL,
  nowMs,
  rough,
}: BatchInput): BatchRead | null {
  const here = entries.filter(e => e.at <= toMoment(nowMs))
  const law = batchLaw(resolved, colony, putIn(here, colony.id))
  if (!law) return null
  const beganMs = momentMs(colony.startedAt)
  const looks = seenOf(here, colony.id, netL)
  const belief = batchBelief({ law, beganMs, looks, temperatures, seed: hashText(colony.id), nowMs, rough })
  const arrive = {
    first: momentOf(belief, () => 1),
    half: momentOf(belief, c => (c.hatched * livesThrough(c)) / 2),
    nearly: momentOf(belief, c => c.hatched * livesThrough(c) * NEARLY),
  }
  const hatch = momentRange(belief, c => c.hatchDay)
  const course = courseBetween(belief, Math.min(hatch.low, beganMs), endOf(belief, arrive.nearly, nowMs))
  const way = wayAt(belief, nowMs)
  const { molts } = resolved.group.larvae ?? {}
  const now = stagesAt(belief, nowMs)
  const told: BatchTold = {
    kind: law.kind,
    beganMs,
    hatch,
    none: belief.courses.filter(c => c.hatched === 0).length / belief.courses.length,
    hatched: rangeOf(belief, c => c.hatched),
    alive: aliveAt(belief, nowMs),
    stages: law.stages.map((name, k) => {
      const lives = k < law.passes.length ? rangeOf(belief, c => Math.exp(-c.losses[k]!)) : null
      const learnt = lives !== null && width(lives) < LEARNT * width(livesBefore(law, k))
      return { name, now: now[name]!, lives, learnt }
    }),
    way,
    molts: molts && law.kind === 'larvae' ? { done: scaled(way, molts.value), of: molts.value } : null,
    lives: rangeOf(belief, livesThrough),
    arrive,
    toCome: toCome(belief),
    endsMs: law.last.lifeDays === null ? null : endMs(course, arrive.half),
    ...writtenOf(here, colony.id),
    course,
    eggs: resolved.group.dryEggs ? eggsLaid(belief, resolved, nowMs) : null,
  }
  return { belief, told }
}

/** What the log holds of a hatch, as it is drawn and listed. */
function writtenOf(
  entries: readonly Entry[],
  colonyId: Id,
): Pick<BatchTold, 'out' | 'outs' | 'samples' | 'totals' | 'greens'> {
  const outs = entries.flatMap(e => {
    const number = takenOut(e, colonyId)
    return number > 0 ? [{ at: momentMs(e.at), number }] : []
  })
  const looks = entries.filter(e => e.kind === 'larvae')
  return {
    out: {
      number: outs.reduce((sum, o) => sum + o.number, 0),
      lastMs: outs.at(-1)?.at ?? null,
    },
    outs,
    samples: looks.flatMap(e =>
      e.sample ? [{ at: momentMs(e.at), entryId: e.id, numbers: numbersOf(e), litres: e.sampleL ?? null }] : [],
    ),
    totals: entries.flatMap(e =>
      (e.kind === 'count' || e.kind === 'young') && e.number !== undefined
        ? [{ at: momentMs(e.at), entryId: e.id, number: e.number }]
        : [],
    ),
    greens: looks.flatMap(e => (e.green === undefined ? [] : [{ at: momentMs(e.at), green: e.green }])),
  }
}

const width = ({ low, high }: Ranged) => high - low
const scaled = ({ value, low, high }: Ranged, by: number): Ranged => ({
  value: by * value,
  low: by * low,
  high: by * high,
})

function momentRange(belief: BatchBelief, day: (c: BatchBelief['courses'][number]) => number): Ranged {
  const { value, low, high } = rangeOf(belief, day)
  const ms = (d: number) => belief.clock.msAt(d)
  return { value: ms(value), low: ms(low), high: ms(high) }
}

const aliveAt = (belief: BatchBelief, ms: number): Ranged => {
  const stages = courseBetween(belief, ms, ms + 1)[0]!.all
  return { value: stages.p50, low: stages.p10, high: stages.p90 }
}

/** Until when a course is drawn: some days beyond the last that settles, or the end of a life. */
function endOf({ law, clock, courses }: BatchBelief, nearly: Ranged | null, nowMs: number): number {
  const days = law.passes.reduce((sum, p) => sum + p.days, 0) + (law.last.lifeDays ?? 0) * 1.3
  const usual = clock.msAt(courses[0]!.hatchDay + days)
  return Math.max(nowMs + 3 * DAY_MS, (nearly ? nearly.high : usual) + 4 * DAY_MS, law.last.lifeDays ? usual : 0)
}

/** When fewer than one in ten of a pool's grown animals are left, by the middle of the courses. */
function endMs(course: readonly CoursePoint[], grown: Ranged | null): number | null {
  const most = Math.max(...course.map(p => p.stages.at(-1)!))
  if (!grown || most < 1) return null
  return course.find(p => p.at > grown.value && p.all.p50 < 0.1 * most)?.at ?? course.at(-1)!.at
}

/** Eggs that the grown females of a pool have laid by now, and will have by its end. */
function eggsLaid(belief: BatchBelief, { group }: ResolvedGroup, nowMs: number): { now: Ranged; end: Ranged } {
  const perDay = group.dryEggs!.eggsPerDay.value * group.stages.femaleShare.value
  const { law, clock, courses } = belief
  const life = law.passes.reduce((sum, p) => sum + p.days, 0) + 2 * (law.last.lifeDays ?? 0)
  const nowDay = clock.daysAt(nowMs)
  const laid = courses.map(c => grownDays(belief, c, nowDay, c.hatchDay + life * c.pace))
  const range = (at: 'now' | 'end') => rangeOf(belief, (_, i) => laid[i]![at] * perDay)
  return { now: range('now'), end: range('end') }
}
