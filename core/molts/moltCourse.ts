import type { Care } from '#core/groups'
import { WEEK_MS } from '#core/records'

/** Weeks between two molts. */
export type MoltIntervals = Pick<NonNullable<Care['molts']>, 'youngWeeks' | 'adultWeeks'>

/** A stretch of a colony's log, as far as its molts go by it. */
export interface Stretch {
  untilMs: number
  /** animals that are counted, and the grown among them */
  all: number
  grown: number
  /** doubt of both, on the log scale */
  sdLog: number
  /** pace of life by the water's temperature, against the usual one */
  pace: number
}

/** Molts that are to be expected in a stretch, of the grown and of the young; doubt on the log scale. */
export interface ExpectedMolts {
  fromMs: number
  untilMs: number
  grown: number
  young: number
  sdLog: number
}

/**
 * The molts of a colony's log, stretch by stretch: each animal sheds its skin once in its interval (common practice:
 * young about weekly, grown ones about every four weeks), the sooner the warmer it is.
 * @param stretches in order; the first begins at `startMs`
 */
export function moltCourse(molts: MoltIntervals, startMs: number, stretches: readonly Stretch[]): ExpectedMolts[] {
  let fromMs = startMs
  return stretches.map(({ untilMs, all, grown, sdLog, pace }) => {
    const weeks = (pace * Math.max(0, untilMs - fromMs)) / WEEK_MS
    const of = (animals: number, interval: number) => (Math.max(0, animals) * weeks) / interval
    const expected = {
      ...{ fromMs, untilMs, sdLog },
      grown: of(grown, molts.adultWeeks.value),
      young: of(all - grown, molts.youngWeeks.value),
    }
    fromMs = untilMs
    return expected
  })
}

/** Molts between two moments; a stretch that lies in part between them counts in part. */
export function moltsBetween(
  course: readonly ExpectedMolts[],
  fromMs: number,
  toMs: number,
  of: 'grown' | 'all',
): number {
  let sum = 0
  for (const s of course) {
    const part = Math.min(toMs, s.untilMs) - Math.max(fromMs, s.fromMs)
    if (part > 0) sum += ((of === 'grown' ? s.grown : s.grown + s.young) * part) / (s.untilMs - s.fromMs)
  }
  return sum
}
