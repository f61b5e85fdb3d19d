<script setup lang="ts">
import type { VerdictState } from '#core/records'
import { stateWord } from '~/words/states'

/**
 * A state as a shape: filled dot, half dot, triangle, open ring. The word stands beside it for those who cannot see it.
 */
defineProps<{ state: VerdictState; size?: number }>()
</script>

<template>
  <span class="mark" :class="state">
    <svg :width="size ?? 12" :height="size ?? 12" viewBox="0 0 12 12" aria-hidden="true">
      <circle v-if="state === 'onTarget'" cx="6" cy="6" r="5" fill="currentColor" />
      <template v-else-if="state === 'drifting'">
        <circle cx="6" cy="6" r="4.6" fill="none" stroke="currentColor" stroke-width="1.6" />
        <path d="M6 1.4a4.6 4.6 0 0 1 0 9.2z" fill="currentColor" />
      </template>
      <path v-else-if="state === 'off'" d="M6 .8 11.6 11H.4z" fill="currentColor" />
      <circle
        v-else
        cx="6"
        cy="6"
        r="4.6"
        fill="none"
        stroke="currentColor"
        stroke-width="1.5"
        stroke-dasharray="2 1.6"
      />
    </svg>
    <span class="hidden-to-eyes">{{ stateWord[state] }}: </span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  vertical-align: -1px;
  margin-right: var(--space-3);
  flex: none;
  position: relative;
}
.onTarget {
  color: var(--weed);
}
.drifting {
  color: var(--straw);
}
.off {
  color: var(--rust);
}
.unknown {
  color: var(--muted);
}
</style>
