import { bernoulliRunLength, failureScore, zQuantile } from '#core/stats'
import { DAY_MS, WEEK_MS } from '#core/records'
import type { MoltFailure } from './failures'
import { type ExpectedMolts, moltsBetween } from './moltCourse'

/** One or two of fifty within eight weeks, with monthly molts, are ordinary (common practice): so many in each molt. */
export const USUAL_LEVEL = 0.02
/** The rate that is to be found: one failure in eight molts. */
const BAD_LEVEL = 0.125
/**
 * Shares of the failures that are found, as likely one as the other: a skin that would not come off is seen, a small
 * body behind leaves is not (from memory).
 */
export const SHARES_FOUND = [0.5, 0.75, 1] as const
const sumOver = (of: (share: number) => number) => SHARES_FOUND.reduce((sum, share) => sum + of(share), 0)
const MEAN_FOUND = /* @__PURE__ */ sumOver(share => share) / SHARES_FOUND.length

/**
 * One false alarm in so many weeks at the accepted level, where the molts are known. They are not, nor is the pace of
 * each animal: that leaves somewhat less, and the two years that are wanted at least.
 */
const FALSE_ALARM_WEEKS = 130
/** Fewer molts than these in three weeks tell nothing: each is looked at by itself. */
const TOO_FEW = 10
const THREE_WEEKS = 3
/** An alarm ends when its sum has fallen to half of its limit, or after so many days without another failure. */
const ENDS_AT = 0.5
const QUIET_DAYS = 28
/** A sum that stands so far above its limit rises no more: it could not fall in time. */
const MOST = 1.5
/** A single failure, however rare, is no alarm. */
const LEAST = 2

/** Of how many molts a week, on the log scale, one limit serves. */
const SAME = 0.15
/** Draws of the colony's number, on the log scale in standard deviations. */
const DRAWS = 9
const draws = /* @__PURE__ */ Array.from({ length: DRAWS }, (_, k) => zQuantile((k + 0.5) / DRAWS))

/** The sum of failures above what is accepted. */
export interface MoltChart {
  /** taken off for each molt, in failures */
  perMolt: number
  /** it signals from so many failures on */
  limit: number
  /** molts between two false alarms at the accepted level */
  molts: number
}

const known = new Map<string, MoltChart>()

/**
 * The chart for a colony with so many molts of grown animals a week: the least limit at which failures at the accepted
 * level give no more false alarms than are wanted, over the shares of them that may be found. The run length is exact,
 * molt by molt (Brook & Evans 1972; scores of Reynolds & Stoumbos 1999).
 * @param level failures per molt that are accepted, below one in eight
 */
export function moltChart(moltsPerWeek: number, level: number): MoltChart {
  const cell = Math.ceil(Math.log(Math.max(1, moltsPerWeek)) / SAME)
  const name = `${cell} ${level}`
  const found = known.get(name)
  if (found) return found
  const wanted = FALSE_ALARM_WEEKS * Math.exp(SAME * cell)
  const failure = Math.round(failureScore(MEAN_FOUND * level, MEAN_FOUND * BAD_LEVEL))
  const runLength = (limit: number) =>
    SHARES_FOUND.length / sumOver(share => 1 / bernoulliRunLength({ failure, limit }, share * level))
  let [low, high] = [failure, 2 * failure]
  while (runLength(high) < wanted) [low, high] = [high, 2 * high]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (runLength(middle) < wanted) low = middle
    else high = middle
  }
  // a molt that failed is a molt as well: it adds its score and is not taken off
  const chart = { perMolt: 1 / (failure + 1), limit: (high + 1) / (failure + 1), molts: runLength(high) }
  known.set(name, chart)
  return chart
}

/** Where an alarm stands at a moment: 1 is its limit. */
export interface AlarmPoint {
  at: number
  level: number
  /** animals that were found in trouble at that moment */
  failed: number
}

/** A stretch in which molts failed too often; it stands as long as it has no end. */
export interface MoltTrouble {
  fromMs: number
  /** when it was told */
  toldMs: number
  untilMs: number | null
}

