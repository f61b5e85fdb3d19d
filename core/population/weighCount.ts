import type { Heads } from '#core/records'
import { binomialFrom, normalFrom } from '#core/stats'
import { luckAt } from './luck'
import type { Particles, WeighedParticles } from './particles'
import type { PopulationEvent } from './question'
import { counted, FEMALES, MALES, SEEN, STAGES, YOUNG_1, YOUNG_2 } from './stages'

/** Chance that a count is a slip of pen or eye; spread of such a count on the log scale. Both from memory. */
const SLIP = 0.025
const SLIP_SD = 1.6
/**
 * Chance per week that a number changes unseen and unlogged, more often down than up: a die-off behind the filter, a
 * gift. From memory.
 */
const JUMP_PER_WEEK = 0.002
const JUMP_MEAN = -0.3
const JUMP_SD = 1.1
/** Counts of stages are surer of their sum than of their parts: worth so many animals at most. */
const PARTS_WORTH = 15

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
 * @returns for each particle, whether the count is taken for a slip (1 or 0)
 */
export function weighCount(
  { cloud, size, logWeights }: WeighedParticles,
  event: CountEvent,
  { weeksSince, timing }: CountTiming,
  key: number,
): Float64Array {
  const { y, r } = event.evidence
  const variance = r + timing * timing
  const jump = Math.min(0.06, 0.002 + JUMP_PER_WEEK * weeksSince)
  const young = event.parts ? event.parts.young : 0
  // young that were counted apart are not among the countable animals
  const shift = young > 0 && event.seen > young ? Math.log((event.seen - young) / event.seen) : 0
  const slips = new Float64Array(size)
  for (let i = 0; i < size; i++) {
    const n = counted(cloud, size, i)
    const d = y + shift - Math.log(Math.max(n, 0.5)) - (event.byEye ? cloud[SEEN * size + i]! : 0)
    const right = (1 - SLIP - jump) * density(d, variance)
    const slip = SLIP * density(d, variance + SLIP_SD * SLIP_SD)
    const moved = n > 0 ? jump * density(d - JUMP_MEAN, variance + JUMP_SD * JUMP_SD) : 0
    const sum = right + slip + moved
    logWeights[i] = logWeights[i]! + Math.log(sum)
    const u = luckAt(key, i, 0) * sum
    if (u < slip) slips[i] = 1
    else if (u < slip + moved) {
      const gain = (JUMP_SD * JUMP_SD) / (variance + JUMP_SD * JUMP_SD)
      const stray = Math.sqrt(gain * variance) * normalFrom(luckAt(key, i, 1))
      scale({ cloud, size }, i, Math.exp(JUMP_MEAN + gain * (d - JUMP_MEAN) + stray), key)
    }
  }
  return slips
}

const density = (d: number, variance: number) => Math.exp((-d * d) / (2 * variance)) / Math.sqrt(variance)

/** Makes all animals of a particle more or fewer by a factor; eggs too. */
function scale({ cloud, size }: Particles, i: number, factor: number, key: number) {
  for (let s = 0; s < STAGES; s++) {
    const n = cloud[s * size + i]!
    const u = luckAt(key, i, 2 + s)
    cloud[s * size + i] = factor <= 1 ? binomialFrom(u, n, factor) : Math.floor(n * factor + u)
  }
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
