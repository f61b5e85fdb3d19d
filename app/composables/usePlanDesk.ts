import { planGroups, planLog, type PlanLog, plannedNetL } from '#core/care'
import { currentEntries, type Entry, type Plan } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import { planDraft, type PlanDraft, type PlanIssues, readPlan } from '~/forms/planDraft'

/** Typing pauses for so long before a change is written: each written version is kept in the attic. */
const SAVE_AFTER_MS = 1200

/**
 * A plan on the desk: its fields, what they read as, and its log once it is a glass. Changes are saved as they are
 * made.
 */
export function usePlanDesk(id: () => string) {
  const room = useRoomStore()
  const settings = useSettingsStore()
  const { save: saveRecord } = useSave({ queue: true })
  const stored = computed(() => room.plans.find(p => p.id === id()) ?? null)
  const draft = ref<PlanDraft | null>(null)
  const issues = ref<PlanIssues>({})
  const plan = shallowRef<Plan | null>(null)

  // the fields are filled when a plan is opened, not when its own save comes back
  let asFilled = ''
  watch(
    [id, () => stored.value?.id, () => settings.units],
    () => {
      draft.value = stored.value ? planDraft(stored.value, settings.units) : null
      asFilled = JSON.stringify(draft.value)
    },
    { immediate: true, deep: true },
  )
  watch(
    [draft, stored],
    () => {
      if (!draft.value || !stored.value) return (plan.value = null)
      const read = readPlan(draft.value, stored.value, settings.units)
      issues.value = read.ok ? {} : read.issues
      if (read.ok) plan.value = read.plan
    },
    { immediate: true, deep: true },
  )

  /** Writes what was typed; a plan that was only looked at stays as it is. */
  async function save() {
    if (!plan.value || JSON.stringify(draft.value) === asFilled) return
    asFilled = JSON.stringify(draft.value)
    const typed = asFilled
    if (!(await saveRecord('plans', plan.value)) && asFilled === typed) asFilled = ''
  }
  watchDebounced(plan, save, { debounce: SAVE_AFTER_MS })
  onScopeDispose(() => void save())
  /** Writes a change that did not come from a field: a tick, something seen, a new glass; words as of `useSave`. */
  async function change(part: Partial<Plan>, words?: string) {
    if (!plan.value) return
    asFilled = JSON.stringify(draft.value)
    await saveRecord('plans', { ...plan.value, ...part }, words)
  }

  const groups = computed(() => (plan.value ? planGroups(plan.value) : []))
  const netL = computed(() => (plan.value ? plannedNetL(plan.value) : 0))
  const glassId = computed(() => stored.value?.glassId ?? '')
  const { value: entries } = useLiveQuery<Entry[]>(
    () => (glassId.value ? entriesOf(openDb(), glassId.value) : Promise.resolve([])),
    [],
    () => glassId.value,
  )
  const standing = computed(() => currentEntries(entries.value))
  const log = computed<PlanLog>(() => planLog(standing.value, netL.value))
  return { stored, draft, issues, plan, change, save, groups, netL, standing, log }
}
export type PlanDesk = ReturnType<typeof usePlanDesk>
