import { defineStore } from 'pinia'
import { typedKeys } from '~/forms/typedKeys'
import { type Draft, emptyDraft, type LogKind } from '~/forms/logDraft'

/** The log sheet: open from everywhere with one key. */
export const useLogSheetStore = defineStore('logSheet', () => {
  const open = useSessionStorage('ulkin.logOpen', false)
  const draft = useSessionStorage<Draft>(typedKeys.log, emptyDraft(), { mergeDefaults: true })

  /** the followed animal whose page is open */
  const aboutId = ref('')

  // what was chosen and typed for one kind means nothing for another
  watch(
    () => draft.value.kind,
    () => {
      if (draft.value.correcting) return
      draft.value.choice = ''
      const n = draft.value.animalIds.length
      draft.value.values = n > 0 ? { number: String(n) } : {}
    },
  )

  // animals that are named live in one colony: another one has others
  watch(
    () => draft.value.colonyId,
    () => {
      const named = draft.value.animalIds.filter(id => id === aboutId.value)
      if (draft.value.correcting || named.length === draft.value.animalIds.length) return
      draft.value.animalIds = named
      draft.value.number = ''
    },
  )

  /** Opens the sheet; what was typed before and not saved is still there unless it is about another entry. */
  function show(colonyId: string, kind?: LogKind) {
    if (draft.value.correcting) draft.value = emptyDraft(kind, colonyId)
    if (colonyId) draft.value.colonyId = colonyId
    if (kind) draft.value.kind = kind
    if (aboutId.value && !draft.value.animalIds.includes(aboutId.value)) aboutAnimal(kind)
    open.value = true
  }
  /** A sheet that is opened from an animal's page begins with its name, and with a molt where nothing was typed. */
  function aboutAnimal(kind: LogKind | undefined) {
    if (!kind && draft.value.number === '') draft.value.kind = 'molts'
    draft.value.animalIds = [aboutId.value]
    draft.value.values = { ...draft.value.values, number: '1' }
  }
  function correct(d: Draft) {
    draft.value = d
    open.value = true
  }
  function clear() {
    draft.value = emptyDraft(draft.value.kind, draft.value.colonyId)
  }
  /** Nothing was ever typed: another room is open. */
  function forget() {
    open.value = false
    draft.value = emptyDraft()
  }
  return { open, draft, aboutId, show, correct, clear, forget }
})
