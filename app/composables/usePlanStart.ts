import type { AtHome, GroupFit } from '#core/care'
import { begun, type Source, toMoment } from '#core/records'
import { newId } from '~/data/newId'
import { newPlan } from '~/forms/planDraft'
import { emptyPlanStart, type PlanStart, readStart } from '~/forms/planStart'
import { typedKeys } from '~/forms/typedKeys'
import { editText, hardness } from '#core/units'

/** Strokes come faster than fifteen groups are weighed. */
const PAUSE_MS = 150

/** The beginning of a plan: what somebody has, the groups by how they fit it, and the plan that is made of both. */
export function usePlanStart() {
  const room = useRoomStore()
  const settings = useSettingsStore()
  const { saveAll } = useSave()
  const start = useLocalStorage<PlanStart>(typedKeys.planStart, emptyPlanStart(), { mergeDefaults: true })
  const { usable } = useKnownSources()
  const tapAtHand = computed(() => usable.value.find(u => u.source.kind === 'tap') ?? null)
  useTapPrefilled(start, () => tapAtHand.value?.source ?? null)

  const read = computed(() => readStart(start.value, settings.units))
  // plain and not reactive: it goes to a worker
  const home = shallowRef<AtHome | null>(read.value.home)
  watchDebounced(
    () => read.value.home,
    now => (home.value = now),
    { debounce: PAUSE_MS },
  )
  const { standing, recipeWorker } = useAsked(
    () => home.value,
    () => 'start',
    (api, h) => api.howTheyFit(h),
  )
  const fits = computed<GroupFit[]>(() => (home.value ? (standing.value ?? []) : []))

  /** The tap that was typed, to be kept: a new source or a new analysis; nothing where it is the one at hand. */
  function tapToSave(): Source | null {
    const values = read.value.tap?.values
    if (!values || !room.room) return null
    const old = tapAtHand.value?.source
    const last = old?.analyses.at(-1)?.values
    if (last && last.ghDh === values.ghDh && last.khDh === values.khDh) return null
    const analysis = { at: toMoment(Date.now()), by: 'ownTest' as const, values }
    if (old) return { ...old, analyses: [...old.analyses, analysis] }
    return {
      ...begun(newId(), Date.now()),
      roomId: room.room.id,
      name: 'Tap',
      kind: 'tap',
      disinfectant: start.value.disinfectant,
      analyses: [analysis],
    }
  }
  /** Makes the plan, with the tank and the tap that were typed, and opens it. */
  async function begin(groupId: string) {
    if (!room.room) return
    const tap = tapToSave()
    const sourceId = tap?.id ?? tapAtHand.value?.source.id
    const { home: given } = read.value
    const plan = newPlan(
      groupId,
      room.room.id,
      Date.now(),
      given && {
        grossL: given.tankL,
        inside: given.inside,
        ...(given.roomC && { roomC: given.roomC }),
        ...(sourceId && { sourceId }),
      },
    )
    const sources = tap ? [{ table: 'sources' as const, record: tap }] : []
    if (await saveAll([...sources, { table: 'plans', record: plan }])) await navigateTo(`/plan/${plan.id}`)
  }
  return reactive({ start, read, fits, home, worker: recipeWorker, begin })
}
export type PlanStartDesk = ReturnType<typeof usePlanStart>

/** Where a tap is known already, its fields begin with it. */
function useTapPrefilled(start: Ref<PlanStart>, tap: () => Source | null) {
  const settings = useSettingsStore()
  watch(
    tap,
    source => {
      const known = source?.analyses.at(-1)?.values
      const { values } = start.value
      if (!known || values.ghDh || values.khDh) return
      const degrees = (v: number | undefined) => (v === undefined ? '' : editText(hardness, v, settings.units.hardness))
      values.ghDh = degrees(known.ghDh)
      values.khDh = degrees(known.khDh)
      values.ph = known.ph === undefined ? '' : String(known.ph)
      start.value.disinfectant = source.disinfectant
    },
    { immediate: true },
  )
}
