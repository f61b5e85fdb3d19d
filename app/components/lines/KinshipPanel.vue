<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import { foundersHolding, inbreedingAhead } from '#core/lines'
import { USUAL_KINSHIP_LIMIT } from '#core/records'
import { NumberLine } from '~/charts/numberLine'
import type { LineOf } from '~/composables/useLines'
import { bredText, shortName } from '~/words/lineGenerations'
import { generationAxis, limitText, shareRange } from '~/words/lines'
import { counted, percent, whole } from '~/words/numbers'

/** Inbreeding over the generations, with what lies ahead, and who bred whom. */
const props = defineProps<{ of: LineOf; worker: ReturnType<typeof useLines>['worker']; rungs: number; nowMs: number }>()
const emit = defineEmits<{ why: [] }>()
const { colour, faded, frame, noteStyle, valueAxis } = useChartStyle()
const room = useRoomStore()
const followed = useAnimalsStore()
const AHEAD = 6
const told = computed(() => props.of.told)
const limit = computed(() => props.of.line.kinshipLimit ?? USUAL_KINSHIP_LIMIT)
const past = computed(() => told.value?.generations ?? [])
const rate = computed(() => told.value?.variety?.perGeneration ?? null)
const ahead = computed(() => {
  const last = past.value.at(-1)
  if (!last || rate.value === null) return []
  return inbreedingAhead(last.inbreeding.value, rate.value, AHEAD).map((a, t) => ({ at: last.at + t, ...a }))
})
const highest = computed(() =>
  Math.max(limit.value, ...ahead.value.map(a => a.asBefore), ...past.value.map(g => g.inbreeding.high)),
)
/** The end of the axis: whole tens of a hundred, with room above. */
const top = computed(() => Math.min(100, 10 * Math.ceil(10 * highest.value + 0.5)))
const line = (values: { x: number; y: number }[], more: object) => ({
  data: values,
  pointRadius: 0,
  borderWidth: 2,
  ...more,
})
const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => ({
  datasets: [
    line(
      past.value.map(g => ({ x: g.at, y: 100 * g.inbreeding.high })),
      { label: 'high', borderWidth: 0, fill: '+1', backgroundColor: faded('weed', 0.16) },
    ),
    line(
      past.value.map(g => ({ x: g.at, y: 100 * g.inbreeding.low })),
      { label: 'low', borderWidth: 0 },
    ),
    line(
      past.value.map(g => ({ x: g.at, y: 100 * g.inbreeding.value })),
      {
        label: 'inbreeding',
        clip: false,
        borderColor: colour('weed'),
        pointRadius: 3,
        pointBackgroundColor: colour('weed'),
      },
    ),
    line(
      ahead.value.map(a => ({ x: a.at, y: 100 * a.asBefore })),
      { label: 'ahead, bred like this', borderColor: colour('weed'), borderDash: [4, 4] },
    ),
    line(
      ahead.value.map(a => ({ x: a.at, y: 100 * a.afterOutcross })),
      { label: 'after an outcross', borderColor: colour('water'), borderDash: [2, 4] },
    ),
    line(
      [1, (past.value.at(-1)?.at ?? 1) + AHEAD].map(x => ({ x, y: 100 * limit.value })),
      { label: 'your limit', borderColor: colour('rust'), borderWidth: 1.4 },
    ),
  ],
}))
const options = computed<ChartOptions<'line'>>(() => ({
  ...frame,
  interaction: { mode: 'nearest', intersect: false, axis: 'x' },
  scales: {
    x: {
      ...valueAxis(
        told.value ? generationAxis(told.value) : '',
        { min: 1, max: (past.value.at(-1)?.at ?? 1) + AHEAD },
        v => (Number.isInteger(v) ? v : ''),
      ),
      grid: { display: false },
    },
    y: valueAxis('inbreeding, %', { min: 0, max: top.value }, v => v),
  },
  plugins: { legend: { display: false }, tooltip: noteStyle() },
}))
/** Followed animals that bred the generation after this one. */
function namedOf(generationId: string): string {
  const groups = room.breedingGroups.filter(b => b.state !== 'draft' && b.generationId === generationId)
  return [...new Set(groups.flatMap(b => b.animalIds))].map(followed.nameOf).join(', ')
}
const columns = [
  { key: 'name', title: 'Generation' },
  { key: 'graded', title: 'Graded', as: 'figure' as const },
  { key: 'bred', title: 'Bred from' },
  { key: 'f', title: 'Inbreeding', as: 'figure' as const },
]
const rows = computed(() =>
  past.value.map(g => ({
    name: shortName(g, told.value!, props.nowMs),
    graded: whole(g.counts.reduce((a, b) => a + b, 0)),
    bred: g.bred ? bredText(g.bred, namedOf(g.id)) : told.value?.rolling ? 'all of them' : 'not written down',
    f: shareRange(g.inbreeding),
  })),
)
const summary = computed(() => rows.value.map(r => `${r.name}: ${r.f}`).join('; '))
const founders = computed(() => foundersHolding(told.value?.inbreeding?.value ?? 0))
</script>

<template>
  <p v-if="!told" class="muted">Grade a generation and set its breeders: then kinship is reckoned.</p>
  <div v-else class="kinship">
    <p v-if="told.inbreeding">
      Inbreeding is about <b class="numeral">{{ percent(told.inbreeding.value) }}</b> now; your limit is
      {{ percent(limit) }}<template v-if="told.generationsLeft !== null">, {{ limitText(told) }}</template
      >.
      <template v-if="founders">
        What variety is left,
        {{ counted(Math.round(founders), 'unrelated founder', 'unrelated founders').toLowerCase() }}
        would hold.
      </template>
      {{ ' ' }}<button type="button" class="link" @click="emit('why')">Why?</button>
    </p>
    <div class="canvas"><NumberLine :data="data" :options="options" role="img" :aria-label="summary" /></div>
    <p class="small muted">
      Band: 80 % of the pedigrees that may lie behind these numbers; how unevenly males breed is from memory.
      <span class="ahead">Dashed: bred on like the last time.</span>{{ ' ' }}
      <span class="outcross">Dotted: with unrelated males once, then on like this.</span>
    </p>
    <FamilyGraph :of="of" :now-ms="nowMs" />
    <FollowedPairs :of="of" :limit="limit" :line="told.inbreeding?.value ?? 0" :now-ms="nowMs" />
    <DataTable :columns="columns" :rows="rows" label="Inbreeding by generation" />
    <PlansPanel :of="of" :worker="worker" :rungs="rungs" />
  </div>
</template>

<style scoped>
.kinship {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4);
  max-width: 900px;
}
.canvas {
  position: relative;
  height: 260px;
}
.outcross {
  color: var(--water);
}
.ahead {
  color: var(--weed);
}
</style>
