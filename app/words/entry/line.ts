import type { EntryKind, EntryOf, Heads } from '#core/records'
import { headsWord } from '../states'
import type { UnitPrefs } from '../unitPrefs'

/** Title and detail of a line in the log. */
export interface EntryLine {
  title: string
  detail: string
}

/** What the words of one kind of entry are made of. */
export interface EntryTold<K extends EntryKind> {
  entry: EntryOf<K>
  /** the free text of the entry, empty when there is none */
  text: string
  units: UnitPrefs
}

/** Words of some kinds of entries: one function for each, so that a kind without words does not compile. */
export type EntryLines<K extends EntryKind> = { [Kind in K]: (told: EntryTold<Kind>) => EntryLine }

/** Parts that are there, with a dot between. */
export const more = (...parts: (string | undefined)[]): string => parts.filter(Boolean).join(' · ')

/** "12 females, 8 males" of a split; empty when nothing is told apart. */
export function headsText(heads: Heads): string {
  return (Object.keys(headsWord) as (keyof Heads)[])
    .filter(k => heads[k] > 0)
    .map(k => `${heads[k]} ${headsWord[k]}`)
    .join(', ')
}
