<script setup lang="ts">
import type { BatchDesk, BatchRow } from '~/composables/useBatchDesk'
import { DAY_MS } from '#core/records'
import { batchRowText, batchRowUnder, lotRowText } from '~/words/batch'

/**
 * Rearings, pools and dry eggs on the same days as the broods: a line from the hatch, a swelling where they settle or
 * are grown, the salt of larvae as a staircase under it, and the dry rest as dots.
 */
const props = defineProps<{ desk: BatchDesk }>()
/** L logs for the row that has the focus. */
const atHand = useAtHand()
const strip = ref<HTMLElement[]>([])
const { wide, px, ticks } = useTimeStrip(props.desk.nowMs, () => strip.value[0])
/** What has rested for long is in the bank alone: it waits without a day. */
const RESTED_DAYS = 28
const resting = computed(() =>
  props.desk.lots.value.filter(l => l.restedMs > props.desk.nowMs.value - RESTED_DAYS * DAY_MS),
)
const ROW_PX = 44
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
/** Salt of larvae: up within hours, and down within days once half have settled. */
function stair({ batch, salt }: BatchRow): string {
  if (salt.length === 0) return ''
  const most = Math.max(...salt.map(s => s.gKg))
  const y = (g: number) => SALT_BASE - ((SALT_BASE - SALT_TOP) * g) / most
  let d = `M${px(batch.beganMs)},${y(0)}`
  for (const s of salt) d += ` H${px(s.doneMs ?? s.atMs)} V${y(s.gKg)}`
  const end = batch.arrive.nearly?.value
  if (end) for (let k = 1; k <= 3; k++) d += ` H${px(end + k * DAY_MS)} V${y(most * (1 - k / 3))}`
  return d
}
const startOfLine = (r: BatchRow) => px(r.batch.hatch.value)
const endOfLine = (r: BatchRow) => px(r.batch.endsMs ?? r.batch.arrive.first?.value ?? props.desk.nowMs.value)
const textAt = (x: number, text: string) =>
  x + 8 < wide.value - 7 * text.length
    ? { x: x + 8, anchor: 'start' as const }
    : { x: wide.value - 4, anchor: 'end' as const }
const endOf = (r: BatchRow) => px(r.batch.endsMs ?? r.batch.arrive.nearly?.high ?? props.desk.nowMs.value)
</script>

<template>
  <section v-if="desk.rows.value.length + resting.length > 0" aria-labelledby="batches-title">
    <h2 id="batches-title">Rearings and pools</h2>
    <TimeAxis :ticks="ticks" :wide="wide" />
    <div v-for="r in desk.rows.value" :key="r.colony.id" class="row">
      <div>
        <NuxtLink :to="`/colony/${r.colony.id}`" @focus="atHand = r.colony.id"
          ><b>{{ r.colony.name }}</b></NuxtLink
        >
        <span class="below">{{ batchRowUnder(r.batch) }}</span>
      </div>
      <div ref="strip" class="strip">
        <svg :height="ROW_PX" role="img" :aria-label="`${r.colony.name}: ${batchRowText(r.batch, desk.nowMs.value)}`">
          <line
            v-for="t in ticks"
            :key="t.x"
            class="rule"
            :class="{ today: t.today }"
            :x1="t.x"
            :x2="t.x"
            y1="0"
            y2="100%"
          />
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
          <text
            :x="textAt(endOf(r), batchRowText(r.batch, desk.nowMs.value)).x"
            :y="LINE + 4.5"
            :text-anchor="textAt(endOf(r), batchRowText(r.batch, desk.nowMs.value)).anchor"
          >
            {{ batchRowText(r.batch, desk.nowMs.value) }}
          </text>
        </svg>
      </div>
    </div>
    <div v-for="l in resting" :key="l.lot.id" class="row lot">
      <div>
        <b>{{ l.lot.name }}</b>
        <span class="below">dry eggs</span>
      </div>
      <div ref="strip" class="strip">
        <svg :height="30" role="img" :aria-label="`${l.lot.name}: ${lotRowText(l, desk.nowMs.value)}`">
          <line
            v-for="t in ticks"
            :key="t.x"
            class="rule"
            :class="{ today: t.today }"
            :x1="t.x"
            :x2="t.x"
            y1="0"
            y2="100%"
          />
          <line class="rest" :x1="px(l.sinceMs)" :x2="px(l.restedMs)" :y1="LINE" :y2="LINE" />
          <line class="ready" :x1="px(l.restedMs)" :x2="px(l.restedMs)" :y1="LINE - 7" :y2="LINE + 7" />
          <text
            :x="textAt(px(l.restedMs), lotRowText(l, desk.nowMs.value)).x"
            :y="LINE + 4.5"
            :text-anchor="textAt(px(l.restedMs), lotRowText(l, desk.nowMs.value)).anchor"
          >
            {{ lotRowText(l, desk.nowMs.value) }}
          </text>
        </svg>
      </div>
    </div>
  </section>
</template>

<style scoped>
section {
  padding-top: var(--space-5);
}
.row {
  display: grid;
  grid-template-columns: 176px minmax(0, 1fr);
  column-gap: var(--space-5);
  border-bottom: 1px solid var(--rule);
  padding: var(--space-3) 0;
  align-items: center;
}
.row a {
  color: var(--ink);
  text-decoration: none;
}
.row a:hover {
  text-decoration: underline;
}
svg {
  display: block;
  width: 100%;
}
text {
  font-size: var(--type-small);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
  stroke-linejoin: round;
}
.rule {
  stroke: var(--rule);
}
.rule.today {
  stroke: var(--weed);
  stroke-width: 2;
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
@media (--small-desk) {
  .row {
    grid-template-columns: 140px minmax(0, 1fr);
  }
}
@media (--phone) {
  .row {
    grid-template-columns: minmax(0, 1fr);
    row-gap: var(--space-2);
  }
}
</style>
