import type { ThermalClock } from '#core/warmth'
import { EGG_ROOMS } from './eggQueue'
import { EYED_FROM, type HatchDays, tellDays } from './hatchDays'
import type { HatchLaw } from './hatchLaw'

/** How far eggs are: what one sees of them. */
export type EggAge = 'fresh' | 'halfway' | 'eyed'

/** Broods that are about equally far, as the rooms of the model of numbers have them. */
export interface Cohort {
  age: EggAge
  /** broods in it, on average over the possible colonies */
  number: number
  hatch: HatchDays
}

/** Shares of the development from which eggs are called so; eyes show last. */
const FROM: readonly (readonly [EggAge, number])[] = [
  ['eyed', EYED_FROM],
  ['halfway', EYED_FROM / 2],
  ['fresh', 0],
]
/** Fewer broods than this are none. */
const HARDLY_ANY = 0.3
/** points in a room, and of the lengths that are still open */
const POINTS = 5
const LENGTHS = 31
const FAR = 3

/**
 * The broods of a colony whose looks do not tell when they began, by how far they are.
 *
 * What is left of a brood's development takes as long as the law says: the keeper's pace is felt in all of it, what
 * differs between broods grows with its root.
 * @param rooms broods in each room today
 */
export function cohortsOf(
  rooms: readonly number[],
  law: HatchLaw,
  { clock, nowMs }: { clock: ThermalClock; nowMs: number },
): Cohort[] {
  return FROM.flatMap(([age, from], nth) => {
    const to = nth === 0 ? 1 : FROM[nth - 1]![1]
    const parts = rooms.flatMap((number, room) => {
      const [low, high] = [Math.max(from, room / EGG_ROOMS), Math.min(to, (room + 1) / EGG_ROOMS)]
      return high > low ? [{ low, high, number: number * (high - low) * EGG_ROOMS }] : []
    })
    const number = parts.reduce((sum, p) => sum + p.number, 0)
    if (number < HARDLY_ANY) return []
    const [begins, hatches, weights] = [[] as number[], [] as number[], [] as number[]]
    const now = clock.daysAt(nowMs)
    const length = Math.exp(law.meanLog)
    for (const p of parts)
      for (let k = 0; k < POINTS; k++) {
        const done = p.low + ((k + 0.5) / POINTS) * (p.high - p.low)
        const sd = Math.hypot(law.paceSd, law.betweenSd / Math.sqrt(1 - done))
        for (let z = -FAR; z <= FAR; z += (2 * FAR) / (LENGTHS - 1)) {
          begins.push(now - done * length)
          hatches.push(now + (1 - done) * length * Math.exp(sd * z))
          weights.push((p.number / number / POINTS) * Math.exp(-0.5 * z * z))
        }
      }
    const total = weights.reduce((a, b) => a + b, 0)
    const grid = {
      begins: Float64Array.from(begins),
      hatches: Float64Array.from(hatches),
      weights: Float64Array.from(weights),
      total,
    }
    return [{ age, number, hatch: tellDays(grid, clock) }]
  })
}
