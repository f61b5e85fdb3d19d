import { kindWord } from '../states'
import type { EntryLines } from './line'

/** Photos, notes and what was taken back. */
export const notesLines: EntryLines<'photo' | 'note' | 'withdrawal'> = {
  photo: ({ text }) => {
    return { title: 'Photo', detail: text }
  },
  note: ({ entry }) => {
    return { title: 'Note', detail: entry.text }
  },
  withdrawal: ({ text }) => {
    return { title: kindWord.withdrawal, detail: text }
  },
}
