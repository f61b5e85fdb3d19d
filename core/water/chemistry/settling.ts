import type { Water } from '#core/records'
import { type CarbonateSystem, carbonateSystem } from './carbonate'
import { waterOfKh } from './hardness'

/**
 * Dissolved CO2 of a glass that is stirred by air and holds animals, mg/L (from memory): water that stood in the open
 * is in step with fresh air at 0.6, and breathing of animals, plants and bacteria keeps a glass above it.
 */
export const USUAL_CO2 = { low: 0.6, usual: 3, high: 6 } as const

/** A glass's usual temperature, °C, where it has none of its own (from memory). */
export const USUAL_C = 23

/** Where bisection looks for a pH; every water of a keeper lies inside. */
const SEARCH = [3, 11] as const
const HALVINGS = 40

/**
 * The pH from which something of a water's carbonate holds that does not below it.
 * @param holds stays true as pH rises
 */
export function phWhere(w: Water, temperatureC: number, holds: (system: CarbonateSystem) => boolean): number {
  let [low, high] = SEARCH as readonly [number, number]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (holds(carbonateSystem(w, middle, temperatureC))) high = middle
    else low = middle
  }
  return (low + high) / 2
}

/**
 * The pH at which a water holds some dissolved CO2: alkalinity against carbonic acid, corrected for activity.
 * @param w amounts, of which alkalinity and ionic strength count
 * @param co2MgL dissolved CO2, above 0
 * @param temperatureC 0 to 45 °C
 * @throws RangeError outside these limits
 */
export function phAtCo2(w: Water, co2MgL: number, temperatureC: number): number {
  if (!(co2MgL > 0)) throw new RangeError(`co2MgL must be above 0, got ${co2MgL}`)
  // CO2 falls as pH rises
  return phWhere(w, temperatureC, s => s.co2MgL <= co2MgL)
}

/** A pH with the range that the doubt about CO2 leaves. */
export interface SettlingPh {
  value: number
  low: number
  high: number
}

/**
 * The pH at which a water settles once it is stirred in a glass with life in it. Acids of leaves, peat and active soil,
 * and injected CO2, lower it further.
 */
export const settlingPh = (w: Water, temperatureC: number): SettlingPh => ({
  value: phAtCo2(w, USUAL_CO2.usual, temperatureC),
  low: phAtCo2(w, USUAL_CO2.high, temperatureC),
  high: phAtCo2(w, USUAL_CO2.low, temperatureC),
})

/** KH is looked for up to here, °dH. */
const MOST_KH = 40

/**
 * The KH at which a soft, otherwise pure water holds a pH at some dissolved CO2.
 * @returns °dH, at most 40
 */
export function khForPh(ph: number, co2MgL: number, temperatureC: number): number {
  let low = 0
  let high = MOST_KH
  for (let i = 0; i < HALVINGS; i++) {
    const kh = (low + high) / 2
    if (phAtCo2(waterOfKh(kh), co2MgL, temperatureC) < ph) low = kh
    else high = kh
  }
  return (low + high) / 2
}
