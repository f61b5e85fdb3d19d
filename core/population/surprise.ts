import { WEEK_MS } from '#core/records'
import type { State } from './kalman'
import type { JudgedCount } from './population'

/** Below this |z| a count is believed fully, up to FAR_Z in part (Huber), beyond not at all unless the next one agrees. */
export const NEAR_Z = 2
export const FAR_Z = 3.2

/** Two counts in a row off to the same side, by so many standard deviations each and together, may mean a change. */
export const PAIR_EACH_Z = 0.8
const PAIR_SUM_Z = 3.1

/** How fast a number may move between two surprising counts that still agree with each other, per week on the log scale (from memory). */
const AGREE_PER_WEEK = 0.05

/** Chance that a count too far off to be believed is true after all (from memory). */
export const SLIP_TRUE = 0.1

/** A count that was not quite expected, by z standard deviations, and the count before it. */
export interface Surprise { entryId: string, before: string | null, at: number, z: number, y: number, r: number }

/** Whether two surprising counts tell the same story: off to the same side, and near each other. */
export function agree(a: Surprise, b: Surprise): boolean {
  const drift = AGREE_PER_WEEK * (b.at - a.at) / WEEK_MS
  return Math.sign(a.z) === Math.sign(b.z) && Math.abs(a.z + b.z) > PAIR_SUM_Z && Math.abs(b.y - a.y) <= NEAR_Z * Math.sqrt(a.r + b.r + drift * drift)
}

/** Weeks from the count before the newest one, or from the start, to the newest one. */
export const weeksBefore = (counts: readonly JudgedCount[], startMs: number): number => Math.max(1, (counts.at(-1)!.at - (counts.at(-2)?.at ?? startMs)) / WEEK_MS)

/**
 * A state torn between two stories: the newest count is a slip, or things have changed since the count before. Until
 * another count settles it the spread of the mixture is added (moment matching), along the line from one to the other.
 * @param gap from the state's level to the count's, log scale
 * @param weeks in which the change would have come about
 * @param chance that things have changed
 */
export function torn(s: State, gap: number, weeks: number, chance: number): State {
  const mix = chance * (1 - chance) * gap * gap
  return { ...s, p00: s.p00 + mix, p01: s.p01 + mix / weeks, p11: s.p11 + mix / (weeks * weeks) }
}
