import { equipmentParts } from '#core/records'
import { dueKindWord, portionText } from '../due'
import { careWords, eatenWord, equipmentWord, pestWord } from '../kinds'
import { weekdayText } from '../when'
import { type EntryLines, more } from './line'

/** Food, equipment, growth, pests and rounds. */
export const careLines: EntryLines<'feeding' | 'supplement' | 'equipment' | 'growth' | 'pest' | 'visit' | 'dueMark'> = {
  feeding: ({ entry, text }) => {
    return entry.food
      ? {
          title: `Fed ${portionText(entry.food, entry.portions)}`,
          detail: more(entry.eaten && eatenWord[entry.eaten], entry.removed ? 'leftovers taken out' : undefined, text),
        }
      : {
          title: entry.eaten ? `Food ${eatenWord[entry.eaten]}` : 'Leftovers taken out',
          detail: more(entry.eaten && entry.removed ? 'taken out' : undefined, text),
        }
  },
  supplement: ({ entry, text }) => {
    return {
      title:
        `${entry.number === undefined ? '' : `${entry.number} `}${careWords.supplement[entry.what]} laid in`.replace(
          /^./,
          c => c.toUpperCase(),
        ),
      detail: text,
    }
  },
  equipment: ({ entry, text }) => {
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
  },
  growth: ({ entry, text }) => {
    return {
      title: 'Growth looked at',
      detail: more(
        entry.biofilm && `biofilm ${careWords.amount[entry.biofilm]}`,
        entry.algae && `algae ${careWords.amount[entry.algae]}`,
        text,
      ),
    }
  },
  pest: ({ entry, text }) => {
    return {
      title: `${careWords.pestAmount[entry.amount]} ${pestWord[entry.what]}`.replace(/^./, c => c.toUpperCase()),
      detail: text,
    }
  },
  visit: ({ entry, text }) => {
    return { title: entry.outcome === 'looked' ? 'Looked at on a round' : 'Passed over on a round', detail: text }
  },
  dueMark: ({ entry, text }) => {
    return {
      title: entry.act === 'snooze' ? `Put off: ${dueKindWord(entry.key)}` : `Left out: ${dueKindWord(entry.key)}`,
      detail: more(entry.until && `until ${weekdayText(Date.parse(entry.until))}`, text),
    }
  },
}
