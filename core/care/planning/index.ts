export { planLog, type PlanLog, type PlanStep, planSteps } from './planSteps'
export { planGroups, plannedNetL, type SetUpAdvice, setUpAdvice, type SetUpCheck, usualTank } from './setUpAdvice'
