import type { MoltIntervals } from './moltCourse'

/** Share of the animals that are taken for young where no stages are known (from memory: a growing colony). */
const YOUNG_SHARE = 0.35

/**
 * Molts to expect in a stretch of days: each animal sheds its skin once in its interval (common practice: young about
 * weekly, adults about every four weeks). Most skins are never found: others eat them and they drift behind leaves, so
 * few seen is no bad sign by itself.
 * @param n animals, with the ends of their likely range
 * @param days since somebody looked last
 * @param youngShare of the animals that are not grown yet, as the stages have it
 * @returns molts that happen, with the range that follows from the numbers; null for animals that do not molt
 */
export function expectedMolts(
  molts: MoltIntervals | undefined,
  n: { value: number; low: number; high: number },
  days: number,
  youngShare = YOUNG_SHARE,
): { value: number; low: number; high: number } | null {
  if (!molts || !(days > 0)) return null
  const perAnimal = (days / 7) * (youngShare / molts.youngWeeks.value + (1 - youngShare) / molts.adultWeeks.value)
  return { value: n.value * perAnimal, low: n.low * perAnimal, high: n.high * perAnimal }
}
