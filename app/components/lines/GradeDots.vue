<script setup lang="ts">
import type { LineTold } from '#core/lines'
import type { Rung } from '#core/records'
import { percent } from '~/words/numbers'
import { generationName } from '~/words/lineGenerations'
import { shareRange, spareText } from '~/words/lines'

/**
 * Generations as dots, one for each graded animal; those that bred are filled. Beyond a few hundred a bar stands for
 * them. It is a table, so that it can be read without eyes.
 */
const props = defineProps<{ told: LineTold; rungs: readonly Rung[]; nowMs: number }>()
/** More dots than these in a generation are a bar. */
const MOST_DOTS = 320
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const perRow = computed(() =>
  Math.max(4, Math.floor((Math.max(300, width.value - 158) / props.rungs.length - 14) / 11)),
)
const rows = computed(() =>
  props.told.generations.map((g, t) => {
    const total = g.counts.reduce((a, b) => a + b, 0)
    const bred = g.counts.map((_, k) =>
      Math.round([g.bred?.males, g.bred?.females, g.bred?.mixed].reduce((sum, l) => sum + (l?.[k] ?? 0), 0)),
    )
    return {
      ...{
        id: g.id,
        total: Math.round(total),
        name: generationName(g, t === props.told.generations.length - 1, props.nowMs),
      },
      cells: g.counts.map((n, k) => ({ n: Math.round(n), bred: Math.min(bred[k]!, Math.round(n)), share: n / total })),
    }
  }),
)
const dots = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ x: 5 + 11 * (i % perRow.value), y: 5 + 11 * Math.floor(i / perRow.value) }))
const height = (n: number) => 11 * Math.max(1, Math.ceil(n / perRow.value))
</script>

<template>
  <div ref="frame" class="grades">
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="hidden-to-eyes">Generation</span></th>
          <th v-for="(r, k) in rungs" :key="r.id" scope="col" class="small">{{ k + 1 }} {{ r.words }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row">
            {{ row.name }}<span class="below">{{ row.total > 0 ? `${row.total} graded` : 'not graded yet' }}</span>
          </th>
          <td v-for="(c, k) in row.cells" :key="k">
            <span class="hidden-to-eyes">{{ c.n }}, {{ c.bred }} bred</span>
            <span
              v-if="row.total > MOST_DOTS"
              class="bar"
              :style="{ width: `${100 * c.share}%`, background: rungColour(k, rungs.length) }"
            />
            <svg v-else aria-hidden="true" :width="11 * perRow" :height="height(c.n)">
              <circle
                v-for="(d, i) in dots(c.n)"
                :key="i"
                :cx="d.x"
                :cy="height(c.n) - d.y"
                r="4"
                :style="{
                  stroke: rungStroke(k, rungs.length),
                  fill: i < c.bred ? rungStroke(k, rungs.length) : 'transparent',
                }"
              />
            </svg>
          </td>
        </tr>
        <tr v-if="told.next" class="next">
          <th scope="row">Next, forecast<span class="below">of who breeds now</span></th>
          <td v-for="(s, k) in told.next.shares" :key="k" class="small">
            <RungForecast :share="s" :colour="rungColour(k, rungs.length)" />
            <span class="numeral">{{ shareRange(s) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small muted">Each dot is one graded animal; filled ones were bred from.</p>
    <p v-if="told.spare" class="small muted">{{ spareText(told.spare) }}</p>
    <p v-if="told.came" class="small muted">
      The newest was foreseen with {{ told.bestFrom + 1 }} or better in
      {{ shareRange(told.came.forecast.upFrom[told.bestFrom]!) }}; it came with {{ percent(told.best!.now) }}.
    </p>
  </div>
</template>

<style scoped>
.grades {
  min-width: 0;
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
th:first-child {
  width: 146px;
}
th {
  text-align: left;
  font-weight: 600;
  vertical-align: bottom;
  padding: var(--space-4) var(--space-4) var(--space-3) 0;
}
thead th {
  font-weight: 400;
  vertical-align: top;
}
td {
  vertical-align: bottom;
  padding: var(--space-4) var(--space-4) var(--space-3) 0;
}
tbody tr {
  border-bottom: 1px solid var(--rule);
}
tbody tr.next {
  border-bottom: 0;
}
.next td {
  vertical-align: top;
  padding-top: var(--space-5);
}
svg {
  display: block;
  max-width: 100%;
}
circle {
  stroke-width: 1.5;
}
.bar {
  display: block;
  height: 18px;
  border-radius: 2px;
}
</style>
