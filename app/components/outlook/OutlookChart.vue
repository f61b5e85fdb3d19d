<script setup lang="ts">
import type { Chart, ChartData, ChartOptions } from 'chart.js'
import { axisDay } from '~/charts/axisDay'
import { TimeLine } from '~/charts/timeLine'
import type { BandPoint } from '#core/population'
import { whole } from '~/words/numbers'
import { dayText } from '~/words/when'

/**
 * Fans of several scenarios on one axis: the likely range as a band, the middle as a line of its own kind, the wanted
 * number as a rule.
 */
const props = defineProps<{
  fans: { id: string; name: string; colour: string; dash: number[]; fan: readonly BandPoint[] }[]
  wanted: number | null
  nowMs: number
  unit: string
}>()
const { colour, faded, noteStyle, frame, timeAxis, valueAxis } = useChartStyle()
const points = (fan: readonly BandPoint[], of: (p: BandPoint) => number) => fan.map(p => ({ x: p.at, y: of(p) }))
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const none = { borderWidth: 0, pointRadius: 0, tension: 0 }
  const first = props.fans[0]
  return {
    datasets: [
      ...props.fans.flatMap(f => [
        { ...none, label: 'from', data: points(f.fan, p => p.p10) },
        { ...none, label: 'to', data: points(f.fan, p => p.p90), fill: '-1', backgroundColor: faded(f.colour, 0.15) },
        {
          ...none,
          label: f.name,
          data: points(f.fan, p => p.p50),
          borderWidth: 2.5,
          borderColor: colour(f.colour),
          borderDash: f.dash,
        },
      ]),
      ...(props.wanted !== null && first && first.fan.length > 1
        ? [
            {
              ...none,
              label: 'wanted',
              data: [first.fan[0]!, first.fan.at(-1)!].map(p => ({ x: p.at, y: props.wanted! })),
              borderWidth: 1.5,
              borderColor: colour('muted'),
              borderDash: [2, 4],
            },
          ]
        : []),
    ],
  }
})
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'index', intersect: false, axis: 'x' },
  scales: {
    x: timeAxis({}, (ms, before) => axisDay(ms, before, false)),
    y: valueAxis(props.unit, { min: 0 }, whole),
  },
  plugins: {
    legend: { display: false },
    tooltip: {
      ...noteStyle(),
      filter: item => props.fans.some(f => f.name === item.dataset.label),
      callbacks: {
        title: items => (items[0] ? dayText(Number(items[0].parsed.x), props.nowMs) : ''),
        label: item => {
          const p = props.fans.find(f => f.name === item.dataset.label)?.fan[item.dataIndex]
          return p ? `${item.dataset.label}: about ${whole(p.p50)}, likely ${whole(p.p10)} to ${whole(p.p90)}` : ''
        },
      },
    },
  },
}))
const summary = computed(() =>
  props.fans
    .map(f => {
      const end = f.fan.at(-1)
      return end
        ? `${f.name}: about ${whole(end.p50)} by ${dayText(end.at, props.nowMs)}, likely ${whole(end.p10)} to ` +
            `${whole(end.p90)}`
        : ''
    })
    .join('; '),
)
const chart = ref<{ chart: Chart } | null>(null)
/** The chart as a PNG, on paper. */
function png(): Promise<Blob | null> {
  const canvas = chart.value?.chart.canvas
  if (!canvas) return Promise.resolve(null)
  const copy = document.createElement('canvas')
  copy.width = canvas.width
  copy.height = canvas.height
  const context = copy.getContext('2d')!
  context.fillStyle = colour('background')
  context.fillRect(0, 0, copy.width, copy.height)
  context.drawImage(canvas, 0, 0)
  return new Promise(resolve => copy.toBlob(resolve, 'image/png'))
}
defineExpose({ png })
</script>

<template>
  <div class="canvas">
    <TimeLine ref="chart" :data="data" :options="options" role="img" :aria-label="`Outlook: ${summary}`" />
  </div>
</template>

<style scoped>
.canvas {
  position: relative;
  min-height: 300px;
  height: 100%;
}
</style>
