export { planLog, type PlanLog, type PlanStep, planSteps } from './planSteps'
export { planGroups, plannedNetL, type SetUpAdvice, setUpAdvice, usualTank } from './setUpAdvice'
export type { SetUpCheck } from './setUpChecks'
