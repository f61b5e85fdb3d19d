import { lifeCycle, type StageRates } from '../../../core/population/lifeCycle'
import { FEMALES, MALES, STAGES, stageRows } from '../../../core/population/stages'

/**
 * One step of the mean of many colonies: the same rules as the step by chance, without chance.
 * @param x numbers by stage, eggs in broods; changed in place
 */
export function meanStep(x: Float64Array, r: StageRates, { comeUp, loss, broods = 1 }: MeanConditions): void {
  const carrying = r.carried ? stageRows.eggs.reduce((sum, room) => sum + x[room]!, 0) : 0
  const free = Math.max(0, x[FEMALES]! - carrying)
  const taken = r.carried ? Math.min(1, r.broods * broods) : r.broods * broods
  const laid = r.needsMale && x[MALES]! <= 0 ? 0 : free * taken
  // who arrives is not thinned in the same step: all go from what was there before it
  const before = x.slice()
  x.fill(0, 0, STAGES)
  for (const { from, to, share } of lifeCycle(r, { comeUp, loss, broodsPerFemale: 0 }))
    x[to] = x[to]! + before[from]! * share
  // the lasting females lay nothing here: those that were free at the start have
  for (const [room, share] of r.eggs.start.entries()) x[room] = x[room]! + laid * share
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
