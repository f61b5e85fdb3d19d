import { hashText, normalFrom, streamAt } from '#core/stats'
import { FOUND, type FoundShare, type Toll } from './deaths'
import { luckAt } from './luck'
import type { WeighedParticles } from './particles'
import type { BandPoint, GrownPoint, JudgedCount, PopulationEvent, PopulationQuestion } from './question'
import { FEMALES, LOSSES, MALES, MOOD, RECRUITS, ROOM, ROWS, SEEN, SHAPE, SIGHT, YOUNG_1, YOUNG_2 } from './stages'
import { MOOD_SD } from './step'

/**
 * Steps that a past number waits for later counts before it is drawn; longer, and few ancestors would be left to draw
 * it from.
 */
export const LAG = 8
/** Rows of the filter alone: numbers of the last steps, the grown among them, and the dead that may still be found. */
export const TOTALS = ROWS
export const GROWN = ROWS + LAG
export const DIED = ROWS + 2 * LAG
export const FILTER_ROWS = ROWS + 2 * LAG + 1

/** The state of the filter at a step, from which it can go on. */
export interface Checkpoint extends WeighedParticles {
  /** next step to live */
  step: number
  /** hash of the events before that step */
  seen: number
  path: BandPoint[]
  grown: GrownPoint[]
  counts: JudgedCount[]
  pending: Pending[]
  /** the dead of each step */
  toll: Toll[]
  /** share of the dead that is found, as far as it is learnt */
  found: FoundShare
  logLikelihood: number
  effective: number
  jumped: number
  lastCountStep: number
}

/** A count whose verdict waits for what follows it. */
interface Pending {
  index: number
  step: number
  stories: Uint8Array
}

/** A cloud of the first day: the founders, and parameters as the group has them. */
export function openingCloud(
  question: Pick<PopulationQuestion, 'seed' | 'founders' | 'foundersSd' | 'rates' | 'spreads'>,
  size: number,
  rows = ROWS,
): Float64Array {
  const { founders: f, foundersSd = 0, rates, spreads } = question
  const cloud = new Float64Array(rows * size)
  const key = streamAt(question.seed, -1)
  const unsexedOf = (i: number) =>
    foundersSd > 0 ? Math.round(f.unsexed * Math.exp(foundersSd * normalFrom(luckAt(key, i, 6)))) : f.unsexed
  const females = (i: number, unsexed: number) => {
    let n = 0
    // so few that each may be drawn: each one of the unsexed is a female by the share of females
    for (let k = 0; k < unsexed; k++) if (luckAt(key, i, 20 + k) < rates.femaleShare) n++
    return n
  }
  for (let i = 0; i < size; i++) {
    const unsexed = unsexedOf(i)
    const own = females(i, unsexed)
    cloud[YOUNG_1 * size + i] = f.young
    cloud[YOUNG_2 * size + i] = f.halfGrown
    cloud[FEMALES * size + i] = f.females + own + (rates.needsMale ? 0 : f.males)
    cloud[MALES * size + i] = (rates.needsMale ? f.males : 0) + unsexed - own
    cloud[MOOD * size + i] = MOOD_SD * normalFrom(luckAt(key, i, 0))
    cloud[RECRUITS * size + i] = spreads.recruits * normalFrom(luckAt(key, i, 1))
    cloud[LOSSES * size + i] = spreads.losses * normalFrom(luckAt(key, i, 2))
    cloud[ROOM * size + i] = spreads.room * normalFrom(luckAt(key, i, 3))
    cloud[SEEN * size + i] = spreads.seen * normalFrom(luckAt(key, i, 4))
    cloud[SHAPE * size + i] = spreads.shape * normalFrom(luckAt(key, i, 7))
    cloud[SIGHT * size + i] = spreads.sight * normalFrom(luckAt(key, i, 5))
  }
  return cloud
}

/** The filter before the first step. */
export function opening(question: PopulationQuestion, size: number): Checkpoint {
  return {
    step: 0,
    seen: 0,
    size,
    cloud: openingCloud(question, size, FILTER_ROWS),
    logWeights: new Float64Array(size),
    path: [],
    grown: [],
    counts: [],
    pending: [],
    toll: [],
    found: FOUND,
    logLikelihood: 0,
    effective: Infinity,
    jumped: 0,
    lastCountStep: 0,
  }
}

/** A checkpoint that later steps leave as it is. */
export const copy = (c: Checkpoint): Checkpoint => ({
  ...c,
  cloud: c.cloud.slice(),
  logWeights: c.logWeights.slice(),
  path: [...c.path],
  grown: [...c.grown],
  toll: [...c.toll],
  counts: c.counts.map(x => ({ ...x })),
  pending: c.pending.map(p => ({ ...p, stories: p.stories.slice() })),
})

/**
 * For each step, a hash of all events before it, and of the pace that each step was lived at.
 * @param pace a number that differs where the rates of a step do
 */
export function prefixHashes(
  byStep: ReadonlyMap<number, PopulationEvent[]>,
  last: number,
  pace: (step: number) => number,
): number[] {
  const hashes = [0]
  for (let step = 0; step <= last; step++) {
    const here = byStep.get(step)
    hashes.push(streamAt(hashes[step]!, step, hashText(JSON.stringify([here ?? null, pace(step)]))))
  }
  return hashes
}
