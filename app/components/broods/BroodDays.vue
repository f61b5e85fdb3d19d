<script setup lang="ts">
import type { BroodDesk } from '~/composables/useBroodDesk'
import { type BroodOf, broodTitle } from '~/words/broods'
import { stretchText, weekdayText } from '~/words/when'

/** The same as a list by day, for a phone: the likely day first, and between which days it may be. */
const props = defineProps<{ desk: BroodDesk }>()
defineEmits<{ pick: [row: BroodOf] }>()
const days = computed(() => {
  const byDay = new Map<string, BroodOf[]>()
  for (const row of props.desk.bySoonest.value) {
    const day = weekdayText(row.line.hatch.likelyMs)
    byDay.set(day, [...(byDay.get(day) ?? []), row])
  }
  return [...byDay].map(([day, rows]) => ({ day, rows }))
})
</script>

<template>
  <ol class="days">
    <li v-for="d in days" :key="d.day">
      <h2>{{ d.day }}</h2>
      <button v-for="row in d.rows" :key="desk.keyOf(row)" type="button" @click="$emit('pick', row)">
        <b>{{ row.name }}</b>
        <span>{{ broodTitle(row, desk.nowMs.value) }}</span>
        <span class="small muted">{{
          stretchText(row.line.hatch.earliestMs, row.line.hatch.latestMs, desk.nowMs.value)
        }}</span>
      </button>
    </li>
  </ol>
</template>

<style scoped>
.days {
  display: grid;
  gap: var(--space-5);
}
button {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 var(--space-5);
  width: 100%;
  min-height: 56px;
  align-items: center;
  padding: var(--space-3) 0;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
button .small {
  grid-column: 1 / -1;
}
</style>
