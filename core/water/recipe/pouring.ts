import { largestPerHour } from '../husbandry/acclimation'
import { readoutsOf } from '../chemistry/readouts'
import type { SolvedChange } from './change'

/** Shortest time in which a change is poured in, minutes (from memory: a slow siphon). */
const LEAST_MINUTES = 15

/**
 * Minutes over which new water is dripped or siphoned in, so that no value moves faster than an acclimation would let
 * it.
 * @returns whole five minutes
 */
export function pouringMinutes({ before, after }: Pick<SolvedChange, 'before' | 'after'>): number {
  const a = readoutsOf(before)
  const b = readoutsOf(after)
  let minutes = LEAST_MINUTES
  for (const key of ['ghDh', 'khDh', 'conductivityUsCm', 'salinityGKg'] as const)
    minutes = Math.max(minutes, (Math.abs(b[key] - a[key]) / largestPerHour[key]) * 60)
  return Math.ceil(minutes / 5) * 5
}
