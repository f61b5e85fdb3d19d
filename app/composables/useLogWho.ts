import { animalKinds } from '~/forms/kindFields'

/** Which followed animals the entry in the log sheet is about, and who may be chosen. */
export function useLogWho() {
  const logSheet = useLogSheetStore()
  const room = useRoomStore()
  const followed = useAnimalsStore()
  const draft = computed(() => logSheet.draft)
  /** Those that lived there when it happened; who was chosen stays on the list. */
  const candidates = computed(() => {
    const { colonyId, at, animalIds, kind } = draft.value
    if (!animalKinds.has(kind)) return []
    const atMs = Date.parse(at)
    const there = followed.livingIn(colonyId, Number.isNaN(atMs) ? Date.now() : atMs)
    const chosen = animalIds.flatMap(id => room.animalById.get(id) ?? []).filter(a => !there.includes(a))
    return [...there, ...chosen]
  })
  /** Who is named is counted: the number follows while nothing else was typed. */
  const who = computed({
    get: () => draft.value.animalIds,
    set: ids => {
      const before = String(draft.value.animalIds.length)
      const follows = (typed: string | undefined) => !typed || typed === before || Number(typed) < ids.length
      draft.value.animalIds = ids
      if (ids.length === 0) return
      if (follows(draft.value.number)) draft.value.number = String(ids.length)
      if (follows(draft.value.values.number)) draft.value.values = { ...draft.value.values, number: String(ids.length) }
    },
  })
  // animals of one colony are not those of another
  watch(
    () => draft.value.colonyId,
    colonyId => {
      const there = new Set(followed.livingIn(colonyId, Date.now()).map(a => a.id))
      if (!draft.value.correcting) draft.value.animalIds = draft.value.animalIds.filter(id => there.has(id))
    },
  )
  return { candidates, who }
}
