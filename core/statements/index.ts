export { type ColonyStatements, colonyStatements, type Statement, type StatementInput, type StatementKey, urgency } from './colonyStatements'
export { questionOf } from './questionOf'
