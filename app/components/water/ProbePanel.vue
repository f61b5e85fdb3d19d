<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { type Calibration, DAY_MS, Entry, toMoment } from '#core/records'
import { CALIBRATION_DAYS, calibrated, calibrationLine, estimateConductivity, settledMean } from '#core/water'
import { formatNumber } from '#core/units'
import { benchProbe, type ProbeReading, type ProbeSetting } from '~/devices/benchProbe'
import { valueText } from '~/words/unitPrefs'
import { agoText } from '~/words/when'

/**
 * The bench probe: a stand-in that streams, can be calibrated, drifts, and whose readings go into the log with one key.
 */
const desk = useWaterDeskStore()
const room = useRoomStore()
const settings = useSettingsStore()
const log = useLogStore()
const { save } = useSave()
const sheets = useSheets()

const dips = [
  { value: 'tank', title: 'In the glass' },
  { value: 'ph4', title: 'Buffer pH 4.01' },
  { value: 'ph7', title: 'Buffer pH 7.00' },
  { value: 'ec84', title: 'Standard 84 µS/cm' },
  { value: 'ec1413', title: 'Standard 1413 µS/cm' },
] as const satisfies readonly { value: ProbeSetting['dip']; title: string }[]
/** What the known solutions are at 25 °C, as their labels say. */
const truths = {
  ph4: ['ph', 4.01],
  ph7: ['ph', 7],
  ec84: ['conductivityUsCm', 84],
  ec1413: ['conductivityUsCm', 1413],
} as const

const on = ref(true)
const dip = ref<ProbeSetting['dip']>('tank')
const drift = ref(1)
const noise = ref(1)
const last = (key: 'ph' | 'conductivityUsCm' | 'temperatureC' | 'humidityPct') =>
  desk.story.readings.get(key)?.at(-1)?.value
const setting = computed<ProbeSetting>(() => ({
  dip: dip.value,
  ph: last('ph') ?? 7,
  conductivityUsCm: Math.round(last('conductivityUsCm') ?? estimateConductivity(desk.present)),
  temperatureC: last('temperatureC') ?? 23,
  humidityPct: last('humidityPct') ?? 60,
  drift: drift.value,
  noise: noise.value,
}))
const { reading, state } = useDevice(
  () => benchProbe(() => setting.value),
  () => (on.value ? JSON.stringify(setting.value) : null),
)

/** The last readings where the probe hangs now; a dip begins anew. */
const RUN = 8
const run = ref<ProbeReading[]>([])
watch([setting, on], () => {
  run.value = []
})
watch(reading, r => {
  if (r) run.value = [...run.value, r].slice(-RUN)
})
const wet = computed(() => desk.groups.some(g => g.targets.humidityPct))
const rows = computed(() => {
  const { ph, conductivityUsCm } = desk.bench.calibrations
  const of = (pick: (r: ProbeReading) => number, near: number) => settledMean(run.value.map(pick), near)
  return {
    ph: of(r => calibrated(r.ph, ph), 0.06),
    conductivityUsCm: of(
      r => calibrated(r.conductivityUsCm, conductivityUsCm),
      Math.max(3, (run.value.at(-1)?.conductivityUsCm ?? 0) * 0.02),
    ),
    temperatureC: of(r => r.temperatureC, 0.25),
    humidityPct: of(r => r.humidityPct, 3),
  }
})
const shown = computed(() => [
  {
    key: 'ph' as const,
    title: 'pH',
    text: rows.value.ph ? formatNumber(rows.value.ph.mean, 2) : '–',
    sd: rows.value.ph ? formatNumber(rows.value.ph.sd, 2) : '',
  },
  {
    key: 'conductivityUsCm' as const,
    title: 'Conductivity',
    text: rows.value.conductivityUsCm
      ? valueText('conductivityUsCm', rows.value.conductivityUsCm.mean, settings.units)
      : '–',
    sd: rows.value.conductivityUsCm ? formatNumber(rows.value.conductivityUsCm.sd, 1) : '',
  },
  {
    key: 'temperatureC' as const,
    title: 'Temperature',
    text: rows.value.temperatureC ? valueText('temperatureC', rows.value.temperatureC.mean, settings.units) : '–',
    sd: rows.value.temperatureC ? formatNumber(rows.value.temperatureC.sd, 2) : '',
  },
  ...(wet.value
    ? [
        {
          key: 'humidityPct' as const,
          title: 'Humidity',
          text: rows.value.humidityPct ? valueText('humidityPct', rows.value.humidityPct.mean, settings.units) : '–',
          sd: '',
        },
      ]
    : []),
])
const settled = computed(() => shown.value.every(r => rows.value[r.key]?.settled))
const status = computed(() =>
  !on.value
    ? 'The probe is off.'
    : state.value === 'lost'
      ? 'The line to the probe is lost. Trying again …'
      : run.value.length === 0
        ? 'Waiting for the probe …'
        : settled.value
          ? 'Live, settled.'
          : 'Live, not settled yet.',
)

