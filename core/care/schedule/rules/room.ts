import { CALIBRATION_DAYS } from '#core/water'
import { DAY_MS, type Entry, momentMs } from '#core/records'
import { planLog, plannedNetL, planSteps } from '../../planning'
import { CARE_LOG_DAYS, CP, M, SOIL_DAYS } from '../figures'
import type { DueItem, GlassCare, RoomCareInput } from '../item'
import { item } from './tools'

/**
 * The next open step of every plan that has become a glass. A plan that has not asks for nothing: it is only thought
 * about.
 */
export function planRule({ plans, glasses, nowMs }: RoomCareInput): DueItem[] {
  return plans.flatMap((plan): DueItem[] => {
    const glass = glasses.find(g => g.glass.id === plan.glassId)
    // the log of an older one is not read any more: what it proves would look undone
    if (plan.ended || !glass || momentMs(plan.startsAt) < nowMs - CARE_LOG_DAYS * DAY_MS) return []
    const step = planSteps(plan, planLog(glass.entries, plannedNetL(plan))).find(s => s.doneMs === null)
    if (!step) return []
    return [
      item({
        key: `plan:${plan.id}:${step.id}`,
        kind: 'planStep',
        glassId: glass.glass.id,
        planId: plan.id,
        dueMs: step.dueMs,
        everyDays: null,
        earlyDays: 1,
        lateDays: 7,
        minutes: 10,
        // the plan names its day, and so does the curing
        flexible: false,
        why: 'planNext',
        whyValues: { plan: plan.name, days: (nowMs - step.dueMs) / DAY_MS },
        basis: CP,
        values: { ...step.values, step: step.id },
      }),
    ]
  })
}

/** Probes that are read see known solutions again from time to time. */
export function calibrationRule({ roomId, glasses, bench, nowMs }: RoomCareInput): DueItem[] {
  const tests = glasses.flatMap(g =>
    g.entries.filter((e): e is Extract<Entry, { kind: 'waterTest' }> => e.kind === 'waterTest'),
  )
  return (['ph', 'conductivityUsCm'] as const).flatMap((probe): DueItem[] => {
    const uses = tests.filter(e => e.readings[probe]?.method === 'probe').map(e => momentMs(e.at))
    const done = bench.calibrations[probe]
    if (uses.length === 0) return []
    const lastMs = done ? momentMs(done.at) : null
    return [
      item({
        key: `calibration:${roomId}:${probe}`,
        kind: 'calibration',
        dueMs: lastMs === null ? Math.min(...uses) : lastMs + CALIBRATION_DAYS * DAY_MS,
        everyDays: CALIBRATION_DAYS,
        earlyDays: 7,
        lateDays: CALIBRATION_DAYS,
        minutes: 10,
        flexible: true,
        why: lastMs === null ? 'calibrateNever' : 'calibrateEvery',
        whyValues: { probe, every: CALIBRATION_DAYS, days: lastMs === null ? 0 : (nowMs - lastMs) / DAY_MS },
        basis: M,
        values: { probe },
      }),
    ]
  })
}

/** Active soil is spent after one to two years: KH and pH then wander. */
export function soilRule({ glass }: GlassCare, nowMs: number): DueItem[] {
  if (!glass.soilSince) return []
  const since = momentMs(glass.soilSince)
  return [
    item({
      key: `soil:${glass.id}`,
      kind: 'soil',
      glassId: glass.id,
      dueMs: since + SOIL_DAYS.first * DAY_MS,
      everyDays: null,
      earlyDays: 30,
      lateDays: SOIL_DAYS.last - SOIL_DAYS.first,
      minutes: 90,
      flexible: true,
      why: 'soilOld',
      whyValues: { days: (nowMs - since) / DAY_MS },
      basis: CP,
      values: {},
    }),
  ]
}
