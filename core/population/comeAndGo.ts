import type { Heads } from '#core/records'
import { binomialFrom, streamAt } from '#core/stats'
import { EGG_ROOMS } from '#core/broods'
import { broodsIn } from './broodsIn'
import { luckAt } from './luck'
import type { Particles, WeighedParticles } from './particles'
import type { PopulationEvent } from './question'
import type { StageRates } from './rates'
import { EGGS, FEMALES, FIRST, MALES, YOUNG_1, YOUNG_2 } from './stages'

type StepEvent = Extract<PopulationEvent, { kind: 'step' }>

/** Whom a take goes for where nobody says: those of a size to travel. By stage row from the first small young. */
const ANY: readonly number[] = [0.3, 1, 1, 1]
const TAKEN_ROWS = [YOUNG_1, YOUNG_2, FEMALES, MALES] as const

/** Animals that are taken out. */
export interface Take {
  number: number
  /** how readily each of small young, larger young, females and males is taken */
  weights: readonly number[]
}

/**
 * Takes animals out of one particle.
 * @returns how many were missing
 */
export function takeFrom({ cloud, size }: Particles, i: number, { number, weights }: Take, key: number): number {
  let left = number
  let pool = 0
  for (let k = 0; k < 4; k++) pool += cloud[TAKEN_ROWS[k]! * size + i]! * weights[k]!
  for (let k = 0; k < 4; k++) {
    const row = TAKEN_ROWS[k]! * size + i
    const here = cloud[row]!
    const mass = here * weights[k]!
    // one after the other, each by its share of what is still to be shared out: a multivariate draw in four steps
    const out =
      mass <= 0
        ? 0
        : Math.min(here, mass >= pool - 1e-9 ? left : binomialFrom(luckAt(key, i, 10 + k), left, mass / pool))
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
  { cloud, size }: Particles,
  i: number,
  { parts, untold, rates: r }: { parts: Heads; untold: number; rates: StageRates },
  key: number,
): void {
  const add = (row: number, n: number) => {
    cloud[row * size + i] = cloud[row * size + i]! + n
  }
  const half = binomialFrom(luckAt(key, i, 20), untold, 0.5)
  const grown = parts.unsexed + untold - half
  const females = binomialFrom(luckAt(key, i, 21), grown, r.femaleShare)
  add(YOUNG_1, parts.young)
  add(YOUNG_2, parts.halfGrown + half)
  add(FEMALES, parts.females + females + (r.needsMale ? 0 : parts.males))
  add(MALES, (r.needsMale ? parts.males : 0) + grown - females)
}

const NOBODY: Heads = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }

/** How unlikely it makes a particle that so many of a number were not there to be taken, as a logarithm. */
export const strangeness = (missing: number, number: number): number =>
  Math.min(12, 0.5 * (missing / (0.1 * number + 0.7)) ** 2)

/**
 * What came or went alive, in all particles. A particle that holds fewer than were taken out is unlikely, and more so
 * the more are missing.
 */
export function applyStep(particles: WeighedParticles, event: StepEvent, rates: StageRates, key: number): void {
  const { cloud, size, logWeights } = particles
  const number = Math.abs(event.change)
  const berried = rates.carried ? (event.berried ?? 0) : 0
  const { parts, untold } = withBerried(event.parts ?? NOBODY, number, berried)
  const come = { parts, untold, rates }
  const gone: Take[] = [
    { number: parts.females, weights: takeWeights.females },
    { number: parts.males, weights: takeWeights.males },
    { number: parts.unsexed, weights: takeWeights.adults },
    { number: parts.halfGrown, weights: [0.2, 1, 0, 0] },
    { number: parts.young, weights: [1, 0.2, 0, 0] },
    { number: untold, weights: ANY },
  ]
  for (let i = 0; i < size; i++) {
    if (event.hatched) cloud[FIRST * size + i] = cloud[FIRST * size + i]! + number
    else if (event.change > 0) {
      putInto(particles, i, come, key)
      bringBroods(particles, i, berried, key)
    } else {
      const missing = strangeness(takeTold(particles, i, gone, key), number)
      const bare = berried > 0 ? strangeness(takeBroods(particles, i, berried, key), berried) : 0
      logWeights[i] = logWeights[i]! - missing - bare
    }
  }
}

/** Who carries eggs is a female, also where nobody told the sexes apart. */
function withBerried(parts: Heads, number: number, berried: number): { parts: Heads; untold: number } {
  const untold = number - (parts.females + parts.males + parts.unsexed + parts.halfGrown + parts.young)
  const more = Math.max(0, berried - parts.females)
  const ofUntold = Math.min(more, untold)
  const sexed = { females: parts.females + more, unsexed: parts.unsexed - (more - ofUntold) }
  return { parts: { ...parts, ...sexed }, untold: untold - ofUntold }
}

/** Broods come with the females that carry them: how far they are nobody knows, so any room is as good as another. */
function bringBroods({ cloud, size }: Particles, i: number, number: number, key: number) {
  let left = number
  for (let room = 0; room < EGG_ROOMS && left > 0; room++) {
    const here = binomialFrom(luckAt(key, i, 30 + room), left, 1 / (EGG_ROOMS - room))
    cloud[(EGGS + room) * size + i] = cloud[(EGGS + room) * size + i]! + here
    left -= here
  }
}

/** Broods go with the females that carry them, whichever they are. @returns how many were missing */
function takeBroods({ cloud, size }: Particles, i: number, number: number, key: number): number {
  let there = broodsIn(cloud, size, i)
  let left = Math.min(number, there)
  const missing = number - left
  for (let room = 0; room < EGG_ROOMS && left > 0; room++) {
    const row = (EGGS + room) * size + i
    const here = cloud[row]!
    // those of later rooms take what is left, so at least so many go here
    const least = Math.max(0, left - (there - here))
    const drawn = binomialFrom(luckAt(key, i, 40 + room), left, here / there)
    const out = Math.min(here, left, Math.max(least, drawn))
    cloud[row] = here - out
    left -= out
    there -= here
  }
  return missing
}

/** Takes what was told apart out of one particle. @returns how many were missing in the end */
function takeTold(particles: Particles, i: number, gone: readonly Take[], key: number): number {
  let missing = 0
  for (const [k, take] of gone.entries()) {
    if (take.number <= 0) continue
    // who is called female by the keeper may be a large male of the model: what is missing comes from anyone
    const short = takeFrom(particles, i, take, streamAt(key, k))
    if (short > 0) missing += takeFrom(particles, i, { number: short, weights: ANY }, streamAt(key, k, 1))
  }
  return missing
}
