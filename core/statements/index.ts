export { broodLengths } from './broodLengths'
export {
  type ColonyStatements,
  colonyStatements,
  firstLook,
  questionFrom,
  type StatementInput,
} from './colonyStatements'
export { headingStatement } from './headingStatement'
export { type MoltCause, moltCauses } from './moltCauses'
export { type MoltsTold } from './moltStatement'
export { noneLeft } from './numberStatement'
export { questionOf } from './questionOf'
export { type Statement, type StatementKey, type WaterStatement } from './statement'
export { heldBack, offeredToday } from './surplusStatement'
export { urgency } from './waterStatement'