async function take() {
  const { ph, conductivityUsCm, temperatureC, humidityPct } = rows.value
  if (dip.value !== 'tank' || state.value !== 'live' || !desk.glass || !ph || !conductivityUsCm || !temperatureC) return
  const round = (value: number, decimals: number) => ({
    value: Number(value.toFixed(decimals)),
    method: 'probe' as const,
  })
  const entry = Entry.safeParse({
    ...log.stamp(),
    at: toMoment(Date.now()),
    kind: 'waterTest',
    glassId: desk.glass.id,
    readings: {
      ph: round(ph.mean, 2),
      conductivityUsCm: round(conductivityUsCm.mean, 0),
      temperatureC: round(temperatureC.mean, 1),
      ...(wet.value && humidityPct && { humidityPct: round(humidityPct.mean, 0) }),
    },
  })
  if (entry.success)
    await log.save(
      entry.data,
      `${desk.glass.name}: pH ${formatNumber(ph.mean, 2)}, ` +
        `${valueText('conductivityUsCm', conductivityUsCm.mean, settings.units)}, ` +
        `${valueText('temperatureC', temperatureC.mean, settings.units)} kept.`,
    )
  else log.tell('The probe shows what no water can be: calibrate it first.')
}
onKeyStroke('t', event => {
  if (
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    event.repeat ||
    sheets.anyOpen.value ||
    (event.target as Element).closest?.('input:not([type=radio]):not([type=range]), select, textarea')
  )
    return
  event.preventDefault()
  void take()
})

// two-point calibration: the keeper dips into two known solutions, and the line through both holds from then on
const points = ref<Partial<Record<keyof typeof truths, number>>>({})
const raw = (key: 'ph' | 'conductivityUsCm') =>
  settledMean(
    run.value.map(r => r[key]),
    key === 'ph' ? 0.06 : 3,
  )
const problem = ref('')
async function takePoint() {
  const at = dip.value
  if (at === 'tank' || !room.room) return
  const [key] = truths[at]
  const read = raw(key)
  if (!read || state.value !== 'live') return
  points.value = { ...points.value, [at]: read.mean }
  const [low, high] = key === 'ph' ? (['ph4', 'ph7'] as const) : (['ec84', 'ec1413'] as const)
  const [a, b] = [points.value[low], points.value[high]]
  problem.value = ''
  if (a === undefined || b === undefined) return
  const calibration: Calibration = {
    at: toMoment(Date.now()),
    points: [
      { raw: a, truth: truths[low][1] },
      { raw: b, truth: truths[high][1] },
    ],
  }
  const line = calibrationLine(calibration)
  if (!line.ok) {
    problem.value =
      line.issue === 'wornOut'
        ? 'These two readings give no sensible line: the probe is worn out, or a solution is not what its label ' +
          'says. The old calibration stays.'
        : 'Both readings are the same: was the probe moved? The old calibration stays.'
    return
  }
  const bench = { ...desk.bench, calibrations: { ...desk.bench.calibrations, [key]: calibration } }
  if (!(await save('rooms', { ...room.room, bench }))) return
  log.tell(
    `${key === 'ph' ? 'pH' : 'Conductivity'} calibrated: slope ${formatNumber(line.slope * 100, 0)} %, offset ` +
      `${formatNumber(line.offset, key === 'ph' ? 2 : 0)}.`,
  )
  points.value = { ...points.value, [low]: undefined, [high]: undefined }
}
const calibrations = computed(() =>
  (['ph', 'conductivityUsCm'] as const).map(key => {
    const c = desk.bench.calibrations[key]
    const line = c ? calibrationLine(c) : null
    const days = c ? (desk.nowMs - new Date(c.at).getTime()) / DAY_MS : null
    const taken = (key === 'ph' ? (['ph4', 'ph7'] as const) : (['ec84', 'ec1413'] as const)).filter(
      p => points.value[p] !== undefined,
    )
    const slope = line?.ok ? `, slope ${formatNumber(line.slope * 100, 0)} %` : ''
    const again = days !== null && days > CALIBRATION_DAYS ? ': due again' : ''
    return {
      key,
      title: key === 'ph' ? 'pH' : 'Conductivity',
      due: days === null || days > CALIBRATION_DAYS,
      text: days === null ? 'never calibrated' : `calibrated ${agoText(days)}${slope}${again}`,
      taken:
        taken.length > 0 ? `First point taken (${dips.find(d => d.value === taken[0])!.title}); now the other.` : '',
    }
  }),
)
</script>

