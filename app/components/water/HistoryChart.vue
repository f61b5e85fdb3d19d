<script setup lang="ts">
import { Chart, type ChartData, type ChartOptions } from 'chart.js'
import { axisDay } from '~/charts/axisDay'
import { TimeLine } from '~/charts/timeLine'
import { toleratedOf } from '#core/groups'
import { DAY_MS, possibleRange } from '#core/records'
import type { ReadingMethod, ValueReading } from '#core/water'
import { AHEAD_DAYS, type HistoryDesk } from '~/composables/useHistoryDesk'
import { testMethodWord } from '~/words/states'
import { shownValue, valueName, valueUnit } from '~/words/unitPrefs'
import { dayText } from '~/words/when'
import { historyMarks, type HistoryMarks } from './historyMarks'

/** One value over time: target band, methods as different marks, changes and top-ups on the axis, limits, and ahead. */
Chart.register(historyMarks)

const { history, showLimits } = defineProps<{ history: HistoryDesk; showLimits: boolean }>()
const desk = useWaterDeskStore()
const settings = useSettingsStore()
const { colour, faded, noteStyle, frame, timeAxis, valueAxis } = useChartStyle()

const onAxis = (v: number) => shownValue(history.key, v, settings.units)
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
const methods = computed(() => [...new Set(history.shown.map(r => r.method))])
const point = (r: ValueReading) => ({ x: r.at, y: onAxis(r.value) })
const line = { borderWidth: 0, pointRadius: 0, tension: 0 }

function pointsBy(method: ReadingMethod) {
  const mark = marksOf[method]
  const fill = mark.hollow ? colour('background') : colour('ink')
  return {
    label: method,
    data: history.shown.filter(r => r.method === method).map(point),
    showLine: false,
    pointStyle: mark.style,
    pointRadius: mark.radius,
    borderColor: colour('ink'),
    borderWidth: 1.6,
    pointBorderColor: colour('ink'),
    backgroundColor: fill,
    pointBackgroundColor: fill,
  }
}
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const future = (pick: 'low' | 'high' | 'value') =>
    history.ahead.map(b => ({ x: desk.nowMs + b.day * DAY_MS, y: onAxis(b[pick]) }))
  const dotted = { borderWidth: 2, borderColor: colour('ink'), borderDash: [2, 5], borderCapStyle: 'round' as const }
  return {
    datasets: [
      { ...line, label: 'likely from', data: future('low') },
      { ...line, label: 'likely to', data: future('high'), fill: '-1', backgroundColor: faded('ink', 0.1) },
      { ...line, ...dotted, label: 'ahead', data: future('value') },
      { ...line, label: 'path', data: history.shown.map(point), borderWidth: 1.2, borderColor: faded('ink', 0.45) },
      ...methods.value.map(pointsBy),
    ],
  }
})
const marks = computed<HistoryMarks>(() => {
  const { target, limits } = history
  const pair = (range: readonly [number, number]) => [onAxis(range[0]), onAxis(range[1])] as const
  return {
    preferred: target ? pair(target.preferred) : null,
    tolerated: target ? pair(toleratedOf(history.key, target)) : null,
    limits:
      showLimits && limits
        ? { low: onAxis(limits.low), centre: onAxis(limits.centre), high: onAxis(limits.high) }
        : null,
    events: history.events,
    todayMs: desk.nowMs,
    ink: colour('ink'),
    muted: colour('muted'),
    water: colour('water'),
    band: faded('water', 0.22),
    pale: faded('water', 0.1),
  }
})
/** The axis holds readings, forecast and target, within what the value can be. */
const span = computed(() => {
  const [least, most] = possibleRange[history.key].map(onAxis) as [number, number]
  const { target } = history
  const points = [
    ...history.shown.map(r => onAxis(r.value)),
    ...history.ahead.flatMap(b => [onAxis(b.low), onAxis(b.high)]),
    ...(target && target.preferred[1] > 0 ? target.preferred.map(onAxis) : []),
  ]
  const [low, high] = [Math.min(...points), Math.max(...points)]
  const room = Math.max((high - low) * 0.12, Math.abs(high) * 0.02, 0.02)
  return { min: Math.max(least, low - room), max: Math.min(most, high + room) }
})
const unit = computed(() => valueUnit(history.key, settings.units))
const options = computed<ChartOptions<'line'>>(() => {
  const end = history.ahead.length > 0 ? desk.nowMs + AHEAD_DAYS * DAY_MS : desk.nowMs + 7 * DAY_MS
  const title = `${valueName(history.key)}${unit.value && `, ${unit.value}`}`
  return {
    ...frame,
    interaction: { mode: 'nearest', intersect: false, axis: 'x' },
    scales: {
      x: timeAxis({ min: history.since, max: end }, (ms, before) => axisDay(ms, before, history.months === '3')),
      y: valueAxis(title, span.value, v => Number(v.toFixed(2))),
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
  }
})
</script>

<template>
  <div class="canvas">
    <TimeLine :data="data" :options="options" role="img" :aria-label="`Water history: ${history.summary}`" />
  </div>
</template>

<style scoped>
.canvas {
  position: relative;
  height: 400px;
}
@media (--phone) {
  .canvas {
    height: 300px;
  }
}
</style>
