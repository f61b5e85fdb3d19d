<script setup lang="ts">
import type { Tip } from '~/composables/useTip'

/** The one tip of the page, over what the mouse rests on. */
defineProps<{ tip: Tip | null }>()
</script>

<template>
  <v-tooltip
    v-if="tip"
    model-value
    :target="tip.at"
    :text="tip.words"
    location="top"
    max-width="340"
    :open-on-hover="false"
  />
</template>

<style>
.v-tooltip > .v-overlay__content {
  padding: var(--space-3) var(--space-5);
  border-radius: 6px;
  background: var(--ink);
  color: var(--paper);
  font-size: var(--type-small);
}
</style>
