/**
 * The door of the population model: a question goes in, a fitted colony comes out. Rows of the cloud, rates of a step
 * and the filter stay inside; their tests reach them by their files.
 */
export { deathsSince, floorsOf, MODEL, SURE, takeSearch } from './answer'
export { type Stopped, StoppedError } from './fit'
export {
  type FittedColony,
  type FitOptions,
  type FutureAsked,
  type KeptFit,
  type PopulationModel,
  populationModel,
  type Prior,
  stageModel,
} from './fitted'
export {
  chanceAt,
  type Doing,
  type Floors,
  futureFan,
  type Futures,
  type Risk,
  type WeeksToReach,
  weeksToReach,
} from './futures'
export {
  asThingsAre,
  largestBearable,
  type LargestTake,
  largestTake,
  largestWeeklyTake,
  type TakeSearch,
} from './largestTake'
export { youngOf } from './broodsToday'
export { STEADY } from './growth'
export type { TakeOf } from './comeAndGo'
export type {
  BandPoint,
  BroodsToday,
  JudgedCount,
  Learnt,
  Look,
  MatrixSummary,
  PopulationAnswer,
  PopulationEvent,
  HatchCourses,
  KnownColony,
  PopulationQuestion,
  Range,
  Spreads,
} from './question'
export { stageRates, type StageRates } from './rates'
export { OWN_SHARE, spreadsOf } from './spreads'
export { type StageName, stageNames } from './stages'
export { type StarterQuestion, weeksFromStarters } from './starters'
