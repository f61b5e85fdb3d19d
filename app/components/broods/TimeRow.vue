<script setup lang="ts">
/** A row under the days of Broods: who it is about, then its strip with the lines of the days through it. */
defineProps<{ ticks: readonly { x: number; today: boolean }[]; label?: string }>()
</script>

<template>
  <section class="timerow" :aria-label="label">
    <div class="name"><slot name="name" /></div>
    <div class="strip">
      <svg class="rules" aria-hidden="true">
        <line v-for="t in ticks" :key="t.x" :x1="t.x" :x2="t.x" y1="0" y2="100%" :class="{ today: t.today }" />
      </svg>
      <div class="drawn"><slot /></div>
    </div>
  </section>
</template>

<style>
/* the axis and its rows stand under one another */
.timerow {
  display: grid;
  grid-template-columns: 176px minmax(0, 1fr);
  column-gap: var(--space-5);
  border-bottom: 1px solid var(--rule);
  padding: var(--space-4) 0;
}
.timerow svg {
  display: block;
  width: 100%;
}
.timerow text {
  font-size: var(--type-small);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
  stroke-linejoin: round;
}
.timerow .name a {
  color: var(--ink);
  text-decoration: none;
}
.timerow .name a:hover {
  text-decoration: underline;
}
.timerow .strip {
  position: relative;
}
.timerow .drawn {
  position: relative;
}
.timerow .rules {
  position: absolute;
  inset: calc(-1 * var(--space-4)) 0;
  height: calc(100% + 2 * var(--space-4));
}
.timerow .rules line {
  stroke: var(--rule);
}
.timerow .rules line.today {
  stroke: var(--weed);
  stroke-width: 2;
}
.timerow-pick {
  position: relative;
  display: block;
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.timerow-pick[aria-pressed='true'] {
  background: var(--weed-tint);
}
@media (--small-desk) {
  .timerow {
    grid-template-columns: 140px minmax(0, 1fr);
  }
}
@media (--phone) {
  .timerow {
    grid-template-columns: minmax(0, 1fr);
    row-gap: var(--space-2);
  }
}
</style>
