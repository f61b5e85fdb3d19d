import { changeCalendar, type RecipeKey, type RecipeMode, usualMode } from '#core/water'
import type { GlassWater } from './useGlassWater'

/** Changes of a school that only tops up, while a correction runs: small and weekly (common practice). */
const QUIET_CHANGE = { share: 0.1, everyDays: 7 }

/** The next change of a glass or its first fill: how much and when, as its school has it or as the keeper chose. */
export function useNextChange(glassId: Ref<string>, water: GlassWater) {
  const room = useRoomStore()
  const { netL, story, shared, school, nowMs } = water

  const { changeL, mode, chosen, refilling, exactly } = useChoice(glassId)

  /** nothing in it yet; a glass in which animals live is asked to be tested, not filled */
  const empty = computed(
    () =>
      water.ready.value &&
      story.value.present === null &&
      story.value.readings.size === 0 &&
      water.colonies.value.length === 0,
  )
  const filling = computed(() => empty.value || refilling.value)
  /** conductivity leads where the group aims at one and a mineral mix stands on the shelf */
  const canLead = computed(
    () => shared.value.targets.conductivityUsCm !== undefined && room.shelf.some(s => s.content.by === 'mix'),
  )
  const leading = computed<RecipeMode>(() =>
    canLead.value ? (mode.value ?? usualMode(shared.value.targets, true)) : 'minerals',
  )
  /** values that the recipe needs and nobody has read yet */
  const unread = computed<RecipeKey[]>(() =>
    filling.value
      ? []
      : (['ghDh', 'khDh', 'salinityGKg'] as const).filter(k => shared.value.targets[k] && !story.value.readings.has(k)),
  )
  const everyDays = computed(() => (filling.value ? 1 : (school.value?.everyDays ?? QUIET_CHANGE.everyDays)))
  const usualChangeL = computed(() =>
    Math.max(0.1, Math.round(netL.value * (school.value?.share ?? QUIET_CHANGE.share) * 10) / 10),
  )
  const bucketL = computed(() =>
    filling.value ? netL.value : Math.min(netL.value, changeL.value ?? usualChangeL.value),
  )
  const calendar = computed(() => changeCalendar(story.value, netL.value, everyDays.value, nowMs.value))
  const lastChangeMs = computed(() => calendar.value.lastMs)
  const nextChangeMs = computed(() => (filling.value ? nowMs.value : calendar.value.nextMs))
  const early = computed(() => !filling.value && calendar.value.early)
  return {
    changeL,
    mode,
    chosen,
    refilling,
    exactly,
    empty,
    filling,
    canLead,
    leading,
    unread,
    everyDays,
    usualChangeL,
    bucketL,
    lastChangeMs,
    nextChangeMs,
    early,
  }
}

/** What the keeper chose for a glass; forgotten when another one is opened. */
function useChoice(glassId: Ref<string>) {
  const changeL = ref<number | null>(null)
  const mode = ref<RecipeMode | null>(null)
  const chosen = ref<Record<string, number> | null>(null)
  const refilling = ref(false)
  /** every value to its middle, with as many salts as that takes */
  const exactly = ref(false)
  watch(glassId, () => {
    changeL.value = null
    mode.value = null
    chosen.value = null
    refilling.value = false
    exactly.value = false
  })
  return { changeL, mode, chosen, refilling, exactly }
}
export type NextChange = ReturnType<typeof useNextChange>
