import { EGG_ROOMS } from '#core/broods'

/**
 * Stages of a life, and the rows of a cloud. A cloud is one flat array of many possible colonies ("particles"), row by
 * row: all broods in the first room, then all in the second, and so on. One row is one contiguous block, so that the
 * loops that touch two or three rows stay in the cache.
 *
 * Eggs are kept as broods, in rooms by how far they are (`#core/broods`): a brood hatches as one, nearly on its day.
 * Young pass through two rooms: time in one room alone would be exponential, and some would be grown in a week (linear
 * chain trick; MacDonald 1978, Time Lags in Biological Models).
 */
export const EGGS = 0
/** hatchlings or larvae: there, but too small to be counted */
export const FIRST = EGGS + EGG_ROOMS
export const YOUNG_1 = FIRST + 1
export const YOUNG_2 = FIRST + 2
/** adult females, or hermaphrodites */
export const FEMALES = FIRST + 3
export const MALES = FIRST + 4
export const STAGES = FIRST + 5

/** How well things go at present, on the log scale: moves births up and deaths down, and wanders. */
export const MOOD = STAGES
/**
 * What is learnt, on the log scale and centred on the group's default: young that come up, deaths, room, share of
 * animals and share of broods that are seen.
 */
export const RECRUITS = STAGES + 1
export const LOSSES = STAGES + 2
export const ROOM = STAGES + 3
export const SEEN = STAGES + 4
export const SIGHT = STAGES + 5
/** how steeply crowding sets in: a power, whose logarithm is kept */
export const SHAPE = STAGES + 6
/** Rows that a possible colony needs to live on. */
export const ROWS = STAGES + 7
export const PARAMETERS = [RECRUITS, LOSSES, ROOM, SEEN, SIGHT, SHAPE] as const

/** What people call the stages; eggs and young are the sum of their rooms. */
export const stageNames = ['eggs', 'first', 'young', 'females', 'males'] as const
export type StageName = (typeof stageNames)[number]
/** Rows of each named stage. */
export const stageRows: Readonly<Record<StageName, readonly number[]>> = {
  eggs: Array.from({ length: EGG_ROOMS }, (_, room) => EGGS + room),
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
