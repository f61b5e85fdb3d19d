<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import type { LineTold, Pick } from '#core/lines'
import type { BreedAsk } from '~/composables/useBreedAsk'
import { NumberLine } from '~/charts/numberLine'
import { shareRange } from '~/words/lines'
import { backText } from '~/words/lineTrays'
import { percent, whole } from '~/words/numbers'

/** The whole curve of choices: the harder, the more gain and the more kinship. */
const props = defineProps<{ ask: BreedAsk; told: LineTold; proposal: Pick | null }>()
const { colour, frame, noteStyle, valueAxis } = useChartStyle()
const points = computed(() =>
  props.ask.curve.value.map((pick, i) => ({
    ...{ pick, kept: 100 * pick.share, best: pick.next.upFrom[props.told.bestFrom]! },
    ...{ lost: 100 * pick.variety.perGeneration, back: props.ask.backOf(props.ask.parted.value[i]!) },
  })),
)
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => ({
  datasets: [
    {
      ...{ clip: 8, label: 'best rungs', data: points.value.map(p => ({ x: p.kept, y: 100 * p.best.value })) },
      ...{
        borderColor: colour('roe'),
        borderWidth: 2,
        pointRadius: points.value.map(p => (p.pick === props.proposal ? 7 : 3)),
      },
      pointBackgroundColor: colour('roe'),
    },
    {
      ...{ label: 'inbreeding a generation', data: points.value.map(p => ({ x: p.kept, y: p.lost })) },
      ...{ borderColor: colour('ink'), borderWidth: 1.6, borderDash: [6, 4], pointRadius: 0 },
    },
  ],
}))
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'index', intersect: false },
  scales: {
    x: {
      ...valueAxis('kept to breed, % of the grown (the rest parted)', { min: 0, max: 100 }, v => v),
      grid: { display: false },
    },
    y: valueAxis('%', { min: 0, max: 100 }, v => v),
  },
  plugins: { legend: { display: false }, tooltip: noteStyle() },
}))
const columns = [
  { key: 'kept', title: 'Kept' },
  { key: 'best', title: 'Best rungs next', as: 'figure' as const },
  { key: 'lost', title: 'Inbreeding a generation', as: 'figure' as const },
  { key: 'back', title: 'Number back', as: 'figure' as const },
]
const rows = computed(() =>
  points.value.map(p => ({
    kept: `${percent(p.pick.share)}: ${whole(p.pick.variety.females)} f, ${whole(p.pick.variety.males)} m`,
    best: shareRange(p.best),
    lost: `+${p.lost.toFixed(1)} %`,
    back: backText(p.back),
    proposed: p.pick === props.proposal,
  })),
)
const summary = computed(() => rows.value.map(r => `keep ${r.kept}: ${r.best} next, ${r.lost}`).join('; '))
</script>

<template>
  <figure>
    <figcaption class="small muted">
      <b class="best">Best rungs in the next generation</b> and <b>inbreeding a generation</b> (dashed), the harder one
      chooses
    </figcaption>
    <div class="canvas"><NumberLine :data="data" :options="options" role="img" :aria-label="summary" /></div>
    <details class="fold">
      <summary>As a table, with weeks until the number is back</summary>
      <DataTable :columns="columns" :rows="rows" label="Choices of breeders" :marked="r => r.proposed" />
    </details>
  </figure>
</template>

<style scoped>
.canvas {
  position: relative;
  height: 210px;
}
.best {
  color: var(--roe);
}
</style>
