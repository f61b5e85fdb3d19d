import { animalsOf, type Entry, type EntryKind } from '#core/records'
import { bodiesLines } from './entry/bodiesLines'
import { careLines } from './entry/careLines'
import type { EntryLine, EntryLines, EntryTold } from './entry/line'
import { notesLines } from './entry/notesLines'
import { numbersLines } from './entry/numbersLines'
import { waterLines } from './entry/waterLines'
import type { UnitPrefs } from './unitPrefs'

/** Words of every kind of entry. */
const lines: EntryLines<EntryKind> = {
  ...numbersLines,
  ...waterLines,
  ...bodiesLines,
  ...careLines,
  ...notesLines,
}

/**
 * Title and detail of a line in the log.
 * @param nameOf names of followed animals by their ids
 */
export function entryText(entry: Entry, units: UnitPrefs, nameOf: (animalId: string) => string = () => ''): EntryLine {
  // the table pairs each kind with its own entries, which a lookup by the kind cannot show to the compiler
  const line = lines[entry.kind] as (told: EntryTold<EntryKind>) => EntryLine
  const told = line({ entry, text: entry.text ?? '', units } as EntryTold<EntryKind>)
  const names = animalsOf(entry).map(nameOf).filter(Boolean).join(', ')
  return names === '' ? told : { ...told, title: `${names}: ${told.title.replace(/^./, c => c.toLowerCase())}` }
}
