<script setup lang="ts">
import type { BroodDesk } from '~/composables/useBroodDesk'
import { broodTitle, youngText } from '~/words/broods'
import { stretchText, weekdayText } from '~/words/when'

/** All rows as a table: what the drawing shows, in words. */
const props = defineProps<{ desk: BroodDesk }>()
const columns = [
  { key: 'what', title: 'Brood' },
  { key: 'begun', title: 'Began', as: 'quiet' },
  { key: 'hatches', title: 'Hatches' },
  { key: 'likely', title: 'Likely' },
  { key: 'young', title: 'Young', as: 'figure' },
] as const
const now = computed(() => props.desk.nowMs.value)
</script>

<template>
  <DataTable label="Broods by the day on which they hatch" :columns="columns" :rows="desk.bySoonest.value">
    <template #what="{ row }">{{ row.name }}, {{ broodTitle(row, now) }}</template>
    <template #begun="{ row }">{{ stretchText(row.line.hatch.begunFromMs, row.line.hatch.begunToMs, now) }}</template>
    <template #hatches="{ row }">{{ stretchText(row.line.hatch.earliestMs, row.line.hatch.latestMs, now) }}</template>
    <template #likely="{ row }">{{ weekdayText(row.line.hatch.likelyMs) }}</template>
    <template #young="{ row }">{{ youngText(row.line, desk.colonyOf(row).told.population.broods) }}</template>
  </DataTable>
</template>
