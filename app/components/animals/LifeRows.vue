<script setup lang="ts">
import type { AnimalLife } from '#core/animals'
import { DAY_MS, WEEK_MS } from '#core/records'
import { dayText } from '~/words/when'

/** A life on one line of time: where it lived, molts and what they brought, limbs, broods. Our own drawing. */
const props = defineProps<{ life: AnimalLife; nowMs: number; summary: string; colonyName: (id: string) => string }>()
const WIDTH = 900
const LEFT = 92
const LANE = 34

const firstMs = computed(() => {
  const { stays, molts, limbs, broods, growth } = props.life
  const known = [
    ...stays.flatMap(s => s.fromMs ?? []),
    ...molts.map(m => m.atMs),
    ...limbs.map(l => l.atMs),
    ...broods.map(b => b.firstSeenMs),
    ...(growth?.sizes ?? []).map(s => s.at),
  ]
  return Math.min(...known, props.nowMs - 12 * WEEK_MS) - 5 * DAY_MS
})
const lastMs = computed(() => Math.max(props.nowMs + 6 * WEEK_MS, (props.life.nextMolt?.latestMs ?? 0) + WEEK_MS))
const x = (ms: number) =>
  LEFT +
  ((Math.min(lastMs.value, Math.max(firstMs.value, ms)) - firstMs.value) / (lastMs.value - firstMs.value)) *
    (WIDTH - LEFT - 10)
const endMs = computed(() => props.life.left?.atMs ?? props.nowMs)
const months = computed(() => {
  const marks: number[] = []
  const day = new Date(firstMs.value)
  day.setDate(1)
  day.setHours(0, 0, 0, 0)
  const step = (lastMs.value - firstMs.value) / WEEK_MS > 70 ? 3 : 1
  for (day.setMonth(day.getMonth() + 1); day.getTime() < lastMs.value; day.setMonth(day.getMonth() + step))
    marks.push(day.getTime())
  return marks
})
const lanes = computed(() => {
  const names = ['Lives in', 'Molts', 'Limbs', 'Eggs']
  const { molts, limbs, broods, nextMolt } = props.life
  const shown = [true, molts.length > 0 || nextMolt !== null, limbs.length > 0, broods.length > 0]
  return names.filter((_, i) => shown[i])
})
const y = (name: string) => 30 + lanes.value.indexOf(name) * LANE
const height = computed(() => 30 + lanes.value.length * LANE)
const has = (name: string) => lanes.value.includes(name)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${height}`" class="life" role="img" :aria-label="summary">
    <g v-for="m in months" :key="m">
      <line :x1="x(m)" :x2="x(m)" y1="16" :y2="height" class="rule" />
      <text :x="x(m)" y="11" text-anchor="middle" class="when">{{ dayText(m, nowMs).replace(/^\d+ /, '') }}</text>
    </g>
    <line :x1="x(nowMs)" :x2="x(nowMs)" y1="16" :y2="height" class="now" />
    <text v-for="name in lanes" :key="name" x="0" :y="y(name) + 5" class="lane">{{ name }}</text>
    <g v-for="(s, i) in life.stays" :key="`stay${i}`">
      <rect
        :x="x(s.fromMs ?? firstMs)"
        :y="y('Lives in') - 9"
        :width="Math.max(2, x(s.toMs ?? endMs) - x(s.fromMs ?? firstMs) - 2)"
        height="18"
        rx="4"
        class="stay"
      />
      <text :x="x(s.fromMs ?? firstMs) + 8" :y="y('Lives in') + 5" class="word">{{ colonyName(s.colonyId) }}</text>
    </g>
    <template v-if="has('Molts')">
      <line
        v-if="life.nextMolt"
        :x1="x(life.nextMolt.earliestMs)"
        :x2="x(life.nextMolt.latestMs)"
        :y1="y('Molts')"
        :y2="y('Molts')"
        class="next"
      />
      <circle v-if="life.nextMolt" :cx="x(life.nextMolt.likelyMs)" :cy="y('Molts')" r="5" class="likely" />
      <template v-for="m in life.molts" :key="m.entryId">
        <path v-if="m.failed" :d="`M${x(m.atMs) - 5} ${y('Molts') - 5}l10 10m0 -10l-10 10`" class="failed" />
        <circle v-else :cx="x(m.atMs)" :cy="y('Molts')" r="6" class="molt" />
      </template>
    </template>
    <g v-for="l in life.limbs" :key="l.entryId">
      <line
        :x1="x(l.atMs)"
        :x2="x(l.backMs ?? endMs)"
        :y1="y('Limbs')"
        :y2="y('Limbs')"
        :class="['limb', { open: l.backMs === null }]"
      />
      <path :d="`M${x(l.atMs)} ${y('Limbs') - 8}v16`" class="lost" />
      <circle v-if="l.backMs !== null" :cx="x(l.backMs)" :cy="y('Limbs')" r="5" class="whole" />
    </g>
    <g v-for="b in life.broods" :key="b.key">
      <rect
        :x="x(b.firstSeenMs)"
        :y="y('Eggs') - 7"
        :width="Math.max(3, x(b.end?.toMs ?? endMs) - x(b.firstSeenMs))"
        height="14"
        rx="7"
        :class="['eggs', { lost: b.end?.how === 'lost' }]"
      />
    </g>
  </svg>
</template>

<style scoped>
.life {
  width: 100%;
  height: auto;
  display: block;
}
text {
  font-size: var(--type-small);
  fill: var(--ink);
}
.when,
.lane {
  fill: var(--muted);
}
.rule {
  stroke: var(--rule);
}
.now {
  stroke: var(--ink);
  stroke-dasharray: 2 3;
}
.stay {
  fill: var(--weed-tint);
  stroke: var(--weed);
}
.molt {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.failed,
.lost {
  stroke: var(--rust);
  stroke-width: 2.4;
  fill: none;
}
.next {
  stroke: var(--muted);
  stroke-width: 5;
  opacity: 0.4;
  stroke-linecap: round;
}
.likely {
  fill: var(--paper);
  stroke: var(--muted);
  stroke-width: 1.6;
  stroke-dasharray: 2 2;
}
.limb {
  stroke: var(--weed);
  stroke-width: 3;
}
.limb.open {
  stroke-dasharray: 4 4;
}
.whole {
  fill: var(--weed);
}
.eggs {
  fill: var(--roe);
  opacity: 0.8;
}
.eggs.lost {
  fill: none;
  stroke: var(--rust);
}
</style>
