import { DAY_MS, type ValueKey, valueKeys } from '#core/records'
import { controlLimits, forecastBand, forecastBox, isPartChange } from '#core/water'
import { isMixing } from '~/words/history'
import { useHistoryWords } from './useHistoryWords'

/** Days that are told ahead. */
export const AHEAD_DAYS = 84
const DAYS_OF_MONTH = 30.44

/** One value of a glass over time: its readings, what is ordinary, what was poured, and what lies ahead. */
export function useHistoryDesk() {
  const desk = useWaterDeskStore()
  const picked = ref<ValueKey | ''>('')
  const months = ref<'3' | '12' | 'all'>('12')
  /** ahead with changes like the last one */
  const withChanges = ref(false)

  const compareWithChanges = (on: boolean) => (withChanges.value = on)
  const keys = computed(() => valueKeys.filter(k => (desk.story.readings.get(k)?.length ?? 0) > 0))
  const key = computed<ValueKey>(() => {
    if (picked.value && keys.value.includes(picked.value)) return picked.value
    return keys.value.includes('khDh') && desk.shared.targets.khDh ? 'khDh' : (keys.value[0] ?? 'ghDh')
  })
  const readings = computed(() => desk.story.readings.get(key.value) ?? [])
  const tested = computed(() => readings.value.filter(r => r.method !== 'reckoned'))
  const since = computed(() =>
    months.value === 'all'
      ? (readings.value[0]?.at ?? desk.nowMs)
      : desk.nowMs - Number(months.value) * DAYS_OF_MONTH * DAY_MS,
  )
  const shown = computed(() => readings.value.filter(r => r.at >= since.value))
  const events = computed(() => desk.story.events.filter(e => e.at >= since.value))
  const target = computed(() => desk.shared.targets[key.value] ?? null)
  const preferred = computed(() => target.value?.preferred ?? null)
  const limits = computed(() => controlLimits(tested.value.map(r => r.value)))
  /** the last change whose water is known */
  const lastPoured = computed(() => desk.story.events.findLast(e => e.water && isPartChange(e, desk.netL)) ?? null)
  const ahead = computed(() => {
    const latest = readings.value.at(-1)
    if (!latest || !desk.story.present || !isMixing(key.value) || !(desk.netL > 0)) return []
    const poured = withChanges.value ? lastPoured.value : null
    const change = poured?.water && {
      litres: Math.min(desk.netL, poured.litres),
      everyDays: desk.everyDays,
      water: poured.water,
      firstInDays: Math.max(1, Math.round((desk.nextChangeMs - desk.nowMs) / DAY_MS)),
    }
    const box = forecastBox(desk.story.present, desk.netL, { ...desk.boxHabits, change: change ?? null }, AHEAD_DAYS)
    return forecastBand(box[key.value], latest.sd, desk.habits.driftPerWeek[key.value])
  })
  return reactive({
    picked,
    months,
    withChanges,
    compareWithChanges,
    keys,
    key,
    readings,
    tested,
    since,
    shown,
    events,
    target,
    limits,
    lastPoured,
    ahead,
    ...useHistoryWords({ key, readings, tested, shown, preferred, limits, lastPoured }),
  })
}
export type HistoryDesk = ReturnType<typeof useHistoryDesk>
