import type { CountEvidence } from '#core/abundance'
import type { CountMethod, Estimate, Heads } from '#core/records'
import type { StageRates } from './rates'
import type { StageName } from './stages'

/** What the log says about numbers. Moments are milliseconds. */
export type PopulationEvent = { entryId: string; at: number } & (
  | {
      kind: 'count'
      seen: number
      method: CountMethod
      evidence: CountEvidence
      /** whether the colony's own share is in it */ byEye: boolean
      parts?: Heads
    }
  | {
      kind: 'step'
      /** animals, negative when taken out or dead */ change: number
      death: boolean
      /** died in a molt */ molt?: boolean
      /** come out of a clutch: the smallest */ hatched: boolean
      parts?: Heads
      /** how many of them carry eggs; missing where nobody looked */ berried?: number
    }
  /** females with eggs, or masses and clutches: so many broods are on the way at least */
  | {
      kind: 'broods'
      seen: number
      /** of them with eyes; missing where nobody said */ eyed?: number
      /** share of the broods there that is seen */ share: number
      sdLog: number
    }
  /** young that were seen: a number, or the words few and many */
  | { kind: 'young'; amount: number | 'few' | 'many' }
)

/** How far what is learnt may lie from the group's defaults: standard deviations on the log scale. */
export interface Spreads {
  recruits: number
  losses: number
  room: number
  seen: number
  sight: number
  shape: number
}

/** A colony of which every animal is known one by one. */
export interface KnownColony {
  /** who lives there today; what is not told apart is among the unsexed */
  heads: Heads
  /** each change of the number, with what it was from then on; the first is the beginning */
  course: readonly { atMs: number; number: number }[]
  /** broods under way, by how far they are */
  rooms: readonly number[]
}

/** A colony that is one hatch, as a model of its own holds it: equally likely courses. */
export interface HatchCourses {
  size: number
  /** living animals of each course at a moment: those on their way, and those at its end */
  at: (ms: number) => { young: Float64Array; grown: Float64Array }
}

/** Everything that the model may know about a colony. */
export interface PopulationQuestion {
  /** of all chance in the answer; the same for every device */
  seed: number
  startMs: number
  nowMs: number
  founders: Heads
  /** doubt of their number, on the log scale, where the log is read from later on */
  foundersSd?: number
  /** what lies before this moment was left out, because the log is too long */
  leftOutBefore?: number
  /** where nobody lives there who is not followed: nothing has to be estimated */
  known?: KnownColony
  /** where it is one hatch: its courses are known already */
  hatch?: HatchCourses
  /** in order of time; what lies after now or before the start is ignored */
  events: readonly PopulationEvent[]
  /** of today and of the weeks ahead */
  rates: StageRates
  /** of the log's stretches by the temperature of each, in order; those of today where none are given */
  pastRates?: readonly { untilMs: number; temperatureC: number; rates: StageRates }[]
  spreads: Spreads
  /** of the water, as measured or as the group likes it */
  temperatureC: number
  /** share of the births that the model makes itself; less where clutches are logged as they hatch */
  ownBirths: number
  /** number that must stay, and grown females that must */
  minimumKeep: number
  minimumFemales: number
  /** whether the keeper has set the number of females; a default does not bind a colony of young that has fewer */
  femalesAreOwn: boolean
  /** those that breed now, whom nobody offers: no take leaves fewer of either sex */
  breeding?: Readonly<Record<'females' | 'males', number>>
  /** chance of falling under these that a take may bring */
  allowedRisk: number
  /** what a full count finds */
  fullCount: { share: number; sdLog: number }
  /** what is seen of broods at a look; missing where nothing is carried or laid in sight */
  broodSight?: { share: number; sdLog: number }
}

/** A point of a band: median, and the 50 % and 80 % ranges. */
export interface BandPoint {
  at: number
  p10: number
  p25: number
  p50: number
  p75: number
  p90: number
}

/** The grown animals among a number at a moment, with their 80 % range. */
export interface GrownPoint extends Range {
  at: number
}

/** A number with its 80 % range. */
export interface Range {
  value: number
  low: number
  high: number
}

/** What became of one count. */
export interface JudgedCount extends Range {
  entryId: string
  at: number
  seen: number
  method: CountMethod
  /** how much it was believed: fully, in part, or not at all because it lies too far off */
  weight: 'full' | 'part' | 'none'
  /** whether it is believed only because the number is taken to have jumped since the count before */
  leapt: boolean
  /** number expected at that moment before the count was seen */
  expected: number
  /** at least so many were: the lower end of its likely range */
  expectedLow: number
  /** what was remarkable in how it was reckoned */
  notes: CountEvidence['notes']
}

