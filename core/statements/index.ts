export { type ColonyStatements, colonyStatements, type Statement, type StatementInput, type StatementKey } from './colonyStatements'
export { questionOf } from './questionOf'
