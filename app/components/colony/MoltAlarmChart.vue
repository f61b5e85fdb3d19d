<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import type { MoltWatch } from '#core/molts'
import { axisDay } from '~/charts/axisDay'
import { TimeLine } from '~/charts/timeLine'
import { dayText } from '~/words/when'

/** The sum of failed molts above what is accepted, against the limit at which it calls; a point where some failed. */
const props = defineProps<{ watch: MoltWatch; sinceMs: number; nowMs: number; summary: string }>()
const { colour, faded, noteStyle, rings, frame, timeAxis, valueAxis } = useChartStyle()

const shown = computed(() => props.watch.path.filter(p => p.at >= props.sinceMs))
const failed = computed(() => shown.value.filter(p => p.failed > 0))
const top = computed(() => Math.max(1.6, 1.1 * Math.max(...shown.value.map(p => p.level))))
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => ({
  datasets: [
    {
      label: 'limit',
      data: [
        { x: props.sinceMs, y: 1 },
        { x: props.nowMs, y: 1 },
      ],
      pointRadius: 0,
      borderWidth: 1.5,
      borderDash: [6, 4],
      borderColor: colour('rust'),
    },
    {
      label: 'sum',
      data: shown.value.map(p => ({ x: p.at, y: p.level })),
      pointRadius: 0,
      borderWidth: 2,
      borderColor: colour('ink'),
      backgroundColor: faded('ink', 0.08),
      fill: 'origin',
    },
    {
      label: 'failed',
      data: failed.value.map(p => ({ x: p.at, y: p.level })),
      ...rings(),
    },
  ],
}))
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'nearest', intersect: false, axis: 'x' },
  scales: {
    x: timeAxis({ min: props.sinceMs, max: props.nowMs }, (ms, before) => axisDay(ms, before, false)),
    y: valueAxis('failures against the limit', { min: 0, max: top.value }, v =>
      v === 1 ? 'limit' : v === 0 ? '0' : '',
    ),
  },
  plugins: {
    legend: { display: false },
    tooltip: {
      ...noteStyle(),
      filter: item => item.dataset.label !== 'limit',
      callbacks: {
        title: items => (items[0] ? dayText(Number(items[0].parsed.x), props.nowMs) : ''),
        label: item =>
          item.dataset.label === 'failed'
            ? `${failed.value[item.dataIndex]!.failed} in molt trouble`
            : `${Math.round(100 * item.parsed.y!)} % of the limit`,
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
  height: 240px;
}
</style>
