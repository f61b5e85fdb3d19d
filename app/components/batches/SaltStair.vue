<script setup lang="ts">
import type { SaltStep } from '#core/batches'
import { formatNumber } from '#core/units'
import { hourText } from '~/words/batch'

/** Steps of salt as a staircase: what is done is full, what is to come is pale. */
const props = defineProps<{ steps: readonly SaltStep[]; fromGKg: number; nowMs: number; label: string }>()
const svg = ref<SVGSVGElement>()
const { width } = useElementSize(svg, { width: 420, height: 0 })
const HEIGHT = 128
const PAD = { left: 30, right: 8, top: 20, bottom: 24 }
const wide = computed(() => Math.max(260, width.value))
const top = computed(() => Math.max(props.fromGKg, ...props.steps.map(s => s.gKg), 10) * 1.1)
const y = (g: number) => PAD.top + (HEIGHT - PAD.top - PAD.bottom) * (1 - g / top.value)
const part = computed(() => (wide.value - PAD.left - PAD.right) / (props.steps.length + 0.5))
const x = (i: number) => PAD.left + part.value * (i + 0.5)
/** Ground under each tread, from its step to the next. */
const treads = computed(() =>
  props.steps.map((s, i) => ({
    ...s,
    x: x(i),
    y: y(s.gKg),
    next: s.doneMs === null && props.steps.slice(0, i).every(b => b.doneMs !== null),
  })),
)
const stepText = (s: SaltStep) =>
  s.doneMs === null ? `due ${hourText(s.atMs, props.nowMs)}` : `there ${hourText(s.doneMs, props.nowMs)}`
const summary = computed(
  () => `${props.label}: ${props.steps.map(s => `${formatNumber(s.gKg, 0)} g/kg ${stepText(s)}`).join(', ')}`,
)
</script>

<template>
  <figure>
    <figcaption class="small muted">{{ label }}, g/kg</figcaption>
    <svg ref="svg" :height="HEIGHT" role="img" :aria-label="summary">
      <line class="ground" :x1="PAD.left" :x2="wide - PAD.right" :y1="y(0)" :y2="y(0)" />
      <rect class="from" :x="PAD.left" :width="part * 0.5" :y="y(fromGKg)" :height="Math.max(1, y(0) - y(fromGKg))" />
      <g v-for="t in treads" :key="t.atMs">
        <rect
          :class="{ done: t.doneMs !== null, next: t.next }"
          :x="t.x"
          :width="part - 1"
          :y="t.y"
          :height="Math.max(2, y(0) - t.y)"
        />
        <text class="level" :x="t.x + part / 2" :y="t.y - 5" text-anchor="middle">{{ formatNumber(t.gKg, 0) }}</text>
        <text class="hour" :x="t.x + part / 2" :y="HEIGHT - 6" text-anchor="middle">
          {{ t.doneMs === null ? hourText(t.atMs, nowMs) : '✓' }}
        </text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}
.ground {
  stroke: var(--muted);
}
rect {
  fill: var(--water-tint);
  stroke: var(--water);
  stroke-dasharray: 3 3;
}
.from {
  fill: var(--water-solid);
  stroke: none;
}
rect.done {
  fill: var(--water-solid);
  stroke-dasharray: none;
}
/* the one to take next: whether it is late the due list says */
rect.next {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: none;
}
text {
  font-size: var(--type-fine);
  fill: var(--muted);
}
.level {
  fill: var(--ink);
  font-weight: 650;
}
</style>
