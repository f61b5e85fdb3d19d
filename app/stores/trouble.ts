import { defineStore } from 'pinia'
import { openDb } from '~/data/database'
import type { DatabaseTrouble } from '~/data/trouble'
import { databaseTroubleText, readTroubleText, saveTroubleText } from '~/words/trouble'

/** What went wrong and was not yet read: told in one place that every page shows. */
export const useTroubleStore = defineStore('trouble', () => {
  const database = ref<DatabaseTrouble | null>(null)
  /** a sentence about the last thing that did not go well; empty when all is well */
  const last = ref('')
  openDb().watch.onTrouble(t => {
    database.value = t
  })
  void openDb()
    .open()
    .catch(() => openDb().watch.tell('failed'))

  const sentences = computed(() =>
    [database.value ? databaseTroubleText(database.value) : '', last.value].filter(Boolean),
  )
  /** Whether a fresh load of the page is what helps. */
  const reload = computed(() => database.value === 'upgraded' || database.value === 'newer')
  function tell(sentence: string) {
    last.value = sentence
  }
  /** Tells of a save that failed: what was wrong, what was kept, what to do. */
  function tellSave(error: unknown) {
    last.value = saveTroubleText(error)
  }
  /** Tells of a read that failed, unless the database as a whole is in trouble: that is told already. */
  function tellRead(error: unknown) {
    if (!database.value) last.value = readTroubleText(error)
  }
  function forget() {
    last.value = ''
  }
  return { database, last, sentences, reload, tell, tellSave, tellRead, forget }
})
