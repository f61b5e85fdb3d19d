import { type CarbonateSystem, carbonateSystem } from './carbonate'
import { waterOfKh } from './hardness'
import { molarMass } from './ions'
import { phWhere } from './settling'

/** A water as its tests tell of its carbonate. */
export interface BufferedWater {
  ph: number
  khDh: number
}

/** Dissolved inorganic carbon, mmol/L. */
const inorganicCarbon = ({ co2MgL, hco3MmolL, co3MmolL }: CarbonateSystem): number =>
  co2MgL / molarMass.CO2 + hco3MmolL + co3MmolL

/**
 * The pH of two fresh waters straight after mixing: alkalinity and inorganic carbon are conserved, and pH follows from
 * both (Stumm & Morgan, Aquatic Chemistry, ch. 4, from memory). All acid is taken for carbonic; in some hours the air
 * moves the mixture on towards the pH that it settles at.
 * @param share of the second water, 0 to 1
 * @param temperatureC 0 to 45 °C
 * @throws RangeError for a pH outside 3 to 11, or a temperature outside its limits
 */
export function mixedPh(first: BufferedWater, second: BufferedWater, share: number, temperatureC: number): number {
  const mixed = (a: number, b: number) => (1 - share) * a + share * b
  const carbonOf = ({ ph, khDh }: BufferedWater) => inorganicCarbon(carbonateSystem(waterOfKh(khDh), ph, temperatureC))
  const carbon = mixed(carbonOf(first), carbonOf(second))
  return phWhere(waterOfKh(mixed(first.khDh, second.khDh)), temperatureC, s => inorganicCarbon(s) <= carbon)
}
