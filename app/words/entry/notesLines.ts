import { percent, whole } from '../numbers'
import { kindWord } from '../states'
import type { EntryLines } from './line'

/** Photos, notes and what was taken back. */
export const notesLines: EntryLines<'photo' | 'note' | 'withdrawal'> = {
  photo: ({ entry, text }) => {
    const { meter } = entry
    return {
      title: meter ? `Photo, ${percent(meter.cover)} covered, depth ${whole(meter.depth)}` : 'Photo',
      detail: text,
    }
  },
  note: ({ entry }) => {
    return { title: 'Note', detail: entry.text }
  },
  withdrawal: ({ text }) => {
    return { title: kindWord.withdrawal, detail: text }
  },
}
