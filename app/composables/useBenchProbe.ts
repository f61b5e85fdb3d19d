import { estimateConductivity } from '#core/water'
import { benchProbe, type ProbeReading, type ProbeSetting } from '~/devices/benchProbe'

/** As many of the last readings are taken together. */
const RUN = 8

/**
 * The bench probe as it hangs now: where, how it misbehaves, its line, and the last readings there. A new place begins
 * anew.
 * @param open opens the line to a probe with a setting; the stand-in of the server unless told otherwise
 */
export function useBenchProbe(open = benchProbe) {
  const desk = useWaterDeskStore()
  const on = ref(true)
  const dip = ref<ProbeSetting['dip']>('tank')
  const drift = ref(1)
  const noise = ref(1)
  const setting = computed<ProbeSetting>(() => {
    const last = (key: 'ph' | 'conductivityUsCm' | 'temperatureC' | 'humidityPct') =>
      desk.story.readings.get(key)?.at(-1)?.value
    return {
      dip: dip.value,
      ph: last('ph') ?? 7,
      conductivityUsCm: Math.round(last('conductivityUsCm') ?? estimateConductivity(desk.present)),
      temperatureC: last('temperatureC') ?? 23,
      humidityPct: last('humidityPct') ?? 60,
      drift: drift.value,
      noise: noise.value,
    }
  })
  const { reading, state } = useDevice(
    () => open(() => setting.value),
    () => (on.value ? JSON.stringify(setting.value) : null),
  )
  const run = shallowRef<ProbeReading[]>([])
  watch([setting, on], () => (run.value = []))
  watch(reading, r => {
    if (r) run.value = [...run.value, r].slice(-RUN)
  })
  const live = computed(() => on.value && state.value === 'live' && run.value.length > 0)
  return reactive({ on, dip, drift, noise, state, run, live })
}
export type BenchProbe = ReturnType<typeof useBenchProbe>
