import { larvaStages } from '#core/batches'
import { animalsOf, type Entry } from '#core/records'
import { formatNumber } from '#core/units'
import { zoneWord } from '../animals'
import { broodWords, careWords } from '../kinds'
import { whole } from '../numbers'
import { preciseVolume } from '../unitPrefs'
import { type EntryLines, more } from './line'

/** Whether an entry is about one animal that is followed: it is no number then. */
const oneKnown = (entry: Entry & { number: number }): boolean => entry.number === 1 && animalsOf(entry).length === 1

/** Molts, shells, limbs and broods. */
export const bodiesLines: EntryLines<
  | 'molts'
  | 'failedMolt'
  | 'limbLoss'
  | 'shell'
  | 'berried'
  | 'eggMass'
  | 'clutch'
  | 'young'
  | 'larvae'
  | 'mating'
  | 'dull'
> = {
  molts: ({ entry, text }) => {
    return {
      title: oneKnown(entry)
        ? 'Shed its skin'
        : entry.number === 0
          ? 'No shed skins'
          : `${whole(entry.number)} shed ${entry.number === 1 ? 'skin' : 'skins'}`,
      detail: text,
    }
  },
  failedMolt: ({ entry, text }) => {
    const title = oneKnown(entry) ? 'In molt trouble' : `${whole(entry.number)} in molt trouble`
    return { title, detail: more(careWords.failedMolt[entry.sign], text) }
  },
  limbLoss: ({ entry, text }) => {
    const known = oneKnown(entry)
    const many = whole(entry.number)
    const title = entry.back
      ? known
        ? 'Whole again'
        : `${many} with limbs whole again`
      : known
        ? 'Lost limbs'
        : `${many} lost limbs`
    return {
      title,
      detail: more(
        entry.back ? undefined : known ? `${entry.limbs === 'one' ? 'one' : 'several'}` : careWords.limbs[entry.limbs],
        text,
      ),
    }
  },
  shell: ({ entry, text }) => {
    return {
      title: entry.diameterMm !== undefined || entry.sizesMm ? 'Measured' : 'Shells looked at',
      detail: more(
        entry.growth && `new growth ${careWords.shellGrowth[entry.growth]}`,
        entry.marks.map(m => careWords.shellMarks[m]).join(', '),
        entry.diameterMm === undefined ? undefined : `${formatNumber(entry.diameterMm, 1)} mm`,
        entry.sizesMm &&
          `${whole(entry.sizesMm.length)} measured: ${entry.sizesMm.map(mm => formatNumber(mm, 1)).join(', ')} mm`,
        entry.zones && entry.zones.map(z => `${zoneWord[z.kind]} to ${formatNumber(z.endMm, 1)} mm`).join(', '),
        text,
      ),
    }
  },
  berried: ({ entry, text }) => {
    return {
      title:
        animalsOf(entry).length > 0
          ? entry.number > 0
            ? 'Berried'
            : 'Not berried'
          : entry.number === 0
            ? 'None berried'
            : `${whole(entry.number)} berried`,
      detail: more(
        entry.eyed ? `${entry.eyed} with eyed eggs` : undefined,
        entry.saddle === undefined ? undefined : `${entry.saddle} with a saddle`,
        text,
      ),
    }
  },
  eggMass: ({ entry, text }) => {
    return {
      title:
        entry.number === 0 ? 'No egg masses' : `${whole(entry.number)} egg ${entry.number === 1 ? 'mass' : 'masses'}`,
      detail: text,
    }
  },
  clutch: ({ entry, text }) => {
    return {
      title: `Clutch ${broodWords.clutch[entry.event]}`,
      detail: more(
        entry.lostTo && broodWords.lostTo[entry.lostTo],
        entry.place && broodWords.place[entry.place],
        entry.aboveCm === undefined ? undefined : `${formatNumber(entry.aboveCm, 1)} cm above the water`,
        entry.young === undefined ? undefined : `${whole(entry.young)} young`,
        text,
      ),
    }
  },
  young: ({ entry, text }) => {
    return {
      title:
        entry.number === undefined
          ? `${broodWords.young[entry.amount].replace(/^./, c => c.toUpperCase())} young seen`
          : `${whole(entry.number)} young seen`,
      detail: text,
    }
  },
  larvae: ({ entry, text, units }) => {
    const { sample, sampleL, green } = entry
    const seen = sample
      ? larvaStages.flatMap(s => (sample[s] > 0 ? `${whole(sample[s])} ${broodWords.larvae[s]}` : [])).join(', ')
      : ''
    return {
      title: sample ? `Sample of larvae: ${seen}` : `Water ${broodWords.green[green!]}`,
      detail: more(
        sampleL === undefined ? undefined : `in ${preciseVolume(sampleL, units)}`,
        sample && green !== undefined ? `water ${broodWords.green[green]}` : undefined,
        text,
      ),
    }
  },
  mating: ({ entry, text }) => {
    return { title: `${whole(entry.number)} ${entry.number === 1 ? 'pair' : 'pairs'} mating`, detail: text }
  },
  dull: ({ entry, text }) => {
    return { title: entry.number === 0 ? 'No dull ones' : `${whole(entry.number)} dull ones seen`, detail: text }
  },
}
