<script setup lang="ts">
import type { BatchTold } from '#core/batches'
import { DAY_MS } from '#core/records'
import { batchSummary, stageWord } from '~/words/batch'
import { whole } from '~/words/numbers'
import { dayText } from '~/words/when'

/**
 * One hatch over its days: how many there are by stage, one on the other, with the likely range of all; samples as bars
 * of their own mix, what was taken out as ticks.
 */
const props = defineProps<{ batch: BatchTold; nowMs: number }>()
const svg = ref<SVGSVGElement>()
const { width } = useElementSize(svg, { width: 720, height: 0 })
const HEIGHT = 300
const PAD = { left: 52, right: 28, top: 16, bottom: 50 }
const wide = computed(() => Math.max(280, width.value))
const first = computed(() => props.batch.course[0]!.at)
const last = computed(() => props.batch.course.at(-1)!.at)
const x = (ms: number) =>
  PAD.left + ((wide.value - PAD.left - PAD.right) * (ms - first.value)) / (last.value - first.value)
/** The top of the picture is what is likely from today on: the first days of nobody knows how many would dwarf it. */
const most = computed(() => {
  const { course, samples, beganMs } = props.batch
  const from = samples[0]?.at ?? beganMs
  const ahead = course.filter(p => p.at >= Math.min(from, props.nowMs))
  return niceTop(Math.max(4, ...ahead.map(p => p.all.p75), ...course.map(p => p.all.p50)))
})
const niceTop = (n: number) => {
  const unit = 10 ** Math.floor(Math.log10(n))
  return ([1, 1.5, 2, 3, 4, 5, 6, 8, 10].find(k => k * unit >= n) ?? 10) * unit
}
const y = (n: number) => PAD.top + (HEIGHT - PAD.top - PAD.bottom) * (1 - Math.min(1.02, n / most.value))
const line = (points: { at: number; n: number }[]) => points.map(p => `${x(p.at).toFixed(1)},${y(p.n).toFixed(1)}`)
/** Outline of each stage, laid on those below it: the furthest on lies at the bottom. */
const areas = computed(() => {
  const { course, stages } = props.batch
  const floor = course.map(() => 0)
  return stages
    .map((s, k) => ({ name: s.name, k }))
    .toReversed()
    .map(({ name, k }) => {
      const below = line(course.map((p, i) => ({ at: p.at, n: floor[i]! })))
      course.forEach((p, i) => (floor[i] = floor[i]! + p.stages[k]!))
      const above = line(course.map((p, i) => ({ at: p.at, n: floor[i]! })))
      return { name, k, d: `M${above.join(' L')} L${below.toReversed().join(' L')} Z` }
    })
})
const edge = (key: 'p10' | 'p90') => `M${line(props.batch.course.map(p => ({ at: p.at, n: p.all[key] }))).join(' L')}`
const days = computed(() => Math.round((last.value - first.value) / DAY_MS))
const ticks = computed(() => {
  const every = Math.max(1, Math.ceil((days.value * 74) / (wide.value - PAD.left - PAD.right)))
  return Array.from({ length: Math.floor(days.value / every) + 1 }, (_, i) => first.value + i * every * DAY_MS)
})
const levels = computed(() => [0, 0.5, 1].map(share => share * most.value))
/** Bars of samples: the mix that was found, from the furthest on at the bottom. */
const bars = computed(() =>
  props.batch.samples.map(s => {
    const sum = s.numbers.reduce((a, b) => a + b, 0)
    let top = HEIGHT - PAD.bottom + 34
    const parts = s.numbers.map((n, k) => ({ n, k })).toReversed()
    return {
      at: s.at,
      sum,
      parts: parts.map(({ n, k }) => {
        const height = (22 * n) / sum
        top -= height
        return { k, y: top, height }
      }),
    }
  }),
)
const tone = (k: number) => `tone-${Math.round((k * 3) / Math.max(1, props.batch.stages.length - 1))}`
</script>

