import { rungsTotal } from '#core/records'
import { whole } from '../numbers'
import { countMethodWord, deathSignWord, originWord, outletWord } from '../states'
import { type EntryLines, headsText, more } from './line'

const eggsText = ({ berried }: { berried?: number | undefined }) =>
  berried ? `${whole(berried)} of them with eggs` : undefined

/** Counts, and what came and went. */
export const numbersLines: EntryLines<'count' | 'addition' | 'removal' | 'death' | 'move' | 'grading'> = {
  count: ({ entry, text }) => {
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
  },
  addition: ({ entry, text }) => {
    return {
      title: `Put in ${whole(entry.number)}`,
      detail: more(originWord[entry.origin], entry.parts && headsText(entry.parts), eggsText(entry), text),
    }
  },
  removal: ({ entry, text }) => {
    return {
      title: `Took out ${whole(entry.number)}`,
      detail: more(
        outletWord[entry.outlet],
        entry.price === undefined ? undefined : `for ${entry.price.toFixed(2)}`,
        entry.parts && headsText(entry.parts),
        eggsText(entry),
        text,
      ),
    }
  },
  death: ({ entry, text }) => {
    return { title: `${whole(entry.number)} died`, detail: more(deathSignWord[entry.sign], text) }
  },
  move: ({ entry, text }) => {
    return {
      title: `Moved ${whole(entry.number)}`,
      detail: more('to another colony of the room', entry.parts && headsText(entry.parts), eggsText(entry), text),
    }
  },
  grading: ({ entry, text }) => {
    const words = entry.grades?.map(g => `${g.number} ${g.grade}`).join(', ')
    const all = [...(entry.grades ?? []), ...(entry.seen ?? [])].reduce((sum, g) => sum + g.number, 0)
    const ofSex = (sex: 'female' | 'male') => rungsTotal((entry.seen ?? []).filter(s => s.sex === sex))
    const sexes = ofSex('female') + ofSex('male') > 0 ? `${ofSex('female')} females, ${ofSex('male')} males` : undefined
    return {
      title: `Graded ${whole(all)}`,
      detail: more(words, sexes, entry.againOf ? 'the same animals again' : undefined, text),
    }
  },
}
