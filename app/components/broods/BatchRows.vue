<script setup lang="ts">
import type { BatchDesk, BatchRow, LotRow } from '~/composables/useBatchDesk'
import { DAY_MS } from '#core/records'
import { batchRowText, batchRowUnder, lotRowText } from '~/words/batch'

/**
 * Rearings, pools and dry eggs on the same days as the broods: a line from the hatch, a swelling where they settle or
 * are grown, the salt of larvae as a staircase under it, and the dry rest as dots.
 */
const props = defineProps<{ desk: BatchDesk }>()
const emit = defineEmits<{ pick: [row: BatchRow] }>()
const axis = ref<ComponentPublicInstance>()
const { wide, px, ticks } = useTimeStrip(props.desk.nowMs, axis)
/** What has rested for long is in the bank alone: it waits without a day. */
const RESTED_DAYS = 28
const resting = computed(() =>
  props.desk.lots.value.filter(l => l.restedMs > props.desk.nowMs.value - RESTED_DAYS * DAY_MS),
)
const ROW_PX = 44
/** of what has no salt */
const REST_PX = 30
const LINE = 16
const FAT = 9
/** The swelling of those that come to the last stage: thin at the first, fat where half are there. */
function swelling({ batch }: BatchRow): string {
  const { first, half, nearly } = batch.arrive
  if (!first || !half || !nearly) return ''
  const [a, b, c] = [px(first.low), px(half.value), px(nearly.high)]
  const [rise, fall] = [(a + b) / 2, (b + c) / 2]
  const [top, foot] = [LINE - FAT, LINE + FAT]
  const over = `Q${rise},${top} ${b},${top} Q${fall},${top} ${c},${LINE}`
  const under = `Q${fall},${foot} ${b},${foot} Q${rise},${foot} ${a},${LINE}`
  return `M${a},${LINE} ${over} ${under} Z`
}
const SALT_TOP = 26
const SALT_BASE = 42
/** Salt of larvae as a staircase. */
function stair({ batch, salt }: BatchRow): string {
  if (salt.length === 0) return ''
  const most = Math.max(...salt.map(s => s.gKg))
  const y = (g: number) => SALT_BASE - ((SALT_BASE - SALT_TOP) * g) / most
  let d = `M${px(batch.beganMs)},${y(0)}`
  for (const s of salt) d += ` H${px(s.doneMs ?? s.atMs)} V${y(s.gKg)}`
  return d
}
const startOfLine = (r: BatchRow) => px(r.batch.hatch.value)
const endOfLine = (r: BatchRow) => px(r.batch.endsMs ?? r.batch.arrive.first?.value ?? props.desk.nowMs.value)
const endOf = (r: BatchRow) => px(r.batch.endsMs ?? r.batch.arrive.nearly?.high ?? props.desk.nowMs.value)
/** Words stand after what they are about, or at the end below it where there is no room. */
const fits = (x: number, text: string) => x + 8 < wide.value - 7 * text.length
const textAt = (x: number, text: string, belowPx: number) =>
  fits(x, text)
    ? { x: x + 8, y: LINE + 4.5, 'text-anchor': 'start' }
    : { x: wide.value - 4, y: belowPx - 4, 'text-anchor': 'end' }
const WORDS_PX = 18
const textOf = (r: BatchRow) => batchRowText(r.batch, props.desk.nowMs.value)
/** A row is as tall as its drawing, and its words where they stand below. */
const tall = (r: BatchRow) => (r.salt.length > 0 ? ROW_PX : REST_PX) + (fits(endOf(r), textOf(r)) ? 0 : WORDS_PX)
const lotTall = (l: LotRow) => REST_PX + (fits(px(l.restedMs), lotRowText(l, props.desk.nowMs.value)) ? 0 : WORDS_PX)
const list = ref<HTMLElement>()
const walk = useRowWalk(list, props.desk.step)
</script>

<template>
  <section
    v-if="desk.rows.value.length + resting.length > 0"
    ref="list"
    aria-labelledby="batches-title"
    @keydown.down.prevent="walk(1)"
    @keydown.up.prevent="walk(-1)"
  >
    <h2 id="batches-title">Rearings and pools</h2>
    <TimeAxis ref="axis" :ticks="ticks" :wide="wide" />
    <TimeRow v-for="r in desk.rows.value" :key="r.colony.id" :ticks="ticks">
      <template #name>
        <NuxtLink :to="`/colony/${r.colony.id}`"
          ><b>{{ r.colony.name }}</b></NuxtLink
        >
        <span class="below">{{ batchRowUnder(r.batch) }}</span>
      </template>
      <button
        type="button"
        class="timerow-pick"
        :aria-pressed="desk.picked.value === r"
        :aria-label="`${r.colony.name}: ${textOf(r)}`"
        @click="emit('pick', r)"
        @keydown.enter.prevent="desk.log(r)"
      >
        <svg :height="tall(r)" aria-hidden="true">
          <circle v-if="r.batch.kind === 'pool'" class="flood" :cx="px(r.batch.beganMs)" :cy="LINE" r="4" />
          <rect
            class="hatch"
            :x="px(r.batch.hatch.low)"
            :width="Math.max(3, px(r.batch.hatch.high) - px(r.batch.hatch.low))"
            :y="LINE - 4"
            height="8"
          />
          <line class="life" :x1="startOfLine(r)" :x2="endOfLine(r)" :y1="LINE" :y2="LINE" />
          <path class="swelling" :d="swelling(r)" />
          <path v-if="r.salt.length > 0" class="salt" :d="stair(r)" />
          <text v-bind="textAt(endOf(r), textOf(r), tall(r))">{{ textOf(r) }}</text>
        </svg>
      </button>
    </TimeRow>
    <TimeRow v-for="l in resting" :key="l.lot.id" :ticks="ticks">
      <template #name>
        <b>{{ l.lot.name }}</b>
        <span class="below">dry eggs</span>
      </template>
      <svg :height="lotTall(l)" role="img" :aria-label="`${l.lot.name}: ${lotRowText(l, desk.nowMs.value)}`">
        <line class="rest" :x1="px(l.sinceMs)" :x2="px(l.restedMs)" :y1="LINE" :y2="LINE" />
        <line class="ready" :x1="px(l.restedMs)" :x2="px(l.restedMs)" :y1="LINE - 7" :y2="LINE + 7" />
        <text v-bind="textAt(px(l.restedMs), lotRowText(l, desk.nowMs.value), lotTall(l))">
          {{ lotRowText(l, desk.nowMs.value) }}
        </text>
      </svg>
    </TimeRow>
  </section>
</template>

<style scoped>
section {
  padding-top: var(--space-5);
}
.hatch {
  fill: var(--roe);
  opacity: 0.3;
}
.flood {
  fill: var(--water);
}
.life {
  stroke: var(--roe);
  stroke-width: 2.5;
}
.swelling {
  fill: var(--roe);
  opacity: 0.85;
}
.salt {
  fill: none;
  stroke: var(--water);
  stroke-width: 2;
}
.rest {
  stroke: var(--straw);
  stroke-width: 3;
  stroke-dasharray: 2 6;
  stroke-linecap: round;
}
.ready {
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
