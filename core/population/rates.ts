import { eggQueue, type HatchLaw, hatchLaw, lawSd, type OwnPace, RESTING } from '#core/broods'
import { paceAt, preferredC, type ResolvedGroup, type Stages } from '#core/groups'
import { rootBetween } from '#core/stats'
import { type Arc, crowdingSlope, freeShare, lifeCycle, type StageRates, turnOfLife } from './lifeCycle'
export type { StageRates } from './lifeCycle'

/** What a colony lives in, beside its group. */
export interface Conditions {
  /** water temperature; the group's own where nobody measured it */
  temperatureC: number
  /** animals that the water can carry */
  capacity: number
  /** how fast this keeper's broods go, where they have taught it */
  pace?: OwnPace
}

/**
 * Rates of a colony from its group, its schools and what it lives in.
 *
 * Times of development follow the temperature with the group's Q10 from the middle of its preferred range. How many
 * young come up is what keepers know least and feel most, so it is not taken from a table: it is solved for, so that an
 * uncrowded colony at the preferred temperature grows as the group, its school or the keeper says.
 * @param resolved group with schools and the keeper's own figures
 * @throws RangeError for a capacity that is not above 0
 */
export function stageRates(
  resolved: Pick<ResolvedGroup, 'group' | 'growthPerWeek' | 'targets'>,
  conditions: Conditions,
): StageRates {
  if (!(conditions.capacity > 0)) throw new RangeError(`capacity must be above 0, got ${conditions.capacity}`)
  const { stages, life } = resolved.group
  const breeds = life.breedsInPlace && stages.eggs !== 'resting'
  const living = {
    breeds,
    capacity: conditions.capacity,
    growth: resolved.growthPerWeek.value,
    hatch: hatchLaw(resolved, conditions.pace),
  }
  const at = ratesAt(stages, { ...living, pace: 1 })
  const comeUp = breeds
    ? Math.min(1, Math.max(0, comeUpFor(at, Math.exp(resolved.growthPerWeek.value * at.dtWeeks))))
    : 0
  const pace = paceAt(stages.q10.value, conditions.temperatureC, preferredC(resolved))
  const rates = { ...ratesAt(stages, { ...living, pace }), comeUp }
  const { growth } = Object.assign(rates, { growth: growthPerWeek(rates) })
  if (comeUp > 0 && growth > 0) rates.holds = crowdingSlope(Math.log(comeUpFor(rates, 1) / comeUp))
  const step = 0.05
  if (comeUp > 0)
    rates.growthByRecruits = (growthPerWeek({ ...rates, comeUp: comeUp * Math.exp(step) }) - growth) / step
  rates.growthByLosses =
    (growthPerWeek({
      ...rates,
      firstHazard: rates.firstHazard * Math.exp(step),
      youngHazard: rates.youngHazard * Math.exp(step),
      adultHazard: rates.adultHazard * Math.exp(step),
    }) -
      growth) /
    step
  return rates
}

/** Mean weeks that a stage takes to the chance of leaving one of its rooms within a step. */
const leave = (rooms: number, weeks: number, dt: number) => Math.min(1, dt / Math.max(weeks / rooms, dt))

/** What a stage model's rates stand on, beside the group's stages. */
interface Living {
  /** whether young grow up in place */
  breeds: boolean
  /** of life, against that at the preferred temperature */
  pace: number
  capacity: number
  /** of the group per week, natural logarithm */
  growth: number
  hatch: HatchLaw
}

function ratesAt(s: Stages, { breeds, pace, capacity, growth, hatch }: Living): StageRates {
  const dt = s.stepDays / 7
  // where nothing grows up in place, the group's growth is nothing but its deaths
  const adultHazard = breeds ? pace / s.adultWeeks.value : Math.max(1e-4, -growth) * pace
  return {
    dtWeeks: dt,
    capacity,
    carried: s.eggs === 'carried',
    needsMale: s.femaleShare.value < 1,
    femaleShare: s.femaleShare.value,
    // resting eggs wait for the pool to dry and fill again, which is a new colony
    eggs: s.eggs === 'resting' ? RESTING : eggQueue(Math.exp(hatch.meanLog) / 7 / pace / dt, lawSd(hatch)),
    firstLeave: leave(1, s.firstWeeks.value / pace, dt),
    youngLeave: leave(2, s.youngWeeks.value / pace, dt),
    firstHazard: 2 * s.youngLoss.value * dt,
    youngHazard: s.youngLoss.value * dt,
    adultHazard: adultHazard * dt,
    broods: s.eggs === 'carried' ? 1 - Math.exp((-dt * pace) / s.restWeeks.value) : (dt * pace) / s.restWeeks.value,
    broodSize: s.broodSize.value,
    comeUp: 0,
    holds: crowdingSlope(0),
    growth: 0,
    growthByRecruits: 0,
    growthByLosses: 0,
  }
}

/**
 * Share of eggs that must come up so that a colony whose make-up has settled grows by a factor in each step: the
 * characteristic equation of the life cycle. A full turn from brood to brood must give back just one (see
 * `turnOfLife`).
 * @param factor of growth per step, above the share of adults that survive
 */
export function comeUpFor(r: StageRates, factor: number, arcs: readonly Arc[] = emptyGlass(r)): number {
  if (factor <= Math.exp(-r.adultHazard)) return 0
  return 1 / (r.broods * freeShare(r, factor) * turnOfLife(arcs, r.eggs.start, factor))
}

/** The life cycle in an empty glass, in which every egg comes up and each female lays a brood. */
const emptyGlass = (r: StageRates) => lifeCycle(r, { comeUp: 1, loss: 1, broodsPerFemale: 1 })

/** No colony grows by more than this factor in a step. */
const FASTEST = 8

/** Growth per week of an uncrowded colony whose make-up has settled, natural logarithm. */
export function growthPerWeek(r: StageRates): number {
  if (!(r.comeUp > 0)) return -r.adultHazard / r.dtWeeks
  const arcs = emptyGlass(r)
  const wanted = Math.log(r.comeUp)
  // the logarithms are nearly straight lines beside each other
  const log = rootBetween(x => Math.log(comeUpFor(r, Math.exp(x), arcs)) - wanted, -r.adultHazard, Math.log(FASTEST))
  return log / r.dtWeeks
}
