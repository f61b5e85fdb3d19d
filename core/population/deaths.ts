import { type GammaBelief, gammaMean, seenEvents } from '#core/stats'
import { strangeness, takeFrom } from './comeAndGo'
import type { WeighedParticles } from './particles'
import type { PopulationEvent } from './question'
import type { StageRates } from './rates'
import { FEMALES, MALES, YOUNG_1, YOUNG_2 } from './stages'
import { LOOK_FLOOR } from './weighLooks'

/** The dead of one step. */
export interface Toll {
  /** half-grown and grown animals that such a colony loses in a step as a rule */
  usual: number
  /** share of these that is found, as far as it was known before the step */
  share: number
  /** found dead */
  found: number
  /** of these, such as died in a molt */
  molts: number
  /** of these, more than the possible colonies had lost themselves, in the mean */
  excess: number
}

/** What is known of the share of the dead that a keeper finds and writes down. */
export interface FoundShare {
  belief: GammaBelief
  /** whether a death was ever written down: until then, that none are found tells little */
  writes: boolean
}
/** About three in ten of the ordinary dead, hardly known (from memory). */
export const FOUND: FoundShare = { belief: { shape: 1.5, rate: 5 }, writes: false }
/** A dead animal can be found for about so long: then it is eaten (from memory). */
const FOUND_WEEKS = 1.5
/** A keeper who has not written a death yet may be one who never does: such a step teaches so much less. */
const UNWRITTEN = 0.25
/** More dead than usual are so many times as many, and so many at least (from memory). */
export const DYING = { times: 3, least: 3 }
/** From step to step the share that is found differs as a gamma distribution of this shape does (from memory). */
export const LUCK_SHAPE = 2

type Found = Pick<Toll, 'found' | 'molts'>

/** How many were found dead by the entries of a step. */
export function foundDead(events: readonly PopulationEvent[]): Found {
  const dead = events.flatMap(e => (e.kind === 'step' && e.death ? [e] : []))
  const sum = (of: typeof dead) => of.reduce((all, e) => all - e.change, 0)
  return { found: sum(dead), molts: sum(dead.filter(e => e.molt)) }
}

/** Adds the dead of a step to those that may still be found, of which some are gone. */
export function layOut(bodies: Float64Array, died: Float64Array, dtWeeks: number): void {
  const left = Math.exp(-dtWeeks / FOUND_WEEKS)
  for (let i = 0; i < bodies.length; i++) bodies[i] = bodies[i]! * left + died[i]!
}

/** Half-grown and grown that colonies like these lose in a step as a rule, in the mean over the particles. */
export function usualDead({ cloud, size }: { cloud: Float64Array; size: number }, r: StageRates): number {
  const rows = (...of: number[]) =>
    of.reduce((sum, row) => sum + total(cloud.subarray(row * size, (row + 1) * size)), 0)
  return (rows(YOUNG_1, YOUNG_2) * r.youngHazard + rows(FEMALES, MALES) * r.adultHazard) / size
}
const total = (values: Float64Array) => values.reduce((a, b) => a + b, 0)

/**
 * What is learnt of the share that is found in a step. A dying teaches no more than where it begins: it speaks of what
 * happened and not of the keeper.
 */
export function learnFound(
  { belief, writes }: FoundShare,
  { found, usual }: Pick<Toll, 'found' | 'usual'>,
): FoundShare {
  const counted = Math.min(found, DYING.times * gammaMean(belief) * usual + DYING.least - 1)
  return { belief: seenEvents(belief, counted, writes ? usual : UNWRITTEN * usual), writes: writes || found > 0 }
}

/**
 * Takes out of each particle the dead that were found and that it had not lost itself. Those of a dying also weigh it:
 * the found are a part of the dead, with a share that is learnt and differs from step to step, negative binomial.
 * Ordinary ones do not: what they say of the deaths cannot be told from what they say of the keeper.
 * @param bodies of each particle that may be found; those that were are gone
 * @param usual dead of such a step
 * @returns how many were taken out beside the dead that the particles had, in the mean
 */
export function bury(
  particles: WeighedParticles,
  bodies: Float64Array,
  { found, usual, share }: Pick<Toll, 'found' | 'usual' | 'share'>,
  key: number,
): number {
  if (found === 0) return 0
  const { size, logWeights } = particles
  const weighs = found >= DYING.least && found > DYING.times * share * usual
  let excess = 0
  // against its own highest chance, which lies where as many are found as were to be expected
  const best = chanceOf(found, found / share, share)
  for (let i = 0; i < size; i++) {
    if (weighs) {
      const likely = Math.exp(chanceOf(found, Math.max(bodies[i]!, 0.05), share) - best)
      logWeights[i] = logWeights[i]! + Math.log(LOOK_FLOOR + (1 - LOOK_FLOOR) * likely)
    }
    const more = Math.max(0, Math.round(found - bodies[i]!))
    bodies[i] = Math.max(0, bodies[i]! - found)
    if (more === 0) continue
    excess += more
    logWeights[i] =
      logWeights[i]! - strangeness(takeFrom(particles, i, { number: more, weights: WHO_DIES }, key), found)
  }
  return excess / size
}

/** Small young that die are hardly found. By stage row from the first small young. */
const WHO_DIES = [0.2, 1, 1, 1]

/** Logarithm of the chance to find so many of a number of bodies, but for what does not hang on that number. */
const chanceOf = (found: number, bodies: number, share: number): number =>
  found * Math.log(bodies) - (LUCK_SHAPE + found) * Math.log(LUCK_SHAPE / share + bodies)
