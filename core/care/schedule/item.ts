import type { BatchTold, SaltStep } from '#core/batches'
import type { ColonyBroods } from '#core/broods'
import type { ResolvedGroup } from '#core/groups'
import type { LostLimbs } from '#core/molts'
import type { Basis, Bench, Colony, EggLot, Entry, Glass, Message, Plan } from '#core/records'
import type { ValueVerdict } from '#core/water'

/** What can be due. */
export const dueKinds = [
  'waterChange',
  'topUp',
  'test',
  'feed',
  'powder',
  'leftovers',
  'greens',
  'leaves',
  'calcium',
  'equipment',
  'mend',
  'count',
  'young',
  'clutch',
  'saltStep',
  'greenWater',
  'larvaSample',
  'pick',
  'hatchCheck',
  'dryDown',
  'flood',
  'limb',
  'grade',
  'takeOut',
  'doseChange',
  'secondDose',
  'planStep',
  'calibration',
  'soil',
] as const
export type DueKind = (typeof dueKinds)[number]

/** Keys of the reasons; the words are in app/words/care. */
export type DueReason =
  | 'changeEvery'
  | 'changeNever'
  | 'changeCorrects'
  | 'topUpEvery'
  | 'topUpNever'
  | 'testAge'
  | 'testNever'
  | 'testDrift'
  | 'testDoubt'
  | 'testOff'
  | 'testDying'
  | 'feedEvery'
  | 'feedNever'
  | 'feedRested'
  | 'powderYoung'
  | 'leftoversLie'
  | 'leftoversSeen'
  | 'every'
  | 'never'
  | 'broken'
  | 'countNever'
  | 'countAsks'
  | 'countNarrows'
  | 'countOld'
  | 'hatchNear'
  | 'clutchCheck'
  | 'clutchHatching'
  | 'limbBud'
  | 'gradeGrown'
  | 'gradeHalfNew'
  | 'dullSeen'
  | 'saltUp'
  | 'saltDown'
  | 'greenDaily'
  | 'sampleEvery'
  | 'sampleNever'
  | 'pickSettled'
  | 'hatchDays'
  | 'dryOver'
  | 'dryNothing'
  | 'restOver'
  | 'doseChange'
  | 'secondDose'
  | 'planNext'
  | 'calibrateEvery'
  | 'calibrateNever'
  | 'soilOld'

/**
 * Something to do, reckoned from the log. Moments are milliseconds.
 * It stands until the log shows that it was done: nobody ticks it.
 */
export interface DueItem {
  /** stays the same from one occurrence to the next: snoozes, skips and calendars know the item by it */
  key: string
  kind: DueKind
  glassId?: string
  colonyId?: string
  planId?: string
  dueMs: number
  /** days by which it may be done earlier, and later, without harm */
  earlyDays: number
  lateDays: number
  /** days until it comes again once done; null for what comes once */
  everyDays: number | null
  /** effort */
  minutes: number
  /** whether it can be moved to a day that suits the keeper */
  flexible: boolean
  /** due at its hour, not just on its day */
  timed: boolean
  /** nothing of it is in the log: then it is due, but nobody is late */
  never: boolean
  why: Message<DueReason>
  basis: Basis
  /** what is to be done, in numbers: litres, portions, values to test */
  values: Readonly<Record<string, number | string>>
}

/** What is known of a colony when its care is reckoned. */
export interface ColonyCare {
  colony: Colony
  group: ResolvedGroup
  /** standing entries of the recent log, by time */
  entries: readonly Entry[]
  /** how many there are, and the range that one full count today would leave; null until it is estimated */
  numbers: {
    value: number
    low: number
    high: number
    ifCounted: { low: number; high: number }
    lastCountMs: number | null
    /** rough yet: no count is asked for because of it */
    firstLook: boolean
    /** whether the last count lies so far off that only another one can tell */
    asks: boolean
    /** since when more are found dead than usual; null where no more are */
    dyingSinceMs: number | null
  } | null
  /** its broods; null until they are told, and for animals that show none */
  broods: ColonyBroods | null
  /** where it is one hatch: larvae in a tub, or animals from dry eggs */
  batch: BatchTold | null
  /** steps of salt, of larvae and of those that come back from the sea */
  salt: readonly SaltStep[]
  /** when the young of those that breed in it for its line are grown; null where none are bred */
  grownMs: number | null
  /** where they breed all the time: when half of the grown are new since they were graded; null elsewhere */
  halfNewMs: number | null
  /** limbs that are on their way back */
  limbs: readonly LostLimbs[]
  /** verdicts on its water */
  values: readonly ValueVerdict[]
}

/** A glass with everything that its care follows from. */
export interface GlassCare {
  glass: Glass
  netL: number
  colonies: readonly ColonyCare[]
  /** standing entries of the recent log of its water, by time */
  entries: readonly Entry[]
}

/** A room with everything that its care follows from. */
export interface RoomCareInput {
  roomId: string
  glasses: readonly GlassCare[]
  plans: readonly Plan[]
  /** dry eggs in the bank */
  eggLots: readonly EggLot[]
  bench: Bench
  /** standing marks on work that belongs to no glass */
  marks: readonly Entry[]
  nowMs: number
}
