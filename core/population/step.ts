import { binomialFrom, mix32, normalFrom, poissonFrom, STREAM_STEP, uniformAt } from '#core/stats'
import { crowdingSlope, type StageRates } from './lifeCycle'
import { EGGS_1, EGGS_2, FEMALES, FIRST, LOSSES, MALES, MOOD, RECRUITS, ROOM, STAGES, YOUNG_1, YOUNG_2 } from './stages'

/** The mood forgets in about so many weeks, and strays so far on the log scale (from memory). */
export const MOOD_WEEKS = 20
export const MOOD_SD = 0.2
/**
 * In some weeks the mood turns a little for good or ill; one turn in six is a bad one: a sickness, water that slides
 * (from memory).
 */
const TURN_PER_WEEK = 0.06
const TURN_SD = 0.5
const BAD_TURNS = 1 / 6
const BAD_MEAN = -1.2
/**
 * Bad turns are made up for by slow mending, so that the mean of all moods is nothing and the group’s growth holds on
 * average.
 */
const MENDING_PER_WEEK = -TURN_PER_WEEK * BAD_TURNS * BAD_MEAN
/**
 * A mood is felt in the deaths in full, and in the births half in how many take up a brood and half in how many young
 * come up (from memory).
 */
/** Spread of one brood's size beside its mean (from memory). */
const BROOD_SPREAD = 0.35

/**
 * A week in so many brings a blow that nobody writes down: a heater that fails, a filter that clogs. It takes up to
 * this
 * share of all animals. From memory.
 */
const BLOW_PER_WEEK = 0.003
const BLOW_MOST = 0.6

/** What one step may change beside the rates. */
export interface StepMore {
  /** adults' hazard beside the usual one, per step: deaths that go on */
  extraHazard?: number
  /** factor on the room */
  roomFactor?: number
  /** factor on the young that come up */
  recruitsFactor?: number
}

/**
 * Lives all particles of a cloud through one step: births, growth and deaths of whole animals by chance.
 * Each particle draws the same number of uniform numbers from its own stream, whatever happens to it; so two clouds
 * that
 * differ in one decision share all their luck.
 * @param cloud rows of `stages.ts`, `size` particles; changed in place
 * @param key of the streams: the same key gives the same luck
 */
