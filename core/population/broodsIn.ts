import { EGG_ROOMS } from '#core/broods'
import { EGGS } from './stages'

/** Broods under way in one possible colony: females that carry, masses or clutches. */
export function broodsIn(cloud: Float64Array, size: number, i: number): number {
  let sum = 0
  for (let room = 0; room < EGG_ROOMS; room++) sum += cloud[(EGGS + room) * size + i]!
  return sum
}
