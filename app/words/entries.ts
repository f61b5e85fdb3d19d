import { type Entry, type EntryOf, type Heads, type ValueKey, valueKeys } from '#core/records'
import { formatNumber } from '#core/units'
import { substanceWord } from './medicine'
import { whole } from './numbers'
import { countMethodWord, deathSignWord, headsWord, kindWord, originWord, outletWord, testMethodWord } from './states'
import { type UnitPrefs, valueName, valueText, volumeText } from './unitPrefs'

/** "12 females, 8 males" of a split; empty when nothing is told apart. */
export function headsText(heads: Heads): string {
  return (Object.keys(headsWord) as (keyof Heads)[]).filter(k => heads[k] > 0).map(k => `${heads[k]} ${headsWord[k]}`).join(', ')
}

/** "3.9 L Pure water, 1.14 g Sodium bicarbonate". */
function pouredText(entry: EntryOf<'waterChange' | 'topUp'>, units: UnitPrefs): string {
  return [...(entry.poured ?? []).map(p => `${volumeText(p.litres, units)} ${p.name}`), ...(entry.weighed ?? []).map(w => `${formatNumber(w.grams, w.grams < 0.1 ? 3 : 2)} g ${w.name}`)].join(', ')
}

/** Title and detail of a line in the log. */
export function entryText(entry: Entry, units: UnitPrefs): { title: string, detail: string } {
  const text = entry.text ?? ''
  const more = (...parts: (string | undefined)[]) => parts.filter(Boolean).join(' · ')
  switch (entry.kind) {
    case 'count': return { title: `Counted ${whole(entry.number)}`, detail: more(entry.share === undefined ? countMethodWord[entry.method] : `${Math.round(entry.share * 100)} % of the tank`, entry.parts && headsText(entry.parts), text) }
    case 'waterTest': {
      const read = valueKeys.filter((k): k is ValueKey => entry.readings[k] !== undefined)
      const methods = [...new Set(read.map(k => testMethodWord[entry.readings[k]!.method]))]
      const values = read.map(k => `${valueName(k) === 'pH' || valueName(k).length === 2 ? `${valueName(k)} ` : `${valueName(k).toLowerCase()} `}${valueText(k, entry.readings[k]!.value, units)}`)
        .join(', ')
      return { title: values.replace(/^[a-z](?!H)/, c => c.toUpperCase()), detail: more(methods.join(', '), text) }
    }
    case 'addition': return { title: `Put in ${whole(entry.number)}`, detail: more(originWord[entry.origin], entry.parts && headsText(entry.parts), text) }
    case 'removal': return { title: `Took out ${whole(entry.number)}`, detail: more(outletWord[entry.outlet], entry.parts && headsText(entry.parts), text) }
    case 'death': return { title: `${whole(entry.number)} died`, detail: more(deathSignWord[entry.sign], text) }
    case 'waterChange': return { title: `Changed ${volumeText(entry.litres, units)}`, detail: more(pouredText(entry, units), text) }
    case 'topUp': return { title: `Topped up ${volumeText(entry.litres, units)}`, detail: more(pouredText(entry, units), text) }
    case 'treatment': return { title: `${substanceWord(entry.substance)}, ${formatNumber(entry.activeMg, 1)} mg`, detail: more(`for ${volumeText(entry.netL, units)} net`, text) }
    case 'note': return { title: 'Note', detail: entry.text }
    case 'withdrawal': return { title: kindWord.withdrawal, detail: text }
  }
}
