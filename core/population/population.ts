import type { SpeciesGroup } from '#core/groups'
import type { CountMethod, Estimate } from '#core/records'

/** What the log says about numbers, in order of time. Moments are milliseconds. */
export type PopulationEvent =
  | { kind: 'count', entryId: string, at: number, number: number, method: CountMethod, /** of the tank, for partOfTank */ share?: number }
  | { kind: 'step', entryId: string, at: number, /** animals, negative when taken out or dead */ change: number, death: boolean }

/**
 * Everything that a population model may know about a colony. A fuller model takes the same question and gives the same
 * answer type, so that what stands above it does not change.
 */
export interface PopulationQuestion {
  startMs: number
  founders: number
  /** in order of time; later than nowMs is ignored */
  events: readonly PopulationEvent[]
  nowMs: number
  /** natural logarithm of the weekly factor of a small colony, with its spread */
  growthPrior: { value: number, sd: number }
  turnoverPerWeek: number
  /** animals that the water can carry */
  capacity: number
  counting: SpeciesGroup['counting']
  /** number that must stay */
  minimumKeep: number
}

/** A point of a band: median, and the 50 % and 80 % ranges. */
export interface BandPoint { at: number, p10: number, p25: number, p50: number, p75: number, p90: number }

/** What became of one count. */
export interface JudgedCount {
  entryId: string
  at: number
  seen: number
  method: CountMethod
  /** number of animals that the count speaks for, with its 80 % range */
  implied: number
  low: number
  high: number
  /** how much it was believed: fully, in part, or not at all because it lies too far off */
  weight: 'full' | 'part' | 'none'
  /** number expected at that moment before the count was seen */
  expected: number
}

export interface PopulationAnswer {
  model: string
  now: Estimate
  /** growth per week as a share, e.g. 0.03 for 3 %; after the deaths that are logged */
  growthPerWeek: Estimate
  /** weeks to double (positive growth) or to halve (negative); null when growth may as well be nothing */
  doublingWeeks: number | null
  halvingWeeks: number | null
  /** share of what is known about growth that comes from this colony's own log, 0 to 1 */
  ownEvidence: number
  path: BandPoint[]
  fan: BandPoint[]
  counts: JudgedCount[]
  steps: { entryId: string, at: number, change: number, death: boolean }[]
  capacity: number
  surplus: {
    /** most that can go today */
    take: number
    minimumKeep: number
    /** chance of falling under the minimum within the fan if nothing, and if the take, goes */
    riskNow: number
    riskAfter: number
    allowedRisk: number
  }
  /** range that one full count today would leave, for "what would narrow it" */
  ifCountedToday: { low: number, high: number }
}
