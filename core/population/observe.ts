import gammaln from '@stdlib/math-base-special-gammaln'
import type { Heads } from '#core/records'
import { binomialFrom, mix32, normalFrom, STREAM_STEP, streamAt, uniformAt } from '#core/stats'
import type { StageRates } from './rates'
import type { PopulationEvent } from './question'
import { counted, EGGS_1, EGGS_2, FEMALES, FIRST, MALES, SEEN, SIGHT, STAGES, YOUNG_1, YOUNG_2 } from './stages'

/**
 * What the log's entries do to a cloud: they weigh the particles, or change the animals in them.
 */

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

/** The `n`-th number of a particle's stream at an event. */
export const at = (key: number, i: number, n: number): number =>
  uniformAt((mix32(key + Math.imul(i, STREAM_STEP)) + Math.imul(n, STREAM_STEP)) | 0)

/** What a count did: its prediction before, and for each particle whether the count is taken for a slip. */
export interface CountDone {
  slips: Uint8Array
  jumped: number
}

/**
 * Weighs particles by a count. Each particle is told three stories: the count is what it is; it is a slip and says
 * nothing; or the number jumped, unseen, since the count before. The weight is the sum of the three, and the particle
 * goes
 * on with one of them, drawn by how likely each is. So one wild count moves little, and a second that agrees with it
 * decides: the particles that jumped then fit and the others do not. Nothing has to be said of thresholds.
 * @param weeksSince the count before
 * @param timing spread of the log number within the step, as counts are set to its end
 */
export function weighCount(
  cloud: Float64Array,
  size: number,
  logWeights: Float64Array,
  event: Extract<PopulationEvent, { kind: 'count' }>,
  weeksSince: number,
  timing: number,
  key: number,
): CountDone {
  const { y, r } = event.evidence
  const variance = r + timing * timing
  const jump = Math.min(0.06, 0.002 + JUMP_PER_WEEK * weeksSince)
  const young = event.parts ? event.parts.young : 0
  // young that were counted apart are not among the countable animals
  const shift = young > 0 && event.seen > young ? Math.log((event.seen - young) / event.seen) : 0
  const slips = new Uint8Array(size)
  let jumped = 0
  for (let i = 0; i < size; i++) {
    const n = counted(cloud, size, i)
    const d = y + shift - Math.log(Math.max(n, 0.5)) - (event.byEye ? cloud[SEEN * size + i]! : 0)
    const right = (1 - SLIP - jump) * density(d, variance)
    const slip = SLIP * density(d, variance + SLIP_SD * SLIP_SD)
    const moved = n > 0 ? jump * density(d - JUMP_MEAN, variance + JUMP_SD * JUMP_SD) : 0
    const sum = right + slip + moved
    logWeights[i] = logWeights[i]! + Math.log(sum)
    const u = at(key, i, 0) * sum
    if (u < slip) slips[i] = 1
    else if (u < slip + moved) {
      const gain = (JUMP_SD * JUMP_SD) / (variance + JUMP_SD * JUMP_SD)
      scale(
        cloud,
        size,
        i,
        Math.exp(JUMP_MEAN + gain * (d - JUMP_MEAN) + Math.sqrt(gain * variance) * normalFrom(at(key, i, 1))),
        key,
      )
      jumped++
    }
  }
  return { slips, jumped: jumped / size }
}

const density = (d: number, variance: number) => Math.exp((-d * d) / (2 * variance)) / Math.sqrt(variance)

/** Makes all animals of a particle more or fewer by a factor; eggs too. */
function scale(cloud: Float64Array, size: number, i: number, factor: number, key: number) {
  for (let s = 0; s < STAGES; s++) {
    const n = cloud[s * size + i]!
    const u = at(key, i, 2 + s)
    cloud[s * size + i] = factor <= 1 ? binomialFrom(u, n, factor) : Math.floor(n * factor + u)
  }
}

