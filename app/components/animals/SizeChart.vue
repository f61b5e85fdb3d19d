<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import { WEEK_MS } from '#core/records'
import type { Growth } from '#core/shells'
import { axisDay } from '~/charts/axisDay'
import { TimeLine } from '~/charts/timeLine'
import { dayText } from '~/words/when'

/** Sizes that were read, with the curve and its likely range, and the size from which its kind breeds. */
const props = defineProps<{ growth: Growth; nowMs: number; summary: string }>()
const { colour, faded, noteStyle, rings, frame, timeAxis, valueAxis } = useChartStyle()

const from = computed(() => props.growth.curve[0]!.at)
const to = computed(() => Math.max(props.nowMs + 8 * WEEK_MS, props.growth.curve.at(-1)!.at))
const top = computed(
  () =>
    1.08 *
    Math.max(props.growth.breedsMm, ...props.growth.curve.map(p => p.high), ...props.growth.sizes.map(s => s.mm)),
)
const band = (of: 'low' | 'value' | 'high') => props.growth.curve.map(p => ({ x: p.at, y: Math.max(0, p[of]) }))
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => ({
  datasets: [
    {
      label: 'high',
      data: band('high'),
      pointRadius: 0,
      borderWidth: 0,
      fill: '+1',
      backgroundColor: faded('weed', 0.16),
    },
    { label: 'low', data: band('low'), pointRadius: 0, borderWidth: 0 },
    { label: 'curve', data: band('value'), pointRadius: 0, borderWidth: 2, borderColor: colour('weed') },
    {
      label: 'breeds',
      data: [
        { x: from.value, y: props.growth.breedsMm },
        { x: to.value, y: props.growth.breedsMm },
      ],
      pointRadius: 0,
      borderWidth: 1.4,
      borderDash: [6, 4],
      borderColor: colour('muted'),
    },
    {
      label: 'size',
      data: props.growth.sizes.map(s => ({ x: s.at, y: s.mm })),
      ...rings(),
    },
  ],
}))
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'nearest', intersect: false, axis: 'x' },
  scales: {
    x: timeAxis({ min: from.value, max: to.value }, (ms, before) => axisDay(ms, before, false)),
    y: valueAxis('mm', { min: 0, max: top.value }, v => v),
  },
  plugins: {
    legend: { display: false },
    tooltip: {
      ...noteStyle(),
      filter: item => item.dataset.label === 'size' || item.dataset.label === 'curve',
      callbacks: {
        title: items => (items[0] ? dayText(Number(items[0].parsed.x), props.nowMs) : ''),
        label: item => `${item.dataset.label === 'size' ? 'measured' : 'by the curve'} ${item.parsed.y!.toFixed(1)} mm`,
      },
    },
  },
}))
</script>

<template>
  <div class="canvas"><TimeLine :data="data" :options="options" role="img" :aria-label="summary" /></div>
</template>

<style scoped>
.canvas {
  position: relative;
  height: 220px;
}
</style>
