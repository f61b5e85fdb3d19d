export { teachEachOther } from './broodLengths'
export {
  type ColonyStatements,
  colonyStatements,
  firstLook,
  questionFrom,
  type StatementInput,
  type TaughtBy,
} from './colonyStatements'
export { BROOD_SIGHT } from './effects'
export { headingStatement } from './headingStatement'
export { type MoltCause, moltCauses } from './moltCauses'
export { type MoltsTold } from './moltStatement'
export { noneLeft } from './numberStatement'
export { questionOf } from './questionOf'
export type { SizesTold } from './sizesTold'
export { type Statement, type StatementKey, type WaterStatement } from './statement'
export { heldBack, offeredToday } from './surplusStatement'
export { urgency } from './waterStatement'
export { type PoolTrouble, poolTroubles } from './poolTroubles'
