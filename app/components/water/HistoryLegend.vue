<script setup lang="ts">
import type { HistoryDesk } from '~/composables/useHistoryDesk'
import { testMethodWord } from '~/words/states'
import { rangeText } from '~/words/unitPrefs'

/** What the marks on the water history are, and what may be shown with them. */
const { history } = defineProps<{ history: HistoryDesk }>()
const showLimits = defineModel<boolean>({ required: true })
const withChanges = computed({ get: () => history.withChanges, set: history.compareWithChanges })
const settings = useSettingsStore()
const methods = computed(() => [...new Set(history.shown.map(r => r.method))])
</script>

<template>
  <div class="small muted legend">
    <span v-for="m in methods" :key="m"
      ><svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
        <circle v-if="m === 'liquidKit'" r="4.5" class="full" />
        <path v-else-if="m === 'strip'" d="M0,-5 L5,4 L-5,4 z" />
        <rect v-else-if="m === 'probe'" x="-4" y="-4" width="8" height="8" class="full" />
        <path v-else-if="m === 'guess'" d="M-4,-4 L4,4 M4,-4 L-4,4" />
        <path v-else d="M0,-5 L5,0 L0,5 L-5,0 z" /></svg
      >{{ testMethodWord[m] }}</span
    >
    <span v-if="history.events.some(e => e.kind === 'change')"
      ><svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
        <path d="M0,-5 L5,5 L-5,5 z" class="poured" /></svg
      >water changed</span
    >
    <span v-if="history.events.some(e => e.kind === 'topUp')"
      ><svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true"><circle r="3.5" class="topped" /></svg
      >topped up</span
    >
    <span v-if="history.target"
      ><i class="band" />preferred {{ rangeText(history.key, ...history.target.preferred, settings.units) }}</span
    >
    <label v-if="history.limits"><input v-model="showLimits" type="checkbox" /> what is ordinary here (dashed)</label>
    <label v-if="history.lastPoured && history.ahead.length > 0"
      ><input v-model="withChanges" type="checkbox" /> ahead with changes like the last one</label
    >
  </div>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
  align-items: center;
  padding-top: var(--space-2);
}
.legend span,
.legend label {
  display: inline-flex;
  align-items: center;
  gap: var(--space-2);
  min-height: 28px;
}
.legend svg {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.legend .full {
  fill: var(--ink);
}
.legend .poured {
  fill: var(--water);
  stroke: none;
}
.legend .topped {
  stroke: var(--water);
}
.legend .band {
  width: 18px;
  height: 10px;
  background: var(--water-solid);
  opacity: 0.6;
  border-radius: 2px;
}
.legend input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
}
</style>
