export {
  answerPopulation,
  deathsSince,
  dyingPerWeek,
  floorsOf,
  FUTURES,
  MODEL,
  numberNow,
  PARTICLES,
  rangeOver,
  SURE,
  type TakeBasis,
  takeSearch,
} from './answer'
export { type Fit, fitPopulation, openingCloud, type Stopped, StoppedError } from './fit'
export {
  chanceAt,
  type Doing,
  type Floors,
  FUTURE_WEEKS,
  futureFan,
  type Futures,
  liveFutures,
  riskOf,
  riskUnder,
  type Start,
  type WeeksToReach,
  weeksToReach,
} from './futures'
export {
  largestBearable,
  type LargestTake,
  largestTake,
  largestWeeklyTake,
  type Risk,
  type TakeSearch,
} from './largestTake'
export { fixedDurationShare, lifeTable, matrixView, type MatrixView } from './matrixView'
export { rowsOfTake, type TakeOf, takeWeights } from './observe'
export { effective, gather, normalise, refresh, systematic } from './particles'
export { freeShare, projectionMatrix, summarise } from './projectionMatrix'
export type {
  BandPoint,
  JudgedCount,
  Learnt,
  Look,
  MatrixSummary,
  PopulationAnswer,
  PopulationEvent,
  PopulationQuestion,
  Range,
  Spreads,
} from './question'
export {
  comeUpFor,
  type Conditions,
  growthPerWeek,
  meanStep,
  paceAt,
  preferredC,
  stageRates,
  type StageRates,
} from './rates'
export { OWN_SHARE, spreadsOf } from './spreads'
export * from './stages'
export { type StarterQuestion, weeksFromStarters } from './starters'
export { crowded, stepCloud } from './step'