/**
 * Weighs by what was told apart in a count: half-grown among all, females among the sexed. Beta-binomial in spirit: the
 * parts are taken as a binomial sample, but worth no more than a few animals, since who hides differs by stage.
 */
export function weighParts(cloud: Float64Array, size: number, logWeights: Float64Array, parts: Heads): void {
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

/** No entry of a look may rule a particle out: what was seen may always be a mistake. */
const LOOK_FLOOR = 0.03

/**
 * Weighs by broods that were seen: a part of those there, with a spread. None seen among few is likely, among many not.
 * @param broodSize eggs of one brood
 */
export function weighBroods(
  cloud: Float64Array,
  size: number,
  logWeights: Float64Array,
  seen: number,
  sight: { share: number; sdLog: number },
  broodSize: number,
): void {
  for (let i = 0; i < size; i++) {
    const there = (cloud[EGGS_1 * size + i]! + cloud[EGGS_2 * size + i]!) / broodSize
    logWeights[i] =
      logWeights[i]! +
      Math.log(
        LOOK_FLOOR +
          (1 - LOOK_FLOOR) *
            looseCount(seen, Math.max(0.05, there * sight.share * Math.exp(cloud[SIGHT * size + i]!)), sight.sdLog),
      )
  }
}

/** Share of hatchlings and small young that is seen at a look, and its spread (from memory). */
const YOUNG_SIGHT = { share: 0.25, sdLog: 0.8 }

/** Weighs by young that were seen; few are up to a dozen. */
export function weighYoung(
  cloud: Float64Array,
  size: number,
  logWeights: Float64Array,
  amount: number | 'few' | 'many',
): void {
  for (let i = 0; i < size; i++) {
    const there = cloud[FIRST * size + i]! + cloud[YOUNG_1 * size + i]!
    const mean = Math.max(0.05, there * YOUNG_SIGHT.share)
    const likely =
      typeof amount === 'number'
        ? looseCount(amount, mean, YOUNG_SIGHT.sdLog)
        : Math.max(1e-4, likelyMany(mean, amount))
    logWeights[i] = logWeights[i]! + Math.log(LOOK_FLOOR + (1 - LOOK_FLOOR) * likely)
  }
}

/** Chance to speak of few or of many young when so many are in sight: few from 1, many from a dozen. */
function likelyMany(mean: number, amount: 'few' | 'many'): number {
  const some = 1 - Math.exp(-mean)
  const many = 1 / (1 + (12 / mean) ** 2)
  return amount === 'many' ? many : some * (1 - many)
}

/** Chance of a count whose mean itself has a spread: negative binomial, against its own highest chance. */
function looseCount(seen: number, mean: number, sdLog: number): number {
  const k = 1 / (Math.exp(sdLog * sdLog) - 1)
  const log = (m: number) =>
    gammaln(seen + k) - gammaln(k) - gammaln(seen + 1) + k * Math.log(k / (k + m)) + seen * Math.log(m / (k + m))
  return Math.exp(log(mean) - log(Math.max(seen, 0.05)))
}

/** Whom a take goes for where nobody says: those of a size to travel. By stage row from the first small young. */
const ANY: readonly number[] = [0.3, 1, 1, 1]
const TAKEN_ROWS = [YOUNG_1, YOUNG_2, FEMALES, MALES] as const

/**
 * Takes animals out of one particle.
 * @param weights how readily each of small young, larger young, females and males is taken
 * @returns how many were missing
 */
export function takeFrom(
  cloud: Float64Array,
  size: number,
  i: number,
  number: number,
  weights: readonly number[],
  key: number,
): number {
  let left = number
  let pool = 0
  for (let k = 0; k < 4; k++) pool += cloud[TAKEN_ROWS[k]! * size + i]! * weights[k]!
  for (let k = 0; k < 4; k++) {
    const row = TAKEN_ROWS[k]! * size + i
    const here = cloud[row]!
    const mass = here * weights[k]!
    // one after the other, each by its share of what is still to be shared out: a multivariate draw in four steps
    const out =
      mass <= 0 ? 0 : Math.min(here, mass >= pool - 1e-9 ? left : binomialFrom(at(key, i, 10 + k), left, mass / pool))
    cloud[row] = here - out
    left -= out
    pool -= mass
  }
  // what could not be had from one stage comes from the others that may be taken
  for (let k = 0; k < 4 && left > 0; k++) {
    if (weights[k]! <= 0) continue
    const row = TAKEN_ROWS[k]! * size + i
    const out = Math.min(cloud[row]!, left)
    cloud[row] = cloud[row]! - out
    left -= out
  }
  return left
}

/** Weights of a take by stage and sex. */
export const takeWeights = {
  any: ANY,
  halfGrown: [0.3, 1, 0, 0],
  adults: [0, 0, 1, 1],
  females: [0, 0, 1, 0],
  males: [0, 0, 0, 1],
} as const
export type TakeOf = keyof typeof takeWeights
/** Rows of those that a take may come from. */
export const rowsOfTake = (of: TakeOf): readonly number[] => TAKEN_ROWS.filter((_, k) => takeWeights[of][k]! > 0)

/**
 * Puts animals into one particle. What is not told apart is grown when it is called unsexed, and otherwise half and
 * half.
 */
export function putInto(
  cloud: Float64Array,
  size: number,
  i: number,
  parts: Heads,
  untold: number,
  r: StageRates,
  key: number,
): void {
  const add = (row: number, n: number) => {
    cloud[row * size + i] = cloud[row * size + i]! + n
  }
  const half = binomialFrom(at(key, i, 20), untold, 0.5)
  const grown = parts.unsexed + untold - half
  const females = binomialFrom(at(key, i, 21), grown, r.femaleShare)
  add(YOUNG_1, parts.young)
  add(YOUNG_2, parts.halfGrown + half)
  add(FEMALES, parts.females + females + (r.needsMale ? 0 : parts.males))
  add(MALES, (r.needsMale ? parts.males : 0) + grown - females)
}

const NOBODY: Heads = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }

