<script setup lang="ts">
import { WEEK_MS } from '#core/records'
import type { BandPoint, PopulationAnswer } from '#core/population'

/** The water surface of a glass: the estimate over the last half year with its likely range, and eight weeks ahead. */
const props = defineProps<{ population: PopulationAnswer; nowMs: number; second?: PopulationAnswer }>()
const BACK = 26
const AHEAD = 8
/** share of the height that the highest point takes; the rest is for the name and the number */
const FULL = 60

function drawing(p: PopulationAnswer, nowMs: number) {
  const since = nowMs - BACK * WEEK_MS
  const past = p.path.filter(point => point.at >= since && point.at <= nowMs)
  const ahead = p.fan.slice(0, AHEAD + 1)
  const top = Math.max(...past.map(q => q.p90), ...ahead.map(q => q.p75), 1)
  const x = (at: number) => (((at - since) / WEEK_MS / (BACK + AHEAD)) * 100).toFixed(2)
  const y = (n: number) => (100 - Math.min(1.12, n / top) * FULL).toFixed(2)
  const line = (points: readonly BandPoint[], q: 'p10' | 'p25' | 'p50' | 'p75' | 'p90') =>
    points.map(b => `${x(b.at)},${y(b[q])}`)
  const area = (points: readonly BandPoint[], low: 'p10' | 'p25', high: 'p90' | 'p75') =>
    `M${[...line(points, high), ...line(points, low).reverse()].join('L')}Z`
  return {
    water: past.length > 0 ? `M${x(past[0]!.at)},100L${line(past, 'p50').join('L')}L${x(past.at(-1)!.at)},100Z` : '',
    surface: `M${line(past, 'p50').join('L')}`,
    band: area(past, 'p10', 'p90'),
    fan: area(ahead, 'p25', 'p75'),
    dotted: `M${line(ahead, 'p50').join('L')}`,
    today: x(nowMs),
  }
}
const main = computed(() => drawing(props.population, props.nowMs))
const other = computed(() => props.second && drawing(props.second, props.nowMs))
</script>

<template>
  <svg class="surface" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
    <path :d="main.water" class="water" />
    <path :d="main.band" class="band" />
    <path :d="main.fan" class="band" />
    <line :x1="main.today" :x2="main.today" y1="34" y2="100" class="today" />
    <path :d="main.surface" class="line" />
    <path :d="main.dotted" class="line dotted" />
    <path v-if="other" :d="other.surface" class="line other" />
  </svg>
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: hidden;
  border-radius: 0 0 4px 4px;
}
path,
line {
  vector-effect: non-scaling-stroke;
}
.water {
  fill: rgba(var(--v-theme-weed), 0.16);
}
.band {
  fill: rgba(var(--v-theme-weed), 0.18);
}
.line {
  fill: none;
  stroke: var(--weed);
  stroke-width: 2;
  stroke-linejoin: round;
}
.dotted {
  stroke-dasharray: 1 4;
  stroke-linecap: round;
}
.other {
  stroke: var(--muted);
  stroke-width: 1.5;
  stroke-dasharray: 5 3;
}
.today {
  stroke: var(--muted);
  stroke-width: 1;
  opacity: 0.6;
}
</style>
