import { formatNumber } from '#core/units'
import type { GravityReference } from '#core/water'
import { readSaltMeasure, salinityShown, type SaltMeasure } from '~/forms/saltWater'
import { readWaterC } from '~/forms/readWaterC'
import { saltResults } from '~/words/salt'
import { valueNumber } from '~/words/unitPrefs'

/** What an instrument shows of salt water, and what every other instrument would show. Begins with the newest test. */
export function useSaltInstrument() {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const measure = ref<SaltMeasure>('salinity')
  const shown = ref<Record<SaltMeasure, string>>({ salinity: '', gravity: '', conductivity: '' })
  const temperature = ref('')
  const reference = ref<GravityReference>('same')
  watch(
    [() => desk.glassId, () => desk.ready, () => settings.units.temperature],
    () => {
      const last = (key: 'salinityGKg' | 'temperatureC') => desk.story.readings.get(key)?.at(-1)?.value
      shown.value = {
        salinity: formatNumber(last('salinityGKg') ?? 17.5, 1),
        gravity: '1.013',
        conductivity: '28.3',
      }
      temperature.value = valueNumber('temperatureC', last('temperatureC') ?? 24, settings.units)
    },
    { immediate: true },
  )

  const waterC = computed(() => readWaterC(temperature.value, settings.units))
  const read = computed(() => readSaltMeasure(shown.value[measure.value], measure.value))
  const salinityGKg = computed(() =>
    waterC.value.ok && read.value.ok
      ? salinityShown(measure.value, read.value.value, waterC.value.value, reference.value)
      : null,
  )
  /** the temperature to reckon with, in °C */
  const degreesC = computed(() => (waterC.value.ok ? waterC.value.value : 24))
  const results = computed(() =>
    salinityGKg.value !== null && waterC.value.ok
      ? saltResults(salinityGKg.value, waterC.value.value, reference.value, settings.units)
      : null,
  )
  return reactive({ measure, shown, temperature, reference, waterC, read, salinityGKg, degreesC, results })
}
export type SaltInstrument = ReturnType<typeof useSaltInstrument>
