export { type Attention, needsAttention } from './attention'
export { type DueItem, dueFromPlans, planLog, type PlanLog, type PlanStep, planSteps } from './planSteps'
export { planGroups, plannedNetL, type SetUpAdvice, setUpAdvice, type SetUpCheck, usualTank } from './setUpAdvice'
