import type { Random } from '#core/stats'

export type { Random } from '#core/stats'
/** A standard normal number (Box & Muller 1958). */
export const normalBy = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
