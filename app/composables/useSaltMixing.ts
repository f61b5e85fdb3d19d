import { formatNumber } from '#core/units'
import { readNumber } from '~/forms/readNumber'
import { mixSentences, putRightText } from '~/words/salt'
import type { SaltInstrument } from './useSaltInstrument'

/** More salt than this in a litre makes a source sea water. */
const SEA_GL = 5
const range = { low: 0.1, high: 42, unit: 'g/kg' }

/** Salt water to be mixed, and what puts right the water that is in the glass. */
export function useSaltMixing(instrument: SaltInstrument) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()

  const litres = ref('')
  const wanted = ref('17.5')
  const { unit: litreUnit, read: litresRead, fill } = useLitres(litres, 0.01, 5000)
  watch(
    () => settings.units.volume,
    () => fill(10),
    { immediate: true },
  )
  const wantedRead = computed(() => readNumber(wanted.value, range))
  const sea = computed(() => {
    const source = desk.usable.find(u => u.water.seaSaltGL > SEA_GL)?.source
    return source ? { name: source.name, salinityGKg: source.analyses.at(-1)?.values.salinityGKg ?? 0 } : null
  })
  const mix = computed(() => {
    if (!litresRead.value.ok || !wantedRead.value.ok) return null
    const { value: salinityGKg } = wantedRead.value
    const water = { litres: litresRead.value.value, salinityGKg, temperatureC: instrument.degreesC }
    return mixSentences(water, sea.value, settings.units)
  })

  // follows the instrument until the keeper types another one for this glass
  const typed = ref<string | null>(null)
  const is = computed({
    get: () => typed.value ?? (instrument.salinityGKg === null ? '' : formatNumber(instrument.salinityGKg, 1)),
    set: text => (typed.value = text),
  })
  watch(
    () => desk.glassId,
    () => (typed.value = null),
  )
  const should = ref('17.5')
  const isRead = computed(() => readNumber(is.value, range))
  const shouldRead = computed(() => readNumber(should.value, range))
  const putRight = computed(() => {
    if (!isRead.value.ok || !shouldRead.value.ok || !(desk.netL > 0)) return ''
    const { value: isGKg } = isRead.value
    const glass = { netL: desk.netL, isGKg, shouldGKg: shouldRead.value.value, temperatureC: instrument.degreesC }
    return putRightText(glass, settings.units)
  })
  return reactive({ litres, litreUnit, litresRead, wanted, wantedRead, mix, is, isRead, should, shouldRead, putRight })
}
