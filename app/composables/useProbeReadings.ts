import { Entry, toMoment } from '#core/records'
import { calibrated, type Settled, settledMean } from '#core/water'
import type { ProbeReading } from '~/devices/benchProbe'
import { probeSentence, probeStatus, type ProbeValue, probeValues } from '~/words/probe'
import type { BenchProbe } from './useBenchProbe'

/** What a probe shows of the water after calibration, and the way of that into the log. */
export function useProbeReadings(probe: BenchProbe) {
  const desk = useWaterDeskStore()
  const settings = useSettingsStore()
  const log = useLogStore()
  const wet = computed(() => desk.groups.some(g => g.targets.humidityPct))
  const means = computed<Record<ProbeValue, Settled | null>>(() => {
    const { ph, conductivityUsCm } = desk.bench.calibrations
    const of = (pick: (r: ProbeReading) => number, near: number) => settledMean(probe.run.map(pick), near)
    const nearUsCm = Math.max(3, (probe.run.at(-1)?.conductivityUsCm ?? 0) * 0.02)
    return {
      ph: of(r => calibrated(r.ph, ph), 0.06),
      conductivityUsCm: of(r => calibrated(r.conductivityUsCm, conductivityUsCm), nearUsCm),
      temperatureC: of(r => r.temperatureC, 0.25),
      humidityPct: wet.value ? of(r => r.humidityPct, 3) : null,
    }
  })
  const shown = computed(() => probeValues(means.value, wet.value, settings.units))
  const settled = computed(() => shown.value.every(({ key }) => means.value[key]?.settled))
  const status = computed(() =>
    probeStatus({ on: probe.on, state: probe.state, waiting: probe.run.length === 0, settled: settled.value }),
  )

  /** Keeps what is shown as a water test of the glass. */
  async function take() {
    const { ph, conductivityUsCm, temperatureC, humidityPct } = means.value
    const inWater = probe.dip === 'tank' && probe.live
    if (!inWater || !desk.glass || !ph || !conductivityUsCm || !temperatureC) return
    const rounded = (of: Settled, decimals: number) => ({
      value: Number(of.mean.toFixed(decimals)),
      method: 'probe' as const,
    })
    const entry = Entry.safeParse({
      ...log.stamp(),
      at: toMoment(Date.now()),
      kind: 'waterTest',
      glassId: desk.glass.id,
      readings: {
        ph: rounded(ph, 2),
        conductivityUsCm: rounded(conductivityUsCm, 0),
        temperatureC: rounded(temperatureC, 1),
        ...(humidityPct && { humidityPct: rounded(humidityPct, 0) }),
      },
    })
    if (!entry.success) return log.tell('The probe shows what no water can be: calibrate it first.')
    const told = probeSentence(
      { ph: ph.mean, conductivityUsCm: conductivityUsCm.mean, temperatureC: temperatureC.mean },
      settings.units,
    )
    await log.save(entry.data, `${desk.glass.name}: ${told} kept.`)
  }
  return reactive({ shown, settled, status, take })
}
