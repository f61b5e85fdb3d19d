<script setup lang="ts">
import type { LineTold } from '#core/lines'
import { type Ladder, presentRungs } from '#core/records'
import { besideText } from '~/words/lineBeside'
import { generationNames } from '~/words/lineGenerations'
import { ladderText } from '~/words/lines'

/** Other traits that the line is graded by: what each generation was, and what the main trait does to them. */
const props = defineProps<{ told: LineTold; main: Ladder; ladders: readonly Ladder[]; nowMs: number }>()
const names = computed(() => generationNames(props.told, props.nowMs))
const traits = computed(() =>
  props.told.beside.flatMap(b => {
    const ladder = props.ladders.find(l => l.id === b.ladderId)
    if (!ladder) return []
    const rows = names.value.flatMap((name, t) => {
      const mean = b.meanRungs[t]
      return mean == null ? [] : [{ id: name, name, mean: mean.toFixed(1), counts: b.counts[t]! }]
    })
    const rungs = presentRungs(ladder)
    const columns = [
      { key: 'name', title: 'Generation', as: 'name', width: '146px' } as const,
      { key: 'counts', title: ladderText(rungs) },
      { key: 'mean', title: 'Mean rung', as: 'number', width: '100px' } as const,
    ]
    return [{ ladder, rungs, columns, rows, text: besideText(b, props.main.trait, ladder.trait) }]
  }),
)
</script>

<template>
  <section v-for="t in traits" :key="t.ladder.id" :aria-label="t.ladder.trait">
    <h2>{{ t.ladder.trait }}</h2>
    <p><TheSentence :text="t.text" /></p>
    <DataTable v-if="t.rows.length > 0" :label="`Generations by ${t.ladder.trait}`" :columns="t.columns" :rows="t.rows">
      <template #counts="{ row }"><RungBar :counts="row.counts" :rungs="t.rungs" /></template>
    </DataTable>
    <p v-if="t.rows.length > 1" class="small muted">
      From the means of the generations, with food and warmth of a year, drift, keepers and sexes taken for what they
      are. That most traits have little to do with each other is from memory.
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-4);
  max-width: 860px;
  padding-top: var(--space-5);
}
</style>
