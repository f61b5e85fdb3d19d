export {
  type ColonyStatements,
  colonyStatements,
  questionFrom,
  type Statement,
  type StatementInput,
  type StatementKey,
  urgency,
} from './colonyStatements'
export { questionOf } from './questionOf'
