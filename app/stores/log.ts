import { defineStore } from 'pinia'
import { type Entry, type Photo, subjectOf, toMoment } from '#core/records'
import { openDb, type Revision } from '~/data/database'
import { writeDoor } from '~/data/writeDoor'
import { newId } from '~/data/newId'

/** What the last action wrote, for the notice with its undo. */
export interface Done {
  words: string
  entries: Entry[]
  /** what puts records back, where more than the log was changed; gives what to say of it */
  back?: () => Promise<string>
}

/** Writing to the log, and taking back. */
export const useLogStore = defineStore('log', () => {
  const settings = useSettingsStore()
  const statements = useStatementsStore()
  const trouble = useTroubleStore()
  const last = shallowRef<Done | null>(null)

  const stamp = (after?: string) => ({
    id: newId(after),
    loggedAt: toMoment(Date.now()),
    ...(settings.keeper.trim() && { keeper: settings.keeper.trim() }),
  })

  /**
   * Saves entries as one step and remembers them for undo. What goes wrong is told where every page shows it.
   * @returns whether they are saved
   */
  async function saveAll(entries: Entry[], words: string, photos: Photo[] = []): Promise<boolean> {
    try {
      const { addEntries } = await writeDoor()
      statements.changed(await addEntries(openDb(), entries, photos))
    } catch (error) {
      trouble.tellSave(error)
      return false
    }
    trouble.forget()
    last.value = { words, entries }
    return true
  }
  const save = (entry: Entry, words: string) => saveAll([entry], words)

  /** Takes entries back, as one step; taking a withdrawal back brings its entry back. */
  function takeBackAll(entries: readonly Entry[], words: string): Promise<boolean> {
    return saveAll(
      entries.map((entry): Entry => {
        const { colonyId, toColonyId, glassId } = subjectOf(entry)
        return {
          ...stamp(entry.id),
          at: toMoment(Date.now()),
          kind: 'withdrawal',
          supersedes: entry.id,
          ...(colonyId && { colonyId }),
          ...(toColonyId && { toColonyId }),
          ...(glassId && { glassId }),
          ...(entry.animalIds && { animalIds: entry.animalIds }),
        }
      }),
      words,
    )
  }
  const takeBack = (entry: Entry, words: string) => takeBackAll([entry], words)

  /** Undoes the last action of this page, whatever it was. */
  async function undo() {
    const { entries = [], back } = last.value ?? {}
    // a second press finds nothing left to undo
    last.value = null
    const said = await back?.()
    if (entries.length > 0)
      await takeBackAll(entries, entries.every(e => e.kind === 'withdrawal') ? 'Brought back.' : 'Taken back.')
    // the log alone would bring back half of it
    if (said) tell(said)
  }
  /**
   * A notice of something that is not in the log.
   * @param back what undoes it; nothing to undo when missing
   */
  function tell(words: string, back?: () => Promise<string>) {
    last.value = { words, entries: [], ...(back && { back }) }
  }
  /** Tells of records and entries that were written as one step. */
  function wrote(revised: readonly Revision[], done: Done) {
    statements.changed(revised)
    last.value = done
  }
  return { last, stamp, save, saveAll, takeBack, takeBackAll, undo, tell, wrote }
})
