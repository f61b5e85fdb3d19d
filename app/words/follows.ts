import { carbonateSystem, co2ByRule, co2FromPhKh, HARMFUL_NH3, oxygenSaturation, type PhSwing, SWING_WARNING, swingWarns, unionisedAmmonia } from '#core/water'
import type { VerdictState, Water } from '#core/records'
import { formatNumber } from '#core/units'
import { num } from './numbers'
import { type UnitPrefs, valueText } from './unitPrefs'

/** One thing that follows from other values, in a sentence, with how it was reckoned. */
export interface Follows { id: 'ammonia' | 'co2' | 'lime' | 'oxygen' | 'swing', state: VerdictState, title: string, text: string, how: string }

export interface FollowsInput { water: Water | null, ph: number | null, khDh: number | null, temperatureC: number | null, ammoniaMgL: number | null, salinityGKg: number, swing: PhSwing | null, snails: boolean, units: UnitPrefs }

/** What pH, KH, temperature and the rest come to. What lacks an input is left out. */
export function whatFollows({ water, ph, khDh, temperatureC, ammoniaMgL, salinityGKg, swing, snails, units }: FollowsInput): Follows[] {
  const out: Follows[] = []
  if (ammoniaMgL !== null && ph !== null && temperatureC !== null && temperatureC >= 0) {
    const harmful = unionisedAmmonia(ammoniaMgL, ph, temperatureC)
    out.push({
      id: 'ammonia', title: 'Un-ionised ammonia', state: harmful > HARMFUL_NH3 ? 'off' : ammoniaMgL > 0 ? 'drifting' : 'onTarget',
      text: `Of ${num(`${formatNumber(ammoniaMgL, 2)} mg/L`)} ammonia ${num(`${formatNumber(harmful, 3)} mg/L`)} is un-ionised at pH ${formatNumber(ph, 1)} and ${valueText('temperatureC', temperatureC, units)}. ${harmful > HARMFUL_NH3 ? `More than ${HARMFUL_NH3} mg/L harms: change water today, with the same pH and temperature.` : ammoniaMgL > 0 ? 'It does not harm yet, but any ammonia says that something rots.' : ''}`,
      how: 'Emerson, Russo, Lund & Thurston 1975; the limit is from memory.',
    })
  }
  if (ph !== null && khDh !== null && temperatureC !== null && temperatureC >= 0 && water && salinityGKg < 5) {
    const co2 = co2FromPhKh(ph, khDh, temperatureC, water)
    const soft = khDh < 1
    out.push({
      id: 'co2', title: 'CO₂', state: soft ? 'unknown' : co2 > 30 ? 'drifting' : 'onTarget',
      text: soft ? `At KH ${formatNumber(khDh, 1)} pH tells nothing of CO₂: acids of soil and leaves set it.` : `${num(`${formatNumber(co2, co2 < 10 ? 1 : 0)} mg/L`)} CO₂ from pH and KH${co2 > 30 ? ': much. Shrimp grow sluggish above about 30 (from memory); more air, less injection' : ''}.`,
      how: `Carbonate equilibria with activities (Plummer & Busenberg 1982); the plain rule 3·KH·10^(7−pH) gives ${formatNumber(co2ByRule(ph, khDh), 1)} mg/L. Holds only where all alkalinity is carbonate.`,
    })
    const lime = carbonateSystem({ ...water, alkalinityMeqL: khDh * 0.35665 }, ph, temperatureC)
    const index = lime.saturationAragonite
    out.push({
      id: 'lime', title: 'Lime and shells', state: !snails ? 'unknown' : index < -1.5 ? 'off' : index < -0.7 ? 'drifting' : 'onTarget',
      text: `Aragonite, which shells are made of, stands at ${num(`${index > 0 ? '+' : ''}${formatNumber(index, 1)}`)}: ${index < -0.7 ? `the water dissolves shells${snails ? ': raise calcium, KH or pH' : ', which matters to snails only'}` : index > 0.3 ? 'lime may settle on glass and heater' : 'shells keep'}.`,
      how: 'log₁₀ of activity product by solubility product (Plummer & Busenberg 1982); a hint, ion pairs are left out. The limits of words are from memory.',
    })
  }
  if (temperatureC !== null && temperatureC >= 0) {
    out.push({
      id: 'oxygen', title: 'Oxygen', state: 'unknown',
      text: `Water in balance with air holds ${num(`${formatNumber(oxygenSaturation(temperatureC, salinityGKg), 1)} mg/L`)} oxygen at ${valueText('temperatureC', temperatureC, units)}${salinityGKg > 1 ? ` and ${valueText('salinityGKg', salinityGKg, units)}` : ''}. Warmer water holds less: more air stones in summer.`,
      how: 'Benson & Krause 1984, as in Standard Methods 4500-O, at sea level.',
    })
  }
  out.push(swing
    ? {
        id: 'swing', title: 'Day and night', state: swingWarns(swing) ? 'drifting' : 'onTarget',
        text: `pH is ${num(formatNumber(Math.abs(swing.value), 2))} ${swing.value >= 0 ? 'higher' : 'lower'} at dusk than at dawn (likely ${formatNumber(swing.low, 2)} to ${formatNumber(swing.high, 2)}). ${swingWarns(swing) ? 'That is a wide swing: less CO₂ by day, air by night.' : 'That is calm.'}`,
        how: `${swing.pairs > 0 ? `${swing.pairs} pairs of one day` : `${swing.mornings} mornings against ${swing.evenings} evenings of other days`}; more than about ${SWING_WARNING} is a warning (common practice).`,
      }
    : { id: 'swing', title: 'Day and night', state: 'unknown', text: 'Nobody knows the swing of pH between day and night here: test once at dawn and once at dusk.', how: 'Readings from 4 to 11 h count as dawn, from 15 to 23 h as dusk.' })
  return out
}
