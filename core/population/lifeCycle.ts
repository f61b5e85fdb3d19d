import { EGG_ROOMS, type EggQueue } from '#core/broods'
import { EGGS, FEMALES, FIRST, MALES, STAGES, YOUNG_1, YOUNG_2 } from './stages'

/** Rates of one step in which nothing is uncertain: hazards and chances for a step of `dtWeeks`. */
export interface StageRates {
  dtWeeks: number
  capacity: number
  /** whether eggs are carried: a female that carries takes up no second brood */
  carried: boolean
  /** whether births need a male */
  needsMale: boolean
  femaleShare: number
  /** how broods go through their rooms */
  eggs: EggQueue
  /** chance to leave the first stage, a room of the young */
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

/** A stage of life after the hatch: what it dies of, how it is left, and where to. */
export interface Passage {
  stage: number
  /** hazard of death, per step */
  hazard: 'firstHazard' | 'youngHazard' | 'adultHazard'
  /** chance to leave it in a step */
  leaves?: 'firstLeave' | 'youngLeave'
  to?: number
  /** where those go that become no females */
  orElse?: number
  /** whether they lay eggs */
  lays?: true
  /**
   * which of the uniform numbers of a particle decides each of these, in the step by chance: fixed, so that two clouds
   * that differ in one decision share all their luck
   */
  luck: { dies: number; leaves?: number; splits?: number }
}

/**
 * The life cycle after the hatch, declared once, in the order of a life. The step by chance lives along it, and the
 * mean step, the projection matrix and the characteristic equation follow from its arcs and those of the eggs.
 */
export const LIFE: readonly Passage[] = [
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
  { stage: FEMALES, hazard: 'adultHazard', lays: true, luck: { dies: 11 } },
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
  /** broods laid for each female */
  broodsPerFemale: number
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

/** The ways of broods through their rooms, and of those that hatch into the first stage. */
function eggArcs(r: StageRates, comeUp: number): Arc[] {
  const young = r.broodSize * Math.min(1, comeUp)
  return Array.from({ length: EGG_ROOMS }, (_, room) => {
    const arcs = r.eggs.hop
      .slice(0, EGG_ROOMS - room)
      .map((share, by): Arc => ({ from: EGGS + room, to: EGGS + room + by, share }))
    const out = r.eggs.hop.slice(EGG_ROOMS - room).reduce((a, b) => a + b, 0)
    return [...arcs, { from: EGGS + room, to: FIRST, share: out * young }].filter(arc => arc.share > 0)
  }).flat()
}

/**
 * The arcs of the life cycle under some conditions, in the order of a life: eggs in broods, all others in animals. The
 * hatched are not yet thinned: their first loss comes in the next step.
 * @example lifeCycle(rates, { comeUp: 1, loss: 1, broodsPerFemale: 0 }) // an empty glass, nothing laid
 */
export function lifeCycle(r: StageRates, { comeUp, loss, broodsPerFemale }: Conduct): Arc[] {
  const later = LIFE.flatMap(({ stage, hazard, leaves, to, orElse, lays }): Arc[] => {
    const survive = Math.exp(-r[hazard] * loss)
    const leave = leaves ? r[leaves] : 0
    const gone = survive * leave
    const arcs: Arc[] = [{ from: stage, to: stage, share: survive * (1 - leave) }]
    if (to !== undefined) arcs.push({ from: stage, to, share: gone * (orElse === undefined ? 1 : r.femaleShare) })
    if (orElse !== undefined) arcs.push({ from: stage, to: orElse, share: gone * (1 - r.femaleShare) })
    if (lays)
      for (const [room, share] of r.eggs.start.entries())
        arcs.push({ from: stage, to: EGGS + room, share: broodsPerFemale * share, born: true })
    return arcs
  })
  return [...eggArcs(r, comeUp), ...later]
}

/** What becomes of one brood that is laid, over all time, discounted by the growth: what comes in, stage by stage. */
function passedOn(
  arcs: readonly Arc[],
  start: readonly number[],
  factor: number,
): { arrived: Float64Array; born: number } {
  const stays = new Float64Array(STAGES)
  for (const { from, to, share } of arcs) if (from === to) stays[from] = share
  const arrived = new Float64Array(STAGES)
  arrived.set(start, EGGS)
  let born = 0
  for (const arc of arcs) {
    if (arc.from === arc.to) continue
    const passed = (arrived[arc.from]! * arc.share) / (factor - stays[arc.from]!)
    if (arc.born) born += passed
    else arrived[arc.to] = arrived[arc.to]! + passed
  }
  return { arrived, born }
}

/** Share of females without eggs in a colony that has settled to a factor of growth per step. */
export function freeShare(r: StageRates, factor: number, arcs: readonly Arc[] = eggArcs(r, 1)): number {
  if (!r.carried) return 1
  const { arrived } = passedOn(arcs, r.eggs.start, factor)
  // females that carry take up no brood: of those free and those carrying, so many are free
  let carrying = 0
  for (let room = 0; room < EGG_ROOMS; room++) carrying += arrived[EGGS + room]! / (factor - (r.eggs.hop[0] ?? 0))
  return 1 / (1 + r.broods * carrying)
}

/**
 * What one turn of a life gives back, from brood to brood, when the colony grows by a factor in each step: each stage
 * passes on what comes in, over the factor less the share that stays. A settled colony gives back just one.
 * Source: the z-transform method for life cycle graphs, Caswell (2001), Matrix Population Models, ch. 7.
 * @param arcs in the order of a life, so that what comes in is known when it is passed on
 * @param start share of a new brood in each room of eggs
 * @param factor of growth per step, above every share that stays
 */
export const turnOfLife = (arcs: readonly Arc[], start: readonly number[], factor: number): number =>
  passedOn(arcs, start, factor).born
