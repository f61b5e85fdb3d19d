<script setup lang="ts">
import { DAY_MS } from '#core/records'
import type { BroodDesk } from '~/composables/useBroodDesk'
import { broodLabel, type BroodOf, broodsUnder, broodTitle } from '~/words/broods'
import { stretchText } from '~/words/when'

/**
 * One time line over all colonies: pale where a brood may have begun, a line while it is carried or lies, a swelling
 * where it hatches. Arrows walk, Enter logs.
 */
const props = defineProps<{ desk: BroodDesk }>()
const emit = defineEmits<{ pick: [row: BroodOf] }>()
const settings = useSettingsStore()

const ROW_PX = 26
const axis = ref<ComponentPublicInstance>()
const { wide, px, ticks } = useTimeStrip(props.desk.nowMs, axis)

/** Half the height of a swelling, in pixels: by the root of a day's chance, so that slim ones are still seen. */
const FAT = 17
const MOST = 10
/** The outline of a swelling: day by day above the line, and back below it. */
function swelling({ line }: BroodOf): string {
  const { firstDayMs, days } = line.hatch
  const tops = days
    .map((chance, day) => ({ x: px(firstDayMs + (day + 0.5) * DAY_MS), y: Math.min(MOST, FAT * Math.sqrt(chance)) }))
    .filter(p => p.x > 0 && p.x < wide.value)
  if (tops.length === 0) return ''
  const middle = ROW_PX / 2
  const edge = (sign: number) => tops.map(p => `${p.x.toFixed(1)},${(middle + sign * p.y).toFixed(1)}`)
  const [first, last] = [px(firstDayMs), px(firstDayMs + days.length * DAY_MS)]
  return `M${first},${middle} L${edge(-1).join(' L')} L${last},${middle} L${edge(1).toReversed().join(' L')} Z`
}
/** Where the words beside a swelling stand: after it, or before the row where there is no room. */
function wordsAt(row: BroodOf): { x: number; anchor: 'start' | 'end' } {
  const { firstDayMs, days } = row.line.hatch
  const end = px(firstDayMs + days.length * DAY_MS) + 8
  return end < wide.value - 8 * broodLabel(row, 100).length
    ? { x: end, anchor: 'start' }
    : { x: wide.value - 4, anchor: 'end' }
}
const said = (row: BroodOf) =>
  `${row.name}, ${broodTitle(row, props.desk.nowMs.value)}: hatches ` +
  stretchText(row.line.hatch.earliestMs, row.line.hatch.latestMs, props.desk.nowMs.value)

const list = ref<HTMLElement>()
const walk = useRowWalk(list, props.desk.step)
</script>

<template>
  <div ref="list" class="rows" @keydown.down.prevent="walk(1)" @keydown.up.prevent="walk(-1)">
    <TimeAxis ref="axis" :ticks="ticks" :wide="wide" />
    <TimeRow v-for="c in desk.colonies.value" :key="c.colony.id" :ticks="ticks" :label="c.colony.name">
      <template #name>
        <NuxtLink :to="`/colony/${c.colony.id}`"
          ><b>{{ c.colony.name }}</b></NuxtLink
        >
        <span class="below">{{ broodsUnder(c.told.broods!, c.told.population.broods, settings.units) }}</span>
      </template>
      <button
        v-for="row in c.rows"
        :key="desk.keyOf(row)"
        type="button"
        class="timerow-pick"
        :aria-pressed="desk.picked.value === row"
        :aria-label="said(row)"
        @click="emit('pick', row)"
        @keydown.enter.prevent="desk.log(row)"
      >
        <svg :height="ROW_PX" aria-hidden="true">
          <rect
            class="begun"
            :x="px(row.line.hatch.begunFromMs)"
            :width="Math.max(3, px(row.line.hatch.begunToMs) - px(row.line.hatch.begunFromMs))"
            :y="ROW_PX / 2 - 3.5"
            height="7"
          />
          <line
            class="carried"
            :class="{ awaited: row.line.awaits !== null }"
            :x1="px(row.line.hatch.begunToMs)"
            :x2="px(row.line.hatch.firstDayMs)"
            :y1="ROW_PX / 2"
            :y2="ROW_PX / 2"
          />
          <path class="hatch" :d="swelling(row)" />
          <template v-if="row.line.sign === 'clutch'">
            <circle v-for="at in row.line.looksMs" :key="at" class="look" :cx="px(at)" :cy="ROW_PX / 2" r="3.5" />
          </template>
          <text :x="wordsAt(row).x" :y="ROW_PX / 2 + 4.5" :text-anchor="wordsAt(row).anchor">
            {{ broodLabel(row, c.told.population.broods.youngEach) }}
          </text>
        </svg>
      </button>
    </TimeRow>
  </div>
</template>

<style scoped>
.rows {
  display: grid;
}
.begun {
  fill: var(--roe);
  opacity: 0.25;
}
.carried {
  stroke: var(--roe);
  stroke-width: 2.5;
}
.carried.awaited {
  stroke-dasharray: 3 5;
}
.hatch {
  fill: var(--roe);
  stroke: var(--roe);
  stroke-width: 1.5;
  stroke-linejoin: round;
  opacity: 0.85;
}
.look {
  fill: var(--paper);
  stroke: var(--roe);
  stroke-width: 1.5;
}
</style>
