import { paceAt, preferredC, type ResolvedGroup } from '#core/groups'
import { Z80 } from '#core/stats'

/** What a brood is known by: females that carry, masses on leaves, or a clutch above the water. */
export type BroodSign = 'berried' | 'eggMass' | 'clutch'

/** What is known of one keeper's pace: the logarithm of the factor on the time that a brood takes. */
export interface OwnPace {
  log: number
  sd: number
  /** broods of which both ends were seen */
  broods: number
}

/** Before anything was seen: keepers' thermometers, food and lines differ by a tenth (from memory). */
export const ANY_PACE: OwnPace = { log: 0, sd: 0.1, broods: 0 }

/**
 * Spread of one brood about its keeper's usual one, on the log scale (from memory): a clutch in the air goes by its
 * damp and warmth and is “very variable” (common practice).
 */
const BETWEEN_SD: Readonly<Record<BroodSign, number>> = { berried: 0.09, eggMass: 0.1, clutch: 0.13 }

/**
 * How long the eggs of a group take: log-normal in days at a reference temperature; other temperatures count as more or
 * less than a day each, by the Q10. Degree-days would need a threshold beside the length; within five degrees of the
 * reference both agree within a few in a hundred, and one law serves all stages of the life.
 */
export interface HatchLaw {
  /** logarithm of the median, in days at the reference temperature */
  meanLog: number
  /** spread of the keeper's pace, and between broods */
  paceSd: number
  betweenSd: number
  referenceC: number
  q10: number
  /** days from a hatch until the next brood is begun, at the reference temperature */
  restDays: number
}

/** Both spreads together: of one brood of a keeper. */
export const lawSd = ({ paceSd, betweenSd }: Pick<HatchLaw, 'paceSd' | 'betweenSd'>): number =>
  Math.hypot(paceSd, betweenSd)

/**
 * The law of a group's broods.
 * @param pace of this keeper, where broods have taught it
 */
export function hatchLaw(resolved: Pick<ResolvedGroup, 'group' | 'targets'>, pace: OwnPace = ANY_PACE): HatchLaw {
  const { stages, care } = resolved.group
  return {
    meanLog: Math.log(7 * stages.eggWeeks.value) + pace.log,
    paceSd: pace.sd,
    betweenSd: BETWEEN_SD[care.brood?.sign ?? 'berried'],
    referenceC: preferredC(resolved),
    q10: stages.q10.value,
    restDays: 7 * stages.restWeeks.value,
  }
}

/** Days from laying to the hatch at one temperature: earliest (one in ten), likely and latest (nine in ten). */
export function hatchDaysAt(law: HatchLaw, temperatureC: number): { earliest: number; likely: number; latest: number } {
  const likely = Math.exp(law.meanLog) / paceAt(law.q10, temperatureC, law.referenceC)
  const factor = Math.exp(Z80 * lawSd(law))
  return { earliest: likely / factor, likely, latest: likely * factor }
}
