import { type EntryOf, type ValueKey, valueKeys } from '#core/records'
import { formatNumber } from '#core/units'
import { substanceWord } from '../medicine'
import { testMethodWord } from '../states'
import { type UnitPrefs, valueName, valueText, volumeText } from '../unitPrefs'
import { type EntryLines, more } from './line'

/** "3.9 L Pure water, 1.14 g Sodium bicarbonate". */
function pouredText(entry: EntryOf<'waterChange' | 'topUp'>, units: UnitPrefs): string {
  return [
    ...(entry.poured ?? []).map(p => `${volumeText(p.litres, units)} ${p.name}`),
    ...(entry.weighed ?? []).map(w => `${formatNumber(w.grams, w.grams < 0.1 ? 3 : 2)} g ${w.name}`),
  ].join(', ')
}

/** pH and the short names stay as they are. */
const nameInLine = (name: string): string => (name === 'pH' || name.length === 2 ? name : name.toLowerCase())

/** Tests, changes, top-ups and medicines. */
export const waterLines: EntryLines<'waterTest' | 'waterChange' | 'topUp' | 'treatment'> = {
  waterTest: ({ entry, text, units }) => {
    const read = valueKeys.filter((k): k is ValueKey => entry.readings[k] !== undefined)
    const methods = [...new Set(read.map(k => testMethodWord[entry.readings[k]!.method]))]
    const values = read
      .map(k => `${nameInLine(valueName(k))} ${valueText(k, entry.readings[k]!.value, units)}`)
      .join(', ')
    return { title: values.replace(/^[a-z](?!H)/, c => c.toUpperCase()), detail: more(methods.join(', '), text) }
  },
  waterChange: ({ entry, text, units }) => {
    return { title: `Changed ${volumeText(entry.litres, units)}`, detail: more(pouredText(entry, units), text) }
  },
  topUp: ({ entry, text, units }) => {
    return { title: `Topped up ${volumeText(entry.litres, units)}`, detail: more(pouredText(entry, units), text) }
  },
  treatment: ({ entry, text, units }) => {
    return {
      title: `${substanceWord(entry.substance)}, ${formatNumber(entry.activeMg, 1)} mg`,
      detail: more(`for ${volumeText(entry.netL, units)} net`, text),
    }
  },
}