<template>
  <div class="probe">
    <section aria-labelledby="probe-title">
      <h2 id="probe-title">Bench probe <span class="tag">simulated</span></h2>
      <ChoiceChips v-model="dip" label="Where it hangs" :options="dips" />
      <p class="state" role="status" :class="{ lost: on && state === 'lost' }">
        <StateMark :state="!on ? 'unknown' : state === 'lost' ? 'off' : settled ? 'onTarget' : 'drifting'" />
        {{ status }}
      </p>
      <dl :class="{ faded: state === 'lost' }">
        <div v-for="r in shown" :key="r.key">
          <dt>{{ r.title }}</dt>
          <dd class="numeral">{{ r.text }}</dd>
          <dd v-if="r.sd" class="small muted">± {{ r.sd }}</dd>
        </div>
      </dl>
      <div class="acts">
        <v-btn
          v-if="dip === 'tank'"
          color="primary"
          size="large"
          :disabled="state !== 'live' || run.length === 0"
          @click="take"
          >Take into the log<kbd>T</kbd></v-btn
        >
        <v-btn v-else color="primary" size="large" :disabled="state !== 'live' || run.length < 4" @click="takePoint"
          >Take this point</v-btn
        >
        <v-btn class="quiet" size="large" @click="on = !on">{{ on ? 'Switch off' : 'Switch on' }}</v-btn>
      </div>
      <FieldIssue :text="problem" />
      <p v-for="c in calibrations" :key="c.key" class="calibration">
        <StateMark :state="c.due ? 'drifting' : 'onTarget'" /> <b>{{ c.title }}</b> {{ c.text }}. {{ c.taken }}
      </p>
      <p class="small muted">
        Two-point calibration: rinse, dip into the first solution, wait until it has settled, take the point; then the
        second. Every {{ CALIBRATION_DAYS }} days (from memory; your probe’s own sheet comes first).
      </p>
      <fieldset class="manners">
        <legend>How it misbehaves (it is a stand-in)</legend>
        <label
          >Drift <input v-model.number="drift" type="range" min="0" max="5" step="0.5" />
          <b class="numeral">{{ formatNumber(drift, 1) }}</b></label
        >
        <label
          >Noise <input v-model.number="noise" type="range" min="0" max="5" step="0.5" />
          <b class="numeral">{{ formatNumber(noise, 1) }}</b></label
        >
        <p class="small muted">
          1 is an ordinary cheap probe, 5 a worn one. It swings with day and night as the glass does.
        </p>
      </fieldset>
    </section>
    <WhatFollows />
  </div>
</template>

<style scoped>
.probe {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 40px;
  padding-top: 16px;
}
.probe > section {
  display: grid;
  gap: 12px;
  align-content: start;
}
.tag {
  font: 400 14px var(--v-font-body);
  color: var(--muted);
}
.state.lost {
  color: var(--rust);
}
dl {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 8px 20px;
  margin: 0;
  border-block: 1px solid var(--rule);
  padding: 10px 0;
}
dl.faded {
  opacity: 0.6;
}
dt {
  color: var(--muted);
  font-size: 14px;
}
dd {
  margin: 0;
}
dd.numeral {
  font-size: 24px;
  white-space: nowrap;
}
.acts {
  display: flex;
  gap: 12px;
}
.manners {
  border-top: 1px solid var(--rule);
  padding-top: 10px;
  display: grid;
  gap: 4px;
}
.manners legend {
  color: var(--muted);
  font-size: 14px;
  float: left;
  padding-bottom: 4px;
}
.manners label {
  display: grid;
  grid-template-columns: 54px 200px auto;
  align-items: center;
  gap: 10px;
  min-height: 36px;
  clear: both;
}
.manners input {
  accent-color: var(--weed);
  height: 28px;
}
@media (max-width: 900px) {
  .probe {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