/** What is learnt about a colony beside its number, against the group's default. */
export interface Learnt {
  name: keyof Spreads
  /** factor on the default, with its range */ now: Range
  /** the same before anything was seen */ before: Range
}

/** A look that would narrow the forecast. */
export interface Look {
  what: 'fullCount' | 'broods' | 'sample'
  /** width of the 8-week range left, as a share of today's */ left: number
}

/** The present life cycle as a matrix, read. */
export interface MatrixSummary {
  /** growth per week at present conditions and numbers */
  growthPerWeek: number
  doublingWeeks: number | null
  generationWeeks: number | null
  /** share of each stage in the settled colony, without eggs */
  settled: Record<Exclude<StageName, 'eggs'>, number>
  /** what a small change of each moves growth by, as shares that sum to 1, largest first */
  matters: { what: 'births' | 'eggs' | 'first' | 'young' | 'adults'; share: number }[]
}

/** The dead that were found, against those that would be found as a rule. */
export interface DeathsTold {
  alarm: boolean
  found: number
  usual: number
  /** of the found, those that died in a molt */ molts: number
  sinceMs: number
}

/** Broods under way: females that carry, masses or clutches. */
export interface BroodsToday extends Range {
  /** mean number in each room, from fresh ones to those that hatch next */
  rooms: number[]
  /** that hatch within two weeks */
  soon: Range
  /** eggs of one brood */
  youngEach: number
  /** young of one brood that are half-grown one day, as crowded as it is today */
  growUp: Range
}

export interface PopulationAnswer {
  model: string
  /** whether this is a quick look by few possible colonies: no take was searched for, and the ranges are rough */
  firstLook: boolean
  /** whether all are followed one by one, so that the number is what the log says */
  known: boolean
  /** what lies before this moment was left out; null when nothing was */
  leftOutBefore: number | null
  now: Estimate
  stages: Record<StageName, Range>
  broods: BroodsToday
  /** mean growth per week over the coming eight weeks, as a share, where nothing is taken */
  growthPerWeek: Estimate
  /** chance that it grows over these weeks */
  rising: number
  /** chance that it holds steady over them */
  steady: number
  /** what it did in the weeks before today, beside what was taken out or put in; null when it is younger */
  recent: { perWeek: Range; weeks: number; from: number; moved: number } | null
  doublingWeeks: number | null
  halvingWeeks: number | null
  /** share of what is known about growth that comes from this colony's own log, 0 to 1 */
  ownEvidence: number
  learnt: Learnt[]
  /** null in a first look */
  matrix: MatrixSummary | null
  path: BandPoint[]
  fan: BandPoint[]
  /** the grown among them, a point for each of the path and then for each of the fan */
  grown: { past: GrownPoint[]; ahead: GrownPoint[] }
  counts: JudgedCount[]
  steps: { entryId: string; at: number; change: number; death: boolean }[]
  /** animals that the glass has room for */
  capacity: number
  /** whether the colony has come near enough to its room for its log to tell of it */
  roomKnown: boolean
  /** the newest count, where it lies so far off that only another one can tell what is wrong */
  asks: {
    entryId: string
    at: number
    seen: number
    method: CountMethod
    expected: number
    /** animals that would be gone if it were right; negative where there would be more */
    gone: number
    /** since the count before */
    since: number
  } | null
  /** animals that went missing between two counts that are believed, beside what was taken out */
  loss: { number: number; of: number; left: number; fromMs: number; toMs: number } | null
  /**
   * the dead that were found in the last weeks, against those that would be found as a rule; since the trouble began
   * where there are too many
   */
  deaths: DeathsTold
  /** the same without those that died in a molt, where failed molts are watched by themselves */
  deathsBesideMolts: DeathsTold
  temperatureC: number
  surplus: {
    /** most that can go today */
    take: number
    minimumKeep: number
    minimumFemales: number
    /** males that are left to breed */
    minimumMales: number
    /** which of the floors is hit first when more is taken */
    limit: 'number' | 'females' | 'males' | 'kind'
    /** how many it could be after a fresh count; null where one would allow no more */
    afterCount: number | null
    /** chance of falling under a floor within the fan if nothing, and if the take, goes */
    riskNow: number
    riskAfter: number
    allowedRisk: number
  }
  /** range that one full count today would leave */
  ifCountedToday: { low: number; high: number }
  looks: Look[]
  fit: {
    logLikelihood: number
    /** fewest effective particles on the way, of how many */
    effective: number
    particles: number
    /** why the answer should be read with care; null when log and model agree */
    disagreement: 'counts' | 'jumps' | 'thin' | null
  }
}
