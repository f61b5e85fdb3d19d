import type { Water } from '#core/records'
import { amountKeys, pureWater } from './ions'
import type { Dose } from './salts'

/**
 * Mixes waters: every amount is conserved.
 * @param parts waters with their litres, 0 or more, together above 0
 * @throws RangeError when litres are negative or all zero
 */
export function blend(parts: readonly { water: Water; litres: number }[]): Water {
  let total = 0
  const sum: Water = { ...pureWater }
  for (const { water, litres } of parts) {
    if (!(litres >= 0)) throw new RangeError(`litres must be 0 or more, got ${litres}`)
    total += litres
    for (const key of amountKeys) sum[key] += water[key] * litres
  }
  if (!(total > 0)) throw new RangeError('litres must be above 0 together, got 0')
  for (const key of amountKeys) sum[key] /= total
  return sum
}

/**
 * Dissolves grams in a volume. The volume that the salt itself takes is ignored.
 * @throws RangeError for litres not above 0 or negative grams
 */
export function dissolve(water: Water, litres: number, additions: readonly { dose: Dose; grams: number }[]): Water {
  if (!(litres > 0)) throw new RangeError(`litres must be above 0, got ${litres}`)
  const out: Water = { ...water }
  for (const { dose, grams } of additions) {
    if (!(grams >= 0)) throw new RangeError(`grams must be 0 or more, got ${grams}`)
    for (const key of amountKeys) out[key] += (dose.perGramL[key] * grams) / litres
  }
  return out
}

/**
 * A tank after a part of it was exchanged.
 * @param share of the water that is exchanged, 0 to 1
 * @throws RangeError for a share outside 0 to 1
 */
export function changed(tank: Water, share: number, added: Water): Water {
  const out: Water = { ...pureWater }
  for (const key of amountKeys) out[key] = afterChange(tank[key], share, added[key])
  return out
}

/**
 * Concentration after a change: c' = (1 − f)c + f·c_new, for anything that mixes and is conserved.
 * @param current in the glass before
 * @param share of the water that is exchanged, 0 to 1
 * @param added in the new water
 * @throws RangeError for a share outside 0 to 1
 */
export function afterChange(current: number, share: number, added: number): number {
  if (!(share >= 0 && share <= 1)) throw new RangeError(`share must lie in 0 to 1, got ${share}`)
  return (1 - share) * current + share * added
}

/**
 * Water that evaporates leaves everything else behind.
 * @param netL litres before
 * @param lostL litres that went, less than all
 * @throws RangeError when nothing or less would be left
 */
export function evaporated(tank: Water, netL: number, lostL: number): Water {
  if (!(lostL >= 0 && lostL < netL)) throw new RangeError(`lostL must lie in 0 to less than ${netL}, got ${lostL}`)
  const out: Water = { ...pureWater }
  for (const key of amountKeys) out[key] = (tank[key] * netL) / (netL - lostL)
  return out
}
