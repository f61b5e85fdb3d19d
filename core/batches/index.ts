export {
  type BatchAsked,
  type BatchBelief,
  batchBelief,
  type BatchSeen,
  courseBetween,
  type CoursePoint,
  momentOf,
  rangeOf,
  stagesAt,
  standingOfAll,
  toCome,
  wayAt,
} from './belief'
export { type Course, courseFrom, dayOf, dimsOf, livesThrough, standingAt } from './course'
export { batchLaw, type BatchLaw, type BatchStage, larvaStages, poolStages } from './law'
export { type BatchLook, leftAfter, lookChances } from './looks'
export { SAMPLE_DAYS } from './seen'
export { aimOf, NEAR_GKG, saltDown, type SaltStep, saltUp, wayBack } from './saltSteps'
export { type BatchInput, type BatchRead, type BatchTold, readBatch, type StageTold } from './told'
