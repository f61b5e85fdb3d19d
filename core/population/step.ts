import { binomialFrom, mix32, normalFrom, poissonFrom, STREAM_STEP, uniformAt } from '#core/stats'
import { crowdingSlope, LIFE, type Passage, type StageRates } from './lifeCycle'
import type { Particles } from './particles'
import { counted, EGGS_1, EGGS_2, FEMALES, LOSSES, MALES, MOOD, RECRUITS, ROOM, STAGES } from './stages'

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
/** Spread of one brood's size beside its mean (from memory). */
const BROOD_SPREAD = 0.35

/**
 * A week in so many brings a blow that nobody writes down: a heater that fails, a filter that clogs. It takes up to
 * this share of all animals. From memory.
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

/** Luck of a particle beside that of its passages: its mood, the broods, a blow. */
export const DRAWS = { turn: 0, drift: 1, taken: 14, brood: 15, blow: 16 }

/** The passages as flat rows of numbers, the last of a life first: whoever arrives is not thinned in the same step. */
const ways = LIFE.toReversed()
const column = (of: (way: Passage) => number | undefined) => Int32Array.from(ways, way => of(way) ?? -1)
const STAGE = column(w => w.stage)
const TO = column(w => w.to)
const OR_ELSE = column(w => w.orElse)
const luckOf = (of: keyof Passage['luck']) => column(w => w.luck[of])
const [DIES, LEAVES, ARRIVES, SPLITS] = [luckOf('dies'), luckOf('leaves'), luckOf('arrives'), luckOf('splits')]

/** Hazards and chances of one step, in the order of the ways. */
function ratesOfWays(r: StageRates) {
  const hazard = Float64Array.from(ways, w => (w.hazard ? r[w.hazard] : 0))
  const leave = Float64Array.from(ways, w => (w.leaves ? r[w.leaves] : 0))
  return { hazard, leave }
}

/**
 * Lives all particles of a cloud through one step: births, growth and deaths of whole animals by chance.
 * Each particle draws from its own stream of uniform numbers, each decision always the same one, whatever happens to
 * it; so two clouds that differ in one decision share all their luck.
 * @param particles changed in place
 * @param key of the streams: the same key gives the same luck
 */
export function stepCloud({ cloud, size }: Particles, r: StageRates, key: number, more: StepMore = {}): void {
  const { roomFactor = 1, recruitsFactor = 1, extraHazard = 0 } = more
  const keep = Math.exp(-r.dtWeeks / MOOD_WEEKS)
  const moodSd = MOOD_SD * Math.sqrt(1 - keep * keep)
  const room = r.capacity * roomFactor
  const recruits = r.comeUp * recruitsFactor
  const mending = MENDING_PER_WEEK * r.dtWeeks
  const turnChance = TURN_PER_WEEK * r.dtWeeks
  const lay = laying(cloud, size, r)
  const strike = blows(cloud, size, r.dtWeeks)
  const { hazard, leave } = ratesOfWays(r)
  for (let i = 0; i < size; i++) {
    const stream = mix32(key + Math.imul(i, STREAM_STEP))
    const turn = drawn(stream, DRAWS.turn)
    const drift = normalFrom(drawn(stream, DRAWS.drift))
    const swing = turn < turnChance ? TURN_SD * drift + (turn < BAD_TURNS * turnChance ? BAD_MEAN : 0) : moodSd * drift
    const mood = cloud[MOOD * size + i]! * keep + mending + swing
    cloud[MOOD * size + i] = mood

    const n = counted(cloud, size, i)
    const luck = cloud[RECRUITS * size + i]!
    // crowding of Ricker's kind (1954) on the way from egg to young: growth then falls nearly in a straight line to
    // nothing at capacity
    const crowding = (crowdingSlope(r.holds, luck) * n) / (room * Math.exp(cloud[ROOM * size + i]!))
    // a mood is felt in the deaths in full, in the births half in the broods taken up, half in the young that come up
    // (from memory)
    const half = Math.exp(0.5 * mood)
    const comeUp = recruits * half * Math.exp(luck + crowding)
    const loss = Math.exp(cloud[LOSSES * size + i]!) / (half * half)
    const laid = lay(i, half, stream)

    for (let w = 0; w < ways.length; w++) {
      const row = STAGE[w]! * size + i
      let there = cloud[row]!
      if (DIES[w]! >= 0) {
        const extra = LEAVES[w]! < 0 ? extraHazard : 0
        there -= binomialFrom(drawn(stream, DIES[w]!), there, chance(hazard[w]! * loss + extra))
      }
      if (LEAVES[w]! >= 0) {
        let gone = binomialFrom(drawn(stream, LEAVES[w]!), there, leave[w]!)
        there -= gone
        if (ARRIVES[w]! >= 0) gone = binomialFrom(drawn(stream, ARRIVES[w]!), gone, comeUp)
        if (SPLITS[w]! >= 0) {
          const first = binomialFrom(drawn(stream, SPLITS[w]!), gone, r.femaleShare)
          cloud[OR_ELSE[w]! * size + i] = cloud[OR_ELSE[w]! * size + i]! + gone - first
          gone = first
        }
        cloud[TO[w]! * size + i] = cloud[TO[w]! * size + i]! + gone
      }
      cloud[row] = there
    }
    cloud[EGGS_1 * size + i] = cloud[EGGS_1 * size + i]! + laid
    strike(i, stream)
  }
}

