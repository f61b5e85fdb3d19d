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

/** A stage of life: what it dies of, how it is left, and where to. */
export interface Passage {
  stage: number
  /** hazard of death, per step; eggs die by not coming up */
  hazard?: 'firstHazard' | 'youngHazard' | 'adultHazard'
  /** chance to leave it in a step */
  leaves?: 'eggsLeave' | 'firstLeave' | 'youngLeave'
  to?: number
  /** only a share of those that leave arrives: the share of eggs whose young come up */
  comesUp?: true
  /** where those go that become no females */
  orElse?: number
  /** eggs are laid into this stage */
  lays?: number
  /**
   * which of the uniform numbers of a particle decides each of these, in the step by chance: fixed, so that two clouds
   * that differ in one decision share all their luck
   */
  luck: { dies?: number; leaves?: number; arrives?: number; splits?: number }
}

/**
 * The life cycle, declared once: from egg to egg, in the order of a life. The step by chance lives along it, and the
 * mean step, the projection matrix and the characteristic equation follow from its arcs.
 */
export const LIFE: readonly Passage[] = [
  { stage: EGGS_1, leaves: 'eggsLeave', to: EGGS_2, luck: { leaves: 3 } },
  { stage: EGGS_2, leaves: 'eggsLeave', to: FIRST, comesUp: true, luck: { leaves: 2, arrives: 4 } },
  { stage: FIRST, hazard: 'firstHazard', leaves: 'firstLeave', to: YOUNG_1, luck: { dies: 5, leaves: 6 } },
  { stage: YOUNG_1, hazard: 'youngHazard', leaves: 'youngLeave', to: YOUNG_2, luck: { dies: 7, leaves: 8 } },
  {
    stage: YOUNG_2,
    hazard: 'youngHazard',
    leaves: 'youngLeave',
    to: FEMALES,
    orElse: MALES,
    luck: { dies: 9, leaves: 10, splits: 13 },
  },
  { stage: FEMALES, hazard: 'adultHazard', lays: EGGS_1, luck: { dies: 11 } },
  { stage: MALES, hazard: 'adultHazard', luck: { dies: 12 } },
]

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
 * luck with young already takes.
 * @param holds logarithm of the factor at which a colony of the group's luck just holds itself
 * @param luck of this colony, on the log scale
 */
export const crowdingSlope = (holds: number, luck = 0): number => Math.min(LEAST_CROWDING, holds - luck)

/**
 * The arcs of the life cycle under some conditions, in the order of a life. The hatched are not yet thinned: their
 * first loss comes in the next step.
 * @example lifeCycle(rates, { comeUp: 1, loss: 1, eggsPerFemale: 0 }) // an empty glass, nothing laid
 */
export function lifeCycle(r: StageRates, { comeUp, loss, eggsPerFemale }: Conduct): Arc[] {
  return LIFE.flatMap(({ stage, hazard, leaves, to, comesUp, orElse, lays }): Arc[] => {
    const survive = hazard ? Math.exp(-r[hazard] * loss) : 1
    const leave = leaves ? r[leaves] : 0
    const gone = survive * leave * (comesUp ? Math.min(1, comeUp) : 1)
    const arcs: Arc[] = [{ from: stage, to: stage, share: survive * (1 - leave) }]
    if (to !== undefined) arcs.push({ from: stage, to, share: gone * (orElse === undefined ? 1 : r.femaleShare) })
    if (orElse !== undefined) arcs.push({ from: stage, to: orElse, share: gone * (1 - r.femaleShare) })
    if (lays !== undefined) arcs.push({ from: stage, to: lays, share: eggsPerFemale, born: true })
    return arcs
  })
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
 * passes on what comes in, over the factor less the share that stays. A settled colony gives back just one.
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
