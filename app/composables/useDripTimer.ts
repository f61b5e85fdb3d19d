import { dripNow, type RunningDrip } from '~/words/drip'
import type { DripDesk } from './useDripDesk'

/** The timer of a drip; it is kept on the device and runs on through a reload. */
export function useDripTimer(drip: DripDesk) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const running = useLocalStorage<RunningDrip | null>('ulkin.drip', null, {
    serializer: { read: v => JSON.parse(v) as RunningDrip | null, write: v => JSON.stringify(v) },
  })
  const now = useNow({ interval: 1000 })
  function start() {
    if (!drip.plan || !drip.vessel.ok) return
    running.value = {
      startMs: Date.now(),
      minutes: drip.plan.minutes,
      litresPerHour: drip.plan.litresPerHour,
      mode: drip.mode,
      vesselL: drip.vessel.value,
      glass: desk.glass?.name ?? '',
      values: drip.known.map(key => ({ key, from: drip.from[key]!, to: drip.to[key]! })),
    }
  }
  const stop = () => (running.value = null)
  const live = computed(() => running.value && dripNow(running.value, now.value.getTime(), settings.units))
  return reactive({ live, start, stop })
}
