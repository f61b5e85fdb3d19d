<script setup lang="ts">
import { Chart, type ChartData, type ChartOptions } from 'chart.js'
import { format } from 'date-fns'
import { TimeLine } from '~/charts/timeLine'
import { toleratedOf } from '#core/groups'
import { DAY_MS, possibleRange, type ValueKey, valueKeys } from '#core/records'
import {
  type BoxKey,
  boxKeys,
  changedLPerDay,
  controlLimits,
  ewma,
  forecastBand,
  forecastBox,
  isPartChange,
  mixingValues,
  type ReadingMethod,
  type ValueReading,
} from '#core/water'
import { creepText, driftText, historySummary, limitsText } from '~/words/history'
import { testMethodWord } from '~/words/states'
import { rangeText, shownValue, valueName, valueNumber, valueText, valueUnit, volumeText } from '~/words/unitPrefs'
import { dayText } from '~/words/when'
import { historyMarks, type HistoryMarks } from './historyMarks'

/**
 * Each value over time: target band, methods as different marks, changes and top-ups on the axis, control limits, and
 * ahead.
 */
Chart.register(historyMarks)

const desk = useWaterDeskStore()
const settings = useSettingsStore()
const { family, colour, faded, noteStyle } = useChartStyle()
const AHEAD_DAYS = 84

const keys = computed(() => valueKeys.filter(k => (desk.story.readings.get(k)?.length ?? 0) > 0))
const picked = ref<ValueKey | ''>('')
const key = computed<ValueKey>(() =>
  picked.value && keys.value.includes(picked.value)
    ? picked.value
    : keys.value.includes('khDh') && desk.shared.targets.khDh
      ? 'khDh'
      : (keys.value[0] ?? 'ghDh'),
)
const months = ref<'3' | '12' | 'all'>('12')
const spans = [
  { value: '3', title: '3 months' },
  { value: '12', title: 'a year' },
  { value: 'all', title: 'all' },
] as const
const view = ref<'chart' | 'table'>('chart')
const showLimits = ref(true)
const withChanges = ref(false)

const readings = computed(() => desk.story.readings.get(key.value) ?? [])
const since = computed(() =>
  months.value === 'all' ? (readings.value[0]?.at ?? desk.nowMs) : desk.nowMs - Number(months.value) * 30.44 * DAY_MS,
)
const shown = computed(() => readings.value.filter(r => r.at >= since.value))
const tested = computed(() => readings.value.filter(r => r.method !== 'reckoned'))
const target = computed(() => desk.shared.targets[key.value] ?? null)
const limits = computed(() => controlLimits(tested.value.map(r => r.value)))
const smooth = computed(() =>
  limits.value
    ? ewma(
        tested.value.map(r => r.value),
        limits.value.centre,
        limits.value.sigma,
      )
    : [],
)

const lastPoured = computed(() => desk.story.events.findLast(e => e.water && isPartChange(e, desk.netL)) ?? null)
const ahead = computed(() => {
  const latest = readings.value.at(-1)
  if (!latest || !desk.story.present || !(boxKeys as readonly string[]).includes(key.value) || !(desk.netL > 0))
    return []
  const poured = withChanges.value ? lastPoured.value : null
  const habits = {
    ...desk.boxHabits,
    change: poured?.water
      ? {
          litres: Math.min(desk.netL, poured.litres),
          everyDays: desk.everyDays,
          water: poured.water,
          firstInDays: Math.max(1, Math.round((desk.nextChangeMs - desk.nowMs) / DAY_MS)),
        }
      : null,
  }
  return forecastBand(
    forecastBox(desk.story.present, desk.netL, habits, AHEAD_DAYS)[key.value as BoxKey],
    latest.sd,
    desk.habits.driftPerWeek[key.value as BoxKey],
  )
})

const onAxis = (v: number) => shownValue(key.value, v, settings.units)
const marksOf: Record<
  ReadingMethod,
  { style: 'circle' | 'triangle' | 'rect' | 'crossRot' | 'rectRot'; radius: number; hollow: boolean }
