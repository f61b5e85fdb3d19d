import { type Follows, type FollowsKey, SWING_WARNING } from '#core/water'
import { formatNumber } from '#core/units'
import { num } from './numbers'
import { type UnitPrefs, valueText } from './unitPrefs'

/** Title, sentence, and how it was reckoned. */
export interface FollowsWords {
  title: string
  text: string
  how: string
}

type Values = Follows['values']
const n = (v: Values, key: string) => Number(v[key])
const two = (v: Values, key: string) => formatNumber(n(v, key), 2)

const ammoniaAdvice = (v: Values, state: Follows['state']): string =>
  state === 'off'
    ? `More than ${n(v, 'limit')} mg/L harms: change water today, with the same pH and temperature.`
    : state === 'drifting'
      ? 'It does not harm yet, but any ammonia says that something rots.'
      : ''
const muchCo2 = (v: Values): string =>
  `: much. Shrimp grow sluggish above about ${n(v, 'much')} (from memory); more air, less injection`
function limeWords(v: Values): string {
  const index = n(v, 'index')
  if (index < n(v, 'suffer'))
    return n(v, 'snails')
      ? 'the water dissolves shells: raise calcium, KH or pH'
      : 'the water dissolves shells, which matters to snails only'
  return index > 0.3 ? 'lime may settle on glass and heater' : 'shells keep'
}
const saltWords = (v: Values, units: UnitPrefs): string =>
  n(v, 'salinityGKg') > 1 ? ` and ${valueText('salinityGKg', n(v, 'salinityGKg'), units)}` : ''
const swingReadings = (v: Values): string =>
  n(v, 'pairs') > 0
    ? `${n(v, 'pairs')} pairs of one day`
    : `${n(v, 'mornings')} mornings against ${n(v, 'evenings')} evenings of other days`

const texts: Readonly<Record<FollowsKey, (v: Values, state: Follows['state'], units: UnitPrefs) => FollowsWords>> = {
  'follows.ammonia': (v, state, units) => ({
    title: 'Un-ionised ammonia',
    text:
      `Of ${num(`${two(v, 'ammoniaMgL')} mg/L`)} ammonia ${num(`${formatNumber(n(v, 'harmful'), 3)} mg/L`)} ` +
      `is un-ionised at pH ${formatNumber(n(v, 'ph'), 1)} and ` +
      `${valueText('temperatureC', n(v, 'temperatureC'), units)}. ` +
      ammoniaAdvice(v, state),
    how: 'Emerson, Russo, Lund & Thurston 1975; the limit is from memory.',
  }),
  'follows.co2': (v, state) => ({
    title: 'CO₂',
    text:
      `${num(`${formatNumber(n(v, 'co2'), n(v, 'co2') < 10 ? 1 : 0)} mg/L`)} CO₂ from pH and ` +
      `KH${state === 'drifting' ? muchCo2(v) : ''}.`,
    how:
      `Carbonate equilibria with activities (Plummer & Busenberg 1982); the plain rule 3·KH·10^(7−pH) gives ` +
      `${formatNumber(n(v, 'rule'), 1)} mg/L. Holds only where all alkalinity is carbonate.`,
  }),
  'follows.co2Soft': v => ({
    title: 'CO₂',
    text: `At KH ${formatNumber(n(v, 'khDh'), 1)} pH tells nothing of CO₂: acids of soil and leaves set it.`,
    how: 'From memory: it takes about 1 °dH of carbonate for pH to follow CO₂.',
  }),
  'follows.lime': v => ({
    title: 'Lime and shells',
    text:
      `Aragonite, which shells are made of, stands at ` +
      `${num(`${n(v, 'index') > 0 ? '+' : ''}${formatNumber(n(v, 'index'), 1)}`)}: ` +
      `${limeWords(v)}.`,
    how:
      'log₁₀ of activity product by solubility product (Plummer & Busenberg 1982); a hint, ion pairs are left ' +
      'out. The limits of words are from memory.',
  }),
  'follows.oxygen': (v, _, units) => ({
    title: 'Oxygen',
    text:
      `Water in balance with air holds ${num(`${formatNumber(n(v, 'oxygen'), 1)} mg/L`)} oxygen at ` +
      `${valueText('temperatureC', n(v, 'temperatureC'), units)}${saltWords(v, units)}. ` +
      `Warmer water holds less: more air stones in summer.`,
    how: 'Benson & Krause 1984, as in Standard Methods 4500-O, at sea level.',
  }),
  'follows.swing': (v, state) => ({
    title: 'Day and night',
    text:
      `pH is ${num(formatNumber(Math.abs(n(v, 'value')), 2))} ${n(v, 'value') >= 0 ? 'higher' : 'lower'} at ` +
      `dusk than at dawn (likely ${two(v, 'low')} to ${two(v, 'high')}). ` +
      `${state === 'drifting' ? 'That is a wide swing: less CO₂ by day, air by night.' : 'That is calm.'}`,
    how: `${swingReadings(v)}; ` + `more than about ${SWING_WARNING} is a warning (common practice).`,
  }),
  'follows.noSwing': () => ({
    title: 'Day and night',
    text: 'Nobody knows the swing of pH between day and night here: test once at dawn and once at dusk.',
    how: 'Readings from 4 to 11 h count as dawn, from 15 to 23 h as dusk.',
  }),
}

/** What follows, in words. */
export const followsWords = (f: Follows, units: UnitPrefs): FollowsWords => texts[f.key](f.values, f.state, units)
