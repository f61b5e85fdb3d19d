import { WEEK_MS } from '#core/records'
import { quantileSorted } from '#core/stats'
import { openingCloud } from './checkpoint'
import { foundDead } from './deaths'
import type { Fit } from './fit'
import type { Futures } from './futures'
import { FEMALES, STAGES, YOUNG_1 } from './stages'
import type { BandPoint, GrownPoint, HatchCourses, PopulationQuestion } from './question'

/**
 * A colony that is one hatch was fitted by a model of its own (`#core/batches`): its courses are what filter and
 * futures are of other colonies. Those on their way stand in the rooms of the young, those at its end among the grown.
 */
export function hatchFit(question: PopulationQuestion, hatch: HatchCourses, size: number): Fit {
  const { startMs, nowMs, rates, spreads } = question
  const dtMs = rates.dtWeeks * WEEK_MS
  const last = Math.max(0, Math.round((nowMs - startMs) / dtMs))
  const ends = Array.from({ length: last + 1 }, (_, step) => Math.min(nowMs, startMs + step * dtMs))
  const cloud = openingCloud({ ...question, foundersSd: 0 }, size)
  cloud.fill(0, 0, STAGES * size)
  const { young, grown } = hatch.at(nowMs)
  for (let i = 0; i < size; i++) {
    const course = courseOf(hatch, i, size)
    cloud[YOUNG_1 * size + i] = Math.round(young[course]!)
    cloud[FEMALES * size + i] = Math.round(grown[course]!)
  }
  return {
    ...{ cloud, size, spreads },
    path: ends.map(at => band(hatch, at)),
    grown: ends.map(at => grownAt(hatch, at)),
    counts: [],
    toll: ends.map(() => ({ usual: 0, share: 1, ...foundDead([]), excess: 0 })),
    ...{ logLikelihood: 0, effective: size, jumped: 0, checkpoints: [], basis: 0 },
  }
}

/** Which course a possible colony follows: all in turn. */
const courseOf = ({ size: many }: HatchCourses, i: number, size: number) => Math.floor(((i + 0.5) * many) / size)

const totalsAt = (hatch: HatchCourses, at: number) => {
  const { young, grown } = hatch.at(at)
  return young.map((n, i) => n + grown[i]!)
}

function band(hatch: HatchCourses, at: number): BandPoint {
  const sorted = totalsAt(hatch, at).sort()
  const q = (p: number) => Math.round(quantileSorted(sorted, p))
  return { at, p10: q(0.1), p25: q(0.25), p50: q(0.5), p75: q(0.75), p90: q(0.9) }
}

function grownAt(hatch: HatchCourses, at: number): GrownPoint {
  const sorted = hatch.at(at).grown.toSorted()
  const q = (p: number) => Math.round(quantileSorted(sorted, p))
  return { at, value: q(0.5), low: q(0.1), high: q(0.9) }
}

/** Its futures: the courses go on; nothing is taken in them. */
export function hatchFutures(
  hatch: HatchCourses,
  { nowMs, size, weeks }: { nowMs: number; size: number; weeks: number },
): Futures {
  const rows = () => new Float64Array(size * (weeks + 1))
  const futures: Futures = { size, weeks, totals: rows(), females: rows(), halfGrown: rows() }
  for (let week = 0; week <= weeks; week++) {
    const { young, grown } = hatch.at(nowMs + week * WEEK_MS)
    for (let i = 0; i < size; i++) {
      const course = courseOf(hatch, i, size)
      futures.totals[week * size + i] = Math.round(young[course]! + grown[course]!)
      futures.halfGrown[week * size + i] = Math.round(young[course]!)
    }
  }
  return futures
}
