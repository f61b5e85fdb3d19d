/**
 * Stages of a life, and the rows of a cloud. A cloud is one flat array of many possible colonies ("particles"), row by
 * row: all first eggs, then all second eggs, and so on. One row is one contiguous block, so that the loops that touch
 * two or three rows stay in the cache.
 *
 * Eggs and young pass through two rooms each: time in one room alone would be exponential, and some would be grown in a
 * week (linear chain trick; MacDonald 1978, Time Lags in Biological Models).
 */
export const EGGS_1 = 0
export const EGGS_2 = 1
/** hatchlings or larvae: there, but too small to be counted */
export const FIRST = 2
export const YOUNG_1 = 3
export const YOUNG_2 = 4
/** adult females, or hermaphrodites */
export const FEMALES = 5
export const MALES = 6
export const STAGES = 7

/** How well things go at present, on the log scale: moves births up and deaths down, and wanders. */
export const MOOD = 7
/**
 * What is learnt, on the log scale and centred on the group's default: young that come up, deaths, room, share of
 * animals and share of broods that are seen.
 */
export const RECRUITS = 8
export const LOSSES = 9
export const ROOM = 10
export const SEEN = 11
export const SIGHT = 12
/** how steeply crowding sets in: a power, whose logarithm is kept */
export const SHAPE = 13
/** Rows that a possible colony needs to live on. */
export const ROWS = 14
export const PARAMETERS = [RECRUITS, LOSSES, ROOM, SEEN, SIGHT, SHAPE] as const

/** What people call the stages; eggs and young are the sum of their two rooms. */
export const stageNames = ['eggs', 'first', 'young', 'females', 'males'] as const
export type StageName = (typeof stageNames)[number]
/** Rows of each named stage. */
export const stageRows: Readonly<Record<StageName, readonly number[]>> = {
  eggs: [EGGS_1, EGGS_2],
  first: [FIRST],
  young: [YOUNG_1, YOUNG_2],
  females: [FEMALES],
  males: [MALES],
}

/**
 * Animals that are counted: half-grown and grown. Hatchlings are there, but a number that leaps with every hatch would
 * tell nobody anything.
 */
export const counted = (cloud: Float64Array, size: number, i: number): number =>
  cloud[YOUNG_1 * size + i]! + cloud[YOUNG_2 * size + i]! + cloud[FEMALES * size + i]! + cloud[MALES * size + i]!
