<script setup lang="ts">
import type { JudgedCount } from '#core/population'
import { whole } from '~/words/numbers'
import { countMethodWord } from '~/words/states'
import { dayText } from '~/words/when'

/** The last counts of a colony, each with what it speaks for: so that the next one is made the way that tells most. */
const props = defineProps<{ name: string; counts: readonly JudgedCount[]; nowMs: number }>()
/** As many as stand below the desk without scrolling far. */
const MOST = 8
const rows = computed(() => props.counts.slice(-MOST).toReversed())
const columns = [
  { key: 'at', title: 'When', as: 'name' },
  { key: 'seen', title: 'seen', as: 'figure' },
  { key: 'method', title: 'how', as: 'quiet' },
  { key: 'value', title: 'speaks for', as: 'figure' },
  { key: 'range', title: 'likely', as: 'quiet' },
  { key: 'expected', title: 'expected before it', as: 'quiet' },
  { key: 'weight', title: 'taken', as: 'quiet' },
] as const
const weightWord = { full: 'in full', part: 'in part', none: 'as a slip' } as const
</script>

<template>
  <section v-if="rows.length > 0" aria-labelledby="counts-before">
    <h2 id="counts-before">{{ name }} was counted {{ counts.length === 1 ? 'once' : `${counts.length} times` }}</h2>
    <DataTable :label="`Last counts of ${name}`" :columns="columns" :rows="rows">
      <template #at="{ row }">{{ dayText(row.at, nowMs) }}</template>
      <template #seen="{ row }">{{ whole(row.seen) }}</template>
      <template #method="{ row }">{{ countMethodWord[row.method] }}</template>
      <template #value="{ row }">{{ whole(row.value) }}</template>
      <template #range="{ row }">{{ whole(row.low) }} to {{ whole(row.high) }}</template>
      <template #expected="{ row }">{{ whole(row.expected) }}</template>
      <template #weight="{ row }">{{ weightWord[row.weight] }}</template>
    </DataTable>
  </section>
</template>

<style scoped>
section {
  padding-top: var(--space-7);
}
</style>
