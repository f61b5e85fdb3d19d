import type { ValueKey } from '#core/records'
import { changedLPerDay, type ControlLimits, mixingValues, type ValueReading, type WaterEvent } from '#core/water'
import { ewma } from '#core/stats'
import { creepText, driftText, historyRows, historySummary, isMixing, limitsText } from '~/words/history'

/** The same in words: one line for those who hear the chart, sentences under it, and every reading as a row. */
export function useHistoryWords(of: {
  key: Ref<ValueKey>
  readings: Ref<readonly ValueReading[]>
  /** those that were measured, not reckoned */
  tested: Ref<readonly ValueReading[]>
  /** those on the chart */
  shown: Ref<readonly ValueReading[]>
  preferred: Ref<readonly [number, number] | null>
  limits: Ref<ControlLimits | null>
  lastPoured: Ref<WaterEvent | null>
}) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const summary = computed(() =>
    historySummary({
      key: of.key.value,
      readings: of.shown.value,
      preferred: of.preferred.value,
      nowMs: desk.nowMs,
      units: settings.units,
    }),
  )
  const creeps = computed(() => {
    if (!desk.boxHabits.topUpKnown) return ''
    const lastTop = desk.standing.findLast(e => e.kind === 'topUp')
    const name = (lastTop?.kind === 'topUp' && lastTop.poured?.map(p => p.name).join(' and ')) || 'water'
    const poured = of.lastPoured.value?.water
    return creepText({
      key: of.key.value,
      netL: desk.netL,
      habits: desk.habits,
      changedLPerDay: changedLPerDay(desk.story, desk.nowMs),
      topUp: desk.boxHabits.topUp,
      name,
      changeValue: poured && isMixing(of.key.value) ? mixingValues(poured)[of.key.value] : 0,
      units: settings.units,
    })
  })
  const ordinary = computed(() => {
    const limits = of.limits.value
    const tested = of.tested.value
    const values = tested.map(r => r.value)
    return limitsText({
      key: of.key.value,
      limits,
      smooth: limits ? ewma(values, limits.centre, limits.sigma) : [],
      times: tested.map(r => r.at),
      nowMs: desk.nowMs,
      units: settings.units,
    })
  })
  const sentences = computed(() =>
    [driftText(of.key.value, desk.habits, settings.units), creeps.value, ordinary.value].filter(Boolean),
  )
  const rows = computed(() => historyRows(of.key.value, of.readings.value, desk.story.events, settings.units))
  return { summary, sentences, rows }
}
