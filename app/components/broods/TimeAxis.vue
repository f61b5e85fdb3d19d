<script setup lang="ts">
/** The days over the time lines of Broods. */
defineProps<{ ticks: readonly { x: number; text: string; today: boolean }[]; wide: number }>()
</script>

<template>
  <div class="axis" aria-hidden="true">
    <span />
    <svg :height="20">
      <text
        v-for="t in ticks"
        :key="t.x"
        :x="t.x"
        y="14"
        :text-anchor="t.x < 10 ? 'start' : t.x > wide - 30 ? 'end' : 'middle'"
        :class="{ today: t.today }"
      >
        {{ t.text }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.axis {
  display: grid;
  grid-template-columns: 176px minmax(0, 1fr);
  column-gap: var(--space-5);
}
svg {
  display: block;
  width: 100%;
}
text {
  font-size: var(--type-fine);
  fill: var(--muted);
}
text.today {
  fill: var(--ink);
  font-weight: 650;
}
@media (--small-desk) {
  .axis {
    grid-template-columns: 140px minmax(0, 1fr);
  }
}
@media (--phone) {
  .axis {
    grid-template-columns: minmax(0, 1fr);
  }
  .axis span {
    display: none;
  }
}
</style>