/** One uniform number of a particle's stream. */
const drawn = (stream: number, which: number) => uniformAt((stream + Math.imul(which, STREAM_STEP)) | 0)

/** How the females of a particle lay in a step; `half` is the mood's factor on the broods taken up. */
function laying(cloud: Float64Array, size: number, r: StageRates) {
  return (i: number, half: number, stream: number): number => {
    const females = cloud[FEMALES * size + i]!
    if (r.needsMale && !(cloud[MALES * size + i]! > 0)) return 0
    const eggs = cloud[EGGS_1 * size + i]! + cloud[EGGS_2 * size + i]!
    const free = r.carried ? Math.max(0, females - Math.ceil(eggs / r.broodSize)) : females
    const u = drawn(stream, DRAWS.taken)
    const taken = r.carried ? binomialFrom(u, free, r.broods * half) : poissonFrom(u, free * r.broods * half)
    if (taken <= 0) return 0
    const z = normalFrom(drawn(stream, DRAWS.brood))
    return Math.max(0, Math.round(r.broodSize * (taken + BROOD_SPREAD * Math.sqrt(taken) * z)))
  }
}

/** How a blow falls: a share of all animals of a particle dies at once; the eggs are as many fewer. */
function blows(cloud: Float64Array, size: number, dtWeeks: number) {
  const blowChance = BLOW_PER_WEEK * dtWeeks
  return (i: number, stream: number): void => {
    const blow = drawn(stream, DRAWS.blow)
    if (blow >= blowChance) return
    // what is left of the uniform number tells how hard it is
    const left = 1 - (BLOW_MOST * blow) / blowChance
    for (let row = 0; row < STAGES; row++) {
      const luck = drawn(stream, DRAWS.blow + 1 + row)
      cloud[row * size + i] = binomialFrom(luck, cloud[row * size + i]!, left)
    }
  }
}

/** Hazard to chance: 1 − e^(−h), by a fraction that is within a thousandth below h = 0.2 and never above 1. */
const chance = (hazard: number) => Math.min(1, hazard / (1 + hazard / 2))

/** What crowding, mood and what was learnt make of the rates for one colony. */
export interface Present {
  /** share of eggs that come up */
  comeUp: number
  /** factor on the hazards */
  loss: number
  /** factor on the broods taken up */
  broods: number
}

/** A colony as crowding meets it: what was learnt of it and its mood, on the log scale, and how full its room is. */
export interface Crowd {
  recruits: number
  mood: number
  losses: number
  /** animals that are counted */
  n: number
  /** animals that it has room for */
  room: number
}

/** The present of one colony. @example crowded(rates, { recruits: 0, mood: 0, losses: 0, n: 150, room: 300 }) */
export function crowded(r: StageRates, { recruits, mood, losses, n, room }: Crowd): Present {
  const half = Math.exp(0.5 * mood)
  return {
    comeUp: Math.min(1, r.comeUp * half * Math.exp(recruits + (crowdingSlope(r.holds, recruits) * n) / room)),
    loss: Math.exp(losses) / (half * half),
    broods: half,
  }
}