> = {
  liquidKit: { style: 'circle', radius: 5, hollow: false },
  strip: { style: 'triangle', radius: 6, hollow: true },
  probe: { style: 'rect', radius: 5, hollow: false },
  guess: { style: 'crossRot', radius: 5, hollow: true },
  reckoned: { style: 'rectRot', radius: 4, hollow: true },
}
const methods = computed(() => [...new Set(shown.value.map(r => r.method))])
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const point = (r: ValueReading) => ({ x: r.at, y: onAxis(r.value) })
  const line = { borderWidth: 0, pointRadius: 0, tension: 0 }
  const future = (pick: 'low' | 'high' | 'value') =>
    ahead.value.map(b => ({ x: desk.nowMs + b.day * DAY_MS, y: onAxis(b[pick]) }))
  return {
    datasets: [
      { ...line, label: 'likely from', data: future('low') },
      { ...line, label: 'likely to', data: future('high'), fill: '-1', backgroundColor: faded('ink', 0.1) },
      {
        ...line,
        label: 'ahead',
        data: future('value'),
        borderWidth: 2,
        borderColor: colour('ink'),
        borderDash: [2, 5],
        borderCapStyle: 'round',
      },
      { ...line, label: 'path', data: shown.value.map(point), borderWidth: 1.2, borderColor: faded('ink', 0.45) },
      ...methods.value.map(method => {
        const mark = marksOf[method]
        return {
          label: method,
          data: shown.value.filter(r => r.method === method).map(point),
          showLine: false,
          pointStyle: mark.style,
          pointRadius: mark.radius,
          borderColor: colour('ink'),
          borderWidth: 1.6,
          pointBorderColor: colour('ink'),
          backgroundColor: mark.hollow ? colour('background') : colour('ink'),
          pointBackgroundColor: mark.hollow ? colour('background') : colour('ink'),
        }
      }),
    ],
  }
})
const marks = computed<HistoryMarks>(() => {
  const t = target.value
  const pair = (range: readonly [number, number]) => [onAxis(range[0]), onAxis(range[1])] as const
  return {
    preferred: t ? pair(t.preferred) : null,
    tolerated: t ? pair(toleratedOf(key.value, t)) : null,
    limits:
      showLimits.value && limits.value
        ? { low: onAxis(limits.value.low), centre: onAxis(limits.value.centre), high: onAxis(limits.value.high) }
        : null,
    events: desk.story.events.filter(e => e.at >= since.value),
    todayMs: desk.nowMs,
    ink: colour('ink'),
    muted: colour('muted'),
    water: colour('water'),
    band: faded('water', 0.22),
    pale: faded('water', 0.1),
  }
})
const axis = computed(() => {
  const [least, most] = possibleRange[key.value].map(onAxis) as [number, number]
  const t = target.value
  const points = [
    ...shown.value.map(r => onAxis(r.value)),
    ...ahead.value.flatMap(b => [onAxis(b.low), onAxis(b.high)]),
    ...(t && t.preferred[1] > 0 ? [onAxis(t.preferred[0]), onAxis(t.preferred[1])] : []),
  ]
  const low = Math.min(...points)
  const high = Math.max(...points)
  const room = Math.max((high - low) * 0.12, Math.abs(high) * 0.02, 0.02)
  return { min: Math.max(least, low - room), max: Math.min(most, high + room) }
})
const unit = computed(() => valueUnit(key.value, settings.units))
const options = computed<ChartOptions<'line'>>(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  font: { family },
  interaction: { mode: 'nearest', intersect: false, axis: 'x' },
  scales: {
    x: {
      type: 'time',
      min: since.value,
      max: ahead.value.length > 0 ? desk.nowMs + AHEAD_DAYS * DAY_MS : desk.nowMs + 7 * DAY_MS,
      time: { minUnit: 'week' },
      grid: { display: false },
      border: { color: colour('rule') },
      ticks: {
        color: colour('muted'),
        font: { family, size: 14 },
        maxRotation: 0,
        autoSkipPadding: 24,
        callback: v => format(Number(v), months.value === '3' ? 'd MMM' : 'MMM yy'),
      },
    },
    y: {
      min: axis.value.min,
      max: axis.value.max,
      title: {
        display: true,
        text: `${valueName(key.value)}${unit.value && `, ${unit.value}`}`,
        color: colour('muted'),
        font: { family, size: 14 },
      },
      grid: { color: colour('rule') },
      border: { display: false },
      ticks: {
        color: colour('muted'),
        font: { family, size: 14 },
        maxTicksLimit: 8,
        includeBounds: false,
        callback: v => Number(Number(v).toFixed(2)),
      },
    },
  },
  plugins: {
    legend: { display: false },
    historyMarks: { marks: marks.value },
    tooltip: {
      ...noteStyle(),
      filter: item => item.dataset.label === 'ahead' || (item.dataset.label ?? '') in marksOf,
      callbacks: {
        title: items => (items[0] ? dayText(Number(items[0].parsed.x), desk.nowMs) : ''),
        label: item => {
          const { label } = item.dataset
          const how = label === 'ahead' ? ' ahead' : `, ${testMethodWord[label as ReadingMethod]}`
          return `${item.formattedValue} ${unit.value}${how}`
        },
      },
    },
  },
}))

