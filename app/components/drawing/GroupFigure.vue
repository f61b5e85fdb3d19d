<script setup lang="ts">
import { groupFigures } from './groupFigures'

/** The silhouette of a species group, wherever one is named; it says nothing that the name beside it does not. */
const props = defineProps<{ groupId: string; size?: number }>()
const parts = computed(() => groupFigures[props.groupId] ?? groupFigures.custom!)
const width = computed(() => props.size ?? 86)
</script>

<template>
  <svg class="figure" :width="width" :height="(width * 50) / 86" viewBox="0 0 86 50" aria-hidden="true">
    <path v-for="(p, i) in parts" :key="i" :d="p.d" :class="p.as" :stroke-width="p.width" />
  </svg>
</template>

<style scoped>
.figure {
  display: block;
  flex: none;
}
.fill {
  fill: var(--weed);
}
.line,
.gap {
  fill: none;
  stroke: var(--weed);
  stroke-linecap: round;
}
.gap {
  stroke: var(--paper);
}
</style>
