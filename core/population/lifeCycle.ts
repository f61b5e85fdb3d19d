import { EGGS_1, EGGS_2, FEMALES, FIRST, MALES, STAGES, YOUNG_1, YOUNG_2 } from './stages'

/** Rates of one step in which nothing is uncertain: hazards and chances for a step of `dtWeeks`. */
export interface StageRates {
  dtWeeks: number
  capacity: number
  /** whether eggs are carried: a female that carries takes up no second brood */
  carried: boolean
  /** whether births need a male */
  needsMale: boolean
  femaleShare: number
  /** chance to leave a room of eggs, the first stage, a room of the young */
  eggsLeave: number
  firstLeave: number
  youngLeave: number
  /** hazards per step */
  firstHazard: number
  youngHazard: number
  adultHazard: number
  /** chance that a free female takes up a brood, or broods that an adult lays */
  broods: number
  broodSize: number
  /** share of eggs whose young come up in an empty glass; what is not known about births is all in here */
  comeUp: number
  /**
   * logarithm of the factor on `comeUp` at which the colony just holds itself: what crowding brings it down to at
   * capacity
   */
  holds: number
  /** growth per week in an empty glass, natural logarithm */
  growth: number
  /** how growth moves with the logarithms of births and of deaths */
  growthByRecruits: number
  growthByLosses: number
}

/** One way through a life in a step: what share of one stage is, or begets, in another. */
export interface Arc {
  from: number
  to: number
  /** animals in `to` after the step for each one in `from` before it */
  share: number
  /** whether they are born, and not the same animals */
  born?: true
}

/** What conditions make of a life cycle in one step. */
export interface Conduct {
  /** share of eggs whose young come up */
  comeUp: number
  /** factor on all hazards */
  loss: number
  /** eggs laid for each female */
  eggsPerFemale: number
}

/** Even a colony that hardly grows feels crowding a little. */
const LEAST_CROWDING = -0.3

/**
 * How steeply crowding lowers the share of eggs that come up: its logarithm at capacity, less what the colony's own
 * luck
 * with young already takes.
 * @param holds logarithm of the factor at which a colony of the group's luck just holds itself
 * @param luck of this colony, on the log scale
 */
export const crowdingSlope = (holds: number, luck = 0): number => Math.min(LEAST_CROWDING, holds - luck)

/**
 * The life cycle, declared once: from egg to egg, in the order of a life. Mean step, projection matrix and
 * characteristic
 * equation follow from these arcs; the step by chance draws along the same ones, and its mean is tested against them.
 * The hatched are not yet thinned: their first loss comes in the next step.
 */
export function lifeCycle(r: StageRates, { comeUp, loss, eggsPerFemale }: Conduct): Arc[] {
  const first = Math.exp(-r.firstHazard * loss)
  const young = Math.exp(-r.youngHazard * loss)
  const adult = Math.exp(-r.adultHazard * loss)
  const grown = young * r.youngLeave
  return [
    { from: EGGS_1, to: EGGS_1, share: 1 - r.eggsLeave },
    { from: EGGS_1, to: EGGS_2, share: r.eggsLeave },
    { from: EGGS_2, to: EGGS_2, share: 1 - r.eggsLeave },
    { from: EGGS_2, to: FIRST, share: r.eggsLeave * Math.min(1, comeUp) },
    { from: FIRST, to: FIRST, share: first * (1 - r.firstLeave) },
    { from: FIRST, to: YOUNG_1, share: first * r.firstLeave },
    { from: YOUNG_1, to: YOUNG_1, share: young * (1 - r.youngLeave) },
    { from: YOUNG_1, to: YOUNG_2, share: grown },
    { from: YOUNG_2, to: YOUNG_2, share: young * (1 - r.youngLeave) },
    { from: YOUNG_2, to: FEMALES, share: grown * r.femaleShare },
    { from: YOUNG_2, to: MALES, share: grown * (1 - r.femaleShare) },
    { from: FEMALES, to: FEMALES, share: adult },
    { from: MALES, to: MALES, share: adult },
    { from: FEMALES, to: EGGS_1, share: eggsPerFemale, born: true },
  ]
}

/** Share of females without eggs in a colony that has settled to a factor of growth per step. */
export function freeShare(r: StageRates, factor: number): number {
  if (!r.carried) return 1
  // females that carry take up no brood: of those free and those carrying, so many are free
  const egg = 1 / (factor - (1 - r.eggsLeave))
  return 1 / (1 + r.broods * egg * (1 + r.eggsLeave * egg))
}

/**
 * What one turn of a life gives back, from egg to egg, when the colony grows by a factor in each step: each stage
 * passes on
 * what comes in, over the factor less the share that stays. A settled colony gives back just one.
 * Source: the z-transform method for life cycle graphs, Caswell (2001), Matrix Population Models, ch. 7.
 * @param arcs in the order of a life, so that what comes in is known when it is passed on
 * @param factor of growth per step, above every share that stays
 */
export function turnOfLife(arcs: readonly Arc[], factor: number): number {
  const stays = new Float64Array(STAGES)
  for (const { from, to, share } of arcs) if (from === to) stays[from] = share
  const arrived = new Float64Array(STAGES)
  arrived[EGGS_1] = 1
  let born = 0
  for (const arc of arcs) {
    if (arc.from === arc.to) continue
    const passed = (arrived[arc.from]! * arc.share) / (factor - stays[arc.from]!)
    if (arc.born) born += passed
    else arrived[arc.to] = arrived[arc.to]! + passed
  }
  return born
}
