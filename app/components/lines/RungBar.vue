<script setup lang="ts">
import type { Rung } from '#core/records'
import { percent } from '~/words/numbers'

/** Shares of the rungs as one bar, dullest left. */
const props = defineProps<{ counts: readonly number[]; rungs: readonly Rung[] }>()
const total = computed(() => props.counts.reduce((a, b) => a + b, 0))
const parts = computed(() =>
  props.rungs.map((r, k) => ({
    ...{ id: r.id, words: r.words, share: (props.counts[k] ?? 0) / total.value },
    colour: rungColour(k, props.rungs.length),
  })),
)
const summary = computed(() => parts.value.map(p => `${percent(p.share)} ${p.words}`).join(', '))
</script>

<template>
  <div class="bar" role="img" :aria-label="summary">
    <span v-for="(p, k) in parts" :key="p.id" :style="{ flexGrow: p.share, background: p.colour }" :data-tip="p.words">
      <b v-if="p.share > 0.06" :class="{ light: k >= parts.length - 2 }">{{ k + 1 }}</b>
    </span>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  gap: var(--space-1);
  height: 22px;
  align-self: center;
}
span {
  flex-basis: 0;
  min-width: 0;
  border-radius: 2px;
  overflow: hidden;
  text-align: center;
}
b {
  font: 650 var(--type-fine) var(--v-font-body);
  line-height: 22px;
  color: #17302c;
}
b.light {
  color: #fff;
}
</style>
