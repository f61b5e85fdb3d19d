import type { ResolvedGroup } from '#core/groups'
import { DAY_MS } from '#core/records'

const HOUR_MS = DAY_MS / 24

/** A step of salt: when it is due, what the water should hold then, and when it did; null while it does not. */
export interface SaltStep {
  atMs: number
  gKg: number
  doneMs: number | null
}
/** A reading of salt, g/kg. */
interface SaltReading {
  at: number
  value: number
}

/** Steps from fresh to sea: a fourth at once, the rest within the hours that the group names. */
const STEPS_UP = 4
/** A reading so near to a step, g/kg, is there (from memory): a refractometer tells no more. */
export const NEAR_GKG = 1.5
/** A tub may be filled with salt water before they hatch. */
const BEFORE_MS = 3 * DAY_MS

/** Salinity that larvae are brought to, g/kg: the keeper's own middle, or the group's. */
export function aimOf({ group, targets }: Pick<ResolvedGroup, 'group' | 'targets'>): number {
  const target = targets.salinityGKg
  if (target?.basis.kind === 'keeper') return (target.preferred[0] + target.preferred[1]) / 2
  return group.larvae!.aimGKg.value
}

/**
 * Steps of salt after the hatch.
 * @param beganMs when they hatched
 * @param readings of the tub, in order of time, with those that follow from logged changes
 */
export function saltUp(
  resolved: Pick<ResolvedGroup, 'group' | 'targets'>,
  beganMs: number,
  readings: readonly SaltReading[],
): SaltStep[] {
  const aim = aimOf(resolved)
  const hours = resolved.group.larvae!.upHours.value
  return Array.from({ length: STEPS_UP }, (_, i) => {
    const gKg = (aim * (i + 1)) / STEPS_UP
    const done = readings.find(r => r.at >= beganMs - BEFORE_MS && r.value >= gKg - NEAR_GKG)
    return {
      atMs: beganMs + (hours * HOUR_MS * i) / (STEPS_UP - 1),
      gKg,
      doneMs: done ? Math.max(beganMs, done.at) : null,
    }
  })
}

/** Below this the water is fresh enough for them to stay (Venice System 1958: limnetic below 0.5, with the near). */
const FRESH_GKG = 0.5

/**
 * The way back from the sea, a day apart, as it is planned.
 * @returns none from water that is fresh already
 */
export function wayBack({ group }: Pick<ResolvedGroup, 'group'>, fromMs: number, fromGKg: number): SaltStep[] {
  if (fromGKg <= FRESH_GKG + NEAR_GKG) return []
  const days = group.larvae!.downDays.value
  return Array.from({ length: days }, (_, i) => ({
    atMs: fromMs + (i + 1) * DAY_MS,
    gKg: fromGKg * (1 - (i + 1) / days),
    doneMs: null,
  }))
}

/**
 * Steps of the way back of those that were picked.
 * @param pickedMs when they were taken out of the tub
 * @param readings of the glass that they came into
 * @returns none where that glass is fresh already
 */
export function saltDown(
  resolved: Pick<ResolvedGroup, 'group'>,
  pickedMs: number,
  readings: readonly SaltReading[],
): SaltStep[] {
  const then = readings.findLast(r => r.at <= pickedMs) ?? readings.find(r => r.at > pickedMs)
  if (!then) return []
  return wayBack(resolved, pickedMs, then.value).map(step => ({
    ...step,
    doneMs: readings.find(r => r.at > pickedMs && r.value <= step.gKg + NEAR_GKG)?.at ?? null,
  }))
}
