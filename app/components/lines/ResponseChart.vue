<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import type { LineTold } from '#core/lines'
import { NumberLine } from '~/charts/numberLine'
import { courseRows, generationAxis } from '~/words/lines'

/** What came of the breeding: the mean rung as it was graded, as the genes have it, and of the next generation. */
const props = defineProps<{ told: LineTold; rungs: number; nowMs: number }>()
const { colour, faded, frame, noteStyle, rings, valueAxis } = useChartStyle()
const past = computed(() => props.told.generations)
const next = computed(() => props.told.next?.meanRung)
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const last = past.value.at(-1)!
  const genes = (of: 'low' | 'value' | 'high') => [
    ...past.value.map(g => ({ x: g.at, y: g.byGenes[of] })),
    ...(next.value ? [{ x: last.at + 1, y: next.value[of] }] : []),
  ]
  const bare = { pointRadius: 0, borderWidth: 0 }
  return {
    datasets: [
      { ...bare, label: 'high', data: genes('high'), fill: '+1', backgroundColor: faded('weed', 0.16) },
      { ...bare, label: 'low', data: genes('low') },
      { label: 'by its genes', data: genes('value'), borderColor: colour('weed'), borderWidth: 2, pointRadius: 0 },
      {
        ...{ ...rings(), label: 'as graded', clip: 8 },
        data: past.value.flatMap(g => (g.meanRung === null ? [] : [{ x: g.at, y: g.meanRung }])),
      },
    ],
  }
})
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'nearest', intersect: false, axis: 'x' },
  scales: {
    x: {
      ...valueAxis(generationAxis(props.told), { min: 1, max: past.value.at(-1)!.at + (next.value ? 1 : 0) }, v =>
        Number.isInteger(v) ? v : '',
      ),
      grid: { display: false },
    },
    y: valueAxis('mean rung', { min: 1, max: props.rungs }, v => v),
  },
  plugins: { legend: { display: false }, tooltip: noteStyle() },
}))
const rows = computed(() => courseRows(props.told, props.nowMs))
const columns = [
  { key: 'name', title: 'Generation', as: 'name' },
  { key: 'graded', title: 'As graded', as: 'figure' },
  { key: 'genes', title: 'By its genes', as: 'figure' },
] as const
const summary = computed(() => rows.value.map(r => `${r.name}: ${r.graded} graded, ${r.genes} by its genes`).join('; '))
</script>

<template>
  <figure v-if="past.length > 1">
    <figcaption class="small muted">
      Mean rung <b>as graded</b> (rings) and <b class="genes">as the genes have it</b>: in a usual year, without what a
      keeper’s eye adds; band: 80 %.<template v-if="next"> The last point is the forecast.</template>
    </figcaption>
    <div class="canvas"><NumberLine :data="data" :options="options" role="img" :aria-label="summary" /></div>
    <details class="fold">
      <summary>As a table</summary>
      <DataTable label="Mean rung by generation" :columns="columns" :rows="rows" />
    </details>
  </figure>
</template>

<style scoped>
figure {
  max-width: 860px;
  padding-top: var(--space-4);
}
.canvas {
  position: relative;
  height: 220px;
}
.genes {
  color: var(--weed);
}
</style>
