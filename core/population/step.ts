import {
  binomialFrom,
  binomialShared,
  deathsFrom,
  mix32,
  normalFrom,
  quickExp,
  type SharedChance,
  sharedChance,
  STREAM_STEP,
} from '#core/stats'
import { arriving, hatching, joining, laying } from './eggPasses'
import { crowdingSlope, LIFE, type Passage, type StageRates } from './lifeCycle'
import type { Particles } from './particles'
import { type Conditions, DRAWS, drawn, type Pass, type StepMore } from './pass'
import { counted, FIRST, LOSSES, MOOD, RECRUITS, ROOM, SHAPE, STAGES } from './stages'

/** The mood forgets in about so many weeks, and strays so far on the log scale (from memory). */
const MOOD_WEEKS = 20
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
 * A week in so many brings a blow that nobody writes down: a heater that fails, a filter that clogs. It takes up to
 * this share of all animals. From memory.
 */
const BLOW_PER_WEEK = 0.003
const BLOW_MOST = 0.6

/** The passages, the last of a life first: whoever arrives is not thinned in the same step. */
const ways = LIFE.toReversed()

/** Lives all particles of a cloud through one step, in place; the same key gives the same luck. */
export type Step = (particles: Particles, key: number, more?: StepMore) => void

const conditionsFor = (size: number): Conditions => ({
  stream: new Int32Array(size),
  half: new Float64Array(size),
  comeUp: new Float64Array(size),
  loss: new Float64Array(size),
  hatched: new Float64Array(size),
  laid: new Float64Array(size),
  died: new Float64Array(size),
})

/**
 * Makes the step of a cloud under some rates: births, growth and deaths of whole animals by chance. Each particle draws
 * from its own stream of uniform numbers, each decision always the same one, whatever happens to it; so two clouds that
 * differ in one decision share all their luck. What is the same for all particles is worked out here, once.
 *
 * The cloud is gone through passage by passage, and not particle by particle: each loop touches few rows and is small
 * enough for the engine to draw all that it calls into it; a call that is not drawn in costs more than a draw does.
 */
export function stepOf(r: StageRates): Step {
  const passes = passesOf(r)
  let at = conditionsFor(0)
  return ({ cloud, size }, key, more = {}) => {
    if (at.stream.length !== size) at = conditionsFor(size)
    for (let i = 0; i < size; i++) at.stream[i] = mix32(key + Math.imul(i, STREAM_STEP))
    at.died.fill(0)
    for (const pass of passes) pass({ cloud, size }, at, more)
    more.died?.set(at.died)
    more.hatched?.set(at.hatched)
  }
}

/** A fit and all futures from it go by the same rates: what chances were summed up for one serves the others. */
const made = new WeakMap<StageRates, readonly Pass[]>()

function passesOf(r: StageRates): readonly Pass[] {
  const known = made.get(r)
  if (known) return known
  const passes = [
    feeling(r),
    laying(r),
    ...ways.flatMap(way => [dying(way, r[way.hazard]), ...leaving(way, r)]),
    hatching(r),
    arriving(r.broodSize),
    joining(r),
    striking(r.dtWeeks),
  ]
  made.set(r, passes)
  return passes
}