/**
 * What came or went, in all particles. A particle that holds fewer than were taken out is unlikely, and more so the
 * more are missing.
 */
export function applyStep(
  cloud: Float64Array,
  size: number,
  logWeights: Float64Array,
  event: Extract<PopulationEvent, { kind: 'step' }>,
  r: StageRates,
  key: number,
): void {
  const { change, parts = NOBODY } = event
  const named = parts.females + parts.males + parts.unsexed + parts.halfGrown + parts.young
  const number = Math.abs(change)
  for (let i = 0; i < size; i++) {
    if (event.hatched) cloud[FIRST * size + i] = cloud[FIRST * size + i]! + number
    else if (change > 0) putInto(cloud, size, i, parts, number - named, r, key)
    else {
      let missing = 0
      if (event.death) missing = takeFrom(cloud, size, i, number, [0.2, 1, 1, 1], key)
      else {
        const told: [number, readonly number[]][] = [
          [parts.females, takeWeights.females],
          [parts.males, takeWeights.males],
          [parts.unsexed, takeWeights.adults],
          [parts.halfGrown, [0.2, 1, 0, 0]],
          [parts.young, [1, 0.2, 0, 0]],
          [number - named, ANY],
        ]
        for (const [k, [n, weights]] of told.entries()) {
          if (n <= 0) continue
          // who is called female by the keeper may be a large male of the model: what is missing comes from anyone
          const short = takeFrom(cloud, size, i, n, weights, streamAt(key, k))
          missing += short > 0 ? takeFrom(cloud, size, i, short, ANY, streamAt(key, k, 1)) : 0
        }
      }
      if (missing > 0) logWeights[i] = logWeights[i]! - Math.min(12, 0.5 * (missing / (0.1 * number + 0.7)) ** 2)
    }
  }
}
