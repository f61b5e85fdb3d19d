import type { Basis, EquipmentPart, FoodKind, ValueKey } from '#core/records'

/** Bases of the figures below. */
export const CP: Basis = { kind: 'commonPractice' }
export const M: Basis = { kind: 'memory' }

/** Days of the log that care follows from: no rhythm is longer, and what is older counts as not done of late. */
export const CARE_LOG_DAYS = 150

/**
 * Days between two tests of a value that is steady and well read (from memory). Poisons are tested while they are
 * found.
 */
export const TEST_DAYS: Readonly<Partial<Record<ValueKey, number>>> = {
  temperatureC: 7,
  humidityPct: 4,
  conductivityUsCm: 14,
  salinityGKg: 14,
  ph: 21,
  ghDh: 28,
  khDh: 28,
  nitrateMgL: 42,
  calciumMgL: 60,
  ammoniaMgL: 7,
  nitriteMgL: 7,
}
/** Values that are asked for even where they were never tested: with them most trouble begins (common practice). */
export const FIRST_TESTS: readonly ValueKey[] = ['temperatureC', 'ghDh', 'khDh', 'ph', 'salinityGKg', 'humidityPct']
/** Values that are asked for only after they were found. */
export const POISONS: readonly ValueKey[] = ['ammoniaMgL', 'nitriteMgL', 'copperMgL']
/** What is tested where more die than usual: what they need, and what poisons them first (common practice). */
export const DYING_TESTS: readonly ValueKey[] = [...FIRST_TESTS, 'ammoniaMgL', 'nitriteMgL']
/** Minutes that a test takes: a probe is read, a kit is dripped and shaken (from memory). */
export const testMinutes = (key: ValueKey): number =>
  ['temperatureC', 'humidityPct', 'conductivityUsCm', 'salinityGKg'].includes(key) ? 0.5 : 3

/** Hours after which leftovers are taken out (from memory; that they are taken out at all is common practice). */
export const LEFTOVER_HOURS: Readonly<Record<FoodKind, number | null>> = {
  pellet: 3,
  protein: 2,
  greens: 24,
  powder: null,
}
/** Evaporated water is replaced once or twice a week (common practice). */
export const TOP_UP_DAYS = 5
/** Days between looks at cover, intake sponge and flow (common practice: weekly). */
export const EQUIPMENT_DAYS = 7
/** Days in which young count as seen: powder is fed while they are small (from memory). */
export const YOUNG_DAYS = 21
/** Days between counts when one would tell much, and when it would tell little (from memory). */
export const COUNT_DAYS = { soon: 28, late: 56 }
/** A count that narrows the range by so much is worth its time (from memory). */
export const WORTH_COUNTING = 0.3
/** Active soil lasts one to two years (common practice). */
export const SOIL_DAYS = { first: 365, last: 730 }
/** Days between looks at a clutch before its window, and within it (from memory). */
export const CLUTCH_DAYS = { before: 3, hatching: 1 }

/** Parts of the equipment by whether a group's glass has them. */
export const EQUIPMENT: Readonly<
  Record<EquipmentPart, (has: { climbs: boolean; filter: boolean; warm: boolean }) => boolean>
> = {
  cover: h => h.climbs,
  intake: h => h.filter,
  flow: h => h.filter,
  heater: h => h.warm,
  light: () => false,
}
