export {
  type ColonyStatements,
  colonyStatements,
  firstLook,
  questionFrom,
  type StatementInput,
} from './colonyStatements'
export { questionOf } from './questionOf'
export { type Statement, type StatementKey, type WaterStatement } from './statement'
export { urgency } from './waterStatement'
