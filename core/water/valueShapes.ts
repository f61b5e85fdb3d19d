import type { Target } from '#core/groups'
import type { Message, TestMethod, ValueKey, Verdict } from '#core/records'
import type { WaterEvent } from './time/waterEvent'

/** How a value came about: by a test, or reckoned from what was poured. */
export type ReadingMethod = TestMethod | 'reckoned'

/** One reading of one value, oldest first in lists. */
export interface ValueReading {
  entryId: string
  at: number
  value: number
  sd: number
  method: ReadingMethod
  /** of a reckoned one that followed others: what was there became keep × it + add, give or take sd */
  poured?: { keep: number; add: number; sd: number }
}

/** Keys of the messages that a water verdict is made of. */
export type WaterMessageKey =
  | 'water.noReading'
  | 'water.tooOld'
  | 'water.onTarget'
  | 'water.steadyAtEdge'
  | 'water.rising'
  | 'water.falling'
  | 'water.mayLeave'
  | 'water.above'
  | 'water.below'
  | 'water.slidAbove'
  | 'water.slidBelow'
  | 'water.steppedOut'
  | 'water.withinDoubt'
  | 'water.poison'
  | 'water.poisonOld'
  | 'water.reasonSlope'
  | 'water.reasonSteady'
  | 'water.reasonTooFew'
  | 'water.reasonUnclear'
  | 'water.reasonCame'
  | 'water.reasonMayLeave'
  | 'water.reasonStep'
  | 'water.reasonStepPoured'
  | 'water.reasonStepUnknown'
  | 'water.reasonForecast'
  | 'water.reasonWeak'
  | 'water.reasonJump'
  | 'water.reasonNearLimit'
  | 'water.swing'
  | 'water.reasonSwing'
  | 'water.reasonReckoned'
  | 'water.doTest'
  | 'water.doRetest'
  | 'water.doTestFirst'
  | 'water.doFindStep'
  | 'water.doWatch'
  | 'water.doNothing'
  | 'water.doRaise'
  | 'water.doLower'
  | 'water.doEmergencyChange'
  | 'water.doSteadyCo2'

/** How one value stands: verdict, the numbers of its strip, and its trend. Moments are milliseconds. */
export interface ValueVerdict extends Verdict<WaterMessageKey> {
  key: ValueKey
  target: Target
  tolerated: readonly [number, number]
  latest: ValueReading | null
  /** the newest readings, up to eight, oldest first */
  window: ValueReading[]
  ageDays: number | null
  /** change per week with its 80 % range, usual changes included; null without a reading */
  trendPerWeek: { value: number; low: number; high: number } | null
  /** where the value will be four weeks after today if all goes on as it is, with its 80 % range */
  inFourWeeks: { value: number; low: number; high: number } | null
  /** chance of lying outside the preferred range before two more tests are made; null without a reading */
  outsideSoon: number | null
}

/** What is judged: one value, its ranges, and its readings, oldest first, in the canonical unit. */
export interface ValueAsked {
  key: ValueKey
  target: Target
  readings: readonly ValueReading[]
  /** today */
  nowMs: number
  /** largest change per week for these animals, when known */
  largestStep?: number | undefined
  /** of GH: readings of conductivity, which speak for it too */
  conductivity?: readonly ValueReading[]
  /** what was poured, oldest first: a step asks which of it did it */
  events?: readonly WaterEvent[]
}

/** A thing to say of a value, with its numbers. */
export const msg = (key: WaterMessageKey, values: Record<string, number | string>): Message<WaterMessageKey> => ({
  key,
  values,
})
