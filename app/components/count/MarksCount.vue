<script setup lang="ts">
import { countEvidence, schnabel } from '#core/abundance'
import { groupOf } from '#core/groups'
import type { Colony } from '#core/records'
import { readMarks, type SheetCount } from '~/forms/countSheets'
import { countWhy, evidenceText } from '~/words/count'
import { whole } from '~/words/numbers'

/** Counting by marks: each catch is marked and let go; how many come back tells how many there are. For shells. */
const props = defineProps<{ colony: Colony }>()
const count = defineModel<SheetCount | null>({ required: true })
const rows = ref([
  { caught: '', recaptured: '' },
  { caught: '', recaptured: '' },
])
const columns = [
  { key: 'number', title: 'Catch', width: '90px' },
  { key: 'caught', title: 'Caught' },
  { key: 'recaptured', title: 'of them with a mark' },
]
const read = computed(() => readMarks(rows.value))
const group = computed(() => groupOf(props.colony.groupId))
const sheds = computed(() => group.value.care.molts !== undefined)
const started = computed(() => rows.value.filter(r => r.caught.trim() !== '').length > 1)
watch(
  read,
  r => {
    count.value = r.ok
      ? { method: 'marks', number: r.marks.reduce((s, m) => s + m.caught - m.recaptured, 0), marks: r.marks }
      : null
  },
  { immediate: true },
)
const evidence = computed(() =>
  count.value?.method === 'marks' ? countEvidence(count.value, group.value.counting, sheds.value) : null,
)
const marked = computed(() => (read.value.ok ? schnabel(read.value.marks, 0.8) : null))
</script>

<template>
  <div class="marks">
    <p class="muted">
      Catch some, put a small spot of harmless paint or nail varnish on each dry shell, let them go. Days later catch
      again and write how many carry a spot. Mark the new ones too and go on as often as you like.
    </p>
    <CautionNote v-if="sheds" role="status">
      {{ group.name }} molt: they shed their marks with the skin, and the number then comes out too high. Use this for
      snails; for these animals count at the food or in passes.
    </CautionNote>
    <DataTable label="Catches" :columns="columns" :rows="rows">
      <template #number="{ index }">{{ index + 1 }}</template>
      <template #caught="{ row, index }">
        <CellInput v-model="row.caught" inputmode="numeric" :label="`Catch ${index + 1}: caught`" />
      </template>
      <template #recaptured="{ row, index }">
        <CellInput
          v-if="index > 0"
          v-model="row.recaptured"
          inputmode="numeric"
          :label="`Catch ${index + 1}: with a mark`"
        /><span v-else class="muted">none yet</span>
      </template>
    </DataTable>
    <button
      v-if="rows.length < 20"
      type="button"
      class="link"
      @click="rows = [...rows, { caught: '', recaptured: '' }]"
    >
      Another catch
    </button>
    <FieldIssue v-if="started && !read.ok" :text="read.issue" />
    <p v-if="evidence" class="statement"><TheSentence :text="evidenceText(evidence)" /></p>
    <details v-if="evidence" class="small">
      <summary>Why?</summary>
      <p class="muted">{{ countWhy['marks'] }}</p>
    </details>
    <p v-if="marked" class="muted">{{ whole(marked.recaptured) }} came back with a mark in all.</p>
  </div>
</template>

<style scoped>
.marks {
  display: grid;
  gap: var(--space-5);
  max-width: 760px;
  justify-items: start;
}
</style>