/** Moves the moods on, and works out what crowding and mood make of the rates. */
function feeling(r: StageRates): Pass {
  const keep = Math.exp(-r.dtWeeks / MOOD_WEEKS)
  const moodSd = MOOD_SD * Math.sqrt(1 - keep * keep)
  const mending = MENDING_PER_WEEK * r.dtWeeks
  const turnChance = TURN_PER_WEEK * r.dtWeeks
  return ({ cloud, size }, { stream, half, comeUp, loss }, { roomFactor = 1, recruitsFactor = 1 }) => {
    const capacity = r.capacity * roomFactor
    const recruits = r.comeUp * recruitsFactor
    for (let i = 0; i < size; i++) {
      const turn = drawn(stream[i]!, DRAWS.turn)
      const drift = normalFrom(drawn(stream[i]!, DRAWS.drift))
      const swing =
        turn < turnChance ? TURN_SD * drift + (turn < BAD_TURNS * turnChance ? BAD_MEAN : 0) : moodSd * drift
      const mood = cloud[MOOD * size + i]! * keep + mending + swing
      cloud[MOOD * size + i] = mood

      const n = counted(cloud, size, i)
      const luck = cloud[RECRUITS * size + i]!
      // crowding of Ricker's kind (1954) on the way from egg to young: growth then falls nearly in a straight line to
      // nothing at capacity
      const full = n / (capacity * quickExp(cloud[ROOM * size + i]!))
      const crowding = crowdingSlope(r.holds, luck) * Math.pow(full, quickExp(cloud[SHAPE * size + i]!))
      // a mood is felt in the deaths in full, in the births half in the broods taken up, half in the young that come up
      // (from memory)
      const felt = quickExp(0.5 * mood)
      half[i] = felt
      comeUp[i] = recruits * felt * quickExp(luck + crowding)
      loss[i] = quickExp(cloud[LOSSES * size + i]!) / (felt * felt)
    }
  }
}

/** Deaths in a stage; what grown animals die of beside the usual comes on top. */
function dying({ stage, leaves, luck }: Passage, hazard: number): Pass {
  const { dies } = luck
  const body = stage === FIRST ? 0 : 1
  return ({ cloud, size }, { stream, loss, died }, { extraHazard = 0 }) => {
    const extra = leaves ? 0 : extraHazard
    for (let i = 0, place = stage * size; i < size; i++, place++) {
      const there = cloud[place]!
      const dead = deathsFrom(drawn(stream[i]!, dies), there, hazard * loss[i]! + extra)
      cloud[place] = there - dead
      died[i] = died[i]! + body * dead
    }
  }
}

/** Those that leave a stage: they move on, hatch, or are grown. */
function leaving(way: Passage, r: StageRates): Pass[] {
  if (!way.leaves) return []
  const chance = sharedChance(r[way.leaves])
  return [way.orElse === undefined ? moving(way, chance) : parting(way, chance, sharedChance(r.femaleShare))]
}

function moving({ stage, to, luck }: Passage, chance: SharedChance): Pass {
  const leaves = luck.leaves!
  return ({ cloud, size }, { stream }) => {
    const next = (to! - stage) * size
    for (let i = 0, place = stage * size; i < size; i++, place++) {
      const gone = binomialShared(chance, drawn(stream[i]!, leaves), cloud[place]!)
      cloud[place] = cloud[place]! - gone
      cloud[place + next] = cloud[place + next]! + gone
    }
  }
}

/** Who is grown is a female or a male. */
function parting({ stage, to, orElse, luck }: Passage, chance: SharedChance, female: SharedChance): Pass {
  const leaves = luck.leaves!
  const splits = luck.splits!
  return ({ cloud, size }, { stream }) => {
    const females = (to! - stage) * size
    const males = (orElse! - stage) * size
    for (let i = 0, place = stage * size; i < size; i++, place++) {
      const gone = binomialShared(chance, drawn(stream[i]!, leaves), cloud[place]!)
      const first = binomialShared(female, drawn(stream[i]!, splits), gone)
      cloud[place] = cloud[place]! - gone
      cloud[place + females] = cloud[place + females]! + first
      cloud[place + males] = cloud[place + males]! + gone - first
    }
  }
}

/** Blows: in few particles a share of all animals dies at once; the eggs are as many fewer. */
function striking(dtWeeks: number): Pass {
  const blowChance = BLOW_PER_WEEK * dtWeeks
  return ({ cloud, size }, { stream, died }) => {
    for (let i = 0; i < size; i++) {
      const blow = drawn(stream[i]!, DRAWS.blow)
      if (blow >= blowChance) continue
      const before = counted(cloud, size, i)
      // what is left of the uniform number tells how hard it is
      const left = 1 - (BLOW_MOST * blow) / blowChance
      for (let row = 0; row < STAGES; row++) {
        const luck = drawn(stream[i]!, DRAWS.struck + row)
        cloud[row * size + i] = binomialFrom(luck, cloud[row * size + i]!, left)
      }
      died[i] = died[i]! + before - counted(cloud, size, i)
    }
  }
}
