import { normalBelow } from '#core/stats'
import { EYED_FROM, EYED_SD } from './hatchDays'

/**
 * Rooms that carried and laid eggs pass through in the model of numbers, each for an equal share of the development:
 * from the first into the second and on, and out of the last one they hatch.
 */
export const EGG_ROOMS = 8

/** How broods go through the rooms in one step. */
export interface EggQueue {
  /** chance to move on by none, one, two … rooms */
  hop: number[]
  /** share of the broods laid in a step that is in each room at its end: they were laid all through it */
  start: number[]
}

/** Eggs that wait for the pool to dry and fill again. */
export const RESTING: EggQueue = { hop: [1], start: [1, ...Array.from({ length: EGG_ROOMS - 1 }, () => 0)] }

/**
 * The queue that gives a hatch time of some mean and spread. In a step a brood develops by a certain share; it moves on
 * by the whole rooms in it, by one more with the chance of what is left over, and now and then by one more or fewer, so
 * that the spread of a whole development is that of the law of hatching.
 * @param lengthSteps steps from laying to the hatch, on average
 * @param sdLog spread of that length, as a share of it
 * @throws RangeError for a length that is not above 0
 */
export function eggQueue(lengthSteps: number, sdLog: number): EggQueue {
  if (!(lengthSteps > 0)) throw new RangeError(`the length must be above 0 steps, got ${lengthSteps}`)
  const advance = EGG_ROOMS / lengthSteps
  const start = Array.from({ length: EGG_ROOMS }, (_, room) => overlap(room, Math.min(advance, EGG_ROOMS)))
  const whole = Math.floor(advance)
  const rest = advance - whole
  // variances of steps add up: a share of the whole one falls to each
  const wanted = (sdLog * EGG_ROOMS) ** 2 / Math.max(1, lengthSteps)
  const more = Math.max(0, wanted - rest * (1 - rest))
  if (whole === 0) {
    const two = Math.min(rest, more) / 2
    return { start, hop: [1 - rest + two, rest - 2 * two, two] }
  }
  const kick = Math.min(0.8, more)
  const hop = Array.from({ length: whole + 3 }, () => 0)
  for (const [by, chance] of [
    [-1, kick / 2],
    [0, 1 - kick],
    [1, kick / 2],
  ] as const) {
    hop[whole + by] = hop[whole + by]! + chance * (1 - rest)
    hop[whole + by + 1] = hop[whole + by + 1]! + chance * rest
  }
  return { start, hop }
}

/** Share of the stretch from 0 to an end that lies in a room. */
const overlap = (room: number, end: number) => Math.max(0, Math.min(room + 1, end) - room) / end

/** Share of the broods of each room that show eyes. */
export const EYED_ROOMS: readonly number[] = Array.from({ length: EGG_ROOMS }, (_, room) =>
  normalBelow((room + 0.5) / EGG_ROOMS, EYED_FROM, EYED_SD),
)