const summary = computed(() =>
  historySummary(key.value, shown.value, target.value?.preferred ?? null, desk.nowMs, settings.units),
)
const sentences = computed(() => {
  const lastTop = desk.standing.findLast(e => e.kind === 'topUp')
  const topUpName = lastTop?.kind === 'topUp' ? lastTop.poured?.map(p => p.name).join(' and ') || 'water' : 'water'
  const poured = lastPoured.value?.water
  const changeValue =
    poured && (boxKeys as readonly string[]).includes(key.value) ? mixingValues(poured)[key.value as BoxKey] : 0
  return [
    driftText(key.value, desk.habits, settings.units),
    desk.boxHabits.topUpKnown
      ? creepText({
          key: key.value,
          netL: desk.netL,
          habits: desk.habits,
          changedLPerDay: changedLPerDay(desk.story, desk.nowMs),
          topUp: desk.boxHabits.topUp,
          name: topUpName,
          changeValue,
          units: settings.units,
        })
      : '',
    limitsText(
      key.value,
      limits.value,
      smooth.value,
      tested.value.map(r => r.at),
      desk.nowMs,
      settings.units,
    ),
  ].filter(Boolean)
})
/** Readings and what was poured, newest first. */
const rows = computed(() =>
  [
    ...readings.value.map(r => ({
      at: r.at,
      what: valueText(key.value, r.value, settings.units),
      how: testMethodWord[r.method],
      doubt: `± ${valueNumber(key.value, r.sd, { ...settings.units, temperature: 'c' })}`,
    })),
    ...desk.story.events.map(e => ({
      at: e.at,
      what: `${volumeText(e.litres, settings.units)} ${e.kind === 'change' ? 'changed' : 'topped up'}`,
      how: e.water ? 'water known' : 'water not known',
      doubt: '',
    })),
  ].sort((a, b) => b.at - a.at),
)
</script>

