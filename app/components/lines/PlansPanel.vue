<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import { inbreedingOfBoxes, type OutcrossTold, type Rotation } from '#core/lines'
import { NumberLine } from '~/charts/numberLine'
import type { LineOf } from '~/composables/useLines'
import { bestRungs } from '~/words/lines'
import { outcrossText, rotationText } from '~/words/linePlans'
import { percent } from '~/words/numbers'

/** Plans against kinship: new blood, and boxes whose males go round. */
const props = defineProps<{
  of: LineOf
  worker: ReturnType<typeof useLines>['worker']
  rungs: number
}>()
const { colour, faded, frame, noteStyle, valueAxis } = useChartStyle()
const AHEAD = 6
const outcross = shallowRef<OutcrossTold | null>(null)
watch(
  () => props.of.told,
  async told => {
    if (told) outcross.value = (await props.worker.run(api => api.outcross(props.of.line.id, AHEAD))) ?? null
  },
  { immediate: true },
)
const from = computed(() => props.of.told?.bestFrom ?? 0)
const best = computed(() => (props.of.told ? bestRungs(props.of.told, props.rungs) : ''))
const said = computed(() =>
  outcross.value && props.of.told ? outcrossText(outcross.value, props.of.told, best.value) : '',
)
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => {
  const o = outcross.value
  if (!o) return { datasets: [] }
  const now = { x: 0, y: 100 * (props.of.told?.best?.now ?? 0) }
  const line = (list: OutcrossTold['on'], of: 'low' | 'value' | 'high') => [
    now,
    ...list.map((g, t) => ({ x: t + 1, y: 100 * g.upFrom[from.value]![of] })),
  ]
  const bare = { pointRadius: 0, borderWidth: 0 }
  return {
    datasets: [
      { ...bare, label: 'high', data: line(o.crossed, 'high'), fill: '+1', backgroundColor: faded('water', 0.16) },
      { ...bare, label: 'low', data: line(o.crossed, 'low') },
      {
        label: 'with new males once',
        data: line(o.crossed, 'value'),
        borderColor: colour('water'),
        borderWidth: 2,
        pointRadius: 2,
      },
      {
        label: 'bred on',
        data: line(o.on, 'value'),
        borderColor: colour('weed'),
        borderDash: [4, 4],
        borderWidth: 2,
        pointRadius: 0,
      },
    ],
  }
})
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'nearest', intersect: false, axis: 'x' },
  scales: {
    x: { ...valueAxis('generations from now', { min: 0, max: AHEAD }, v => v), grid: { display: false } },
    y: valueAxis(`${best.value}, %`, { min: 0, max: 100 }, v => v),
  },
  plugins: { legend: { display: false }, tooltip: noteStyle() },
}))

const boxes = ref(4)
const choices = [2, 3, 4, 6, 8].map(value => ({ value, title: `${value} boxes` }))
const FEMALES = 4
const ways: readonly Rotation[] = ['inTurn', 'together', 'stay']
const rows = computed(() =>
  ways.map(way => {
    const f = inbreedingOfBoxes({ boxes: boxes.value, malesEach: 1, femalesEach: FEMALES }, way, 12)
    return { way: rotationText[way], six: percent(f[5]!), twelve: percent(f[11]!) }
  }),
)
const columns = [
  { key: 'way', title: 'The males', as: 'name' as const },
  { key: 'six', title: 'Inbreeding after 6', as: 'figure' as const },
  { key: 'twelve', title: 'after 12', as: 'figure' as const },
]
</script>

<template>
  <div class="plans">
    <template v-if="outcross">
      <h2>New blood</h2>
      <p><TheSentence :text="said" /></p>
      <div class="canvas"><NumberLine :data="data" :options="options" role="img" :aria-label="said" /></div>
      <p class="small muted">
        Solid: unrelated males once, then the best of their young; band: 80 % of what may be. Dashed: bred on without.
        New males are taken to be as this line’s first animals were, from memory; such as are better cost less. Keep
        them and their young apart until these are graded.
      </p>
    </template>
    <h2>Boxes in turn</h2>
    <PickOne v-model="boxes" class="pick" label="One male and four females in each" :options="choices" />
    <DataTable :columns="columns" :rows="rows" label="Inbreeding by how the males go round" />
    <p class="small muted">
      From unrelated beginners. In turn: each time the young males of a box go to the females of the next one, the last
      box’s to the first. One male in a box serves them all; let the females back when they are berried, and put in
      another male for the next ones.
    </p>
  </div>
</template>

<style scoped>
.plans {
  display: grid;
  gap: var(--space-4);
}
.canvas {
  position: relative;
  height: 220px;
}
.pick {
  max-width: 260px;
}
</style>
