export { type Attention, needsAttention } from './attention'
export { type DueItem, dueFromPlans, type PlanStep, planSteps } from './planSteps'
export { planGroups, plannedNetL, type SetUpAdvice, setUpAdvice, type SetUpCheck } from './setUpAdvice'
