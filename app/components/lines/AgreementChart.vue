<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import type { AgreementTold } from '#core/lines'
import { Z80 } from '#core/stats'
import { NumberLine } from '~/charts/numberLine'
import { agreementText } from '~/words/lines'

/** How well keepers agreed, session by session. */
const props = defineProps<{ agreements: readonly AgreementTold[]; nowMs: number }>()
const { colour, faded, frame, noteStyle, rings, valueAxis } = useChartStyle()
const inOrder = computed(() => props.agreements.toSorted((a, b) => a.atMs - b.atMs))
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const at = (z: number) => inOrder.value.map((a, i) => ({ x: i + 1, y: Math.min(1, a.kappa + z * a.se) }))
  const bare = { pointRadius: 0, borderWidth: 0 }
  return {
    datasets: [
      { ...bare, label: 'high', data: at(Z80), fill: '+1', backgroundColor: faded('water', 0.16) },
      { ...bare, label: 'low', data: at(-Z80) },
      { ...rings(), showLine: true, borderColor: colour('water'), borderWidth: 2, label: 'kappa', data: at(0) },
    ],
  }
})
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'nearest', intersect: false, axis: 'x' },
  scales: {
    x: {
      ...valueAxis('session graded twice', { min: 0.5, max: inOrder.value.length + 0.5 }, v =>
        Number.isInteger(v) ? v : '',
      ),
      grid: { display: false },
    },
    y: valueAxis('weighted kappa', { min: 0, max: 1 }, v => v),
  },
  plugins: { legend: { display: false }, tooltip: noteStyle() },
}))
const summary = computed(() => inOrder.value.map(a => agreementText(a, props.nowMs)).join(' '))
</script>

<template>
  <div class="canvas"><NumberLine :data="data" :options="options" role="img" :aria-label="summary" /></div>
</template>

<style scoped>
.canvas {
  position: relative;
  height: 180px;
  max-width: 520px;
}
</style>
