import type { ResolvedGroup } from '#core/groups'
import { CURED } from '#core/water'
import { DAY_MS, type Entry, madeMs, momentMs, type Plan, type PlanStepId, planStepIds, WEEK_MS } from '#core/records'
import { planGroups } from './setUpAdvice'
import { wantsHeater } from './warmth'

/** A step of a plan with its day. It may be done a little early or late; what matters is the order. */
export interface PlanStep {
  id: PlanStepId
  dueMs: number
  /** when it was done, ms; null while it is open */
  doneMs: number | null
  /** numbers for the sentence */
  values: Record<string, number | string>
}

/** What the log of a plan's glass says of its steps, so that nobody ticks what was logged. */
export interface PlanLog {
  filledMs: number | null
  /** tests of both ammonia and nitrite; clean when both were none */
  tests: { at: number; clean: boolean }[]
  /** when growth was seen first, and which */
  grown: { biofilm: number | null; algae: number | null }
}

/** A fill counts as the first one from so much of the net litres on: the last litres often follow later. */
const FILLED_SHARE = 0.8
/** A test that was made so early still stands for its step. */
const EARLY_DAYS = 4
const testSteps: readonly PlanStepId[] = ['firstTest', 'midTest', 'readyTest']

/**
 * Reads the log of a plan's glass.
 * @param entries standing entries of the glass, any order
 * @param netL litres of water that the plan reckons with
 */
export function planLog(entries: readonly Entry[], netL: number): PlanLog {
  const fills = entries
    .filter(e => e.kind === 'waterChange' && e.litres >= FILLED_SHARE * netL)
    .map(e => momentMs(e.at))
  const tests = entries.flatMap(e => {
    if (e.kind !== 'waterTest' || !e.readings.ammoniaMgL || !e.readings.nitriteMgL) return []
    return [
      {
        at: momentMs(e.at),
        clean: e.readings.ammoniaMgL.value <= CURED.ammonia && e.readings.nitriteMgL.value <= CURED.nitrite,
      },
    ]
  })
  const grownMs = (what: 'biofilm' | 'algae') => {
    const seen = entries.flatMap(e =>
      e.kind === 'growth' && e[what] !== undefined && e[what] !== 'none' ? [momentMs(e.at)] : [],
    )
    return seen.length > 0 ? Math.min(...seen) : null
  }
  return {
    filledMs: fills.length > 0 ? Math.min(...fills) : null,
    tests: tests.sort((a, b) => a.at - b.at),
    grown: { biofilm: grownMs('biofilm'), algae: grownMs('algae') },
  }
}

const equipmentOf = ({ tank }: Plan) => ({ filter: tank.filterRatedL > 0 ? 1 : 0, cover: tank.cover ? 1 : 0 })

/**
 * The steps of a plan in order of time, reckoned from the day of the first fill: what is prepared before, the curing
 * with its tests (common practice: four to eight weeks), bringing in, and the first count.
 * @param log what the glass's log says: a logged first fill, logged tests and growth that was seen are done, ticked or
 * not
 */
export function planSteps(
  plan: Plan,
  log: PlanLog = { filledMs: null, tests: [], grown: { biofilm: null, algae: null } },
): PlanStep[] {
  const [{ group, targets }] = planGroups(plan) as [ResolvedGroup]
  const { setup } = group
  const start = momentMs(plan.startsAt)
  const [least] = setup.cureWeeks.range
  const ready = start + least * WEEK_MS
  const target = targets.temperatureC
  const settleC = setup.settleC?.value
  // where they are settled in what is right for breeding already, nobody has to warm anything
  const warms = settleC !== undefined && target && (settleC < target.preferred[0] || settleC > target.preferred[1])
  /** days before the fill, but never before there was a plan */
  const before = (days: number) => Math.min(start, Math.max(madeMs(plan.id), start - days * DAY_MS))
  const due: Partial<Record<PlanStepId, [number, Record<string, number | string>?]>> = {
    legal: [before(7)],
    place: [before(1), { kg: plan.tank.grossL * 1.25 }],
    substrate:
      plan.tank.substrate && plan.tank.substrate.kind !== 'none'
        ? [before(1), { kind: plan.tank.substrate.kind, depth: plan.tank.substrate.depthCm }]
        : undefined,
    carbonate: plan.tank.carbonateGL > 0 ? [before(1), { gL: plan.tank.carbonateGL }] : undefined,
    equipment: [before(1), { ...equipmentOf(plan), heater: wantsHeater(target, plan.roomC) ? 1 : 0 }],
    fill: [start],
    start: [start + DAY_MS],
    firstTest: [start + 7 * DAY_MS],
    midTest: least >= 3 ? [start + Math.round(least / 2) * WEEK_MS] : undefined,
    grown: setup.grazes ? [ready - WEEK_MS] : undefined,
    readyTest: [ready],
    settle: [ready + 4 * DAY_MS, { n: plan.starters[0]!, ...(settleC !== undefined && { c: settleC }) }],
    warm: warms
      ? [ready + 4 * DAY_MS + 2 * WEEK_MS, { low: target.preferred[0], high: target.preferred[1] }]
      : undefined,
    firstCount: [ready + 4 * DAY_MS + 4 * WEEK_MS],
  }
  // each test stands for one step, in order
  const tests = [...log.tests]
  const logged = (id: PlanStepId, dueMs: number): number | null => {
    if (id === 'fill') return log.filledMs
    if (id === 'grown') return log.grown.biofilm ?? log.grown.algae
    if (!testSteps.includes(id)) return null
    // the last one has to be clean: a test that still finds nitrite is no reason to bring them in
    const i = tests.findIndex(t => t.at >= dueMs - EARLY_DAYS * DAY_MS && (id !== 'readyTest' || t.clean))
    return i < 0 ? null : tests.splice(0, i + 1).at(-1)!.at
  }
  return planStepIds
    .flatMap(id => {
      const entry = due[id]
      if (!entry) return []
      const ticked = plan.done[id]
      const doneMs = ticked === undefined ? logged(id, entry[0]) : momentMs(ticked)
      return [{ id, dueMs: entry[0], doneMs, values: entry[1] ?? {} }]
    })
    .sort((a, b) => a.dueMs - b.dueMs || planStepIds.indexOf(a.id) - planStepIds.indexOf(b.id))
}
