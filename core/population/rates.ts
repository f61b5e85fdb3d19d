import type { ResolvedGroup, Stages } from '#core/groups'
import { EGGS_1, EGGS_2, FEMALES, FIRST, MALES, YOUNG_1, YOUNG_2 } from './stages'

/** What a colony lives in, beside its group. */
export interface Conditions {
  /** water temperature; the group's own where nobody measured it */
  temperatureC: number
  /** animals that the water can carry */
  capacity: number
}

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
  /** logarithm of the factor on `comeUp` at which the colony just holds itself: what crowding brings it down to at capacity */
  holds: number
  /** growth per week in an empty glass, natural logarithm */
  growth: number
  /** how growth moves with the logarithms of births and of deaths */
  growthByRecruits: number
  growthByLosses: number
}

/** Even a colony that hardly grows feels crowding a little. */
const LEAST_CROWDING = -0.3

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
  const at = ratesAt(stages, breeds, 1, conditions.capacity, resolved.growthPerWeek.value)
  const comeUp = breeds
    ? Math.min(1, Math.max(0, comeUpFor(at, Math.exp(resolved.growthPerWeek.value * at.dtWeeks))))
    : 0
  const pace = paceAt(stages.q10.value, conditions.temperatureC, preferredC(resolved))
  const rates = { ...ratesAt(stages, breeds, pace, conditions.capacity, resolved.growthPerWeek.value), comeUp }
  const { growth } = Object.assign(rates, { growth: growthPerWeek(rates) })
  if (comeUp > 0 && growth > 0) rates.holds = Math.min(LEAST_CROWDING, Math.log(comeUpFor(rates, 1) / comeUp))
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

/**
 * Factor on the pace of life at a temperature: q10 to the power of the difference over ten degrees. Times of development
 * are divided by it, hazards multiplied. Source: definition of Q10 (van 't Hoff 1884).
 */
export const paceAt = (q10: number, temperatureC: number, referenceC: number): number =>
  q10 ** ((temperatureC - referenceC) / 10)

/** Temperature for which a group's growth is meant: the middle of its (or its school's) preferred range. */
export function preferredC(resolved: Pick<ResolvedGroup, 'targets'>): number {
  const { preferred } = resolved.targets.temperatureC ?? { preferred: [22, 24] }
  return (preferred[0] + preferred[1]) / 2
}

/** Mean weeks that a stage takes to the chance of leaving one of its rooms within a step. */
const leave = (rooms: number, weeks: number, dt: number) => Math.min(1, dt / Math.max(weeks / rooms, dt))

function ratesAt(s: Stages, breeds: boolean, pace: number, capacity: number, growth: number): StageRates {
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
    eggsLeave: s.eggs === 'resting' ? 0 : leave(2, s.eggWeeks.value / pace, dt),
    firstLeave: leave(1, s.firstWeeks.value / pace, dt),
    youngLeave: leave(2, s.youngWeeks.value / pace, dt),
    firstHazard: 2 * s.youngLoss.value * dt,
    youngHazard: s.youngLoss.value * dt,
    adultHazard: adultHazard * dt,
    broods: s.eggs === 'carried' ? 1 - Math.exp((-dt * pace) / s.restWeeks.value) : (dt * pace) / s.restWeeks.value,
    broodSize: s.broodSize.value,
    comeUp: 0,
    holds: LEAST_CROWDING,
    growth: 0,
    growthByRecruits: 0,
    growthByLosses: 0,
  }
}

/**
 * One step of the mean of many colonies: the same rules as the step by chance, without chance.
 * @param x numbers by stage; changed in place
 * @param comeUp share of eggs whose young come up now
 * @param loss factor on all hazards
 * @param broods factor on the broods taken up
 */
export function meanStep(x: Float64Array, r: StageRates, comeUp: number, loss: number, broods = 1): void {
  const first = 1 - Math.exp(-r.firstHazard * loss)
  const young = 1 - Math.exp(-r.youngHazard * loss)
  const adult = 1 - Math.exp(-r.adultHazard * loss)
  const hatched = x[EGGS_2]! * r.eggsLeave
  const ripened = x[EGGS_1]! * r.eggsLeave
  const grown = x[FIRST]! * (1 - first) * r.firstLeave
  const half = x[YOUNG_1]! * (1 - young) * r.youngLeave
  const mature = x[YOUNG_2]! * (1 - young) * r.youngLeave
  const free = r.carried ? Math.max(0, x[FEMALES]! - (x[EGGS_1]! + x[EGGS_2]!) / r.broodSize) : x[FEMALES]!
  const laid =
    r.needsMale && x[MALES]! <= 0
      ? 0
      : free * (r.carried ? Math.min(1, r.broods * broods) : r.broods * broods) * r.broodSize
  x[EGGS_2] = x[EGGS_2]! - hatched + ripened
  x[EGGS_1] = x[EGGS_1]! - ripened + laid
  x[FIRST] = x[FIRST]! * (1 - first) - grown + hatched * Math.min(1, comeUp)
  x[YOUNG_1] = x[YOUNG_1]! * (1 - young) - half + grown
  x[YOUNG_2] = x[YOUNG_2]! * (1 - young) - mature + half
  x[FEMALES] = x[FEMALES]! * (1 - adult) + mature * r.femaleShare
  x[MALES] = x[MALES]! * (1 - adult) + mature * (1 - r.femaleShare)
}

/**
 * Share of eggs that must come up so that a colony whose make-up has settled grows by a factor in each step: the
 * characteristic equation of the life cycle, written out. Each room of the chain passes on its share over
 * (factor − share that stays); a full turn from egg to egg must give back just one egg.
 * Source: the z-transform method for life cycle graphs, Caswell (2001), Matrix Population Models, ch. 7.
 * @param factor of growth per step, above the share of adults that survive
 */
export function comeUpFor(r: StageRates, factor: number): number {
  const through = (survive: number, go: number) => (survive * go) / (factor - survive * (1 - go))
  const adult = Math.exp(-r.adultHazard)
  if (factor <= adult) return 0
  const egg = 1 / (factor - (1 - r.eggsLeave))
  // females that carry take up no brood: of those free and those carrying, so many are free
  const free = r.carried ? 1 / (1 + r.broods * egg * (1 + r.eggsLeave * egg)) : 1
  const eggsPerFemale = r.broods * r.broodSize * free
  const hatched = (r.eggsLeave * egg) ** 2
  // the hatched are not yet thinned: their first loss comes in the next step
  const first = through(Math.exp(-r.firstHazard), r.firstLeave)
  const young = through(Math.exp(-r.youngHazard), r.youngLeave) ** 2
  return (factor - adult) / (eggsPerFemale * hatched * first * young * r.femaleShare)
}

/** Growth per week of an uncrowded colony whose make-up has settled, natural logarithm. */
export function growthPerWeek(r: StageRates): number {
  let low = Math.exp(-r.adultHazard)
  if (!(r.comeUp > 0)) return Math.log(low) / r.dtWeeks
  let high = 8
  for (let i = 0; i < 48; i++) {
    const middle = (low + high) / 2
    if (comeUpFor(r, middle) < r.comeUp) low = middle
    else high = middle
  }
  return Math.log((low + high) / 2) / r.dtWeeks
}
