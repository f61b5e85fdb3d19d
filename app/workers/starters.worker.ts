import { expose } from 'comlink'
import { drawFutureNoise, starterModel, weeksToReach, type WeeksToReach } from '#core/population'
import { seededRandom } from '#core/stats'

/** Futures that a plan is lived through, and how far: three years. */
const FUTURES = 200
const WEEKS = 156
const noise = drawFutureNoise(seededRandom(3), FUTURES, WEEKS)

/** What is asked of a starting number. */
export interface StarterQuestion { starters: number, number: number, growth: { value: number, sd: number }, turnoverPerWeek: number, capacity: number }

/** Weeks until a number is reached from a number of starters; the same draws for all, so that differences are real. */
const weeks = ({ starters, number, growth, turnoverPerWeek, capacity }: StarterQuestion): WeeksToReach => weeksToReach(number, starterModel(starters, growth, turnoverPerWeek, capacity), noise)
const api = { weeks }
export type StartersApi = typeof api
expose(api)
