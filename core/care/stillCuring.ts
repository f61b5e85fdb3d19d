import { DAY_MS, type Entry, momentMs, type Plan } from '#core/records'
import { planLog, plannedNetL, planSteps } from './planning'
import { CARE_LOG_DAYS } from './schedule'

/**
 * Whether a planned glass still waits for its clean test. A plan that began before the log of care reaches back says
 * nothing any more: its tests are out of sight.
 * @param entries of the glass, as far back as care looks
 */
export function stillCuring(plan: Plan, entries: readonly Entry[], nowMs: number): boolean {
  if (momentMs(plan.startsAt) < nowMs - CARE_LOG_DAYS * DAY_MS) return false
  const steps = planSteps(plan, planLog(entries, plannedNetL(plan)))
  return steps.find(s => s.id === 'readyTest')?.doneMs === null
}
