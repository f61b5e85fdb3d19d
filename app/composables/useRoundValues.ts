import { testKeys, valuesToRead } from '#core/care'
import { type ValueKey, valueKeys } from '#core/records'
import type { ValueVerdict } from '#core/water'
import type { RoundGlassAtHand } from './useRoundGlass'

/** The water values to read at the glass at hand: those that are due or stand badly, and more when asked for. */
export function useRoundValues({ colonies, due, draft }: RoundGlassAtHand) {
  const statements = useStatementsStore()
  const settings = useSettingsStore()
  /** of several colonies in one glass the one that is off speaks */
  const verdicts = computed(() => {
    const map = new Map<ValueKey, ValueVerdict>()
    for (const c of colonies.value)
      for (const v of statements.of(c.id)?.water.values ?? [])
        if (!map.has(v.key) || v.state === 'off') map.set(v.key, v)
    return map
  })
  const moreValues = ref(false)
  const showAllValues = () => {
    moreValues.value = true
  }
  const dueKeys = computed(() =>
    due.value.filter(d => d.item.kind === 'test' && d.state !== 'soon').flatMap(d => testKeys(d.item.values)),
  )
  const values = computed<ValueKey[]>(() => [
    ...new Set([
      ...valuesToRead(dueKeys.value, verdicts.value),
      ...valueKeys.filter(k => moreValues.value || draft.value.readings[k]),
    ]),
  ])
  /** how a value is read here: as it was the last time, or as the keeper mostly does */
  const method = (key: ValueKey) => {
    const used = verdicts.value.get(key)?.latest?.method
    if (used && used !== 'reckoned') return used
    return key === 'temperatureC' || key === 'humidityPct' ? 'probe' : settings.testMethod
  }
  return { verdicts, moreValues, showAllValues, dueKeys, values, method }
}
export type RoundValues = ReturnType<typeof useRoundValues>
