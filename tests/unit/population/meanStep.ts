import { LIFE, type StageRates } from '../../../core/population/lifeCycle'
import { EGGS_1, EGGS_2, FEMALES, MALES } from '../../../core/population/stages'

/**
 * One step of the mean of many colonies: the same rules as the step by chance, without chance.
 * @param x numbers by stage; changed in place
 */
export function meanStep(x: Float64Array, r: StageRates, { comeUp, loss, broods = 1 }: MeanConditions): void {
  const carrying = r.carried ? (x[EGGS_1]! + x[EGGS_2]!) / r.broodSize : 0
  const free = Math.max(0, x[FEMALES]! - carrying)
  const taken = r.carried ? Math.min(1, r.broods * broods) : r.broods * broods
  const laid = r.needsMale && x[MALES]! <= 0 ? 0 : free * taken * r.broodSize
  // the last of a life first: whoever arrives is not thinned in the same step
  for (let nth = LIFE.length - 1; nth >= 0; nth--) {
    const { stage, hazard, leaves, to, comesUp, orElse } = LIFE[nth]!
    const there = hazard ? x[stage]! * Math.exp(-r[hazard] * loss) : x[stage]!
    const left = leaves ? there * r[leaves] : 0
    const gone = comesUp ? left * Math.min(1, comeUp) : left
    x[stage] = there - left
    if (to !== undefined) x[to] = x[to]! + (orElse === undefined ? gone : gone * r.femaleShare)
    if (orElse !== undefined) x[orElse] = x[orElse]! + gone * (1 - r.femaleShare)
  }
  x[EGGS_1] = x[EGGS_1]! + laid
}

/** What one mean step is taken under. */
export interface MeanConditions {
  /** share of eggs whose young come up now */
  comeUp: number
  /** factor on all hazards */
  loss: number
  /** factor on the broods taken up */
  broods?: number
}
