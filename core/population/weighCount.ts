import type { Heads } from '#core/records'
import { lookChance } from '#core/abundance'
import { binomialFrom, normalFrom } from '#core/stats'
import { luckAt } from './luck'
import type { Particles, WeighedParticles } from './particles'
import type { PopulationEvent } from './question'
import { counted, FEMALES, MALES, SEEN, STAGES, YOUNG_1, YOUNG_2 } from './stages'

/**
 * Chance that a count is a slip of pen or eye; spread of such a count on the log scale; and how often it says too few:
 * most were missed far more often than seen twice. From memory.
 */
const SLIP = 0.025
const SLIP_SD = 1.6
const SLIPS_DOWN = 0.9
/**
 * Chance per week that a number changes unseen and unlogged, more often down than up: a die-off behind the filter, a
 * gift. From memory.
 */
const JUMP_PER_WEEK = 0.002
const JUMP_MEAN = -0.3
const JUMP_SD = 1.1
/** Counts of stages are surer of their sum than of their parts: worth so many animals at most. */
const PARTS_WORTH = 15

/** The stories that are told of a count: it is what it is, a slip, or the number jumped. */
export const STORY = { right: 0, slip: 1, jump: 2 }

export type CountEvent = Extract<PopulationEvent, { kind: 'count' }>

/** How a count stands in time. */
export interface CountTiming {
  /** weeks since the count before */
  weeksSince: number
  /** spread of the log number within the step, as counts are set to its end */
  timing: number
}

/**
 * Weighs particles by a count. Each particle is told three stories: the count is what it is; it is a slip and says
 * nothing; or the number jumped, unseen, since the count before. The weight is the sum of the three, and the particle
 * goes on with one of them, drawn by how likely each is. So one wild count moves little, and a second that agrees with
 * it decides: the particles that jumped then fit and the others do not. Nothing has to be said of thresholds.
 * @returns for each particle which of the stories it goes on with
 */
export function weighCount(
  { cloud, size, logWeights }: WeighedParticles,
  event: CountEvent,
  { weeksSince, timing }: CountTiming,
  key: number,
): Uint8Array {
  const { y, r, look } = event.evidence
  const variance = r + timing * timing
  const jump = Math.min(0.06, 0.002 + JUMP_PER_WEEK * weeksSince)
  const chance = chanceOf(event, timing)
  // a density of the logarithm as a chance of the number that was seen
  const unit = 1 / (Math.max(look?.seen ?? event.seen, 0.5) * Math.sqrt(2 * Math.PI))
  const stories = new Uint8Array(size)
  for (let i = 0; i < size; i++) {
    const n = counted(cloud, size, i)
    const own = event.byEye ? cloud[SEEN * size + i]! : 0
    const d = y - Math.log(Math.max(n, 0.5)) - own
    const right = (1 - SLIP - jump) * chance(n, own, d)
    const slip = 2 * SLIP * (d < 0 ? SLIPS_DOWN : 1 - SLIPS_DOWN) * unit * density(d, variance + SLIP_SD * SLIP_SD)
    const moved = n > 0 ? jump * unit * density(d - JUMP_MEAN, variance + JUMP_SD * JUMP_SD) : 0
    const sum = right + slip + moved
    logWeights[i] = logWeights[i]! + Math.log(sum)
    const u = luckAt(key, i, 0) * sum
    if (u < slip) stories[i] = STORY.slip
    else if (u < slip + moved) {
      stories[i] = STORY.jump
      const gain = (JUMP_SD * JUMP_SD) / (variance + JUMP_SD * JUMP_SD)
      const stray = Math.sqrt(gain * variance) * normalFrom(luckAt(key, i, 1))
      scale({ cloud, size }, i, Math.exp(JUMP_MEAN + gain * (d - JUMP_MEAN) + stray), key)
    }
  }
  return stories
}

/**
 * Chance of a count that is what it is, of a number, with the colony's own share; `d` is how far the count lies from it
 * on the log scale.
 */
function chanceOf(
  { seen, evidence: { r, look } }: CountEvent,
  timing: number,
): (n: number, own: number, d: number) => number {
  if (look) {
    const timed = { ...look, sdLog: Math.hypot(look.sdLog, timing) }
    return (n, own) => lookChance(n, timed, own)
  }
  const unit = 1 / (Math.max(seen, 0.5) * Math.sqrt(2 * Math.PI))
  return (_, __, d) => unit * density(d, r + timing * timing)
}

const density = (d: number, variance: number) => Math.exp((-d * d) / (2 * variance)) / Math.sqrt(variance)

/**
 * Makes the animals of a particle fewer by a factor, eggs too; or more: then young came up that nobody thought of, or
 * were given.
 */
function scale({ cloud, size }: Particles, i: number, factor: number, key: number) {
  if (factor > 1) {
    const more = Math.floor(counted(cloud, size, i) * (factor - 1) + luckAt(key, i, 2))
    const small = Math.floor(more / 2)
    cloud[YOUNG_1 * size + i] = cloud[YOUNG_1 * size + i]! + small
    cloud[YOUNG_2 * size + i] = cloud[YOUNG_2 * size + i]! + more - small
    return
  }
  for (let s = 0; s < STAGES; s++)
    cloud[s * size + i] = binomialFrom(luckAt(key, i, 2 + s), cloud[s * size + i]!, factor)
}

/**
 * Weighs by what was told apart in a count: half-grown among all, females among the sexed. Beta-binomial in spirit: the
 * parts are taken as a binomial sample, but worth no more than a few animals, since who hides differs by stage.
 */
export function weighParts({ cloud, size, logWeights }: WeighedParticles, parts: Heads): void {
  const adults = parts.females + parts.males + parts.unsexed
  const told = parts.halfGrown + adults
  const sexed = parts.females + parts.males
  const worth = (n: number) => Math.min(1, PARTS_WORTH / n)
  for (let i = 0; i < size; i++) {
    const young = cloud[YOUNG_1 * size + i]! + cloud[YOUNG_2 * size + i]!
    const f = cloud[FEMALES * size + i]!
    const m = cloud[MALES * size + i]!
    if (parts.halfGrown > 0 && adults > 0)
      logWeights[i] = logWeights[i]! + worth(told) * share(parts.halfGrown, told, (young + 0.5) / (young + f + m + 1))
    if (parts.females > 0 && parts.males > 0)
      logWeights[i] = logWeights[i]! + worth(sexed) * share(parts.females, sexed, (f + 0.5) / (f + m + 1))
  }
}
const share = (k: number, n: number, p: number) => k * Math.log(p) + (n - k) * Math.log1p(-p)