<template>
  <figure>
    <ul class="key small" aria-hidden="true">
      <li v-for="(s, k) in batch.stages" :key="s.name">
        <span class="swatch" :class="tone(k)" />{{ stageWord[s.name] }}
      </li>
      <li><span class="swatch range" />likely range of all</li>
      <li v-if="batch.samples.length > 0"><span class="swatch bar" />samples, below</li>
      <li v-if="batch.outs.length > 0"><span class="swatch out" />picked</li>
    </ul>
    <svg ref="svg" :height="HEIGHT" role="img" :aria-label="batchSummary(batch, nowMs)">
      <g class="axis">
        <template v-for="n in levels" :key="n">
          <line :x1="PAD.left" :x2="wide - PAD.right" :y1="y(n)" :y2="y(n)" />
          <text :x="PAD.left - 8" :y="y(n) + 4" text-anchor="end">{{ whole(n) }}</text>
        </template>
        <text v-for="t in ticks" :key="t" :x="x(t)" :y="HEIGHT - 2" text-anchor="middle">
          {{ dayText(t, nowMs) }}
        </text>
      </g>
      <path v-for="a in areas" :key="a.name" :d="a.d" :class="tone(a.k)" />
      <path class="edge" :d="edge('p10')" />
      <path class="edge" :d="edge('p90')" />
      <line class="today" :x1="x(nowMs)" :x2="x(nowMs)" :y1="PAD.top - 8" :y2="HEIGHT - PAD.bottom" />
      <text class="todayword" :x="x(nowMs) + 6" :y="PAD.top + 2">today</text>
      <g v-for="b in bars" :key="b.at">
        <rect
          v-for="p in b.parts"
          :key="p.k"
          :x="x(b.at) - 5"
          width="10"
          :y="p.y"
          :height="p.height"
          :class="tone(p.k)"
        />
      </g>
      <g v-for="o in batch.outs" :key="o.at" class="outs">
        <line :x1="x(o.at)" :x2="x(o.at)" :y1="HEIGHT - PAD.bottom - 12" :y2="HEIGHT - PAD.bottom + 4" />
        <text :x="x(o.at)" :y="HEIGHT - PAD.bottom - 16" text-anchor="middle">{{ whole(o.number) }}</text>
      </g>
    </svg>
    <details class="fold">
      <summary>As a table</summary>
      <div class="scroll" tabindex="0">
        <table>
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">All, likely</th>
              <th v-for="s in batch.stages" :key="s.name" scope="col">{{ stageWord[s.name] }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in batch.course" :key="p.at">
              <th scope="row">{{ dayText(p.at, nowMs) }}</th>
              <td>{{ whole(p.all.p10) }} to {{ whole(p.all.p90) }}</td>
              <td v-for="(n, k) in p.stages" :key="k">{{ whole(n) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </figure>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-5);
  padding-bottom: var(--space-3);
}
.key li {
  display: flex;
  align-items: center;
  gap: var(--space-3);
}
.swatch {
  width: 18px;
  height: 12px;
  display: inline-block;
}
.swatch.range {
  height: 0;
  border-top: 2px dashed var(--ink);
}
.swatch.bar {
  width: 8px;
  background: var(--muted);
}
.swatch.out {
  width: 2px;
  background: var(--rust);
}
svg {
  display: block;
  width: 100%;
}
.axis line {
  stroke: var(--rule);
}
.axis text,
.todayword,
.outs text {
  font-size: var(--type-fine);
  fill: var(--muted);
}
.tone-0 {
  fill: color-mix(in srgb, var(--water) 30%, var(--paper));
  background: color-mix(in srgb, var(--water) 30%, var(--paper));
}
.tone-1 {
  fill: color-mix(in srgb, var(--water) 55%, var(--paper));
  background: color-mix(in srgb, var(--water) 55%, var(--paper));
}
.tone-2 {
  fill: color-mix(in srgb, var(--water) 85%, var(--paper));
  background: color-mix(in srgb, var(--water) 85%, var(--paper));
}
.tone-3 {
  fill: var(--roe);
  background: var(--roe);
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 5 4;
}
.today {
  stroke: var(--weed);
  stroke-width: 2;
}
.todayword {
  fill: var(--ink);
  font-weight: 650;
}
.outs line {
  stroke: var(--rust);
  stroke-width: 2;
}
.outs text {
  fill: var(--ink);
}
.scroll {
  overflow: auto;
  max-height: 340px;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: var(--type-small);
}
th,
td {
  text-align: right;
  padding: var(--space-2) var(--space-4);
  border-bottom: 1px solid var(--rule);
}
th:first-child {
  text-align: left;
}
</style>