/**
 * Follows the failures of a log against its molts: a cumulative sum over each of the numbers that the colony may have;
 * the alarm is told when half of them signal.
 * @param failures by time
 */
export function watchMolts(
  course: readonly ExpectedMolts[],
  failures: readonly MoltFailure[],
  { level: accepted, nowMs }: { level: number; nowMs: number },
): { path: AlarmPoint[]; troubles: MoltTrouble[] } {
  const sums = new Sums(course, accepted)
  const path: AlarmPoint[] = []
  const troubles: MoltTrouble[] = []
  const standing = () => (troubles.at(-1)?.untilMs === null ? troubles.at(-1)! : null)
  let quietSince = -Infinity
  let since: number | null = null
  let number = 0
  const moments = [...course.map(s => s.untilMs), ...failures.map(f => f.at)].filter(at => at <= nowMs)
  for (const at of [...new Set(moments)].toSorted((a, b) => a - b)) {
    const before = sums.pass(at)
    const trouble = standing()
    if (trouble && (before <= ENDS_AT || at >= quietSince + QUIET_DAYS * DAY_MS)) {
      trouble.untilMs = at
      sums.clear()
    }
    if (sums.level(at) === 0) [since, number] = [null, 0]
    const found = failures.filter(f => f.at === at).reduce((sum, f) => sum + f.number, 0)
    if (found > 0) {
      since ??= at
      number += found
      quietSince = at
      sums.add(found)
    }
    const level = sums.level(at)
    if (!standing() && since !== null && number >= LEAST && level >= 1 && !tooFewAt(course, at))
      troubles.push({ fromMs: since, toldMs: at, untilMs: null })
    path.push({ at, level, failed: found })
  }
  return { path, troubles }
}

/** The sums of a colony over the numbers that it may have. */
class Sums {
  private readonly sums = new Float64Array(DRAWS)
  private lastMs: number
  constructor(
    private readonly course: readonly ExpectedMolts[],
    private readonly accepted: number,
  ) {
    this.lastMs = course[0]?.fromMs ?? 0
  }

  /** Lets the molts until a moment pass. @returns where the middle of the sums stands then */
  pass(at: number): number {
    const molts = moltsBetween(this.course, this.lastMs, at, 'grown')
    this.lastMs = at
    if (!this.any()) return 0
    for (const [k, { factor, chart }] of this.drawn(at).entries()) {
      const held = Math.min(this.sums[k]!, MOST * chart.limit)
      this.sums[k] = Math.max(0, held - chart.perMolt * molts * factor)
    }
    return this.level(at)
  }
  add(failed: number): void {
    for (const k of this.sums.keys()) this.sums[k] = this.sums[k]! + failed
  }
  clear(): void {
    this.sums.fill(0)
  }
  /** Where the middle of the sums stands against its limit. */
  level(at: number): number {
    // limits are reckoned only where there is something to hold against them
    if (!this.any()) return 0
    const levels = this.drawn(at).map(({ chart }, k) => this.sums[k]! / chart.limit)
    return levels.toSorted((a, b) => a - b)[(DRAWS - 1) / 2]!
  }
  private any = () => this.sums.some(sum => sum > 0)
  private drawn(at: number): { factor: number; chart: MoltChart }[] {
    const { perWeek, sdLog } = paceAt(this.course, at)
    return draws.map(z => {
      const factor = Math.exp(z * sdLog)
      return { factor, chart: moltChart(perWeek * factor, this.accepted) }
    })
  }
}

/** Whether three weeks hold too few molts to tell anything. */
export const tooFewAt = (course: readonly ExpectedMolts[], at: number): boolean =>
  THREE_WEEKS * paceAt(course, at).perWeek < TOO_FEW

/** Molts of grown animals a week at a moment, and the doubt of the number. */
export function paceAt(course: readonly ExpectedMolts[], at: number): { perWeek: number; sdLog: number } {
  const s = course.find(c => at <= c.untilMs) ?? course.at(-1)
  if (!s || s.untilMs <= s.fromMs) return { perWeek: 0, sdLog: 0 }
  return { perWeek: (s.grown * WEEK_MS) / (s.untilMs - s.fromMs), sdLog: s.sdLog }
}
