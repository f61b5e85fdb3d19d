<script setup lang="ts">
import type { Ranged } from '#core/stats'

/** A share as a bar, with its likely range as a line under it. Half of the width is half of all. */
const props = defineProps<{ share: Ranged; colour: string }>()
const at = (x: number) => `${Math.min(100, 100 * x)}%`
const range = computed(() => ({ left: at(props.share.low), width: at(props.share.high - props.share.low) }))
</script>

<template>
  <span class="forecast" aria-hidden="true">
    <span class="bar" :style="{ width: at(share.value), background: colour }" />
    <span class="range" :style="range" />
  </span>
</template>

<style scoped>
.forecast {
  display: block;
  position: relative;
  height: 22px;
}
.bar {
  display: block;
  height: 14px;
}
.range {
  position: absolute;
  top: 17px;
  height: 2px;
  background: var(--ink);
}
</style>
