<script setup lang="ts">
import { mdiArrowLeft } from '@mdi/js'

/** The way back from a record to where it belongs, before the title; a phone has its own. */
defineProps<{ to: string; label: string }>()
</script>

<template>
  <NuxtLink :to="to" class="back" :aria-label="label"><v-icon :icon="mdiArrowLeft" size="20" /></NuxtLink>
</template>

<style scoped>
.back {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  width: 40px;
  height: 40px;
  margin: -10px 0 -10px -10px;
  align-self: center;
  color: var(--muted);
}
@media (--phone) {
  .back {
    display: none;
  }
}
</style>
