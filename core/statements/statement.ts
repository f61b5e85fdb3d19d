import type { Message, Verdict, VerdictState } from '#core/records'
import type { ValueVerdict } from '#core/water'

/** What the four statements may say; the words live in the app. */
export type StatementKey =
  | 'number.about'
  | 'number.exact'
  | 'number.neverCounted'
  | 'number.reasonFollowed'
  | 'number.none'
  | 'number.reasonFirstLook'
  | 'number.reasonCounts'
  | 'number.reasonOld'
  | 'number.asks'
  | 'number.asksMissed'
  | 'number.asksMore'
  | 'number.loss'
  | 'number.countAgain'
  | 'number.lookForCause'
  | 'number.reasonLeftOut'
  | 'number.doCount'
  | 'number.coming'
  | 'number.waiting'
  | 'number.reasonSexes'
  | 'number.doFewerMales'
  | 'number.over'
  | 'number.endBatch'
  | 'heading.growing'
  | 'heading.shrinking'
  | 'heading.steady'
  | 'heading.unclear'
  | 'heading.usually'
  | 'heading.fewAsMany'
  | 'heading.fewMore'
  | 'heading.fewFewer'
  | 'heading.full'
  | 'heading.dying'
  | 'heading.dyingInMolt'
  | 'heading.lookAtDying'
  | 'heading.lookAtMolts'
  | 'heading.reasonDefault'
  | 'heading.reasonOwn'
  | 'heading.reasonDoubling'
  | 'heading.reasonHalving'
  | 'heading.reasonDeaths'
  | 'heading.reasonAhead'
  | 'heading.reasonRecent'
  | 'heading.reasonNotBreeding'
  | 'heading.reasonNoYoung'
  | 'surplus.some'
  | 'surplus.none'
  | 'surplus.notYet'
  | 'surplus.ofBatch'
  | 'surplus.reasonKeep'
  | 'surplus.reasonShrinking'
  | 'surplus.reasonUnder'
  | 'surplus.reasonNoMore'
  | 'surplus.reasonDoubt'
  | 'surplus.reasonWaterOff'
  | 'surplus.countFirst'
  | 'surplus.reasonAsks'
  | 'surplus.reasonLoss'
  | 'surplus.reasonDying'
  | 'surplus.later'
  | 'surplus.reasonMolts'
  | 'molts.ordinary'
  | 'molts.tooMany'
  | 'molts.tooFew'
  | 'molts.reasonRate'
  | 'molts.reasonSkins'
  | 'molts.lookAtEach'
  | 'molts.levelWrong'
  | 'molts.levelRight'
  | 'molts.levelUnknown'
  | 'molts.stepped'
  | 'molts.moving'
  | 'molts.steady'
  | 'molts.steadyUnknown'
  | 'molts.ratioWrong'
  | 'molts.ratioRight'
  | 'molts.noMagnesium'
  | 'molts.ratioUnknown'
  | 'molts.jumped'
  | 'molts.noJump'
  | 'molts.jumpUnknown'
  | 'molts.minerals'
  | 'molts.noMinerals'
  | 'molts.dietUnknown'
  | 'water.allGood'
  | 'water.nothingKnown'

/** One of the four sentences of a colony, with what stands behind it. */
export type Statement = Verdict<StatementKey>

/** A thing to say, with its numbers. */
export const msg = (key: StatementKey, values: Record<string, number | string>): Message<StatementKey> => ({
  key,
  values,
})

/** What is said of the water. */
export interface WaterStatement {
  state: VerdictState
  /** the value that speaks for the glass: the worst one */
  worst: ValueVerdict | null
  /** what is off or drifts beside it, the worst of it */
  second: ValueVerdict | null
  /** set when there is no single value to speak of; null when `worst` speaks */
  conclusion: Message<'water.allGood' | 'water.nothingKnown'> | null
  values: ValueVerdict[]
  /** whether a value that a recipe can steer is off or drifting */
  correctable: boolean
}
