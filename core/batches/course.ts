import { normalBelow, normalDensity, Z80, zQuantile } from '#core/stats'
import { type BatchLaw, SPREADS } from './law'

/** One possible course of a hatch. Times are days on the thermal clock of its water. */
export interface Course {
  /** day of the hatch */
  hatchDay: number
  hatched: number
  /** factor on all times */
  pace: number
  /** spread of the times among the animals, on the log scale */
  among: number
  /** losses through each stage but the last: −log of the share that lives */
  losses: readonly number[]
  /** how much later on the way the keeper draws the lines between stages */
  judge: number
  /** life in the last stage, days; infinite where it does not end by age */
  lifeDays: number
}

/** Animals stand for one hatch by so many equal parts of it, from the fastest to the slowest. */
const PARTS = 25
const PART_Z = /* @__PURE__ */ Float64Array.from({ length: PARTS }, (_, i) => zQuantile((i + 0.5) / PARTS))

/** How many things of a hatch are not known. */
export const dimsOf = (law: BatchLaw): number => 8 + law.passes.length

const share = (z: number) => normalBelow(z, 0, 1)

/**
 * A course from standard normal numbers, one for each thing that is not known.
 * @param beganDay when the tub was filled or the pool flooded
 * @param z numbers, read from an offset on
 */
export function courseFrom(law: BatchLaw, beganDay: number, z: Float64Array, at = 0): Course {
  const next = (d: number) => z[at + d]!
  const { wait } = law
  // larvae were found some time after they hatched: within a day
  const hatchDay = wait ? beganDay + Math.exp(wait.logMean + wait.logSd * next(0)) : beganDay - share(next(0))
  const common = SPREADS.loss * next(4)
  const none = law.fails > 0 && share(next(6)) < law.fails
  return {
    hatchDay,
    hatched: none ? 0 : Math.exp(law.hatched.logMean + law.hatched.logSd * next(1)),
    pace: Math.exp(SPREADS.pace * next(2)),
    among: SPREADS.among * Math.exp(SPREADS.amongLog * next(3)),
    losses: law.passes.map((p, k) => -Math.log(p.lives) * Math.exp(common + SPREADS.stage * next(8 + k))),
    judge: law.kind === 'larvae' ? SPREADS.judge * next(7) : 0,
    lifeDays: law.last.lifeDays === null ? Infinity : law.last.lifeDays * Math.exp(SPREADS.life * next(5)),
  }
}

/** Numbers of a hatch on a day, by stage, as they would be if none had been taken out. */
export interface Standing {
  alive: number[]
  /** the same as a keeper tells the stages apart */
  judged: number[]
  /** that came to the last stage by then, dead ones too */
  arrived: number
  dead: number
  /** mean share of the way to the last stage of those that are still on it; 1 where none are */
  onTheWay: number
}

/** Where a course stands on a day of its clock. */
export function standingAt(law: BatchLaw, course: Course, day: number): Standing {
  const { passes, last } = law
  const alive = new Array<number>(passes.length + 1).fill(0)
  const judged = [...alive]
  const each = course.hatched / PARTS
  const whole = passes.reduce((sum, p) => sum + p.days, 0)
  let [arrived, way, walking, living] = [0, 0, 0, 0]
  const old = day - course.hatchDay
  if (old < 0) return { alive, judged, arrived: 0, dead: 0, onTheWay: 0 }
  for (let i = 0; i < PARTS; i++) {
    const own = course.pace * Math.exp(course.among * PART_Z[i]!)
    const t = old / own
    let [from, loss, stage] = [0, 0, 0]
    for (; stage < passes.length && t >= from + passes[stage]!.days; stage++) {
      from += passes[stage]!.days
      loss += course.losses[stage]!
    }
    let left = 1
    if (stage < passes.length) loss += (course.losses[stage]! * (t - from)) / passes[stage]!.days
    else {
      const grown = (t - whole) * own
      left = Math.exp(-last.dailyLoss * grown) * lives(grown, course.lifeDays)
    }
    const here = each * Math.exp(-loss)
    if (stage === passes.length) arrived += here
    else {
      way += (here * t) / whole
      walking += here
    }
    alive[stage] = alive[stage]! + here * left
    const seenAs = stage === passes.length ? stage : stageAt(passes, t - course.judge * whole)
    judged[seenAs] = judged[seenAs]! + here * left
    living += here * left
  }
  return { alive, judged, arrived, dead: course.hatched - living, onTheWay: walking > 0 ? way / walking : 1 }
}

/** The stage of an animal that has come so far; nobody takes one on its way for one that has settled. */
function stageAt(passes: BatchLaw['passes'], t: number): number {
  let end = 0
  for (const [k, { days }] of passes.entries()) {
    end += days
    if (t < end) return k
  }
  return passes.length - 1
}

/** Nobody dies of age so many standard deviations before the middle, and nobody lives so far beyond it. */
const FAR = 5
/** Share that age has left after so many days in the last stage. */
function lives(days: number, lifeDays: number): number {
  if (lifeDays === Infinity || days <= 0) return 1
  const z = Math.log(days / lifeDays) / SPREADS.lifeAmong
  return z < -FAR ? 1 : z > FAR ? 0 : 1 - normalBelow(z, 0, 1)
}

/** Share of the hatched that comes to the last stage. */
export const livesThrough = ({ losses }: Course): number => Math.exp(-losses.reduce((a, b) => a + b, 0))

/**
 * The day on which so many have come to the last stage.
 * @param number of them, or more than come at all
 * @param luck of who comes first, in standard deviations
 * @returns null where so many never come
 */
export function dayOf(law: BatchLaw, course: Course, number: number, luck = 0): number | null {
  const come = course.hatched * livesThrough(course)
  if (!(come > number)) return null
  const whole = law.passes.reduce((sum, p) => sum + p.days, 0)
  const share = number / come
  const z = zQuantile(share)
  // of few animals the one that is the so-many-th comes by luck: the spread of an order statistic
  const density = normalDensity(z)
  const stray = (luck * Math.sqrt((share * (1 - share)) / come)) / density
  return course.hatchDay + whole * course.pace * Math.exp(course.among * (z + Math.max(-2, Math.min(2, stray))))
}

/** Share that lives through a stage before anything was seen: the middle, and the 80 % range. */
export function livesBefore({ passes }: BatchLaw, stage: number): { value: number; low: number; high: number } {
  const spread = Math.hypot(SPREADS.loss, SPREADS.stage)
  const at = (z: number) => passes[stage]!.lives ** Math.exp(spread * z)
  return { value: at(0), low: at(Z80), high: at(-Z80) }
}
