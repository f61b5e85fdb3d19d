import { defineStore } from 'pinia'
import { type Entry, subjectOf, toMoment } from '#core/records'
import { openDb } from '~/data/database'
import { addEntry } from '~/data/log'
import { newId } from '~/data/newId'

/** What the last action wrote, for the notice with its undo. */
export interface Done { words: string, entry: Entry | null }

/** Writing to the log, and taking back. */
export const useLogStore = defineStore('log', () => {
  const settings = useSettingsStore()
  const statements = useStatementsStore()
  const last = shallowRef<Done | null>(null)

  const stamp = (after?: string) => ({ id: newId(after), loggedAt: toMoment(Date.now()), ...(settings.keeper.trim() && { keeper: settings.keeper.trim() }) })

  /** Saves an entry and remembers it for undo. */
  async function save(entry: Entry, words: string) {
    statements.changed(await addEntry(openDb(), entry))
    last.value = { words, entry }
  }

  /** Takes an entry back; taking a withdrawal back brings its entry back. */
  async function takeBack(entry: Entry, words: string) {
    const { colonyId, glassId } = subjectOf(entry)
    const withdrawal: Entry = { ...stamp(entry.id), at: toMoment(Date.now()), kind: 'withdrawal', supersedes: entry.id, ...(colonyId && { colonyId }), ...(glassId && { glassId }) }
    await save(withdrawal, words)
  }

  /** Undoes the last action of this page, whatever it was. */
  async function undo() {
    const done = last.value
    if (!done?.entry) return
    await takeBack(done.entry, done.entry.kind === 'withdrawal' ? 'Brought back.' : 'Taken back.')
  }
  /** A notice without anything to undo. */
  function tell(words: string) {
    last.value = { words, entry: null }
  }
  return { last, stamp, save, takeBack, undo, tell }
})
