import { begun, type Colony, type Scenario, toMoment } from '#core/records'
import { openDb } from '~/data/database'
import { newId } from '~/data/newId'
import { scenariosOf } from '~/data/records'
import { emptyScenario, readScenario, scenarioDraft } from '~/forms/scenarioDraft'
import { changeText } from '~/words/outlook'

/** The scenario that is typed, and those of the colony that were saved: which are shown, changed, put away. */
export function useScenarios(colony: Readonly<Ref<Colony | undefined>>) {
  const { save: saveRecord } = useSave({ queue: true })
  const settings = useSettingsStore()
  const draft = ref(emptyScenario())
  const name = ref('')
  /** id of the saved one that is being changed */
  const editing = ref('')
  /** ids of those that stand on the chart */
  const shown = ref<string[]>([])
  const read = computed(() => readScenario(draft.value, settings.units))
  const changed = computed(() => read.value.ok && Object.keys(read.value.change).length > 0)
  const { value: saved } = useLiveQuery<Scenario[]>(
    () => scenariosOf(openDb(), colony.value?.id ?? ''),
    [],
    () => colony.value?.id,
  )
  function startAnew() {
    draft.value = emptyScenario()
    editing.value = ''
    name.value = ''
  }
  watch(
    () => colony.value?.id,
    () => {
      startAnew()
      shown.value = []
    },
  )

  async function save() {
    if (!colony.value || !read.value.ok || !changed.value) return
    const id = editing.value || newId()
    const title = name.value.trim() || changeText(read.value.change, settings.units).slice(0, 60)
    const old = saved.value.find(s => s.id === id) ?? begun(id, Date.now())
    const scenario = { ...old, colonyId: colony.value.id, name: title, change: read.value.change }
    if (!(await saveRecord('scenarios', scenario, `“${title}” saved.`))) return
    shown.value = [...new Set([...shown.value, id])]
    startAnew()
  }
  function change(s: Scenario) {
    editing.value = s.id
    name.value = s.name
    draft.value = scenarioDraft(s.change, settings.units)
  }
  async function putAway(s: Scenario) {
    const ended = { at: toMoment(Date.now()), why: 'putAway' as const }
    if (!(await saveRecord('scenarios', { ...s, ended }, `“${s.name}” put away.`))) return
    if (editing.value === s.id) startAnew()
  }
  return { draft, name, editing, shown, read, changed, saved, save, change, putAway }
}