export function stepCloud(cloud: Float64Array, size: number, r: StageRates, key: number, more: StepMore = {}): void {
  const keep = Math.exp(-r.dtWeeks / MOOD_WEEKS)
  const moodSd = MOOD_SD * Math.sqrt(1 - keep * keep)
  const room = r.capacity * (more.roomFactor ?? 1)
  const recruits = r.comeUp * (more.recruitsFactor ?? 1)
  const extra = more.extraHazard ?? 0
  const mending = MENDING_PER_WEEK * r.dtWeeks
  const turnChance = TURN_PER_WEEK * r.dtWeeks
  const blowChance = BLOW_PER_WEEK * r.dtWeeks
  const { carried, needsMale, femaleShare, eggsLeave, firstLeave, youngLeave, broods, broodSize } = r
  for (let i = 0; i < size; i++) {
    let s = mix32(key + Math.imul(i, STREAM_STEP))
    const turn = uniformAt(s)
    const drift = normalFrom(uniformAt((s = (s + STREAM_STEP) | 0)))
    const mood =
      cloud[MOOD * size + i]! * keep +
      mending +
      (turn < turnChance ? TURN_SD * drift + (turn < BAD_TURNS * turnChance ? BAD_MEAN : 0) : moodSd * drift)
    cloud[MOOD * size + i] = mood
    const e1 = cloud[EGGS_1 * size + i]!
    const e2 = cloud[EGGS_2 * size + i]!
    const h = cloud[FIRST * size + i]!
    const y1 = cloud[YOUNG_1 * size + i]!
    const y2 = cloud[YOUNG_2 * size + i]!
    const f = cloud[FEMALES * size + i]!
    const m = cloud[MALES * size + i]!

    const luck = cloud[RECRUITS * size + i]!
    const n = y1 + y2 + f + m
    // crowding of Ricker's kind (1954) on the way from egg to young: growth then falls nearly in a straight line to
    // nothing at capacity
    const slope = crowdingSlope(r.holds, luck)
    const half = Math.exp(0.5 * mood)
    const comeUp = recruits * half * Math.exp(luck + (slope * n) / (room * Math.exp(cloud[ROOM * size + i]!)))
    const loss = Math.exp(cloud[LOSSES * size + i]!) / (half * half)

    const hatched = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), e2, eggsLeave)
    const ripened = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), e1, eggsLeave)
    const cameUp = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), hatched, comeUp)
    const hLeft = h - binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), h, chance(r.firstHazard * loss))
    const grown = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), hLeft, firstLeave)
    const young = chance(r.youngHazard * loss)
    const y1Left = y1 - binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), y1, young)
    const larger = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), y1Left, youngLeave)
    const y2Left = y2 - binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), y2, young)
    const mature = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), y2Left, youngLeave)
    const adult = chance(r.adultHazard * loss + extra)
    const fLeft = f - binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), f, adult)
    const mLeft = m - binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), m, adult)
    const daughters = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), mature, femaleShare)
    const u = uniformAt((s = (s + STREAM_STEP) | 0))
    const z = normalFrom(uniformAt((s = (s + STREAM_STEP) | 0)))
    const blow = uniformAt((s = (s + STREAM_STEP) | 0))

    let laid = 0
    if (!needsMale || m > 0) {
      const free = carried ? Math.max(0, f - Math.ceil((e1 + e2) / broodSize)) : f
      const taken = carried ? binomialFrom(u, free, broods * half) : poissonFrom(u, free * broods * half)
      if (taken > 0) laid = Math.max(0, Math.round(broodSize * (taken + BROOD_SPREAD * Math.sqrt(taken) * z)))
    }
    cloud[EGGS_2 * size + i] = e2 - hatched + ripened
    cloud[EGGS_1 * size + i] = e1 - ripened + laid
    cloud[FIRST * size + i] = hLeft - grown + cameUp
    cloud[YOUNG_1 * size + i] = y1Left - larger + grown
    cloud[YOUNG_2 * size + i] = y2Left - mature + larger
    cloud[FEMALES * size + i] = fLeft + daughters
    cloud[MALES * size + i] = mLeft + mature - daughters
    // what is left of the uniform number tells how hard the blow is
    if (blow < blowChance) blowOn(cloud, size, i, (BLOW_MOST * blow) / blowChance, s)
  }
}

/** A share of all animals of a particle dies at once; the eggs are as many fewer. */
function blowOn(cloud: Float64Array, size: number, i: number, share: number, s: number) {
  for (let row = 0; row < STAGES; row++)
    cloud[row * size + i] = binomialFrom(uniformAt((s = (s + STREAM_STEP) | 0)), cloud[row * size + i]!, 1 - share)
}

/** Hazard to chance: 1 − e^(−h), by a fraction that is within a thousandth below h = 0.2 and never above 1. */
const chance = (hazard: number) => Math.min(1, hazard / (1 + hazard / 2))

/** What crowding, mood and what was learnt make of the rates for one colony. */
export interface Present {
  /** share of eggs that come up */ comeUp: number
  /** factor on the hazards */ loss: number
  /** factor on the broods taken up */ broods: number
}

/** The present of one colony of n animals in a room for so many. */
export function crowded(r: StageRates, luck: number, mood: number, losses: number, n: number, room: number): Present {
  const half = Math.exp(0.5 * mood)
  return {
    comeUp: Math.min(1, r.comeUp * half * Math.exp(luck + (crowdingSlope(r.holds, luck) * n) / room)),
    loss: Math.exp(losses) / (half * half),
    broods: half,
  }
}
