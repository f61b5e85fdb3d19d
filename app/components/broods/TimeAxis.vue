<script setup lang="ts">
/** The days over the time lines of Broods. */
const props = defineProps<{ ticks: readonly { x: number; text: string; today: boolean }[]; wide: number }>()
/** A day needs so many pixels, or it would touch the next one. */
const APART = 78
/** On a narrow line every other day is told, today among them. */
const told = computed(() => {
  const today = props.ticks.findIndex(t => t.today)
  const narrow = props.wide / (props.ticks.length - 1) < APART
  return props.ticks.filter((_, i) => !narrow || (i - today) % 2 === 0)
})
</script>

<template>
  <div class="timerow axis" aria-hidden="true">
    <span />
    <svg :height="20">
      <text
        v-for="t in told"
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
div.axis {
  border: 0;
  padding: 0;
}
svg text {
  font-size: var(--type-fine);
  fill: var(--muted);
}
svg text.today {
  fill: var(--ink);
  font-weight: 650;
}
@media (--phone) {
  .axis span {
    display: none;
  }
}
</style>
