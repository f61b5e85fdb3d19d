import { type Entry, type EntryOf, equipmentParts, type Heads, type ValueKey, valueKeys } from '#core/records'
import { formatNumber } from '#core/units'
import { dueKindWord, portionText } from './due'
import { broodWords, careWords, eatenWord, equipmentWord, pestWord } from './kinds'
import { substanceWord } from './medicine'
import { whole } from './numbers'
import { countMethodWord, deathSignWord, headsWord, kindWord, originWord, outletWord, testMethodWord } from './states'
import { type UnitPrefs, valueName, valueText, volumeText } from './unitPrefs'
import { weekdayText } from './when'

/** "12 females, 8 males" of a split; empty when nothing is told apart. */
export function headsText(heads: Heads): string {
  return (Object.keys(headsWord) as (keyof Heads)[])
    .filter(k => heads[k] > 0)
    .map(k => `${heads[k]} ${headsWord[k]}`)
    .join(', ')
}

/** "3.9 L Pure water, 1.14 g Sodium bicarbonate". */
function pouredText(entry: EntryOf<'waterChange' | 'topUp'>, units: UnitPrefs): string {
  return [
    ...(entry.poured ?? []).map(p => `${volumeText(p.litres, units)} ${p.name}`),
    ...(entry.weighed ?? []).map(w => `${formatNumber(w.grams, w.grams < 0.1 ? 3 : 2)} g ${w.name}`),
  ].join(', ')
}

