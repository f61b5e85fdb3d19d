import { formatNumber } from '#core/units'
import {
  conductivityOfSalinity,
  fromTheBox,
  gramsPerLitreFromSalinity,
  type GravityReference,
  mixSaltWater,
  pureWaterToDilute,
  pureWaterToExchange,
  seaDensity,
  seaSaltToRaise,
  shareOfSea,
  specificGravity,
} from '#core/water'
import { num } from './numbers'
import { preciseVolume, type UnitPrefs, valueText, volumeText } from './unitPrefs'

/** Grams with a decimal where it can be weighed. */
const grams = (g: number, decimalUnder: number) => `${formatNumber(g, g < decimalUnder ? 1 : 0)} g`

/** What a salinity (g/kg) at a temperature (°C) shows on every instrument. */
export function saltResults(salinityGKg: number, temperatureC: number, reference: GravityReference, units: UnitPrefs) {
  const conductivity = (c: number) => `${formatNumber(conductivityOfSalinity(salinityGKg, c), 2)} mS/cm`
  return [
    { name: 'Salinity', value: `${formatNumber(salinityGKg, 1)} g/kg` },
    { name: 'Of seawater', value: `${formatNumber(shareOfSea(salinityGKg) * 100, 0)} %` },
    { name: 'Density', value: `${formatNumber(seaDensity(salinityGKg, temperatureC), 1)} g/L` },
    { name: 'Specific gravity', value: formatNumber(specificGravity(salinityGKg, temperatureC, reference), 4) },
    {
      name: `Conductivity at ${valueText('temperatureC', temperatureC, units)}`,
      value: conductivity(temperatureC),
    },
    { name: 'Conductivity at 25 °C', value: conductivity(25) },
    {
      name: 'Dry salt in a litre',
      value: `${formatNumber(gramsPerLitreFromSalinity(salinityGKg, temperatureC), 1)} g`,
    },
  ]
}

/** Sea water on the shelf, to dilute instead of dissolving salt. */
export interface SeaAtHand {
  name: string
  salinityGKg: number
}

/** How to mix salt water: from the box, and from sea water where there is some. */
export function mixSentences(
  wanted: { litres: number; salinityGKg: number; temperatureC: number },
  sea: SeaAtHand | null,
  units: UnitPrefs,
): { box: string; sea: string } {
  const mix = mixSaltWater(wanted.litres, wanted.salinityGKg, wanted.temperatureC, sea ? sea.salinityGKg : null)
  const box =
    `${num(grams(mix.boxG, 100))} sea salt from the box (${grams(mix.dryG, 100)} dry; the box holds about a tenth of ` +
    `crystal water, from memory), made up to ${volumeText(wanted.litres, units)} with pure water.`
  if (!sea || mix.seaL === null) return { box, sea: '' }
  const [seaText, pureText] = [mix.seaL, mix.pureL!].map(l => num(preciseVolume(l, units)))
  const named = `${sea.name} (${formatNumber(sea.salinityGKg, 1)} g/kg)`
  return { box, sea: `Or ${seaText} ${named} and ${pureText} pure water.` }
}

/** What brings a glass from the salinity that it has to the one that it should have; both in g/kg. */
export function putRightText(
  glass: { netL: number; isGKg: number; shouldGKg: number; temperatureC: number },
  units: UnitPrefs,
): string {
  const { netL, isGKg, shouldGKg, temperatureC } = glass
  if (Math.abs(isGKg - shouldGKg) < 0.05) return 'It is right.'
  if (isGKg > shouldGKg) {
    const [exchanged, filledUp] = [pureWaterToExchange, pureWaterToDilute].map(reckon =>
      num(preciseVolume(reckon(netL, isGKg, shouldGKg, temperatureC), units)),
    )
    return (
      `Take ${exchanged} out of the ${volumeText(netL, units)} and pour as much pure water in: the level stays where ` +
      `it is. Where water has evaporated and left its salt behind, top up instead: ${filledUp} of pure water, as far ` +
      'as there is room.'
    )
  }
  const g = seaSaltToRaise(netL, isGKg, shouldGKg, temperatureC)
  return (
    `${num(grams(g, 10))} dry sea salt are missing in ${volumeText(netL, units)} (${grams(fromTheBox(g), 10)} from ` +
    'the box). Dissolve it outside the glass, over several days.'
  )
}

/** When a step of going over is due: "at once", "after 6 h", "after 1 d 12 h". */
export function afterHours(hours: number): string {
  if (hours === 0) return 'at once'
  if (hours < 24) return `after ${formatNumber(hours, hours % 1 ? 1 : 0)} h`
  return `after ${Math.floor(hours / 24)} d ${formatNumber(hours % 24, 0)} h`
}