<template>
  <div class="history">
    <template v-if="keys.length > 0">
      <div class="controls">
        <ChoiceChips
          :model-value="key"
          label="Value"
          hide-label
          :options="keys.map(k => ({ value: k, title: valueName(k) }))"
          @update:model-value="picked = $event"
        />
        <div class="right">
          <ChoiceChips v-model="months" label="How far back" hide-label :options="spans" />
          <ChoiceChips
            v-model="view"
            label="Show as"
            hide-label
            :options="[
              { value: 'chart', title: 'Chart' },
              { value: 'table', title: 'Table' },
            ]"
          />
        </div>
      </div>
      <figure v-if="view === 'chart'">
        <div class="canvas">
          <TimeLine :data="data" :options="options" role="img" :aria-label="`Water history: ${summary}`" />
        </div>
        <figcaption class="small muted legend">
          <span v-for="m in methods" :key="m"
            ><svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
              <circle v-if="m === 'liquidKit'" r="4.5" class="full" />
              <path v-else-if="m === 'strip'" d="M0,-5 L5,4 L-5,4 z" />
              <rect v-else-if="m === 'probe'" x="-4" y="-4" width="8" height="8" class="full" />
              <path v-else-if="m === 'guess'" d="M-4,-4 L4,4 M4,-4 L-4,4" />
              <path v-else d="M0,-5 L5,0 L0,5 L-5,0 z" /></svg
            >{{ testMethodWord[m] }}</span
          >
          <span v-if="marks.events.some(e => e.kind === 'change')"
            ><svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
              <path d="M0,-5 L5,5 L-5,5 z" class="poured" /></svg
            >water changed</span
          >
          <span v-if="marks.events.some(e => e.kind === 'topUp')"
            ><svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true"><circle r="3.5" class="topped" /></svg
            >topped up</span
          >
          <span v-if="target"
            ><i class="band" />preferred {{ rangeText(key, ...target.preferred, settings.units) }}</span
          >
          <label v-if="limits"><input v-model="showLimits" type="checkbox" /> what is ordinary here (dashed)</label>
          <label v-if="lastPoured && ahead.length > 0"
            ><input v-model="withChanges" type="checkbox" /> ahead with changes like the last one</label
          >
        </figcaption>
        <p class="hidden-to-eyes">{{ summary }}</p>
      </figure>
      <div v-else class="scroll" tabindex="0" role="region" aria-label="Readings as a table">
        <table>
          <caption class="hidden-to-eyes">
            Readings of
            {{
              valueName(key)
            }}
            and what was poured, newest first
          </caption>
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">Reading or change</th>
              <th scope="col">How</th>
              <th scope="col">Doubt</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, i) in rows" :key="i">
              <th scope="row">{{ format(r.at, 'd MMM yyyy') }}</th>
              <td>{{ r.what }}</td>
              <td>{{ r.how }}</td>
              <td>{{ r.doubt }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-for="s in sentences" :key="s" class="say"><TheSentence :text="s" /></p>
      <p v-if="ahead.length > 0" class="small muted">
        Ahead: a well-mixed glass with what evaporates<template v-if="!desk.boxHabits.evaporationKnown">
          (0.4 % of the water a day, from memory: log top-ups to learn it)</template
        >, its top-ups, its own drift<template v-if="key === 'nitrateMgL' && desk.boxHabits.nitrateMgLPerWeek > 0"
          >, what feeding brings ({{ desk.boxHabits.nitrateMgLPerWeek }} mg/L a week by its school, from
          memory)</template
        ><template v-if="desk.boxHabits.carbonateGL > 0"
          >, carbonate stone that holds KH up (simple rule, from memory)</template
        ><template v-if="desk.boxHabits.soilAgeWeeks !== null"
          >, active soil that takes KH up (simple rule, from memory)</template
        >, and no changes unless ticked. The shade holds the truth four times out of five.
      </p>
    </template>
    <template v-else>
      <p class="statement">The history will stand here.</p>
      <p class="muted">Log a test of the water with L: from the third reading on, drift shows.</p>
    </template>
  </div>
</template>

<style scoped>
.history {
  padding-top: 12px;
  display: grid;
  gap: 10px;
}
.controls {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  justify-content: space-between;
}
.right {
  display: flex;
  gap: 20px;
  flex-wrap: wrap;
}
.canvas {
  position: relative;
  height: 400px;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  padding-top: 4px;
}
.legend span,
.legend label {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  min-height: 28px;
}
.legend svg {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.legend .full {
  fill: var(--ink);
}
.legend .poured {
  fill: var(--water);
  stroke: none;
}
.legend .topped {
  stroke: var(--water);
}
.legend .band {
  width: 18px;
  height: 10px;
  background: var(--water-solid);
  opacity: 0.6;
  border-radius: 2px;
}
.legend input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
}
.say {
  font-size: 17px;
}
.scroll {
  overflow: auto;
  max-height: 55vh;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  font-weight: 400;
  padding: 6px 12px 6px 0;
  border-bottom: 1px solid var(--rule);
}
thead th {
  color: var(--muted);
  font-size: 14px;
  position: sticky;
  top: 0;
  background: var(--paper);
}
@media (max-width: 700px) {
  .canvas {
    height: 300px;
  }
}
</style>