/** Title and detail of a line in the log. */
export function entryText(entry: Entry, units: UnitPrefs): { title: string; detail: string } {
  const text = entry.text ?? ''
  const more = (...parts: (string | undefined)[]) => parts.filter(Boolean).join(' · ')
  switch (entry.kind) {
    case 'count':
      return {
        title: `Counted ${whole(entry.number)}`,
        detail: more(
          entry.share === undefined || entry.method === 'photo' ? countMethodWord[entry.method] : undefined,
          entry.share === undefined || entry.share === 1 ? undefined : `${Math.round(entry.share * 100)} % of the tank`,
          entry.series?.join(', '),
          entry.marks?.map(m => `${m.caught} (${m.recaptured} marked)`).join(', '),
          entry.parts && headsText(entry.parts),
          text,
        ),
      }
    case 'waterTest': {
      const read = valueKeys.filter((k): k is ValueKey => entry.readings[k] !== undefined)
      const methods = [...new Set(read.map(k => testMethodWord[entry.readings[k]!.method]))]
      const values = read
        .map(
          k =>
            `${valueName(k) === 'pH' || valueName(k).length === 2 ? `${valueName(k)} ` : `${valueName(k).toLowerCase()} `}${valueText(k, entry.readings[k]!.value, units)}`,
        )
        .join(', ')
      return { title: values.replace(/^[a-z](?!H)/, c => c.toUpperCase()), detail: more(methods.join(', '), text) }
    }
    case 'addition':
      return {
        title: `Put in ${whole(entry.number)}`,
        detail: more(originWord[entry.origin], entry.parts && headsText(entry.parts), text),
      }
    case 'removal':
      return {
        title: `Took out ${whole(entry.number)}`,
        detail: more(
          outletWord[entry.outlet],
          entry.price === undefined ? undefined : `for ${entry.price.toFixed(2)}`,
          entry.parts && headsText(entry.parts),
          text,
        ),
      }
    case 'death':
      return { title: `${whole(entry.number)} died`, detail: more(deathSignWord[entry.sign], text) }
    case 'waterChange':
      return { title: `Changed ${volumeText(entry.litres, units)}`, detail: more(pouredText(entry, units), text) }
    case 'topUp':
      return { title: `Topped up ${volumeText(entry.litres, units)}`, detail: more(pouredText(entry, units), text) }
    case 'treatment':
      return {
        title: `${substanceWord(entry.substance)}, ${formatNumber(entry.activeMg, 1)} mg`,
        detail: more(`for ${volumeText(entry.netL, units)} net`, text),
      }
    case 'move':
      return {
        title: `Moved ${whole(entry.number)}`,
        detail: more('to another colony of the room', entry.parts && headsText(entry.parts), text),
      }
    case 'grading':
      return {
        title: `Graded ${whole(entry.grades.reduce((s, g) => s + g.number, 0))}`,
        detail: more(entry.grades.map(g => `${g.number} ${g.grade}`).join(', '), text),
      }
    case 'molts':
      return {
        title:
          entry.number === 0 ? 'No shed skins' : `${whole(entry.number)} shed ${entry.number === 1 ? 'skin' : 'skins'}`,
        detail: text,
      }
    case 'failedMolt':
      return { title: `${whole(entry.number)} in molt trouble`, detail: more(careWords.failedMolt[entry.sign], text) }
    case 'limbLoss':
      return { title: `${whole(entry.number)} lost limbs`, detail: more(careWords.limbs[entry.limbs], text) }
    case 'shell':
      return {
        title: 'Shells looked at',
        detail: more(
          entry.growth && `new growth ${careWords.shellGrowth[entry.growth]}`,
          entry.marks.map(m => careWords.shellMarks[m]).join(', '),
          entry.diameterMm === undefined ? undefined : `${formatNumber(entry.diameterMm, 1)} mm`,
          text,
        ),
      }
    case 'berried':
      return {
        title: entry.animal
          ? `${entry.animal}: ${entry.number > 0 ? 'berried' : 'not berried'}`
          : entry.number === 0
            ? 'None berried'
            : `${whole(entry.number)} berried`,
        detail: more(
          entry.eyed ? `${entry.eyed} with eyed eggs` : undefined,
          entry.saddle === undefined ? undefined : `${entry.saddle} with a saddle`,
          text,
        ),
      }
    case 'eggMass':
      return {
        title:
          entry.number === 0 ? 'No egg masses' : `${whole(entry.number)} egg ${entry.number === 1 ? 'mass' : 'masses'}`,
        detail: text,
      }
    case 'clutch':
      return {
        title: `Clutch ${broodWords.clutch[entry.event]}`,
        detail: more(
          entry.place && broodWords.place[entry.place],
          entry.young === undefined ? undefined : `${whole(entry.young)} young`,
          text,
        ),
      }
    case 'young':
      return {
        title:
          entry.number === undefined
            ? `${broodWords.young[entry.amount].replace(/^./, c => c.toUpperCase())} young seen`
            : `${whole(entry.number)} young seen`,
        detail: text,
      }
    case 'mating':
      return { title: `${whole(entry.number)} ${entry.number === 1 ? 'pair' : 'pairs'} mating`, detail: text }
    case 'feeding':
      return entry.food
        ? {
            title: `Fed ${portionText(entry.food, entry.portions)}`,
            detail: more(
              entry.eaten && eatenWord[entry.eaten],
              entry.removed ? 'leftovers taken out' : undefined,
              text,
            ),
          }
        : {
            title: entry.eaten ? `Food ${eatenWord[entry.eaten]}` : 'Leftovers taken out',
            detail: more(entry.eaten && entry.removed ? 'taken out' : undefined, text),
          }
    case 'supplement':
      return {
        title:
          `${entry.number === undefined ? '' : `${entry.number} `}${careWords.supplement[entry.what]} laid in`.replace(
            /^./,
            c => c.toUpperCase(),
          ),
        detail: text,
      }
    case 'equipment': {
      const parts = equipmentParts.filter(p => entry.found[p])
      const of = (state: string) =>
        parts
          .filter(p => entry.found[p] === state)
          .map(p => equipmentWord[p])
          .join(', ')
      return {
        title: of('broken') ? `Broken: ${of('broken')}` : of('mended') ? `Mended: ${of('mended')}` : 'Equipment fine',
        detail: more(of('fine'), text),
      }
    }
    case 'growth':
      return {
        title: 'Growth looked at',
        detail: more(
          entry.biofilm && `biofilm ${careWords.amount[entry.biofilm]}`,
          entry.algae && `algae ${careWords.amount[entry.algae]}`,
          text,
        ),
      }
    case 'pest':
      return {
        title: `${careWords.pestAmount[entry.amount]} ${pestWord[entry.what]}`.replace(/^./, c => c.toUpperCase()),
        detail: text,
      }
    case 'visit':
      return { title: entry.outcome === 'looked' ? 'Looked at on a round' : 'Passed over on a round', detail: text }
    case 'dueMark':
      return {
        title: entry.act === 'snooze' ? `Put off: ${dueKindWord(entry.key)}` : `Left out: ${dueKindWord(entry.key)}`,
        detail: more(entry.until && `until ${weekdayText(Date.parse(entry.until))}`, text),
      }
    case 'photo':
      return { title: 'Photo', detail: text }
    case 'note':
      return { title: 'Note', detail: entry.text }
    case 'withdrawal':
      return { title: kindWord.withdrawal, detail: text }
  }
}
