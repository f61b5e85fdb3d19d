<script setup lang="ts">
import type { LineTold } from '#core/lines'
import type { Rung } from '#core/records'
import { percent } from '~/words/numbers'
import { generationNames } from '~/words/lineGenerations'
import { ladderText, shareRange, spareText } from '~/words/lines'

/**
 * Generations as dots, one for each graded animal; those that bred are filled. Beyond a few hundred a bar stands for
 * them. It is a table, so that it can be read without eyes.
 */
const props = defineProps<{ told: LineTold; rungs: readonly Rung[]; nowMs: number }>()
/** More dots than these in a generation are a bar. */
const MOST_DOTS = 320
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
/** Breadth of the names, room between columns and distance of the dots, px: smaller where the table is narrow. */
const narrow = computed(() => width.value < 560)
const sizes = computed(() =>
  narrow.value ? { names: 88, gap: 8, step: 7, radius: 2.5 } : { names: 156, gap: 12, step: 11, radius: 4 },
)
const perRow = computed(() => {
  const { names, gap, step } = sizes.value
  return Math.max(4, Math.floor(((Math.max(300, width.value) - names) / props.rungs.length - gap) / step))
})
const names = computed(() => generationNames(props.told, props.nowMs))
const rows = computed(() =>
  props.told.generations.map((g, t) => {
    const total = g.counts.reduce((a, b) => a + b, 0)
    const bred = g.counts.map((_, k) =>
      // dots are those that were graded: of more that were left as many as their part
      Math.round(
        ([g.bred?.males, g.bred?.females, g.bred?.mixed].reduce((sum, l) => sum + (l?.[k] ?? 0), 0) * total) / g.size,
      ),
    )
    return {
      ...{
        id: g.id,
        total: Math.round(total),
        name: names.value[t]!,
      },
      cells: g.counts.map((n, k) => ({ n: Math.round(n), bred: Math.min(bred[k]!, Math.round(n)), share: n / total })),
    }
  }),
)
const dots = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ x: i % perRow.value, y: Math.floor(i / perRow.value) }))
const height = (n: number) => sizes.value.step * Math.max(1, Math.ceil(n / perRow.value))
</script>

<template>
  <div ref="frame" class="grades">
    <p v-if="narrow" aria-hidden="true" class="small muted">{{ ladderText(rungs) }}</p>
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="hidden-to-eyes">Generation</span></th>
          <th v-for="(r, k) in rungs" :key="r.id" scope="col" class="small">
            {{ k + 1 }} <span :class="{ 'hidden-to-eyes': narrow }">{{ r.words }}</span>
          </th>
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
            <svg v-else aria-hidden="true" :width="sizes.step * perRow" :height="height(c.n)">
              <circle
                v-for="(d, i) in dots(c.n)"
                :key="i"
                :cx="sizes.step * (d.x + 0.45)"
                :cy="height(c.n) - sizes.step * (d.y + 0.45)"
                :r="sizes.radius"
                :style="{
                  stroke: rungStroke(k, rungs.length),
                  fill: i < c.bred ? rungStroke(k, rungs.length) : 'transparent',
                }"
              />
            </svg>
          </td>
        </tr>
        <tr v-if="told.next" class="next">
          <th scope="row">
            Next, forecast<span class="below">{{ told.rolling ? 'young of those left' : 'of who breeds now' }}</span>
          </th>
          <td v-for="(s, k) in told.next.shares" :key="k" class="small">
            <RungForecast :share="s" :colour="rungColour(k, rungs.length)" />
            <span class="numeral">{{ shareRange(s) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small muted">
      Each dot is one graded animal; filled ones were {{ told.rolling ? 'left to breed' : 'bred from' }}.
    </p>
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
  width: v-bind('`${sizes.names}px`');
}
th {
  text-align: left;
  font-weight: 600;
  vertical-align: bottom;
  padding: var(--space-4) v-bind('`${sizes.gap}px`') var(--space-3) 0;
}
thead th {
  font-weight: 400;
  vertical-align: top;
}
td {
  vertical-align: bottom;
  padding: var(--space-4) v-bind('`${sizes.gap}px`') var(--space-3) 0;
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
